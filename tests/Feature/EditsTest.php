<?php

declare(strict_types=1);

use App\Models\RecipeEdit;
use Illuminate\Testing\TestResponse;
use Tests\School;

/*
 * Edits as windows send them: with the name of the window, a number, and the version they stand on.
 */

beforeEach(function (): void {
    $this->s = new School();
    $this->r = $this->s->work($this->s->assignment(), null, [
        ['kind' => 'block', 'name' => 'Post'],
        ['kind' => 'sketch', 'shapes' => [['kind' => 'rectangle'], ['kind' => 'circle'], ['kind' => 'circle', 'u' => '30']]],
    ])->recipe;
    $this->send = fn(string $line, int $number, int $version, array $edit, array $own = []): TestResponse => $this->actingAs(
        $this->s->student,
    )->post(
        "/recipes/{$this->r->id}/edit",
        ['line' => $line, 'number' => $number, 'version' => $version, 'own' => $own] + $edit + ['do' => 'set', 'step' => 's1'],
    );
    $this->step = fn(string $id = 's1') => $this->r->fresh()->document()->step($id);
});

it('does an edit once, however often it is sent', function (): void {
    foreach (range(1, 4) as $_) {
        ($this->send)('windowone', 1, 1, ['do' => 'add', 'kind' => 'ball', 'brief' => 2])
            ->assertOk()
            ->assertJsonPath('outcome', 'kept')
            ->assertJsonPath('version', 2);
    }
    expect($this->r->fresh()->document()->steps)
        ->toHaveCount(3)
        ->and(RecipeEdit::query()->count())
        ->toBe(1);
});

it('carries only what changed, and keeps what else was typed', function (): void {
    ($this->send)('windowone', 1, 1, ['values' => ['width' => '21']])->assertOk();
    ($this->send)('windowone', 2, 2, ['values' => ['depth' => '22']])->assertOk();
    expect(($this->step)()->text('width'))
        ->toBe('21')
        ->and(($this->step)()->text('depth'))
        ->toBe('22');
});

it('waits for the one before, and says how far it has come', function (): void {
    ($this->send)('windowone', 2, 1, ['values' => ['width' => '22']])
        ->assertStatus(409)
        ->assertHeader('Cubo-Edit', 'early');
    expect(($this->step)()->text('width'))->toBe('40');
    ($this->send)('windowone', 1, 1, ['values' => ['width' => '21'], 'brief' => 2])->assertOk();
    ($this->send)('windowone', 2, 2, ['do' => 'group', 'steps' => [], 'brief' => 2])
        ->assertStatus(409)
        ->assertHeader('Cubo-Edit', 'refused');
    $this->get("/recipes/{$this->r->id}/arrived?line=windowone")
        ->assertOk()
        ->assertJsonPath('last', 2)
        ->assertJsonPath('version', 2)
        ->assertJsonPath('outcomes.1.outcome', 'kept')
        ->assertJsonPath('outcomes.2.outcome', 'refused');
    $this->get("/recipes/{$this->r->id}/arrived?line=windowtwo")
        ->assertOk()
        ->assertJsonPath('last', 0);
    foreach (['', '?line[]=x', '?line=short', '?line=' . str_repeat('x', 99)] as $odd) {
        $this->get("/recipes/{$this->r->id}/arrived$odd")->assertStatus(422);
    }
    $this->actingAs($this->s->stranger)
        ->get("/recipes/{$this->r->id}/arrived?line=windowone")
        ->assertForbidden();
});

it('speaks of another window only where there is one', function (): void {
    // an answer was lost: the next edit still stands on the version before
    ($this->send)('windowone', 1, 1, ['values' => ['width' => '21'], 'brief' => 2])->assertOk();
    ($this->send)('windowone', 2, 1, ['values' => ['depth' => '22'], 'brief' => 2])
        ->assertOk()
        ->assertJsonPath('outcome', 'kept');
    // the page was loaded anew: the line from before is its own too
    ($this->send)('windowtwo', 1, 1, ['values' => ['height' => '23'], 'brief' => 2], ['windowone'])->assertOk();
    // another window has another line
    ($this->send)('windowsix', 1, 1, ['values' => ['width' => '77']])
        ->assertStatus(409)
        ->assertHeader('Cubo-Edit', 'elsewhere');
    expect(($this->step)()->text('width'))
        ->toBe('21')
        ->and(($this->step)()->text('height'))
        ->toBe('23');
    // once it has seen the newest state it goes on with the next number
    ($this->send)('windowsix', 2, 4, ['values' => ['width' => '77'], 'brief' => 2])->assertOk();
    expect(($this->step)()->text('width'))->toBe('77');
});

it('gives up a number without an edit', function (): void {
    ($this->send)('windowone', 1, 1, ['do' => 'leave', 'brief' => 2])
        ->assertOk()
        ->assertJsonPath('outcome', 'same');
    ($this->send)('windowone', 2, 1, ['values' => ['width' => '21'], 'brief' => 2])->assertOk();
    expect($this->r->fresh()->version)->toBe(2);
});

it('takes one thing out of a list and leaves the others', function (): void {
    ($this->send)('windowone', 1, 1, ['do' => 'add', 'kind' => 'round'])->assertOk();
    $edges = ['s1:front / s1:top', 's1:back / s1:top', 's1:left / s1:top'];
    foreach ($edges as $k => $edge) {
        ($this->send)('windowone', $k + 2, $k + 2, [
            'do' => 'pick',
            'step' => 's3',
            'key' => 'edges',
            'face' => $edge,
            'on' => 1,
        ])->assertOk();
    }
    ($this->send)('windowone', 5, 5, ['do' => 'pick', 'step' => 's3', 'key' => 'edges', 'face' => $edges[0], 'on' => 0])->assertOk();
    ($this->send)('windowone', 6, 6, ['step' => 's3', 'values' => ['radius' => '3']])->assertOk();
    expect(($this->step)('s3')->names('edges'))
        ->toBe([$edges[1], $edges[2]])
        ->and(($this->step)('s3')->text('radius'))
        ->toBe('3');
});

it('lets outlines keep their letters when one is taken out', function (): void {
    ($this->send)('windowone', 1, 1, ['do' => 'drop-shape', 'step' => 's2', 'letter' => 'a'])
        ->assertOk()
        ->assertSee('outline c')
        ->assertDontSee('outline a');
    ($this->send)('windowone', 2, 2, ['step' => 's2', 'values' => ['shapes' => ['c' => ['u' => '31']]]])->assertOk();
    expect(array_map(static fn(array $o): string => $o['u'], ($this->step)('s2')->outlines()))->toBe(['b' => '0', 'c' => '31']);
    ($this->send)('windowone', 3, 3, ['do' => 'add-shape', 'step' => 's2', 'kind' => 'circle'])->assertOk();
    expect(array_keys(($this->step)('s2')->outlines()))->toBe(['b', 'c', 'd']);
});

it('names, sets and renames one size without touching another', function (): void {
    ($this->send)('windowone', 1, 1, ['do' => 'size', 'of' => '', 'name' => 'wall', 'value' => ''])->assertOk();
    // the value of the same new row, typed before its answer came
    ($this->send)('windowone', 2, 2, ['do' => 'size', 'of' => '', 'name' => 'wall', 'value' => '2'])->assertOk();
    ($this->send)('windowone', 3, 3, ['do' => 'size', 'of' => '', 'name' => 'wide', 'value' => '30'])->assertOk();
    ($this->send)('windowone', 4, 4, ['do' => 'size', 'of' => 'wall', 'name' => 'skin'])->assertOk();
    ($this->send)('windowone', 5, 5, ['do' => 'size', 'of' => 'wall', 'name' => 'skin', 'value' => '3'])->assertOk();
    expect($this->r->fresh()->document()->sizes)->toBe(['skin' => '3', 'wide' => '30']);
    ($this->send)('windowone', 6, 6, ['do' => 'size', 'of' => 'skin', 'name' => ''])->assertOk();
    expect($this->r->fresh()->document()->sizes)->toBe(['wide' => '30']);
});

it('says what an undo took back', function (): void {
    ($this->send)('windowone', 1, 1, ['values' => ['width' => '23']])->assertOk();
    ($this->send)('windowone', 2, 2, ['do' => 'undo'])
        ->assertOk()
        ->assertSee('Taken back. The width of Post is “40” again, not “23”.', false);
    ($this->send)('windowone', 3, 3, ['do' => 'redo'])
        ->assertOk()
        ->assertSee('Done again. The width of Post is “23” again, not “40”.', false);
    ($this->send)('windowone', 4, 4, ['do' => 'delete'])->assertOk();
    ($this->send)('windowone', 5, 5, ['do' => 'undo'])
        ->assertOk()
        ->assertSee('Post is there again.');
});

it('takes back on the pad what was done in this sketch, and nothing else', function (): void {
    $pad = fn(int $number, array $in): TestResponse => $this->postJson(
        "/recipes/{$this->r->id}/pad/s2",
        $in + ['line' => 'padwindow', 'number' => $number, 'version' => $this->r->fresh()->version],
    );
    ($this->send)('windowone', 1, 1, ['values' => ['width' => '23']])->assertOk();
    $this->actingAs($this->s->student);
    $pad(1, ['do' => 'undo'])
        ->assertOk()
        ->assertJsonPath('outcome', 'same')
        ->assertJsonPath('canUndo', false)
        ->assertJsonPath('said', fn(string $said): bool => str_contains($said, 'on the bench'));
    $pad(2, ['do' => 'type', 'text' => 'line from 0, 50 to 20, 50'])
        ->assertOk()
        ->assertJsonPath('canUndo', true);
    $pad(2, ['do' => 'type', 'text' => 'line from 0, 50 to 20, 50'])
        ->assertOk()
        ->assertJsonPath('outcome', 'kept');
    $pad(3, ['do' => 'undo'])
        ->assertOk()
        ->assertJsonPath('outcome', 'kept')
        ->assertJsonPath('canUndo', false)
        ->assertJsonPath('canRedo', true);
    $pad(4, ['do' => 'undo'])
        ->assertOk()
        ->assertJsonPath('outcome', 'same');
    expect(($this->step)()->text('width'))
        ->toBe('23')
        ->and($this->r->fresh()->version)
        ->toBe(4);
    $this->getJson("/recipes/{$this->r->id}/pad/s2/now")
        ->assertOk()
        ->assertJsonPath('version', 4);
});
