<?php

declare(strict_types=1);

use Tests\School;

beforeEach(function (): void {
    $this->s = new School();
    $this->r = $this->s->work($this->s->assignment(), null, [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'],
        ['kind' => 'round', 'radius' => '3'],
    ])->recipe;
    $this->actingAs($this->s->student);
});

function benchEdit(object $t, array $in): Illuminate\Testing\TestResponse
{
    return $t->post("/recipes/{$t->r->id}/edit", $in + ['version' => $t->r->fresh()->version]);
}

it('adds every kind of step, each with a sentence of its own', function (string $kind): void {
    benchEdit($this, ['do' => 'add', 'kind' => $kind])->assertOk();
    $step = $this->r->fresh()->document()->step('s3');
    expect($step?->kind->id())->toBe($kind);
    $page = $this->get('/bench/' . $this->r->work()->firstOrFail()->assignment_id)->assertOk();
    $page->assertSee('id="s3-name"', false)->assertSee('id="form-s3"', false);
    // every value that is of use as the step is set can be reached
    expect(substr_count((string) $page->getContent(), 'id="s3-'))->toBeGreaterThan(2);
})->with(array_keys(Cubo\Recipe\Kind\Kinds::all()));

it('picks and takes out edges, and keeps odd names harmless', function (): void {
    benchEdit($this, ['do' => 'set', 'step' => 's2', 'values' => ['edges' => ['', 's1:front / s1:top', 's1:front / s1:top']]])
        ->assertOk()
        ->assertSee('front and top of Block');
    expect($this->r->fresh()->document()->step('s2')->names('edges'))->toBe(['s1:front / s1:top']);
    benchEdit($this, ['do' => 'set', 'step' => 's2', 'values' => ['edges' => ['<script>alert(1)</script>', 'a / b / c', ['x']]]])
        ->assertOk()
        ->assertDontSee('<script>alert', false);
    benchEdit($this, ['do' => 'set', 'step' => 's2', 'values' => ['edges' => 'all', 'faces' => ['s1:top']]])->assertOk();
    expect($this->r->fresh()->document()->step('s2')->names('edges'))
        ->toBe([])
        ->and($this->r->fresh()->document()->step('s2')->names('faces'))
        ->toBe(['s1:top']);
    benchEdit($this, ['do' => 'set', 'step' => 's2', 'values' => ['edges' => array_fill(0, 5000, str_repeat('e', 900))]])->assertOk();
    $this->get('/bench/' . $this->r->work()->firstOrFail()->assignment_id)->assertOk();
});

it('keeps the table of sizes, and takes nothing odd into it', function (): void {
    benchEdit($this, [
        'do' => 'sizes',
        'sizes' => [['name' => 'wall', 'value' => '2'], ['name' => 'Width', 'value' => '30*wall']],
    ])->assertOk();
    expect($this->r->fresh()->document()->sizes)->toBe(['wall' => '2', 'width' => '30*wall']);
    benchEdit($this, ['do' => 'set', 'step' => 's1', 'values' => ['width' => 'width + wall']])
        ->assertOk()
        ->assertSee('62.00 × 40.00 × 20.00');
    benchEdit($this, ['do' => 'sizes', 'sizes' => [['name' => 'wall', 'value' => 'width'], ['name' => 'width', 'value' => '30*wall']]])
        ->assertOk()
        ->assertSee('in a circle');
    benchEdit($this, ['do' => 'sizes', 'sizes' => [['name' => ['x'], 'value' => '2'], 'y', ['name' => '<b>', 'value' => '<b>']]])
        ->assertOk()
        ->assertDontSee('value="<b>"', false);
    benchEdit($this, ['do' => 'sizes', 'sizes' => 'x'])->assertStatus(302);
    benchEdit($this, ['do' => 'sizes'])->assertOk();
});

it('shows the mass of a material, and says what is no density', function (): void {
    benchEdit($this, ['do' => 'material', 'material' => 'steel'])
        ->assertOk()
        ->assertSee('376.8 g');
    benchEdit($this, ['do' => 'material', 'material' => 'cheese'])
        ->assertOk()
        ->assertSee('376.8 g');
    benchEdit($this, ['do' => 'material', 'material' => 'own', 'density' => 'heavy'])
        ->assertOk()
        ->assertSee('is not a unit Cubo knows');
    benchEdit($this, ['do' => 'material', 'material' => 'own', 'density' => '0.5', 'density_unit' => 'g/cm3'])
        ->assertOk()
        ->assertSee('24.00 g');
    benchEdit($this, ['do' => 'material', 'material' => 'own', 'density' => '1', 'density_unit' => 'stone'])->assertStatus(302);
    benchEdit($this, ['do' => 'material', 'material' => ''])->assertOk();
    expect($this->r->fresh()->document()->material)->toBeNull();
});

it('warns before something is deleted that others rest on', function (): void {
    benchEdit($this, ['do' => 'set', 'step' => 's2', 'values' => ['edges' => ['s1:front / s1:top']]])
        ->assertOk()
        ->assertSee('Round rests on it. Delete it?')
        ->assertSee('Rests on Block.');
});
