<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;

it('turns by quarters without any rounding', function (int $axis, float $degrees, array $from, array $to): void {
    expect(Transform::rotation($axis, $degrees)->point($from))->toBe($to);
})->with([
    [2, 90.0, [1.0, 2.0, 3.0], [-2.0, 1.0, 3.0]],
    [2, 180.0, [1.0, 2.0, 3.0], [-1.0, -2.0, 3.0]],
    [0, 90.0, [1.0, 2.0, 3.0], [1.0, -3.0, 2.0]],
    [1, 90.0, [1.0, 2.0, 3.0], [3.0, 2.0, -1.0]],
    [2, -270.0, [1.0, 2.0, 3.0], [-2.0, 1.0, 3.0]],
    [2, 720.0, [1.0, 2.0, 3.0], [1.0, 2.0, 3.0]],
]);

it('turns about an axis through a point', function (): void {
    expect(Transform::rotation(2, 90.0, [10.0, 0.0, 0.0])->point([11.0, 0.0, 5.0]))->toBe([10.0, 1.0, 5.0]);
});

it('keeps lengths and angles', function (): void {
    mt_srand(7);
    for ($i = 0; $i < 50; $i++) {
        $t = Transform::rotation(0, mt_rand(0, 360) + 0.5)
            ->then(Transform::rotation(1, mt_rand(0, 360) + 0.25))
            ->then(Transform::translation([1.0, -2.0, 3.0]));
        $a = [mt_rand(-9, 9) + 0.0, mt_rand(-9, 9) + 0.0, mt_rand(-9, 9) + 0.0];
        $d = $t->direction($a);
        expect($d[0] ** 2 + $d[1] ** 2 + $d[2] ** 2)
            ->toEqualWithDelta($a[0] ** 2 + $a[1] ** 2 + $a[2] ** 2, 1e-11)
            ->and($t->mirrors())
            ->toBeFalse();
    }
});

it('applies the first of two motions first', function (): void {
    $t = Transform::translation([1.0, 0.0, 0.0])->then(Transform::rotation(2, 90.0));
    expect($t->point([0.0, 0.0, 0.0]))->toBe([0.0, 1.0, 0.0]);
});

it('mirrors in a plane', function (): void {
    $m = Transform::mirror(0, 5.0);
    expect($m->point([7.0, 1.0, 2.0]))
        ->toBe([3.0, 1.0, 2.0])
        ->and($m->mirrors())
        ->toBeTrue();
});
