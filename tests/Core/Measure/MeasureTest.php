<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\Bodies;
use Cubo\Measure\Bounds;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\Standing;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;
use Tests\Parts;
use Tests\Soundness;

function measures(Solid $s): PartMeasures
{
    return new PartMeasures($s);
}

it('takes overall sizes over the true surface, not over the facets', function (): void {
    // turned so that no facet corner lies at the outermost places
    $s = Primitives::cylinder('a', 10.0, 20.0)->moved(Transform::rotation(2, 2.3));
    expect(Bounds::of($s)->size())->toEqualWithDelta([20.0, 20.0, 20.0], 1e-9);
    $ball = Primitives::sphere('a', 10.0)->moved(Transform::rotation(0, 7.7)->then(Transform::rotation(2, 3.1)));
    expect(Bounds::of($ball)->size())->toEqualWithDelta([20.0, 20.0, 20.0], 1e-9);
});

it('does not take a dimple for a bump', function (): void {
    $s = BooleanOperation::difference(
        Parts::box(20, 20, 10),
        Primitives::sphere('b', 4.0)->moved(Transform::translation([10.0, 10.0, 10.0])),
    );
    expect(Bounds::of($s)->max)->toEqualWithDelta([20.0, 20.0, 10.0], 1e-9);
    $groove = BooleanOperation::difference(
        Parts::box(20, 20, 10),
        Primitives::cylinder('b', 4.0, 40.0)->moved(Transform::rotation(0, 90.0)->then(Transform::translation([10.0, 30.0, 10.0]))),
    );
    expect(Bounds::of($groove)->max)->toEqualWithDelta([20.0, 20.0, 10.0], 1e-9);
});

it('counts a hollow as part of the body around it', function (): void {
    $hollow = BooleanOperation::difference(Parts::box(10, 10, 10), Parts::box(4, 4, 4, 3, 3, 3, 'b'));
    expect(measures($hollow)->bodyCount())->toBe(1)->and(measures($hollow)->isClosed())->toBeTrue();
    $two = BooleanOperation::union($hollow, Parts::box(2, 2, 2, 4, 4, 4, 'c'));
    expect(measures($two)->bodyCount())->toBe(2);
});

it('takes single bodies out of a part', function (): void {
    $two = BooleanOperation::union(Parts::box(1, 2, 3), Parts::box(2, 2, 2, 9, name: 'b'));
    $volumes = array_map(fn($t) => Bodies::extract($two, $t), Bodies::of($two));
    foreach ($volumes as $v) {
        expect(Soundness::faults($v))->toBe([]);
    }
    $sizes = array_map(fn($v) => $v->facettedVolume(), $volumes);
    sort($sizes);
    expect($sizes)->toEqualWithDelta([6.0, 8.0], 1e-12);
});

it('recognises holes with axis, place, diameter and whether they go through', function (): void {
    $plate = Parts::box(60, 40, 10);
    $through = BooleanOperation::difference(
        $plate,
        Primitives::cylinder('h', 4.0, 20.0)->moved(Transform::translation([15.0, 20.0, -5.0])),
    );
    $blind = BooleanOperation::difference($through, Primitives::cylinder('k', 3.0, 20.0)->moved(Transform::translation([45.0, 20.0, 4.0])));
    $holes = measures($blind)->features()->holes;
    expect($holes)->toHaveCount(2);
    [$a, $b] = $holes;
    expect([$a->radius, $a->principal(), $a->through, $a->depth()])
        ->toEqualWithDelta([4.0, 2, true, 10.0], 1e-9)
        ->and([$a->point[0], $a->point[1]])
        ->toEqualWithDelta([15.0, 20.0], 1e-9)
        ->and([$b->radius, $b->through, $b->depth()])
        ->toEqualWithDelta([3.0, false, 6.0], 1e-9);
});

it('does not take a boss, a groove or half a hole for a hole', function (): void {
    $boss = BooleanOperation::union(
        Parts::box(20, 20, 5),
        Primitives::cylinder('b', 4.0, 10.0)->moved(Transform::translation([10.0, 10.0, 5.0])),
    );
    $half = BooleanOperation::difference(
        Parts::box(20, 20, 5),
        Primitives::cylinder('b', 4.0, 10.0)->moved(Transform::translation([20.0, 10.0, -2.0])),
    );
    expect(measures($boss)->features()->holes)
        ->toBe([])
        ->and(measures($half)->features()->holes)
        ->toBe([]);
});

it('tells two holes in line apart', function (): void {
    // a fork: one drill through both prongs
    $fork = BooleanOperation::difference(Parts::box(30, 20, 20), Parts::box(10, 20, 20, 10, 0, 5, 'slot'));
    $drilled = BooleanOperation::difference(
        $fork,
        Primitives::cylinder('d', 3.0, 60.0)->moved(Transform::rotation(1, 90.0)->then(Transform::translation([-10.0, 10.0, 12.0]))),
    );
    $holes = measures($drilled)->features()->holes;
    expect($holes)->toHaveCount(2)->and($holes[0]->depth())->toEqualWithDelta(10.0, 1e-9);
});

it('measures how far a part is from its mirror image', function (): void {
    $plate = Parts::box(60, 40, 10, -30, -20, 0);
    $hole = fn(float $x) => Primitives::cylinder("h$x", 4.0, 20.0)->moved(Transform::translation([$x, 0.0, -5.0]));
    $even = BooleanOperation::difference(BooleanOperation::difference($plate, $hole(-20.0)), $hole(20.0));
    $odd = BooleanOperation::difference(BooleanOperation::difference($plate, $hole(-20.0)), $hole(19.0));
    expect(measures($even)->symmetry(0)->deviation)
        ->toBeLessThan(1e-9)
        ->and(measures($even)->symmetry(1)->deviation)
        ->toBeLessThan(1e-9)
        ->and(measures($odd)->symmetry(0)->deviation)
        ->toEqualWithDelta(1.0, 0.02)
        ->and(measures($odd)->symmetry(1)->deviation)
        ->toBeLessThan(1e-9);
});

it('finds bodies of revolution symmetric to the last digits', function (): void {
    $cone = BooleanOperation::difference(
        Primitives::cone('a', 15.0, 10.0, 12.5),
        Primitives::sphere('b', 4.0)->moved(Transform::translation([0.0, 0.0, 12.5])),
    );
    expect(measures($cone)->symmetry(0)->deviation)
        ->toBeLessThan(1e-9)
        ->and(measures($cone)->symmetry(2)->deviation)
        ->toBeGreaterThan(1.0);
});

it('finds the thinnest wall', function (Solid $s, float $wall): void {
    expect(measures($s)->wall()->thinnest)->toEqualWithDelta($wall, 1e-3);
})->with([
    'a block' => [fn() => Parts::box(20, 30, 7), 7.0],
    'a tube' => [
        fn() => BooleanOperation::difference(
            Primitives::cylinder('a', 10.0, 20.0),
            Primitives::cylinder('b', 8.5, 40.0)->moved(Transform::translation([0.0, 0.0, -10.0])),
        ),
        1.5,
    ],
    'a hole near the edge' => [
        fn() => BooleanOperation::difference(
            Parts::box(40, 30, 10),
            Primitives::cylinder('b', 5.0, 40.0)->moved(Transform::translation([7.0, 15.0, -10.0])),
        ),
        2.0,
    ],
    'a thin floor' => [fn() => BooleanOperation::difference(Parts::box(40, 30, 10), Parts::box(30, 20, 20, 5, 5, 0.8, 'b')), 0.8],
]);

it('does not take the edge of a cone for a thin wall', function (): void {
    expect(measures(Primitives::cone('a', 15.0, 10.0, 12.5))->wall()->thinnest)->toEqualWithDelta(12.5, 1e-6);
});

it('measures the flat area a part stands on', function (): void {
    expect(Standing::of(measures(Parts::box(20, 30, 7)))->base)
        ->toEqualWithDelta(600.0, 1e-9)
        ->and(Standing::of(measures(Primitives::sphere('a', 5.0)))->base)
        ->toBe(0.0);
});
