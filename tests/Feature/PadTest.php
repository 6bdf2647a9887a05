<?php

declare(strict_types=1);

use App\Models\Recipe;
use Tests\School;

beforeEach(function (): void {
    $this->s = new School();
    $this->assignment = $this->s->assignment();
    $this->r = $this->s->work($this->assignment, null, [
        ['kind' => 'sketch'],
        ['kind' => 'extrude', 'sketch' => 's1', 'regions' => [1], 'distance' => '5'],
    ])->recipe;
    $this->actingAs($this->s->student);
});

function onPad(object $t, array $in): Illuminate\Testing\TestResponse
{
    return $t->postJson("/recipes/{$t->r->id}/pad/s1", $in + ['version' => $t->r->fresh()->version]);
}

it('draws, saves and undoes', function (): void {
    $this->get("/recipes/{$this->r->id}/pad/s1")
        ->assertOk()
        ->assertSee('Type a line');
    onPad($this, [
        'do' => 'draw',
        'tool' => 'rectangle',
        'spots' => [['u' => 0.3, 'v' => 0.1, 'point' => 'origin'], ['u' => 40, 'v' => 20]],
    ])
        ->assertOk()
        ->assertJsonPath('freedom.free', 2)
        ->assertJsonCount(1, 'drawing.regions')
        ->assertJsonCount(4, 'drawing.lines');
    onPad($this, ['do' => 'size', 'of' => ['l1']])
        ->assertOk()
        ->assertJsonPath('drawing.sizes.0.text', '40');
    onPad($this, ['do' => 'value', 'id' => 'd1', 'value' => '3*12.5'])
        ->assertOk()
        ->assertJsonPath('freedom.free', 1);
    expect($this->r->fresh()->document()->step('s1')->drawn()->point('p1')[0])->toEqualWithDelta(37.5, 1e-9);
    onPad($this, ['do' => 'undo'])
        ->assertOk()
        ->assertJsonPath('drawing.sizes.0.text', '40');
    onPad($this, ['do' => 'redo'])
        ->assertOk()
        ->assertJsonPath('drawing.sizes.0.text', '3*12.5');
});

it('saves nothing while something is dragged', function (): void {
    onPad($this, ['do' => 'type', 'text' => 'line from origin to 30, 0'])->assertOk();
    onPad($this, ['do' => 'remove', 'of' => ['d1']])->assertOk();
    $before = $this->r->fresh()->version;
    onPad($this, ['do' => 'drag', 'point' => 'p1', 'u' => 50, 'v' => 30, 'keep' => false])
        ->assertOk()
        ->assertJsonPath('drawing.points.0.u', fn($u) => abs($u - 50) < 1e-3);
    expect($this->r->fresh()->version)->toBe($before);
    onPad($this, ['do' => 'drag', 'point' => 'p1', 'u' => 50, 'v' => 30])->assertOk();
    expect($this->r->fresh()->version)->toBe($before + 1);
});

it('refuses in words, changes nothing and shows the sketch as it is', function (array $in, string $word): void {
    onPad($this, ['do' => 'type', 'text' => 'rectangle 60 by 40'])->assertOk();
    $before = $this->r->fresh()->version;
    $r = onPad($this, $in)->assertStatus(422)->assertJsonCount(1, 'drawing.regions');
    expect($r->json('said'))
        ->toContain($word)
        ->and($this->r->fresh()->version)
        ->toBe($before);
})->with([
    'a contradiction' => [['do' => 'type', 'text' => 'length l3 = 61'], 'contradict'],
    'an odd line' => [['do' => 'type', 'text' => 'lorem ipsum'], 'does not know'],
    'a value that cannot be read' => [['do' => 'value', 'id' => 'd1', 'value' => '12..5'], 'decimal point'],
    'a circle of names' => [['do' => 'value', 'id' => 'd1', 'value' => 'd1 + 1'], 'circle'],
    'a dimension that is gone' => [['do' => 'value', 'id' => 'd9', 'value' => '5'], 'gone'],
    'nothing picked' => [['do' => 'relate', 'kind' => 'horizontal', 'of' => []], 'Pick first'],
    'what does not fit' => [['do' => 'relate', 'kind' => 'tangent', 'of' => ['l1', 'l2']], 'Tangent needs'],
    'nothing to size' => [['do' => 'size', 'of' => []], 'Pick one line'],
    'too far out' => [['do' => 'draw', 'tool' => 'point', 'spots' => [['u' => 1e9, 'v' => 0]]], 'too far'],
    'no tool' => [['do' => 'draw', 'tool' => 'saw', 'spots' => [['u' => 1, 'v' => 0]]], 'not enough'],
    'both points one' => [['do' => 'draw', 'tool' => 'line', 'spots' => [['u' => 1, 'v' => 0], ['u' => 1, 'v' => 0]]], 'larger'],
    'a point that is not there' => [
        ['do' => 'draw', 'tool' => 'line', 'spots' => [['u' => 1, 'v' => 0, 'point' => 'p99'], ['u' => 1, 'v' => 9]]],
        'p99',
    ],
    'on nothing' => [['do' => 'draw', 'tool' => 'point', 'spots' => [['u' => 1, 'v' => 0, 'on' => ['l99']]]], 'l99'],
]);

it('tells the later of two windows', function (): void {
    onPad($this, ['do' => 'type', 'text' => 'rectangle 60 by 40'])->assertOk();
    onPad($this, ['do' => 'type', 'text' => 'circle radius 5', 'version' => 1])
        ->assertStatus(409)
        ->assertJsonPath('said', fn($s) => str_contains($s, 'another window'))
        ->assertJsonCount(4 + 1, 'drawing.lines');
});

it('draws outlines that were given by numbers with these numbers as sizes', function (): void {
    $this->post("/recipes/{$this->r->id}/edit", [
        'do' => 'add-shape',
        'step' => 's1',
        'kind' => 'rectangle',
        'version' => $this->r->fresh()->version,
    ])->assertOk();
    $this->post("/recipes/{$this->r->id}/edit", [
        'do' => 'add-shape',
        'step' => 's1',
        'kind' => 'circle',
        'version' => $this->r->fresh()->version,
    ])->assertOk();
    $this->get("/recipes/{$this->r->id}/pad/s1")
        ->assertOk()
        ->assertSee('Circle c1')
        ->assertSee('d2: length', false);
    onPad($this, ['do' => 'type', 'text' => 'point 3, 3'])
        ->assertOk()
        ->assertJsonCount(2, 'drawing.regions');
    $step = $this->r->fresh()->document()->step('s1');
    expect($step->shapes())->toBe([])->and($step->drawn()->entities)->toHaveCount(6);
});

it('keeps picks of regions by what bounds them', function (): void {
    foreach (['rectangle 60 by 40', 'circle diameter 20'] as $line) {
        onPad($this, ['do' => 'type', 'text' => $line])->assertOk();
    }
    $send = fn(array $in) => $this->post(
        "/recipes/{$this->r->id}/edit",
        $in + ['step' => 's2', 'version' => $this->r->fresh()->version],
    )->assertOk();
    $send(['do' => 'set', 'values' => ['regions' => '2']]);
    expect($this->r->fresh()->document()->step('s2')->regions())->toBe(['c1+']);
    $send(['do' => 'region', 'index' => 1])->assertSee('value="1, 2"', false);
    $send(['do' => 'region', 'index' => 2])->assertSee('value="1"', false);
    expect($this->r->fresh()->document()->step('s2')->regions())->toBe(['c1- l1+ l2+ l3+ l4+']);
    $send(['do' => 'region', 'index' => 1])->assertSee('value="all"', false);
});

it('is nobody else’s', function (): void {
    foreach ([$this->s->classmate, $this->s->stranger, $this->s->otherTeacher] as $other) {
        $this->actingAs($other)
            ->get("/recipes/{$this->r->id}/pad/s1")
            ->assertForbidden();
        $this->postJson("/recipes/{$this->r->id}/pad/s1", ['do' => 'type', 'text' => 'point 1, 1', 'version' => 1])->assertForbidden();
    }
    $this->actingAs($this->s->student)
        ->get("/recipes/{$this->r->id}/pad/s2")
        ->assertNotFound();
    $this->get("/recipes/{$this->r->id}/pad/s77")->assertNotFound();
});

it('comes through nonsense without a fault', function (): void {
    mt_srand(8);
    onPad($this, ['do' => 'type', 'text' => 'rectangle 60 by 40'])->assertOk();
    $any = static fn() => [
        null,
        '',
        'l1',
        'p1',
        'r1',
        'd1',
        'origin',
        7,
        -1.5,
        1e300,
        [],
        ['l1', 'p2', ['x']],
        ['u' => 1, 'v' => 2],
        true,
        str_repeat('x', 500),
    ][mt_rand(0, 14)];
    for ($i = 0; $i < 150; $i++) {
        $in = [
            'do' => ['draw', 'type', 'relate', 'size', 'value', 'remove', 'role', 'drag', 'close', 'undo', 'redo', ['a'], 'nothing'][
                mt_rand(0, 12)
            ],
        ];
        foreach (['tool', 'spots', 'options', 'text', 'kind', 'of', 'id', 'value', 'role', 'point', 'u', 'v', 'keep'] as $key) {
            if (mt_rand(0, 1)) {
                $in[$key] = $any();
            }
        }
        $in['tool'] = mt_rand(0, 1) ? ['line', 'circle', 'slot', 'arc', 'polygon', 'curve'][mt_rand(0, 5)] : $in['tool'] ?? '';
        $in['spots'] = mt_rand(0, 2)
            ? array_map(
                static fn() => ['u' => mt_rand(-9, 9), 'v' => mt_rand(-9, 9), 'point' => $any(), 'on' => $any()],
                range(0, mt_rand(0, 3)),
            )
            : $in['spots'] ?? [];
        expect(onPad($this, $in)->status())->toBeIn([200, 409, 422], (string) json_encode($in));
    }
    expect(Recipe::query()->find($this->r->id)?->document()->step('s1'))->not->toBeNull();
});

it('shows a way the sketch can move without saving anything', function (): void {
    onPad($this, ['do' => 'type', 'text' => 'rectangle 60 by 40'])->assertOk();
    onPad($this, ['do' => 'remove', 'of' => ['d1']])
        ->assertOk()
        ->assertJsonPath('freedom.free', 1)
        ->assertJsonCount(1, 'freedom.ways');
    $before = $this->r->fresh()->version;
    [$forth, $back] = onPad($this, ['do' => 'way', 'n' => 0, 'keep' => false])
        ->assertOk()
        ->json('ghost');
    expect($forth)
        ->toStartWith('M')
        ->not->toBe($back)
        ->and($this->r->fresh()->version)
        ->toBe($before);
    onPad($this, ['do' => 'way', 'n' => 7, 'keep' => false])
        ->assertOk()
        ->assertJsonPath('ghost', []);
    onPad($this, ['do' => 'way', 'n' => 'x', 'keep' => false])->assertOk();
});

it('keeps the squares of the paper as someone likes them, and says why not', function (): void {
    $this->get("/recipes/{$this->r->id}/pad/s1")->assertOk();
    onPad($this, ['do' => 'squares', 'value' => '2.5*2 + 1'])
        ->assertOk()
        ->assertJsonPath('squares', [6, '2.5*2 + 1']);
    $this->get("/recipes/{$this->r->id}/pad/s1")->assertSee('2.5*2 + 1');
    foreach (['0' => '0.1 to 200', '1/' => 'missing', '900' => '0.1 to 200', '' => ''] as $typed => $word) {
        expect(
            onPad($this, ['do' => 'squares', 'value' => (string) $typed])
                ->assertStatus(422)
                ->json('said'),
        )->toContain($word);
    }
    onPad($this, ['do' => 'squares', 'value' => ['x']])->assertStatus(422);
});

it('takes over edges of the part, follows them, and does not let them be moved', function (): void {
    $r = $this->s->work($this->s->assignment(), null, [
        ['kind' => 'block', 'width' => '60', 'depth' => '40'],
        ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top'],
    ])->recipe;
    $pad = fn(array $in) => $this->postJson("/recipes/{$r->id}/pad/s2", $in + ['version' => $r->fresh()->version]);
    $this->get("/recipes/{$r->id}/pad/s2")
        ->assertOk()
        ->assertSee('all 4 of top of')
        ->assertSee('s1:left / s1:top');
    $pad(['do' => 'take', 'of' => ['s1:left / s1:top', 's1:right / s1:top', 's1:front / s1:top', 's1:back / s1:top']])
        ->assertOk()
        ->assertJsonPath('freedom.free', 0)
        ->assertJsonCount(1, 'drawing.regions');
    foreach (
        [
            ['do' => 'take', 'of' => ['s1:left / s1:top']],
            ['do' => 'take', 'of' => ['x / y']],
            ['do' => 'take', 'of' => []],
            ['do' => 'take', 'of' => 'all'],
        ]
        as $in
    ) {
        $pad($in)->assertStatus(422);
    }
    foreach (['shift l1 by 5, 0', 'move p1 to 3, 3', 'split l1 at -30; 1', 'scale l1 l2 by 2 about origin', 'round l1 l3 by 4'] as $line) {
        expect(
            $pad(['do' => 'type', 'text' => $line])
                ->assertStatus(422)
                ->json('said'),
        )->not->toBe('');
    }
    // the block grows, and the lines with it
    $d = $r->fresh()->document();
    app(App\Support\RecipeBook::class)->save($r->fresh(), $r->fresh()->version, $d->withStep($d->step('s1')->with('width', '80')));
    $grown = $pad(['do' => 'type', 'text' => 'circle diameter 4 at 0, 0'])->assertOk();
    expect(max(array_column($grown->json('drawing.points'), 'u')))->toEqualWithDelta(40.0, 1e-9);
    // copies of it stand on their own, and it can be taken out
    $pad(['do' => 'type', 'text' => 'copy l1 by 100, 0'])->assertOk();
    $pad(['do' => 'remove', 'of' => ['l1']])->assertOk();
});
