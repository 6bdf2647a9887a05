<?php

declare(strict_types=1);

use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind as K;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\Solve\Equation;
use Cubo\Sketch\Solve\Moving;
use Cubo\Sketch\Solve\SketchSolver;
use Cubo\Sketch\Solve\UnfitRelation;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\RandomSketches;
use Tests\Sketches;

it('knows how every equation changes', function (Equation $e) {
    $random = new Randomizer(new Mt19937(5));
    for ($run = 0; $run < 40; $run++) {
        $x = [];
        for ($i = 0; $i < 8; $i++) {
            $x[] = $random->getInt(-10000, 10000) / 1000;
        }
        $g = $unused = [];
        $e->evaluate($x, $g);
        foreach ($e->vars as $i => $v) {
            [$more, $less] = [$x, $x];
            $more[$v] += 1e-6;
            $less[$v] -= 1e-6;
            $slope = ($e->evaluate($more, $unused) - $e->evaluate($less, $unused)) / 2e-6;
            expect($g[$i])->toEqualWithDelta($slope, 1e-7 * max(1.0, abs($slope)));
        }
    }
})->with([
    'linear' => fn() => Equation::linear([0, 1, 2], [1.0, -2.0, 0.5], 3.0),
    'distance' => fn() => Equation::distance([0, 1, 2, 3], 2.0, [4, 5], [1.0, -1.0]),
    'equal distances' => fn() => Equation::equalDistances(range(0, 7)),
    'offset' => fn() => Equation::offset(range(0, 5), 1.0, [6], [1.0]),
    'along' => fn() => Equation::along(range(0, 5), 0.5),
    'direction' => fn() => Equation::direction(range(0, 7), 0.7, 3.0),
    'middle on' => fn() => Equation::middleOn(range(0, 7)),
    'across' => fn() => Equation::across(range(0, 7)),
    'on ellipse' => fn() => Equation::onEllipse(range(0, 5), 6),
]);

it('counts free movements', function () {
    $s = new Sketches();
    $a = $s->point(1, 2);
    $l = $s->line($a, $s->point(9, 5));
    expect($s->solved()->free)->toBe(4);
    $c = $s->circle($s->point(4, 12), 3);
    expect($s->solved()->free)->toBe(4 + 3);
    $s->ask(K::Horizontal, $l);
    expect($s->solved()->free)->toBe(6);
    $s->size(K::Length, 20, $l);
    expect($s->solved()->free)->toBe(5);
    $s->ask(K::Coincident, $a, Sketch::ORIGIN);
    expect($s->solved()->free)->toBe(3);
    $s->ask(K::Tangent, $l, $c);
    $r = $s->solved();
    expect($r->free)->toBe(2)->and(array_keys($r->movements))->toContain($c)->not->toContain($l);
    $s->size(K::Radius, 5, $c);
    $r = $s->solved();
    expect($r->free)
        ->toBe(1)
        ->and($r->movements[$c]->words('the circle'))
        ->toBe('the circle can slide left and right')
        ->and($r->sketch->entities[$c]->size)
        ->toEqualWithDelta(5.0, 1e-9);
});

it('takes one or two movements away for each relation', function (int $takes, Closure $ask) {
    $s = new Sketches();
    [$a, $b, $c, $d] = [$s->point(1, 2), $s->point(31, 7), $s->point(4, 20), $s->point(25, 28)];
    $l = $s->line($a, $b);
    $m = $s->line($c, $d);
    $axis = $s->line($s->point(0, 40), $s->point(40, 42), Role::Centre);
    $o = $s->circle($s->point(60, 10), 8);
    $q = $s->circle($s->point(80, 30), 5);
    $e = $s->entity(EntityKind::Ellipse, [$s->point(100, 0), $s->point(112, 3)], 6.0);
    $before = $s->solved()->free;
    $ask($s, ['a' => $a, 'b' => $b, 'c' => $c, 'l' => $l, 'm' => $m, 'o' => $o, 'q' => $q, 'x' => $axis, 'e' => $e]);
    $r = $s->solved();
    expect($before - $r->free)
        ->toBe($takes)
        ->and($r->clash)
        ->toBe([])
        ->and($r->idle)
        ->toBe([]);
})->with([
    'two points' => [2, fn($s, $t) => $s->ask(K::Coincident, $t['a'], $t['c'])],
    'point on line' => [1, fn($s, $t) => $s->ask(K::Coincident, $t['a'], $t['m'])],
    'point on circle' => [1, fn($s, $t) => $s->ask(K::Coincident, $t['o'], $t['a'])],
    'point on ellipse' => [1, fn($s, $t) => $s->ask(K::Coincident, $t['a'], $t['e'])],
    'midpoint' => [2, fn($s, $t) => $s->ask(K::Midpoint, $t['a'], $t['m'])],
    'horizontal' => [1, fn($s, $t) => $s->ask(K::Horizontal, $t['l'])],
    'two points level' => [1, fn($s, $t) => $s->ask(K::Horizontal, $t['a'], $t['c'])],
    'vertical' => [1, fn($s, $t) => $s->ask(K::Vertical, $t['l'])],
    'parallel' => [1, fn($s, $t) => $s->ask(K::Parallel, $t['l'], $t['m'])],
    'perpendicular' => [1, fn($s, $t) => $s->ask(K::Perpendicular, $t['l'], $t['m'])],
    'collinear' => [2, fn($s, $t) => $s->ask(K::Collinear, $t['l'], $t['m'])],
    'line touches circle' => [1, fn($s, $t) => $s->ask(K::Tangent, $t['o'], $t['l'])],
    'circles touch' => [1, fn($s, $t) => $s->ask(K::Tangent, $t['o'], $t['q'])],
    'concentric' => [2, fn($s, $t) => $s->ask(K::Concentric, $t['o'], $t['q'])],
    'equal lines' => [1, fn($s, $t) => $s->ask(K::Equal, $t['l'], $t['m'])],
    'equal circles' => [1, fn($s, $t) => $s->ask(K::Equal, $t['o'], $t['q'])],
    'symmetric points' => [2, fn($s, $t) => $s->ask(K::Symmetric, $t['a'], $t['c'], $t['x'])],
    'symmetric lines' => [4, fn($s, $t) => $s->ask(K::Symmetric, $t['l'], $t['m'], $t['x'])],
    'symmetric circles' => [3, fn($s, $t) => $s->ask(K::Symmetric, $t['o'], $t['q'], 'v-axis')],
    'fixed point' => [2, fn($s, $t) => $s->ask(K::Fixed, $t['a'])],
    'fixed circle' => [3, fn($s, $t) => $s->ask(K::Fixed, $t['o'])],
    'length' => [1, fn($s, $t) => $s->size(K::Length, 50, $t['l'])],
    'distance of points' => [1, fn($s, $t) => $s->size(K::Distance, 50, $t['a'], $t['c'])],
    'distance from a line' => [1, fn($s, $t) => $s->size(K::Distance, 12, $t['m'], $t['a'])],
    'horizontal distance' => [1, fn($s, $t) => $s->size(K::HorizontalDistance, 33, $t['a'], $t['b'])],
    'vertical distance' => [1, fn($s, $t) => $s->size(K::VerticalDistance, 12, $t['l'])],
    'radius' => [1, fn($s, $t) => $s->size(K::Radius, 4, $t['o'])],
    'diameter' => [1, fn($s, $t) => $s->size(K::Diameter, 4, $t['o'])],
    'diameter across' => [1, fn($s, $t) => $s->size(K::DiameterAcross, 44, $t['a'], $t['x'])],
    'angle' => [1, fn($s, $t) => $s->size(K::Angle, 35, $t['l'], $t['m'])],
]);

it('finds what clashes and refuses it', function () {
    $s = new Sketches();
    [$a, $b, $c] = [$s->point(0, 0), $s->point(30, 1), $s->point(1, 40)];
    $l = [$s->line($a, $b), $s->line($b, $c), $s->line($c, $a)];
    $sides = [$s->size(K::Length, 30, $l[0]), $s->size(K::Length, 50, $l[1]), $s->size(K::Length, 40, $l[2])];
    $alone = $s->size(K::Radius, 5, $s->circle($s->point(80, 80), 4));
    expect($s->solved()->clash)->toBe([]);
    $angle = $s->size(K::Angle, 80, $l[0], $l[2]);
    $r = $s->solved();
    expect($r->clash)
        ->toContain($angle, ...$sides)
        ->not->toContain($alone)
        ->and($r->sketch->point($b))
        ->toBe([30.0, 1.0]);
});

it('marks what adds nothing, and says from what it follows', function () {
    $s = new Sketches();
    [$a, $b, $c, $d] = [$s->point(0, 0), $s->point(30, 1), $s->point(29, 18), $s->point(1, 19)];
    $l = [$s->line($a, $b), $s->line($b, $c), $s->line($c, $d), $s->line($d, $a)];
    $s->ask(K::Coincident, $a, Sketch::ORIGIN);
    $asked = [$s->ask(K::Horizontal, $l[0]), $s->ask(K::Vertical, $l[1]), $s->ask(K::Horizontal, $l[2]), $s->ask(K::Vertical, $l[3])];
    $idle = $s->ask(K::Parallel, $l[0], $l[2]);
    $r = $s->solved();
    expect($r->idle)
        ->toBe([$idle])
        ->and($r->follows[$idle])
        ->toEqualCanonicalizing([$asked[0], $asked[2]])
        ->and($r->free)
        ->toBe(2);
});

it('keeps to the side things are drawn on', function () {
    foreach ([[12.0, 1.0], [-12.0, -1.0]] as [$v, $sign]) {
        $s = new Sketches();
        $l = $s->line($s->point(0, 0), $s->point(50, 0));
        $s->ask(K::Fixed, $l);
        $p = $s->point(20, $v);
        $s->size(K::Distance, 7, $l, $p);
        $c = $s->circle($m = $s->point(30, $v), 5);
        $s->ask(K::Tangent, $l, $c);
        $s->size(K::Radius, 9, $c);
        $r = $s->solved();
        expect($r->sketch->point($p)[1])
            ->toEqualWithDelta(7 * $sign, 1e-9)
            ->and($r->sketch->point($m)[1])
            ->toEqualWithDelta(9 * $sign, 1e-9);
    }
});

it('drags only what is free, and never flips', function () {
    // a crank: an arm of 20 about the origin, a rod of 50 to a slide on the axis
    $s = new Sketches();
    [$a, $b] = [$s->point(18, 8), $s->point(66, 0)];
    $s->line(Sketch::ORIGIN, $a);
    $s->line($a, $b);
    $s->size(K::Distance, 20, Sketch::ORIGIN, $a);
    $s->size(K::Distance, 50, $a, $b);
    $s->ask(K::Coincident, $b, 'u-axis');
    $sketch = $s->solved()->sketch;
    for ($k = 1; $k <= 48; $k++) {
        $t = 0.4 + (2 * M_PI * $k) / 24;
        $sketch = SketchSolver::drag($sketch, $s->values, $a, [30 * cos($t), 30 * sin($t)]);
        [$u, $v] = $sketch->point($a);
        expect(hypot($u, $v))
            ->toEqualWithDelta(20.0, 1e-9)
            ->and(atan2($v, $u))
            ->toEqualWithDelta(atan2(sin($t), cos($t)), 1e-3)
            // always the right-hand one of both places of the slide
            ->and($sketch->point($b)[0])
            ->toEqualWithDelta($u + sqrt(2500 - $v * $v), 1e-8);
    }
    $still = SketchSolver::drag($sketch = $sketch->withRelation(new Relation('held', K::Fixed, [$a])), $s->values, $b, [0.0, 30.0]);
    expect($still->point($b)[0])->toEqualWithDelta($sketch->point($b)[0], 1e-8);
});

it('leaves alone what hangs together with nothing that changes', function () {
    $s = new Sketches();
    $far = $s->line($s->point(100.125, 3), $s->point(140, 4.375));
    $l = $s->line($s->point(0, 0), $s->point(10, 1));
    $s->size(K::Length, 12, $l);
    $p = $s->sketch->entities[$far]->points;
    expect($s->solved()->sketch->point($p[0]))->toBe([100.125, 3.0]);
});

it('says in words what does not fit', function (K $kind, array $of) {
    $s = new Sketches();
    $p = $s->point(0, 0);
    $l = $s->line($p, $s->point(5, 5));
    $c = $s->circle($p, 3);
    $s->ask($kind, ...array_map(static fn(string $k): string => ['p' => $p, 'l' => $l, 'c' => $c][$k], $of));
    expect(fn() => $s->solved())->toThrow(UnfitRelation::class);
})->with([
    [K::Parallel, ['l', 'c']],
    [K::Parallel, ['l']],
    [K::Tangent, ['l', 'p']],
    [K::Concentric, ['l', 'c']],
    [K::Equal, ['l', 'c']],
    [K::Coincident, ['l', 'c']],
    [K::Midpoint, ['l', 'l']],
    [K::Horizontal, ['p']],
    [K::Symmetric, ['p', 'l', 'c']],
    [K::Perpendicular, ['p', 'p']],
]);

it('solves random sketches that have a solution', function () {
    $independent = 0;
    for ($seed = 0; $seed < 2000; $seed++) {
        $r = new RandomSketches($seed);
        $solved = $r->made->solved();
        [$error, $which] = $r->worst($solved->sketch);
        // where relations only touch at the solution, as a chord's end does a circle, less can be had
        $regular = $r->independent();
        $independent += $regular ? 1 : 0;
        expect($solved->clash)
            ->toBe([], "seed $seed")
            ->and($error)
            ->toBeLessThan($regular ? 1e-9 : 1e-7, "seed $seed: $which");
    }
    expect($independent)->toBeGreaterThan(400);
});

it('reports every contradiction', function () {
    for ($seed = 0; $seed < 500; $seed++) {
        $r = new RandomSketches($seed);
        $l = null;
        foreach ($r->made->sketch->relations as $q) {
            $l ??= $q->kind === K::Length || $q->kind === K::Distance || $q->kind === K::Radius ? $q : null;
        }
        if ($l === null) {
            continue;
        }
        $other = $r->made->size($l->kind, 1.15 * $r->made->values[$l->id] + 1, ...$l->of);
        $solved = $r->made->solved();
        expect($solved->clash)->toContain($l->id, $other);
        // and what it is asked of stays as it was drawn
        foreach ($l->of as $id) {
            $drawn = $r->made->sketch;
            expect($solved->sketch->entities[$id]->size ?? 0.0)->toBe($drawn->entities[$id]->size ?? 0.0, "seed $seed");
            // a radius has nothing to do with where its middle is
            foreach ($l->kind === K::Radius ? [] : $drawn->entities[$id]->points ?? [$id] as $p) {
                expect($solved->sketch->point($p))->toBe($drawn->point($p), "seed $seed");
            }
        }
    }
});

it('names the ways a sketch can still move, and shows each without leaving its relations', function () {
    $s = new Sketches();
    [$a, $b, $c, $d] = [$s->point(0, 0), $s->point(30, 1), $s->point(31, 20), $s->point(-1, 19)];
    foreach ([[$a, $b, K::Horizontal], [$b, $c, K::Vertical], [$c, $d, K::Horizontal], [$d, $a, K::Vertical]] as [$p, $q, $k]) {
        $s->ask($k, $s->line($p, $q));
    }
    $s->ask(K::Fixed, $a);
    $circle = $s->circle($s->point(10, 10), 4);
    $solved = SketchSolver::solve($s->sketch, $s->values);
    expect($solved->free)->toBe(5)->and($solved->ways)->toHaveCount(5);
    $words = array_map(static fn($w) => $w->words($solved->sketch), $solved->ways);
    expect($words)->toContain("$circle can change its size", "$circle can slide left and right", "$circle can slide up and down");
    foreach ($solved->ways as $way) {
        foreach ([false, true] as $back) {
            $moved = Moving::along($way, $solved->sketch, $s->values, $back);
            // still a rectangle on its corner, and not where it was
            expect($moved->point($b)[1])
                ->toEqualWithDelta(0.0, 1e-9)
                ->and($moved->point($c)[0])
                ->toEqualWithDelta($moved->point($b)[0], 1e-9)
                ->and($moved->point($d)[1])
                ->toEqualWithDelta($moved->point($c)[1], 1e-9)
                ->and($moved->points == $solved->sketch->points && $moved->entities == $solved->sketch->entities)
                ->toBeFalse();
        }
    }
});
