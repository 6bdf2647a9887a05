<?php

declare(strict_types=1);

use Cubo\Geometry\Angle;
use Cubo\Geometry\CubicSpline;
use Cubo\Geometry\Transform;
use Cubo\Geometry\TriangleDistance;
use Cubo\Geometry\Vector;
use Cubo\Lettering\Typeface;
use Cubo\Solid\MaterialPairing;
use Cubo\Solid\VertexWelding;

it('turns about any line and mirrors in any plane', function (): void {
    $turn = Transform::turn([1.0, 0.0, 0.0], [0.0, 0.0, 1.0], 90.0);
    expect($turn->point([2.0, 0.0, 5.0]))
        ->toEqualWithDelta([1.0, 1.0, 5.0], 1e-15)
        ->and($turn->mirrors())
        ->toBeFalse();
    $axis = Vector::unit([1.0, 2.0, 2.0]);
    $t = Transform::turn([3.0, 1.0, -2.0], $axis, 41.0);
    // points of the axis stay, lengths stay, and five turns of 72 degrees are none
    expect($t->point(Vector::add([3.0, 1.0, -2.0], $axis, 7.0)))
        ->toEqualWithDelta(Vector::add([3.0, 1.0, -2.0], $axis, 7.0), 1e-12)
        ->and(Vector::distance($t->point([0.0, 0.0, 0.0]), $t->point([5.0, -1.0, 4.0])))
        ->toEqualWithDelta(sqrt(42), 1e-12);
    $fifth = Transform::turn([3.0, 1.0, -2.0], $axis, 72.0);
    $all = $fifth->then($fifth)->then($fifth)->then($fifth)->then($fifth);
    expect($all->point([9.0, 8.0, 7.0]))->toEqualWithDelta([9.0, 8.0, 7.0], 1e-12);
    $mirror = Transform::mirrorIn([1.0, 2.0, 3.0], $axis);
    expect($mirror->mirrors())
        ->toBeTrue()
        ->and($mirror->point([1.0, 2.0, 3.0]))
        ->toEqualWithDelta([1.0, 2.0, 3.0], 1e-12)
        ->and($mirror->then($mirror)->point([9.0, 8.0, 7.0]))
        ->toEqualWithDelta([9.0, 8.0, 7.0], 1e-12)
        ->and(Transform::mirrorIn([5.0, 0.0, 0.0], [1.0, 0.0, 0.0])->point([1.0, 2.0, 3.0]))
        ->toEqualWithDelta(Transform::mirror(0, 5.0)->point([1.0, 2.0, 3.0]), 1e-15);
});

it('runs a spline through its points, smooth in direction and bend', function (): void {
    $points = [[0.0, 0.0, 0.0], [10.0, 5.0, 0.0], [20.0, 0.0, 5.0], [30.0, 8.0, 10.0]];
    $s = new CubicSpline($points);
    foreach ($points as $i => $p) {
        expect($s->at($s->knots[$i])[0])->toEqualWithDelta($p, 1e-12);
        if ($i > 0 && $i < 3) {
            [, $d0, $b0] = $s->at($s->knots[$i] - 1e-7);
            [, $d1, $b1] = $s->at($s->knots[$i] + 1e-7);
            expect($d1)->toEqualWithDelta($d0, 1e-6)->and($b1)->toEqualWithDelta($b0, 1e-6);
        }
    }
    // natural ends, and a straight line stays one
    expect($s->at(0.0)[2])
        ->toEqualWithDelta([0.0, 0.0, 0.0], 1e-12)
        ->and((new CubicSpline([[0.0, 0.0], [1.0, 2.0], [3.0, 6.0]]))->at(1.3 * sqrt(5))[0])
        ->toEqualWithDelta([1.3, 2.6], 1e-12);
});

it('finds the shortest way between triangles, sides and points', function (array $s, array $t, float $distance): void {
    [$d, $p, $q] = TriangleDistance::between($s, $t);
    expect($d)
        ->toEqualWithDelta($distance, 1e-12)
        ->and(Vector::distance($p, $q))
        ->toEqualWithDelta($distance, 1e-12)
        ->and(TriangleDistance::between($t, $s)[0])
        ->toEqualWithDelta($distance, 1e-12);
})->with([
    'corner over a face' => [[[0.0, 0.0, 0.0], [4.0, 0.0, 0.0], [0.0, 4.0, 0.0]], [[1.0, 1.0, 2.0], [5.0, 5.0, 9.0], [1.0, 5.0, 9.0]], 2.0],
    'two sides that cross in space' => [
        [[-1.0, 0.0, 0.0], [1.0, 0.0, 0.0], [0.0, -9.0, -9.0]],
        [[0.0, -1.0, 3.0], [0.0, 1.0, 3.0], [9.0, 0.0, 9.0]],
        3.0,
    ],
    'one through the other' => [
        [[0.0, 0.0, 0.0], [4.0, 0.0, 0.0], [0.0, 4.0, 0.0]],
        [[1.0, 1.0, -1.0], [1.0, 1.0, 1.0], [1.0, 2.0, 1.0]],
        0.0,
    ],
    'points' => [[[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]], [[3.0, 4.0, 0.0], [3.0, 4.0, 0.0], [3.0, 4.0, 0.0]], 5.0],
    'a point and a side' => [[[1.0, 1.0, 0.0], [1.0, 1.0, 0.0], [1.0, 1.0, 0.0]], [[0.0, 0.0, 0.0], [4.0, 0.0, 0.0], [4.0, 0.0, 0.0]], 1.0],
    'side by side in one plane' => [
        [[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [0.0, 1.0, 0.0]],
        [[3.0, 0.0, 0.0], [4.0, 0.0, 0.0], [3.0, 1.0, 0.0]],
        2.0,
    ],
]);

it('welds vertices within the tolerance and no others', function (): void {
    mt_srand(5);
    $x = $y = $z = [];
    for ($i = 0; $i < 400; $i++) {
        $x[] = mt_rand(0, 1000) / 100;
        $y[] = mt_rand(0, 1000) / 100;
        $z[] = 0.0;
    }
    $copies = [];
    for ($i = 0; $i < 400; $i += 3) {
        $copies[count($x)] = $i;
        $x[] = $x[$i] + 4e-10;
        $y[] = $y[$i] - 4e-10;
        $z[] = 4e-10;
        $x[] = $x[$i] + 3e-9;
        $y[] = $y[$i];
        $z[] = 0.0;
    }
    $same = VertexWelding::find(array_keys($x), $x, $y, $z, 1e-9);
    foreach ($copies as $copy => $of) {
        expect($same)
            ->toHaveKey($copy)
            ->not->toHaveKey($copy + 1);
        expect(hypot($x[$same[$copy]] - $x[$of], $y[$same[$copy]] - $y[$of]))->toBeLessThan(1e-8);
    }
});

it('pairs faces around an edge by the material between them', function (): void {
    // seen along the edge: material from 0 to 90 and from 180 to 270 degrees
    $face = static function (int $h, float $angle, bool $forward): array {
        [$c, $s] = Angle::cosSin($angle);

        // a forward half-edge has its material clockwise of the face, so its normal points the other way
        return [$h, $forward, $forward ? [-$s, $c, 0.0] : [$s, -$c, 0.0]];
    };
    $faces = [$face(1, 0, false), $face(2, 90, true), $face(3, 180, false), $face(4, 270, true)];
    $pairs = MaterialPairing::pairs([0.0, 0.0, 0.0], [0.0, 0.0, 5.0], $faces) ?? [];
    sort($pairs);
    expect($pairs)
        ->toBe([[1, 2], [3, 4]])
        ->and(MaterialPairing::pairs([0.0, 0.0, 0.0], [0.0, 0.0, 5.0], [$face(1, 0, false), $face(2, 90, false)]))
        ->toBeNull();
    // material over the place where angles begin to count
    $pairs =
        MaterialPairing::pairs(
            [0.0, 0.0, 0.0],
            [0.0, 0.0, 5.0],
            [$face(1, 135, false), $face(2, -135, true), $face(3, -45, false), $face(4, 45, true)],
        ) ?? [];
    sort($pairs);
    expect($pairs)->toBe([[1, 2], [3, 4]]);
});

it('reads the shipped typeface', function (): void {
    $face = Typeface::shipped();
    expect($face->unitsPerEm)
        ->toBe(1000)
        ->and($face->has('Ä'))
        ->toBeTrue()
        ->and($face->has('☃'))
        ->toBeFalse()
        ->and($face->contours(' '))
        ->toBe([])
        ->and($face->contours('O'))
        ->toHaveCount(2)
        ->and($face->contours('B'))
        ->toHaveCount(3)
        // a letter made of two others: A and the dots
        ->and(count($face->contours('Ä')))
        ->toBe(count($face->contours('A')) + 2)
        ->and($face->advance('i'))
        ->toBeLessThan($face->advance('W'));
    expect(fn() => new Typeface('no font'))->toThrow(RuntimeException::class);
});
