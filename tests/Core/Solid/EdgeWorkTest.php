<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Blend\EdgeShape;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Maker\SoftBlock;
use Cubo\Solid\Solid;
use Tests\Solids;
use Tests\Soundness;

function block(): Solid
{
    return Primitives::block('b', [0.0, 0.0, 0.0], [20.0, 14.0, 9.0]);
}

function drilled(): Solid
{
    return BooleanOperation::difference(
        Primitives::block('p', [-20.0, -20.0, 0.0], [40.0, 40.0, 10.0]),
        Primitives::cylinder('h', 5.0, 20.0)->moved(Solids::lift(-5)),
    );
}

it('finds the edges of a solid by the faces beside them', function (): void {
    expect(Topology::of(block())->edges)
        ->toHaveCount(12)
        ->toHaveKeys(['b:front / b:top', 'b:left / b:top'])
        ->and(array_keys(Topology::of(Primitives::cylinder('c', 5.0, 9.0))->edges))
        ->toBe(['c:bottom / c:side', 'c:side / c:top'])
        ->and(Topology::of(Primitives::sphere('s', 5.0))->edges)
        ->toBe([])
        // the same two faces meet twice
        ->and(array_keys(Topology::of(Shapes::halfCylinder('s', 10, 30))->edges))
        ->toContain('s:bottom / s:side', 's:bottom / s:side 2');
    $t = Topology::of(drilled());
    expect($t->edges['h:side / p:top']->closed)->toBeTrue()->and($t->edges['p:front / p:top']->closed)->toBeFalse();
});

it('tells ridges from grooves and lines from circles', function (): void {
    $s = BooleanOperation::union(Primitives::block('p', [-20.0, -20.0, 0.0], [40.0, 40.0, 8.0]), Primitives::cylinder('h', 5.0, 20.0));
    $t = Topology::of($s);
    $shape = static fn(string $name): EdgeShape => new EdgeShape($s, $t->edges[$name]);
    expect($shape('p:front / p:top')->convex)
        ->toBeTrue()
        ->and($shape('p:front / p:top')->axis)
        ->toBeNull()
        ->and($shape('h:side / h:top')->convex)
        ->toBeTrue()
        ->and($shape('h:side / h:top')->axis)
        ->not->toBeNull()
        ->and($shape('h:side / p:top')->convex)
        ->toBeFalse()
        ->and($shape('h:side / p:top')->centre)
        ->toEqualWithDelta([0.0, 0.0, 8.0], 1e-12)
        ->and($shape('h:side / p:top')->between(0))
        ->toEqualWithDelta(90.0, 1e-9);
});

it('names and shapes the new faces', function (): void {
    $s = Blending::round('r', drilled(), ['h:side / p:top', 'p:front / p:top'], 2);
    $kinds = [];
    foreach ($s->facet as $f) {
        $kinds[$s->surfaces[$s->surfaceOf[$f]]->name] = $s->surfaces[$s->surfaceOf[$f]]->kind->value;
    }
    expect($kinds)
        ->toMatchArray(['r:round 1' => 'torus', 'r:round 2' => 'cylinder'])
        ->not->toHaveKey('r:seam 1')
        ->and(Soundness::faults($s))
        ->toBe([]);
});

it('refuses what does not fit, with the largest value that does, and that value works', function (
    Closure $make,
    float $tooMuch,
    string $why,
): void {
    expect(Solids::refusal(static fn() => $make($tooMuch)))->toBe($why);
    $largest = Solids::largest(static fn() => $make($tooMuch));
    expect(Soundness::faults($make($largest)))->toBe([])->and(Solids::refusal(static fn() => $make($largest * 1.001)))->not->toBe('made');
})->with([
    'round over the neighbouring face' => [fn(float $r) => Blending::round('r', block(), ['b:front / b:top'], $r), 12.0, 'too-large 9'],
    'rounds on both sides of a face' => [
        fn(float $r) => Blending::round('r', block(), array_keys(Topology::of(block())->edges), $r),
        5.0,
        'too-large 4.5',
    ],
    'round larger than its cylinder' => [
        fn(float $r) => Blending::round('r', Primitives::cylinder('c', 10.0, 30.0), ['c:side / c:top'], $r),
        11.0,
        'too-large 10',
    ],
    'chamfer over the neighbouring face' => [fn(float $d) => Blending::chamfer('r', block(), ['b:front / b:top'], $d), 10.0, 'too-large 9'],
    'wall thicker than half the part' => [fn(float $t) => FaceWork::shell('k', block(), $t, []), 6.0, 'no-room 4.5'],
    'hole narrower than nothing' => [fn(float $d) => FaceWork::pull(drilled(), 'h:side', $d), 6.0, 'no-room 5'],
    'face pushed through the other side' => [fn(float $d) => FaceWork::pull(block(), 'b:top', -$d), 12.0, 'no-room 9'],
]);

it('says what else cannot be done', function (Closure $make, string $why): void {
    expect(Solids::refusal($make))->toBe($why);
})->with([
    'no such edge' => [fn() => Blending::round('r', block(), ['b:front / b:back'], 1), 'no-edge'],
    'no edge at all' => [fn() => Blending::round('r', block(), [], 1), 'no-edge'],
    'no radius' => [fn() => Blending::round('r', block(), ['b:front / b:top'], NAN), 'no-size'],
    'a smooth edge' => [
        fn() => Blending::round('r', Blending::round('q', block(), ['b:front / b:top'], 2), ['b:top / q:round 1'], 1),
        'tangent-edge',
    ],
    'a chamfer that never meets the other face' => [
        fn() => Blending::chamferAtAngle('r', block(), ['b:front / b:top'], 2, 95),
        'no-angle 90',
    ],
    'no such face' => [fn() => FaceWork::shell('k', block(), 1, ['b:lid']), 'no-face'],
    'a round face tilted that lies across' => [
        fn() => FaceWork::draft(drilled(), ['h:side'], [0.0, 0.0, 0.0], [1.0, 0.0, 0.0], 5),
        'not-flat',
    ],
    'a face along the neutral plane' => [fn() => FaceWork::draft(block(), ['b:top'], [0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 5), 'parallel-face'],
    'too steep' => [fn() => FaceWork::draft(block(), ['b:front'], [0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 70), 'no-angle 60'],
    'pulled by nothing' => [fn() => FaceWork::pull(block(), 'b:top', 0), 'no-size'],
]);

it('works along edges that lean, end obliquely or lie beside a round face', function (): void {
    $wedge = Shapes::wedge('s', 10, 20, 3, 8);
    foreach ([['s:back / s:slope'], ['s:right / s:slope'], ['s:left / s:slope', 's:right / s:slope', 's:back / s:slope']] as $edges) {
        $s = Blending::round('r', $wedge, $edges, 1.5);
        expect(Soundness::faults($s))->toBe([])->and((new MassProperties($s))->volume)->toBeLessThan(1100.0)->toBeGreaterThan(1050.0);
    }
    // between the flat and the round of half a cylinder: the lune between the arc, the flat and the side, by its outline
    $half = Shapes::halfCylinder('s', 10, 30);
    [$r, $cu, $cv, $a] = [2.0, sqrt(60), 2.0, asin(0.25)];
    $lune = 50 * $a + ($r * $r * (-M_PI / 2 - $a) + $cu * $r * (-1 - sin($a)) - $cv * $r * (0 - cos($a))) / 2;
    Solids::encloses(Blending::round('r', $half, ['s:bottom / s:side'], 2), M_PI * 50 * 30 - 30 * $lune);
});

it('hollows out rounded and filleted parts', function (): void {
    $outer = static fn(float $a, float $b, float $r): float => $a * $b - (4 - M_PI) * $r ** 2;
    Solids::encloses(
        FaceWork::shell('k', SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0, false), 2, ['s:top']),
        15 * $outer(30, 20, 4) - 13 * $outer(26, 16, 2),
    );
    $box = static fn(float $a, float $b, float $c, float $r): float => ($a - 2 * $r) * ($b - 2 * $r) * ($c - 2 * $r) +
        2 * $r * (($a - 2 * $r) * ($b - 2 * $r) + ($b - 2 * $r) * ($c - 2 * $r) + ($c - 2 * $r) * ($a - 2 * $r)) +
        M_PI * $r ** 2 * ($a + $b + $c - 6 * $r) +
        (4 / 3) * M_PI * $r ** 3;
    Solids::encloses(
        FaceWork::shell('k', SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0), 2, []),
        $box(30, 20, 15, 4) - $box(26, 16, 11, 2),
    );
    // the rim below rounded too: the inside is the same shape, smaller by the wall all round
    $s = FaceWork::shell('k', Blending::round('r', SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0, false), ['s:bottom / s:front'], 3), 1, [
        's:top',
    ]);
    $inside = Blending::round('r', SoftBlock::rounded('s', [28.0, 18.0, 14.0], 3.0, false), ['s:bottom / s:front'], 2);
    $whole = Blending::round('r', SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0, false), ['s:bottom / s:front'], 3);
    Solids::encloses($s, (new MassProperties($whole))->volume - (new MassProperties($inside))->volume);
});

it('rounds what was rounded, bored and shelled before', function (): void {
    $s = drilled();
    $s = Blending::chamfer('a', $s, ['h:side / p:top'], 1);
    $s = Blending::round('b', $s, ['p:front / p:left', 'p:front / p:right', 'p:back / p:left', 'p:back / p:right'], 6);
    $s = Blending::round('c', $s, ['p:front / p:top'], 2);
    // the chamfer keeps its size
    $s = FaceWork::pull($s, 'h:side', -1);
    $s = FaceWork::shell('k', $s, 0.5, ['p:bottom']);
    expect(Soundness::faults($s))->toBe([])->and((new MassProperties($s))->volume)->toBeGreaterThan(1000.0)->toBeLessThan(4000.0);
    // and booleans with it stay sound
    $cut = BooleanOperation::difference($s, Extrusion::straight('t', Solids::slot(20, 3), -5, 30, Transform::rotation(2, 30)));
    expect(Soundness::faults($cut))->toBe([]);
});
