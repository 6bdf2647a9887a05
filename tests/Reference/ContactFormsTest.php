<?php

declare(strict_types=1);

/*
 * How bodies lie to each other, against closed forms: distances of points, lines, planes and circles less the radii of what
 * rolls along them (common practice, no source). Facets of all these solids stray by up to 0.02 mm; the gaps do not.
 */

use Cubo\Geometry\Transform;
use Cubo\Measure\Contact\Contact;
use Cubo\Measure\Contact\TriangleSet;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Parts;

function lie(Solid $a, Solid $b): Contact
{
    $set = static fn(Solid $s): TriangleSet => new TriangleSet($s, array_keys($s->facet));

    return Contact::of($set($a), $set($b));
}

function placed(array $step, float $x = 0, float $y = 0, float $z = 0): Solid
{
    return Parts::build([$step + ['kind' => 'block', 'stand' => 'place']])
        ->part()
        ->moved(Transform::translation([$x, $y, $z]));
}

/** A ball with its middle at a place. */
function ballAt(float $r, float $x, float $y, float $z): Solid
{
    $b = Parts::build([['kind' => 'ball', 'by' => 'radius', 'round' => (string) $r]])->part();
    $box = $b->vertexBox();

    return $b->moved(Transform::translation([$x, $y, $z - ($box[2] + $box[5]) / 2]));
}

it('touches as true faces do, in a point or along a line of its length', function (Closure $two, float $gap, float $line): void {
    [$a, $b] = $two();
    foreach ([lie($a, $b), lie($b, $a)] as $c) {
        expect($c->gap)
            ->toEqualWithDelta($gap, 2e-6)
            ->and($c->length)
            ->toEqualWithDelta($line, 1e-4 * max(1.0, $line));
    }
})->with(function (): iterable {
    $upright = fn(float $r, float $l) => placed(['kind' => 'cylinder', 'by' => 'radius', 'round' => (string) $r, 'length' => (string) $l]);
    $lying = fn(float $r, float $l) => $upright($r, $l)->moved(Transform::rotation(0, 90.0));
    $board = fn() => placed(['width' => '40', 'depth' => '40', 'height' => '10']);
    foreach ([0, 11, 30, 37, 45, 90, 143] as $deg) {
        yield "equal posts side by side at $deg degrees" => [
            fn() => [
                $upright(5, 30),
                $upright(5, 30)->moved(Transform::translation([10 * cos(deg2rad($deg)), 10 * sin(deg2rad($deg)), 6.0])),
            ],
            0.0,
            24.0,
        ];
    }
    yield 'posts of different radius' => [
        fn() => [$upright(5, 30), $upright(3, 12)->moved(Transform::translation([8 * cos(0.3), 8 * sin(0.3), -2.0]))],
        0.0,
        10.0,
    ];
    yield 'crossed rods' => [fn() => [$upright(5, 30), $lying(5, 30)->moved(Transform::translation([10.0, 15.0, 15.0]))], 0.0, 0.0];
    yield 'a rod on a board' => [
        fn() => [$board(), $lying(5, 30)->moved(Transform::rotation(2, 30.0)->then(Transform::translation([-2.0, 10.0, 15.0])))],
        0.0,
        30.0,
    ];
    yield 'a rod that sticks out over a board' => [
        fn() => [$board(), $lying(5, 30)->moved(Transform::translation([0.0, 32.0, 15.0]))],
        0.0,
        18.0,
    ];
    foreach ([[1.0, 0.0, 0.0], [0.6, 0.8, 0.0], [0.36, 0.48, 0.8], [-0.48, 0.64, 0.6]] as $i => [$x, $y, $z]) {
        yield "two balls, way $i" => [fn() => [ballAt(10, 0, 0, 0), ballAt(7, 17 * $x, 17 * $y, 17 * $z)], 0.0, 0.0];
        yield "two balls 0.001 apart, way $i" => [
            fn() => [ballAt(10, 0, 0, 0), ballAt(7, 17.001 * $x, 17.001 * $y, 17.001 * $z)],
            0.001,
            0.0,
        ];
        yield "two balls 0.01 in each other, way $i" => [
            fn() => [ballAt(10, 0, 0, 0), ballAt(7, 16.99 * $x, 16.99 * $y, 16.99 * $z)],
            -0.01,
            0.0,
        ];
    }
    yield 'a ball on a board' => [fn() => [$board(), ballAt(6, 3.7, -2.1, 16)], 0.0, 0.0];
    yield 'a ball on a post' => [fn() => [$upright(5, 30), ballAt(6, 11 * cos(1.1), 11 * sin(1.1), 12.3)], 0.0, 0.0];
    yield 'a ball beside the edge of a board' => [fn() => [$board(), ballAt(10, 25, 3.3, 20)], sqrt(125) - 10, 0.0];
    yield 'a ball beside the corner of a board' => [fn() => [$board(), ballAt(10, 25, 28, 22)], sqrt(25 + 64 + 144) - 10, 0.0];
    yield 'a ball that fills a bore' => [
        fn() => [placed(['kind' => 'tube', 'by' => 'radius', 'round' => '14', 'wall' => '4', 'length' => '40']), ballAt(10, 0, 0, 20)],
        0.0,
        20 * M_PI,
    ];
    yield 'a ball in a wider bore' => [
        fn() => [placed(['kind' => 'tube', 'by' => 'radius', 'round' => '14', 'wall' => '4', 'length' => '40']), ballAt(9, 0.3, 0.4, 20)],
        0.5,
        0.0,
    ];
    yield 'a pin in the middle of a bore' => [
        fn() => [
            placed(['kind' => 'tube', 'by' => 'radius', 'round' => '14', 'wall' => '4', 'length' => '40']),
            $upright(5, 30)->moved(Transform::translation([0.0, 0.0, 5.0])),
        ],
        5.0,
        0.0,
    ];
    yield 'a pin at the side of a bore' => [
        fn() => [
            placed(['kind' => 'tube', 'by' => 'radius', 'round' => '14', 'wall' => '4', 'length' => '40']),
            $upright(5, 30)->moved(Transform::translation([3.0, 4.0, 5.0])),
        ],
        0.0,
        30.0,
    ];
    // a ring of 12 about its middle, 3 thick to each side
    $ring = fn() => placed(['kind' => 'ring', 'by' => 'radius', 'round' => '15', 'thick' => '6'])->moved(
        Transform::translation([0.0, 0.0, 0.0]),
    );
    $down = fn(Solid $s, float $to) => $s->moved(Transform::translation([0.0, 0.0, $to - $s->vertexBox()[2]]));
    yield 'a ring on a board' => [fn() => [$board(), $down($ring(), 10)], 0.0, 24 * M_PI];
    yield 'half a ring over the edge of a board' => [
        fn() => [$board(), $down($ring(), 10)->moved(Transform::translation([20.0, 0.0, 0.0]))],
        0.0,
        12 * M_PI,
    ];
    yield 'boards edge to edge' => [fn() => [$board(), $board()->moved(Transform::translation([40.0, 10.0, 10.0]))], 0.0, 30.0];
    yield 'boards corner to corner' => [fn() => [$board(), $board()->moved(Transform::translation([40.0, 40.0, 10.0]))], 0.0, 0.0];
    yield 'boards apart' => [fn() => [$board(), $board()->moved(Transform::translation([43.0, 44.0, 22.0]))], 13.0, 0.0];
});

it('measures gaps of balls, posts and boards placed anyhow', function (int $seed): void {
    $r = new Randomizer(new Xoshiro256StarStar($seed));
    $n = static fn(float $lo, float $hi): float => $lo + (($hi - $lo) * $r->getInt(0, 1_000_000)) / 1_000_000;
    // a ball against a board turned anyhow: the distance of its middle from the board less its radius
    $turn = Transform::rotation(2, $n(0, 360))->then(Transform::rotation(0, $n(0, 360)));
    $board = placed(['width' => '40', 'depth' => '24', 'height' => '10']);
    $radius = round($n(2, 9), 2);
    $p = [$n(-45, 45), $n(-35, 35), $n(-25, 35)];
    $out = array_map(
        static fn(float $v, float $lo, float $hi): float => max($lo - $v, 0.0, $v - $hi),
        $p,
        [-20.0, -12.0, 0.0],
        [20.0, 12.0, 10.0],
    );
    $gap = sqrt($out[0] ** 2 + $out[1] ** 2 + $out[2] ** 2) - $radius;
    if ($gap > 0.05) {
        $at = $turn->point($p);
        expect(lie($board->moved($turn), ballAt($radius, ...$at))->gap)->toEqualWithDelta($gap, 1e-5, "ball of seed $seed");
    }
    // two long rods askew: the distance of their axes less both radii
    [$a, $b] = [round($n(1, 6), 2), round($n(1, 6), 2)];
    $angle = $n(20, 160);
    $apart = $a + $b + $n(0.001, 4);
    $rod = static fn(float $radius): Solid => placed(
        ['kind' => 'cylinder', 'by' => 'radius', 'round' => (string) $radius, 'length' => '80'],
        0,
        0,
        -40,
    );
    $other = $rod($b)->moved(Transform::rotation(0, $angle)->then(Transform::translation([$apart, $n(-8, 8), $n(-8, 8)])));
    expect(lie($rod($a)->moved($turn), $other->moved($turn))->gap)->toEqualWithDelta($apart - $a - $b, 2e-6, "rods of seed $seed");
})->with(range(1, 24));

it('says it in words', function (): void {
    $board = placed(['width' => '40', 'depth' => '40', 'height' => '10']);
    expect(lie($board, ballAt(6, 0, 0, 16))->words(Unit::Millimetre))
        ->toBe('touch only in a point')
        ->and(lie($board, ballAt(6, 0, 0, 16.4))->words(Unit::Millimetre))
        ->toBe('lie 0.4 mm apart')
        ->and(lie($board, $board->moved(Transform::translation([40.0, 10.0, 10.0])))->words(Unit::Millimetre))
        ->toBe('touch only along a line of 30 mm')
        ->and(lie(ballAt(10, 0, 0, 0), ballAt(7, 16.99 * 0.6, 16.99 * 0.8, 0))->words(Unit::Millimetre))
        ->toBe('overlap by only 0.01 mm');
});
