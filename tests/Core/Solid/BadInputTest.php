<?php

declare(strict_types=1);

use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\SelfCrossing;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;
use Tests\Parts;
use Tests\Soundness;

it('does not combine open meshes or coordinates that are no numbers', function (Closure $spoil): void {
    $good = Parts::box(2, 2, 2);
    $bad = $spoil(Parts::box(2, 2, 2, 1, name: 'b'));
    foreach ([[$good, $bad], [$bad, $good]] as [$p, $q]) {
        foreach (['union', 'difference', 'intersection'] as $op) {
            expect(fn() => BooleanOperation::$op($p, $q))->toThrow(InvalidArgumentException::class);
        }
    }
})->with([
    'open' => [
        function (Solid $s): Solid {
            $s->twin[4] = -1;

            return $s;
        },
    ],
    'no number' => [
        function (Solid $s): Solid {
            $s->y[3] = NAN;

            return $s;
        },
    ],
    'endless' => [
        function (Solid $s): Solid {
            $s->z[0] = INF;

            return $s;
        },
    ],
]);

it('says when the work would be too much', function (): void {
    $s = Primitives::sphere('s', 50.0);
    $many = $s;
    for ($i = 0; $i < 5; $i++) {
        $many = $many->beside($many);
    }
    expect(fn() => BooleanOperation::union($many, $many))->toThrow(BooleanFailed::class);
});

it('finds a skin that passes through itself', function (): void {
    $a = Parts::box(2, 2, 2);
    expect(SelfCrossing::found($a))
        ->toBeFalse()
        ->and(SelfCrossing::found($a->beside(Parts::box(2, 2, 2, 1, 1, 1, 'b'))))
        ->toBeTrue()
        ->and(SelfCrossing::found($a->beside(Parts::box(2, 2, 2, 3, name: 'b'))))
        ->toBeFalse()
        ->and(SelfCrossing::found(BooleanOperation::union($a, Parts::box(2, 2, 2, 1, 1, 1, 'b'))))
        ->toBeFalse();
});

it('joins those faces around a shared edge that have material between them', function (): void {
    // two blocks that share an edge, welded by their corners as a file would have them
    $b = new SolidBuilder();
    $place = [];
    foreach ([Parts::box(2, 2, 2), Parts::box(2, 2, 2, 2, 2, name: 'b')] as $s) {
        $surface = $b->surface(Surface::plane('f'));
        foreach ($s->facet as $t => $f) {
            $ids = [];
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $s->start[$h];
                $ids[] = $place["{$s->x[$v]} {$s->y[$v]} {$s->z[$v]}"] ??= $b->vertex($s->x[$v], $s->y[$v], $s->z[$v]);
            }
            $b->triangle($ids[0], $ids[1], $ids[2], $b->facetThrough($ids[0], $ids[1], $ids[2], $surface));
        }
    }
    $s = $b->build();
    expect(Cubo\Measure\Bodies::of($s))->toHaveCount(2)->and($s->facettedVolume())->toEqualWithDelta(16.0, 1e-12);
});

it('handles overlaps of a ten thousandth of a millimetre and parts of ten metres', function (float $k, float $overlap): void {
    $a = Parts::box(2 * $k, 2 * $k, 2 * $k);
    $b = Parts::box(2 * $k, 2 * $k, 2 * $k, 2 * $k - $overlap, $k, 0, 'b');
    foreach (
        [
            ['union', 16 * $k ** 3 - $overlap * 2 * $k ** 2],
            ['difference', 8 * $k ** 3 - $overlap * 2 * $k ** 2],
            ['intersection', $overlap * 2 * $k ** 2],
        ]
        as [$op, $volume]
    ) {
        $r = BooleanOperation::$op($a, $b);
        expect(Soundness::faults($r))
            ->toBe([], $op)
            ->and($r->facettedVolume())
            ->toEqualWithDelta($volume, 1e-9 * $volume + 1e-12 * $k ** 3, $op);
    }
})->with([[1.0, 1e-4], [5000.0, 1e-4], [5000.0, 1000.0], [0.05, 1e-4]]);
