<?php

declare(strict_types=1);

use Cubo\Recipe\StepStatus;
use Tests\Parts;

/*
 * The same part made in different ways measures the same, and as its closed form says. Closed forms: plane areas times
 * lengths, circles and rings as in I. N. Bronshtein et al., "Handbook of Mathematics", 6th edition, section 3.3 (from
 * memory); Pappus' rule for what is turned. The stepped bush is common practice, no source.
 */

/** @param list<array{float,float}> $points a closed outline of straight lines, as a drawing */
function outlineOf(array $points): array
{
    $drawn = ['points' => [], 'lines' => [], 'relations' => []];
    foreach ($points as $i => $p) {
        $drawn['points']["p$i"] = $p;
        $drawn['lines'][] = ['id' => "l$i", 'kind' => 'line', 'points' => ["p$i", 'p' . ($i + 1) % count($points)]];
    }

    return $drawn;
}

function roundOf(float $radius): array
{
    return ['points' => [], 'lines' => [['id' => 'c1', 'kind' => 'circle', 'points' => ['origin'], 'size' => $radius]], 'relations' => []];
}

/**
 * @param array<string, list<array<string, mixed>>> $ways
 * @param float $volume of the recipe's unit cubed
 */
function allTheSame(array $ways, float $volume, string $unit = 'mm'): void
{
    $k = $unit === 'in' ? 25.4 : 1.0;
    $first = null;
    foreach ($ways as $way => $steps) {
        foreach (Parts::build($steps, $unit)->results as $r) {
            expect($r->status)->toBe(StepStatus::Done, "$way, $r->id: " . ($r->messages[0]->why ?? ''));
        }
        $m = Parts::measure($steps, $unit);
        expect($m->isClosed())
            ->toBeTrue($way)
            ->and($m->mass()->volume / $k ** 3)
            ->toEqualWithDelta($volume, 1e-6 * $volume, $way);
        $first ??= $m;
        expect($m->mass()->area)
            ->toEqualWithDelta($first->mass()->area, 1e-6 * $first->mass()->area, $way)
            ->and($m->mass()->centroid)
            ->toEqualWithDelta($first->mass()->centroid, 1e-5, $way)
            ->and($m->bounds()->size())
            ->toEqualWithDelta($first->bounds()->size(), 1e-9, $way);
    }
}

it('stepped bush in inches, revolved, extruded, of ready solids: pi/4 (1.375^2 x 0.25 + 1^2 x 0.5 - 0.75^2 x 0.75)', function (): void {
    $half = [
        'kind' => 'sketch',
        'plane' => 'front',
        'drawn' => outlineOf(
            array_map(static fn(array $p): array => [25.4 * $p[0], 25.4 * $p[1]], [
                [0.375, 0],
                [0.6875, 0],
                [0.6875, 0.25],
                [0.5, 0.25],
                [0.5, 0.75],
                [0.375, 0.75],
            ]),
        ),
    ];
    allTheSame(
        [
            'revolved' => [$half, ['kind' => 'revolve', 'sketch' => 's1']],
            'extruded' => [
                ['kind' => 'sketch', 'drawn' => roundOf((25.4 * 1.375) / 2)],
                ['kind' => 'extrude', 'sketch' => 's1', 'distance' => '1/4'],
                ['kind' => 'sketch', 'plane' => 'face', 'face' => 's2:end', 'drawn' => roundOf(12.7)],
                ['kind' => 'extrude', 'sketch' => 's3', 'distance' => '0.75 - 1/4'],
                ['kind' => 'hole', 'where' => 'face', 'face' => 's4:end', 'round' => '3/4'],
            ],
            'ready solids' => [
                ['kind' => 'cylinder', 'round' => '1 3/8', 'length' => '1/4'],
                ['kind' => 'cylinder', 'by' => 'radius', 'round' => '1/2', 'length' => '3/4'],
                ['kind' => 'cylinder', 'round' => '0.75', 'length' => '0.75', 'effect' => 'cut'],
            ],
        ],
        (M_PI / 4) * (1.375 ** 2 * 0.25 + 0.5 - 0.75 ** 2 * 0.75),
        'in',
    );
});

it(
    'block with a triangular pocket, by a cut to both sides, from an offset start and from a face: V = a b c - t g h / 2',
    function (): void {
        $block = ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '30'];
        $triangle = outlineOf([[-10, 10], [10, 10], [0, 22]]);
        allTheSame(
            [
                'both sides' => [
                    $block,
                    ['kind' => 'sketch', 'plane' => 'front', 'drawn' => $triangle],
                    ['kind' => 'extrude', 'sketch' => 's2', 'extent' => 'middle', 'distance' => '16', 'effect' => 'cut'],
                ],
                'two distances' => [
                    $block,
                    ['kind' => 'sketch', 'plane' => 'front', 'drawn' => $triangle],
                    ['kind' => 'extrude', 'sketch' => 's2', 'extent' => 'both', 'distance' => '8', 'second' => '8', 'effect' => 'cut'],
                ],
                'offset start' => [
                    $block,
                    ['kind' => 'sketch', 'plane' => 'front', 'drawn' => $triangle],
                    ['kind' => 'extrude', 'sketch' => 's2', 'start' => '-8', 'distance' => '16', 'effect' => 'cut'],
                ],
                'offset plane' => [
                    $block,
                    ['kind' => 'sketch', 'plane' => 'front', 'offset' => '8', 'drawn' => $triangle],
                    ['kind' => 'extrude', 'sketch' => 's2', 'direction' => 'down', 'distance' => '16', 'effect' => 'cut'],
                ],
            ],
            60 * 40 * 30 - (16 * 20 * 12) / 2,
        );
    },
);

it('cylinder of 3 by 5, extruded, revolved, swept, ready: V = pi r^2 h', function (): void {
    allTheSame(
        [
            'extruded' => [['kind' => 'sketch', 'drawn' => roundOf(1.5)], ['kind' => 'extrude', 'sketch' => 's1', 'distance' => '5']],
            'revolved' => [
                ['kind' => 'sketch', 'plane' => 'front', 'drawn' => outlineOf([[0, 0], [1.5, 0], [1.5, 5], [0, 5]])],
                ['kind' => 'revolve', 'sketch' => 's1'],
            ],
            'half revolved, mirrored' => [
                ['kind' => 'sketch', 'plane' => 'front', 'drawn' => outlineOf([[0, 0], [1.5, 0], [1.5, 5], [0, 5]])],
                ['kind' => 'revolve', 'sketch' => 's1', 'angle' => '180'],
                ['kind' => 'mirror', 'plane' => 'front'],
            ],
            'swept' => [
                ['kind' => 'sketch', 'drawn' => roundOf(1.5)],
                [
                    'kind' => 'sketch',
                    'plane' => 'front',
                    'drawn' => [
                        'points' => ['a' => [0, 5]],
                        'lines' => [['id' => 'l1', 'kind' => 'line', 'points' => ['origin', 'a']]],
                        'relations' => [],
                    ],
                ],
                ['kind' => 'sweep', 'sketch' => 's1', 'path' => 's2'],
            ],
            'ready' => [['kind' => 'cylinder', 'round' => '3', 'length' => '5']],
            'scaled' => [
                ['kind' => 'cylinder', 'round' => '1', 'length' => '1'],
                ['kind' => 'scale', 'by' => 'each', 'factorx' => '3', 'factory' => '3', 'factorz' => '5'],
            ],
        ],
        M_PI * 1.5 ** 2 * 5,
    );
});

it('cup in four ways: V = pi (R^2 H - r^2 (H - t))', function (): void {
    $outside = ['kind' => 'cylinder', 'by' => 'radius', 'round' => '20', 'length' => '50'];
    allTheSame(
        [
            'hollowed' => [$outside, ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']]],
            'cut' => [$outside, ['kind' => 'cylinder', 'by' => 'radius', 'round' => '18', 'length' => '48', 'z' => '2', 'effect' => 'cut']],
            'revolved' => [
                ['kind' => 'sketch', 'plane' => 'front', 'drawn' => outlineOf([[0, 0], [20, 0], [20, 50], [18, 50], [18, 2], [0, 2]])],
                ['kind' => 'revolve', 'sketch' => 's1'],
            ],
            'drilled' => [
                $outside,
                [
                    'kind' => 'hole',
                    'where' => 'face',
                    'face' => 's1:top',
                    'by' => 'radius',
                    'round' => '18',
                    'extent' => 'depth',
                    'depth' => '48',
                    'bottom' => 'flat',
                ],
            ],
        ],
        M_PI * (400 * 50 - 324 * 48),
    );
});

it('plate with four holes: mirrored, repeated, around, drawn', function (): void {
    $plate = ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '8'];
    $hole = ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'u' => '20', 'v' => '10', 'round' => '6'];
    $points = ['points' => ['a' => [20, 10], 'b' => [-20, 10], 'c' => [20, -10], 'd' => [-20, -10]], 'lines' => [], 'relations' => []];
    allTheSame(
        [
            'mirrored' => [
                ['kind' => 'block', 'from' => 'corner', 'width' => '30', 'depth' => '20', 'height' => '8'],
                ['u' => '20', 'v' => '10'] + $hole,
                ['kind' => 'mirror', 'plane' => 'side'],
                ['kind' => 'mirror', 'plane' => 'front'],
            ],
            'repeated' => [
                $plate,
                $hole,
                [
                    'kind' => 'repeat',
                    'of' => 'step',
                    'source' => 's2',
                    'way' => 'grid',
                    'count' => '2',
                    'x' => '-40',
                    'rows' => '2',
                    'x2' => '0',
                    'y2' => '-20',
                ],
            ],
            'at points' => [
                $plate,
                ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top', 'drawn' => $points],
                ['kind' => 'hole', 'sketch' => 's2', 'round' => '6'],
            ],
            'cut through' => [
                $plate,
                [
                    'kind' => 'sketch',
                    'drawn' => [
                        'points' => $points['points'],
                        'lines' => array_map(
                            static fn(string $p): array => ['id' => "c$p", 'kind' => 'circle', 'points' => [$p], 'size' => 3],
                            ['a', 'b', 'c', 'd'],
                        ),
                        'relations' => [],
                    ],
                ],
                ['kind' => 'extrude', 'sketch' => 's2', 'extent' => 'through', 'effect' => 'cut'],
            ],
        ],
        60 * 40 * 8 - 4 * 9 * M_PI * 8,
    );
});

it('clearance holes as ISO 273:1979 gives them (from memory of the table): fine, medium, coarse', function (
    string $screw,
    float $fine,
    float $medium,
    float $coarse,
): void {
    foreach (['fine' => $fine, 'medium' => $medium, 'coarse' => $coarse] as $fit => $d) {
        $m = Parts::measure([
            ['kind' => 'block', 'width' => '60', 'depth' => '60', 'height' => '10'],
            ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'by' => 'screw', 'screw' => $screw, 'fit' => $fit],
        ]);
        expect(2 * sqrt((36000 - $m->mass()->volume) / M_PI / 10))->toEqualWithDelta($d, 1e-5);
    }
})->with([
    ['M3', 3.2, 3.4, 3.6],
    ['M4', 4.3, 4.5, 4.8],
    ['M5', 5.3, 5.5, 5.8],
    ['M6', 6.4, 6.6, 7.0],
    ['M8', 8.4, 9.0, 10.0],
    ['M10', 10.5, 11.0, 12.0],
    ['M12', 13.0, 13.5, 14.5],
]);
