<?php

declare(strict_types=1);

use Cubo\Exchange\SolidPacking;
use Cubo\Measure\MassProperties;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\PartState;
use Cubo\Recipe\StepStatus;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Solid;
use Tests\Drawn;
use Tests\Parts;
use Tests\Soundness;

/** @param list<array<string, mixed>> $steps */
function volumeOf(array $steps): float
{
    $state = Parts::build($steps);
    foreach ($state->results as $r) {
        expect($r->status)->toBe(StepStatus::Done, $r->id . ': ' . ($r->messages[0]->what ?? '') . ' ' . ($r->messages[0]->why ?? ''));
    }
    expect(Soundness::faults($state->part()))->toBe([]);

    return (new MassProperties($state->part()))->volume;
}

/** @param list<array<string, mixed>> $steps @return list<float> least and greatest z */
function heightOf(array $steps): array
{
    $b = Parts::build($steps)->part()->vertexBox();

    return [$b[2], $b[5]];
}

$block = ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'];
$square = ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10)];

it('extrudes as far as is asked', function (array $extrude, float $volume, array $height) use ($square) {
    $steps = [$square, ['kind' => 'extrude', 'sketch' => 's1'] + $extrude];
    expect(volumeOf($steps))->toEqualWithDelta($volume, 1e-6)->and(heightOf($steps))->toEqualWithDelta($height, 1e-9);
})->with([
    'a distance' => [['distance' => '7/2'], 700.0, [0.0, 3.5]],
    'down' => [['distance' => '5', 'direction' => 'down'], 1000.0, [-5.0, 0.0]],
    'both ways' => [['extent' => 'both', 'distance' => '5', 'second' => '3'], 1600.0, [-3.0, 5.0]],
    'both ways, down' => [['extent' => 'both', 'distance' => '5', 'second' => '3', 'direction' => 'down'], 1600.0, [-5.0, 3.0]],
    'evenly' => [['extent' => 'middle', 'distance' => '5'], 1000.0, [-2.5, 2.5]],
    'from a start' => [['distance' => '5', 'start' => '2'], 1000.0, [2.0, 7.0]],
    'from a start, down' => [['distance' => '5', 'start' => '2', 'direction' => 'down'], 1000.0, [-7.0, -2.0]],
    // integral of (20 - 2 z t)(10 - 2 z t) from 0 to 5, t = tan 30 degrees
    'with a taper' => [['distance' => '5', 'taper' => '30'], 1000 - (30 * 25) / sqrt(3) + (4 / 9) * 125, [0.0, 5.0]],
    'with a taper, down' => [
        ['distance' => '5', 'taper' => '30', 'direction' => 'down'],
        1000 - (30 * 25) / sqrt(3) + (4 / 9) * 125,
        [-5.0, 0.0],
    ],
]);

it('extrudes through everything, and up to a face', function () use ($block) {
    $cut = static fn(array $x, array $sketch = []): array => [
        $block,
        ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10)] + $sketch,
        ['kind' => 'extrude', 'sketch' => 's2', 'effect' => 'cut'] + $x,
    ];
    expect(volumeOf($cut(['extent' => 'through'])))
        ->toEqualWithDelta(48000 - 4000, 1e-6)
        ->and(volumeOf($cut(['extent' => 'through', 'direction' => 'down'], ['plane' => 'face', 'face' => 's1:top'])))
        ->toEqualWithDelta(44000, 1e-6)
        // intent: the plate gets thicker, the cut still goes through
        ->and(volumeOf(array_replace_recursive($cut(['extent' => 'through']), [0 => ['height' => '35']])))
        ->toEqualWithDelta(84000 - 7000, 1e-6)
        ->and(volumeOf($cut(['extent' => 'face', 'until' => 's1:top', 'past' => '-5'])))
        ->toEqualWithDelta(48000 - 3000, 1e-6)
        ->and(Parts::outcome($cut(['extent' => 'through', 'direction' => 'down'])))
        ->toBe('wrong-side@direction')
        ->and(Parts::outcome($cut(['extent' => 'face', 'until' => 's1:top', 'direction' => 'down'])))
        ->toBe('wrong-side@direction')
        ->and(Parts::outcome($cut(['extent' => 'face', 'until' => 's1:left'])))
        ->toBe('never-meets@until')
        ->and(Parts::outcome($cut(['extent' => 'face', 'until' => 's9:left'])))
        ->toBe('no-face@until')
        ->and(
            Parts::outcome([
                ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10)],
                ['kind' => 'extrude', 'sketch' => 's1', 'extent' => 'through'],
            ]),
        )
        ->toBe('nothing-there@extent');
});

it('extrudes up to a face that slants', function () {
    // a wedge of 30 by 40 whose top falls from 20 to 0 along x: half a block; a bar under it is cut to the slope
    $wedge = [
        [
            'kind' => 'sketch',
            'plane' => 'front',
            'drawn' => [
                'points' => ['a' => [0, 30], 'b' => [30, 30], 'c' => [30, 60]],
                'lines' => [
                    ['id' => 'l1', 'kind' => 'line', 'points' => ['a', 'b']],
                    ['id' => 'l2', 'kind' => 'line', 'points' => ['b', 'c']],
                    ['id' => 'l3', 'kind' => 'line', 'points' => ['c', 'a']],
                ],
                'relations' => [],
            ],
        ],
        ['kind' => 'extrude', 'sketch' => 's1', 'extent' => 'middle', 'distance' => '40'],
        ['kind' => 'sketch', 'drawn' => Drawn::rectangle(10, 10, 15, 0)],
        ['kind' => 'extrude', 'sketch' => 's3', 'extent' => 'face', 'until' => 's2:l3'],
    ];
    // up to the slanting plane z = 30 + x: from 0 to 45 in the middle; what lies in the wedge (30 to z) is there already
    expect(volumeOf($wedge))->toEqualWithDelta(18000 + 100 * 30, 1e-6);
});

it('revolves about a line or an axis', function () {
    // a bush as a half section: a ring of 12 outside, 5 inside, 20 long
    $half = ['kind' => 'sketch', 'plane' => 'front', 'drawn' => Drawn::rectangle(7, 20, 8.5, 10)];
    $ring = M_PI * (144 - 25) * 20;
    expect(volumeOf([$half, ['kind' => 'revolve', 'sketch' => 's1']]))
        ->toEqualWithDelta($ring, 1e-6 * $ring)
        ->and(volumeOf([$half, ['kind' => 'revolve', 'sketch' => 's1', 'angle' => '90']]))
        ->toEqualWithDelta($ring / 4, 1e-6 * $ring)
        // about its own left side: a full cylinder of 7
        ->and(volumeOf([$half, ['kind' => 'revolve', 'sketch' => 's1', 'axis' => 'l4']]))
        ->toEqualWithDelta(M_PI * 49 * 20, 1e-2)
        ->and(
            volumeOf([
                ['kind' => 'sketch', 'plane' => 'front', 'drawn' => Drawn::rectangle(7, 20, -8.5, 10)],
                ['kind' => 'revolve', 'sketch' => 's1'],
            ]),
        )
        ->toEqualWithDelta($ring, 1e-6 * $ring)
        ->and(Parts::outcome([$half, ['kind' => 'revolve', 'sketch' => 's1', 'axis' => 'l9']]))
        ->toBe('no-axis@axis')
        ->and(Parts::outcome([['kind' => 'sketch', 'drawn' => Drawn::rectangle(7, 20)], ['kind' => 'revolve', 'sketch' => 's1']]))
        ->toBe('crosses-axis@axis')
        ->and(Parts::outcome([$half, ['kind' => 'revolve', 'sketch' => 's1', 'angle' => '400']]))
        ->toBe('no-angle@angle');
    // which way: a quarter towards the viewer of the front plane lies in front, y below zero
    $box = static fn(string $way): array => Parts::build([$half, ['kind' => 'revolve', 'sketch' => 's1', 'angle' => '90', 'way' => $way]])
        ->part()
        ->vertexBox();
    expect([$box('up')[1], $box('up')[4]])
        ->toEqualWithDelta([-12.0, 0.0], 1e-9)
        ->and([$box('down')[1], $box('down')[4]])
        ->toEqualWithDelta([0.0, 12.0], 1e-9)
        ->and($box('middle')[1])
        ->toEqualWithDelta(-12 * M_SQRT1_2, 0.05)
        ->and($box('middle')[4])
        ->toEqualWithDelta(12 * M_SQRT1_2, 0.05);
});

it('drills holes', function (array $hole, float $gone) use ($block) {
    $points = ['points' => ['p1' => [-15, 0], 'p2' => [15, 5]], 'lines' => [], 'relations' => []];
    $steps = [
        $block,
        ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top', 'drawn' => $points],
        ['kind' => 'hole', 'sketch' => 's2'] + $hole,
    ];
    expect(volumeOf($steps))
        ->toEqualWithDelta(48000 - 2 * $gone, 1e-2)
        ->and(volumeOf([$block, ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'u' => '3', 'v' => '-2'] + $hole]))
        ->toEqualWithDelta(48000 - $gone, 1e-2);
})->with([
    'through' => [['round' => '6'], 9 * M_PI * 20],
    'by radius' => [['by' => 'radius', 'round' => '3'], 9 * M_PI * 20],
    // ISO 273: 4.5 for M4 medium, 6.4 for M6 fine
    'for a screw' => [['by' => 'screw', 'screw' => 'M4'], 2.25 ** 2 * M_PI * 20],
    'for a screw, fine' => [['by' => 'screw', 'screw' => 'M6', 'fit' => 'fine'], 3.2 ** 2 * M_PI * 20],
    'flat bottom' => [['round' => '6', 'extent' => 'depth', 'depth' => '8', 'bottom' => 'flat'], 9 * M_PI * 8],
    'drill point' => [['round' => '6', 'extent' => 'depth', 'depth' => '8'], 9 * M_PI * 8 + (9 * M_PI * 3) / tan(deg2rad(59)) / 3],
    'counterbored' => [['round' => '6', 'head' => 'bore', 'wide' => '11', 'deep' => '4'], 9 * M_PI * 16 + 5.5 ** 2 * M_PI * 4],
    // a countersink of 90 degrees from 12 to 6 is 3 deep: a frustum
    'countersunk' => [['round' => '6', 'head' => 'sink', 'wide' => '12'], 9 * M_PI * 17 + ((M_PI * 3) / 3) * (36 + 9 + 18)],
]);

it('says why a hole cannot be', function (array $hole, string $outcome) use ($block) {
    expect(Parts::outcome([$block, $hole + ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top']]))->toBe($outcome);
})->with([
    [['face' => 's1:roof'], 'no-face@face'],
    [['head' => 'bore', 'wide' => '4'], 'narrow-head@wide'],
    [['head' => 'sink', 'angle' => '5'], 'no-angle@angle'],
    [['extent' => 'depth', 'depth' => '3', 'head' => 'bore', 'deep' => '4'], 'deep-head@deep'],
    [['u' => '300'], 'cuts-nothing'],
    [['direction' => 'up'], 'wrong-side@direction'],
    [['round' => '0'], 'not-positive@round'],
]);

it('rounds and cuts off edges', function () use ($block) {
    $edge = ['s1:front / s1:top'];
    expect(volumeOf([$block, ['kind' => 'round', 'edges' => $edge, 'radius' => '4']]))
        ->toEqualWithDelta(48000 - (16 - 4 * M_PI) * 60, 1e-3)
        ->and(volumeOf([$block, ['kind' => 'chamfer', 'edges' => $edge, 'distance' => '3']]))
        ->toEqualWithDelta(48000 - 4.5 * 60, 1e-6)
        ->and(volumeOf([$block, ['kind' => 'chamfer', 'edges' => $edge, 'by' => 'two', 'distance' => '3', 'second' => '5']]))
        ->toEqualWithDelta(48000 - 7.5 * 60, 1e-6)
        ->and(volumeOf([$block, ['kind' => 'chamfer', 'edges' => $edge, 'by' => 'angle', 'distance' => '3', 'angle' => '30']]))
        ->toEqualWithDelta(48000 - 4.5 * tan(deg2rad(30)) * 60, 1e-6)
        // all four edges of the top; mitred, so each trapezium's length is that of its middle line
        ->and(volumeOf([$block, ['kind' => 'chamfer', 'faces' => ['s1:top'], 'distance' => '3']]))
        ->toEqualWithDelta(48000 - (4.5 * 200 - 4 * 9), 1e-6)
        ->and(Parts::outcome([$block, ['kind' => 'round', 'edges' => [], 'radius' => '4']]))
        ->toBe('no-edge@edges')
        ->and(Parts::outcome([$block, ['kind' => 'round', 'edges' => ['s1:front / s1:roof'], 'radius' => '4']]))
        ->toBe('no-edge@edges')
        ->and(Parts::outcome([$block, ['kind' => 'round', 'edges' => $edge, 'radius' => '50']]))
        ->toBe('too-large@radius')
        ->and(Parts::build([$block, ['kind' => 'round', 'edges' => $edge, 'radius' => '50']])->results['s2']->messages[0]->why)
        ->toMatch('/Up to [\d.]+ mm works/');
});

it('hollows, tilts and moves faces', function () use ($block) {
    expect(volumeOf([$block, ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']]]))
        ->toEqualWithDelta(48000 - 56 * 36 * 18, 1e-6)
        ->and(volumeOf([$block, ['kind' => 'hollow', 'wall' => '2']]))
        ->toEqualWithDelta(48000 - 56 * 36 * 16, 1e-6)
        ->and(volumeOf([$block, ['kind' => 'pull', 'faces' => ['s1:top'], 'distance' => '5']]))
        ->toEqualWithDelta(60000, 1e-6)
        ->and(volumeOf([$block, ['kind' => 'pull', 'faces' => ['s1:right'], 'distance' => '-10']]))
        ->toEqualWithDelta(40000, 1e-6)
        ->and(volumeOf([$block, ['kind' => 'draft', 'faces' => ['s1:right'], 'angle' => '10']]))
        ->toEqualWithDelta(48000 - ((20 * 20 * tan(deg2rad(10))) / 2) * 40, 1e-6)
        ->and(Parts::outcome([$block, ['kind' => 'hollow', 'wall' => '25', 'faces' => ['s1:top']]]))
        ->toBe('no-room@wall')
        ->and(Parts::outcome([$block, ['kind' => 'pull', 'faces' => [], 'distance' => '5']]))
        ->toBe('no-face@faces')
        ->and(Parts::outcome([$block, ['kind' => 'draft', 'faces' => ['s1:top'], 'angle' => '5']]))
        ->toBe('parallel-face@faces')
        ->and(Parts::outcome([['kind' => 'round', 'edges' => ['a'], 'radius' => '1']]))
        ->toBe('nothing-there');
});

it('mirrors and repeats the part and single steps', function () use ($block) {
    $half = ['kind' => 'block', 'from' => 'corner', 'width' => '30', 'depth' => '40', 'height' => '20'];
    $pin = ['kind' => 'cylinder', 'round' => '6', 'length' => '5', 'x' => '10', 'y' => '8', 'z' => '20'];
    $bore = ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'u' => '20', 'v' => '10', 'round' => '6'];
    $disc = 9 * M_PI;
    expect(volumeOf([$half, ['kind' => 'mirror']]))
        ->toEqualWithDelta(48000, 1e-6)
        ->and(volumeOf([$half, $pin, ['kind' => 'mirror']]))
        ->toEqualWithDelta(48000 + 2 * $disc * 5, 1e-3)
        ->and(volumeOf([$half, ['kind' => 'mirror', 'keep' => 'image']]))
        ->toEqualWithDelta(24000, 1e-6)
        ->and(volumeOf([$block, $bore, ['kind' => 'mirror', 'of' => 'step', 'source' => 's2']]))
        ->toEqualWithDelta(48000 - 2 * $disc * 20, 1e-3)
        // four holes of one: mirrored, and the pair repeated
        ->and(
            volumeOf([
                $block,
                $bore,
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
            ]),
        )
        ->toEqualWithDelta(48000 - 4 * $disc * 20, 1e-3)
        ->and(volumeOf([$block, $bore, ['kind' => 'repeat', 'of' => 'step', 'source' => 's2', 'way' => 'around', 'count' => '2']]))
        ->toEqualWithDelta(48000 - 2 * $disc * 20, 1e-3)
        ->and(
            volumeOf([
                ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10'],
                ['kind' => 'repeat', 'count' => '4', 'x' => '15'],
            ]),
        )
        ->toEqualWithDelta(4000, 1e-6)
        ->and(Parts::outcome([$block, $bore, ['kind' => 'repeat', 'of' => 'step', 'source' => 's2', 'count' => '3', 'x' => '0']]))
        ->toBe('no-offset@x')
        ->and(Parts::outcome([$block, $bore, ['kind' => 'repeat', 'of' => 'step', 'source' => 's3', 'count' => '3', 'x' => '9']]))
        ->toBe('no-step@source')
        ->and(Parts::outcome([$block, $bore, ['kind' => 'repeat', 'of' => 'step', 'source' => 's2', 'count' => '3', 'x' => '300']]))
        ->toBe('cuts-nothing');
    // intent: the mirror follows its half, the repeat keeps its count
    $mirrored = static fn(string $width): float => volumeOf([['width' => $width] + $half, ['kind' => 'mirror']]);
    expect($mirrored('45'))->toEqualWithDelta(72000, 1e-6);
    $repeated = static fn(string $round): float => volumeOf([
        $block,
        ['round' => $round] + $bore,
        ['kind' => 'repeat', 'of' => 'step', 'source' => 's2', 'count' => '3', 'x' => '-20'],
    ]);
    expect($repeated('8'))->toEqualWithDelta(48000 - 3 * 16 * M_PI * 20, 1e-3);
});

it('splits, scales and writes', function () use ($block) {
    expect(volumeOf([$block, ['kind' => 'split', 'offset' => '10', 'keep' => 'up']]))
        ->toEqualWithDelta(16000, 1e-6)
        ->and(volumeOf([$block, ['kind' => 'split', 'offset' => '10', 'keep' => 'down']]))
        ->toEqualWithDelta(32000, 1e-6)
        ->and(Parts::outcome([$block, ['kind' => 'split', 'offset' => '100']]))
        ->toBe('not-cut@plane')
        ->and(volumeOf([$block, ['kind' => 'scale', 'factor' => '1/2']]))
        ->toEqualWithDelta(6000, 1e-6)
        ->and(volumeOf([$block, ['kind' => 'scale', 'by' => 'each', 'factorx' => '2', 'factorz' => '0.5']]))
        ->toEqualWithDelta(48000, 1e-6)
        ->and(Parts::outcome([$block, ['kind' => 'scale', 'factor' => '0']]))
        ->toBe('no-factor@factor')
        ->and(volumeOf([$block, ['kind' => 'scale', 'factor' => '0.001']]))
        ->toEqualWithDelta(48000e-9, 1e-12)
        ->and(Parts::outcome([$block, ['kind' => 'scale', 'factor' => '0.0009']]))
        ->toBe('no-factor@factor')
        ->and(
            Parts::outcome([['kind' => 'block', 'width' => '1', 'depth' => '1', 'height' => '1'], ['kind' => 'scale', 'factor' => '1000']]),
        )
        ->toBe('done')
        ->and(
            Parts::outcome([['kind' => 'block', 'width' => '1', 'depth' => '1', 'height' => '1'], ['kind' => 'scale', 'factor' => '1001']]),
        )
        ->toBe('no-factor@factor');
    $letters = static fn(string $effect): float => volumeOf([
        $block,
        ['kind' => 'text', 'text' => 'L', 'face' => 's1:top', 'u' => '-5', 'v' => '-4', 'effect' => $effect, 'depth' => '2'],
    ]) - 48000;
    expect($letters('add'))
        ->toBeGreaterThan(10.0)
        ->and($letters('cut'))
        ->toEqualWithDelta(-$letters('add'), 1e-6)
        ->and(Parts::outcome([$block, ['kind' => 'text', 'text' => ' ', 'face' => 's1:top']]))
        ->toEndWith('@text');
});

it('finds everything again in the cache, and nothing that a changed source made', function () use ($block) {
    $e = new Evaluator(($cache = new Cubo\Recipe\MemoryCache()));
    $steps = static fn(string $round): array => [
        $block,
        ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'u' => '20', 'v' => '10', 'round' => $round],
        ['kind' => 'repeat', 'of' => 'step', 'source' => 's2', 'count' => '2', 'x' => '-40'],
    ];
    $volume = static fn(PartState $s): float => (new MassProperties($s->part()))->volume;
    foreach (['6', '8', '6'] as $round) {
        expect($volume($e->evaluate(Parts::recipe($steps($round)))))->toEqualWithDelta(
            48000 - 2 * ((float) $round / 2) ** 2 * M_PI * 20,
            1e-3,
        );
    }
});

/** @param list<array{string, list<array{float,float}>}> $lines kind and points */
function pathDrawn(array $lines): array
{
    $points = $drawn = [];
    foreach ($lines as $i => [$kind, $list]) {
        $ids = [];
        foreach ($list as [$u, $v]) {
            $ids[] = $id = array_search([$u, $v], $points, true) ?: 'p' . count($points);
            $points[$id] = [$u, $v];
        }
        $drawn[] =
            ['id' => "l$i", 'kind' => $kind, 'points' => $ids] +
            ($kind === 'arc' ? ['size' => hypot($list[1][0] - $list[0][0], $list[1][1] - $list[0][1])] : []);
    }

    return ['points' => $points, 'lines' => $drawn, 'relations' => []];
}

it('sweeps a region along a drawn path', function () use ($square) {
    $up = [$square, ['kind' => 'sketch', 'plane' => 'front', 'drawn' => pathDrawn([['line', [[0, 0], [0, 30]]]])]];
    $sweep = ['kind' => 'sweep', 'sketch' => 's1', 'path' => 's2'];
    expect(volumeOf([...$up, $sweep]))
        ->toEqualWithDelta(6000, 1e-6)
        ->and(heightOf([...$up, $sweep]))
        ->toEqualWithDelta([0.0, 30.0], 1e-9);
    // up and round a quarter circle of 40 about its middle line (Pappus, book 7), drawn from the far end
    $bend = [
        $square,
        [
            'kind' => 'sketch',
            'plane' => 'front',
            'drawn' => pathDrawn([['arc', [[40.0, 30.0], [40.0, 70.0], [0.0, 30.0]]], ['line', [[0, 0], [0.0, 30.0]]]]),
        ],
    ];
    expect(volumeOf([...$bend, $sweep]))->toEqualWithDelta(200 * (30 + 20 * M_PI), 1.0);
    // downward: the region lies as it is drawn, whichever way the path goes
    $askew = ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10, 10, 5)];
    $down = [$askew, ['kind' => 'sketch', 'plane' => 'front', 'drawn' => pathDrawn([['line', [[0, 0], [0, -30]]]])], $sweep];
    expect(Parts::build($down)->part()->vertexBox())->toEqualWithDelta([0.0, 0.0, -30.0, 20.0, 10.0, 0.0], 1e-9);
    $from = [$askew, ['kind' => 'sketch', 'plane' => 'front', 'drawn' => pathDrawn([['line', [[0, 0], [0, 30]]]])], $sweep];
    expect(Parts::build($from)->part()->vertexBox())->toEqualWithDelta([0.0, 0.0, 0.0, 20.0, 10.0, 30.0], 1e-9);
    $outcome = static fn(array $path): string => Parts::outcome([
        $square,
        ['kind' => 'sketch', 'plane' => 'front', 'drawn' => pathDrawn($path)],
        $sweep,
    ]);
    expect($outcome([]))
        ->toBe('no-path@path')
        ->and($outcome([['line', [[0, 5], [0, 30]]]]))
        ->toBe('path-apart@path')
        ->and($outcome([['line', [[0, 0], [20, 30]]]]))
        ->toBe('path-aslant@path')
        ->and($outcome([['line', [[0, 0], [0, 30]]], ['line', [[50, 0], [50, 30]]]]))
        ->toBe('path-broken@path')
        ->and(Parts::outcome([$square, $sweep]))
        ->toBe('no-sketch@path');
});

it('lofts from sketch to sketch', function () {
    // a frustum of a pyramid: h/3 (A + a + sqrt(A a))
    $steps = [
        ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 20)],
        ['kind' => 'sketch', 'offset' => '30', 'drawn' => Drawn::rectangle(10, 10)],
        ['kind' => 'loft', 'sketches' => ['s1', 's2']],
    ];
    expect(volumeOf($steps))
        ->toEqualWithDelta(10 * (400 + 100 + 200), 1e-6)
        ->and(volumeOf(array_replace($steps, [2 => ['kind' => 'loft', 'sketches' => ['s2', 's1']]])))
        ->toEqualWithDelta(7000, 1e-6)
        ->and(Parts::outcome(array_replace($steps, [2 => ['kind' => 'loft', 'sketches' => ['s1']]])))
        ->toBe('no-sections@sketches')
        ->and(Parts::outcome(array_replace($steps, [2 => ['kind' => 'loft', 'sketches' => ['s1', 's9']]])))
        ->toBe('no-sketch@sketches');
});

it('warns of a cut that just stops short, and of what stands apart', function () use ($block) {
    $cut = static fn(string $height, array $x = []): ?Cubo\Recipe\Message => Parts::build([
        ['height' => $height] + $block,
        ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10)],
        ['kind' => 'extrude', 'sketch' => 's2', 'effect' => 'cut', 'distance' => '20'] + $x,
    ])->results['s3']->messages[0] ?? null;
    expect($cut('20'))
        ->toBeNull()
        ->and($cut('20.25')?->code)
        ->toBe('skin-left')
        ->and($cut('20.25')?->why)
        ->toContain('0.25 mm is left')
        ->and($cut('20.25')?->warning)
        ->toBeTrue()
        ->and($cut('40'))
        ->toBeNull()
        ->and($cut('20.25', ['extent' => 'through']))
        ->toBeNull();
    $down = static fn(string $depth): ?string => Parts::build([
        $block,
        ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top', 'drawn' => Drawn::rectangle(20, 10)],
        ['kind' => 'extrude', 'sketch' => 's2', 'effect' => 'cut', 'direction' => 'down', 'distance' => $depth],
    ])->results['s3']->messages[0]->code ?? null;
    expect($down('19.5'))->toBe('skin-left')->and($down('20'))->toBeNull()->and($down('10'))->toBeNull();
    $hole = static fn(string $depth): ?string => Parts::build([
        $block,
        ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'extent' => 'depth', 'bottom' => 'flat', 'depth' => $depth],
    ])->results['s2']->messages[0]->code ?? null;
    expect($hole('19.5'))
        ->toBe('skin-left')
        ->and($hole('12'))
        ->toBeNull()
        // a skin is up to a tenth of the depth, and 1 mm of what is not deep
        ->and($hole('18.3'))
        ->toBe('skin-left')
        ->and($hole('18.1'))
        ->toBeNull()
        ->and($cut('21.99')?->code)
        ->toBe('skin-left')
        ->and($cut('22.01'))
        ->toBeNull();
    $low = static fn(string $depth): ?string => Parts::build([
        ['height' => '6'] + $block,
        ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'extent' => 'depth', 'bottom' => 'flat', 'depth' => $depth],
    ])->results['s2']->messages[0]->code ?? null;
    expect($low('5.1'))->toBe('skin-left')->and($low('4.9'))->toBeNull();
    $pin = static fn(string $z): ?string => Parts::build([$block, ['kind' => 'cylinder', 'z' => $z]])->results['s2']->messages[0]->code ??
        null;
    expect($pin('25'))->toBe('stands-apart')->and($pin('20'))->toBeNull();
    // and again from the cache
    $e = new Evaluator(new Cubo\Recipe\MemoryCache());
    foreach ([1, 2] as $_) {
        $r = $e->evaluate(Parts::recipe([$block, ['kind' => 'cylinder', 'z' => '25']]))->results['s2'];
        expect($r->status)->toBe(StepStatus::Done)->and($r->messages[0]->code)->toBe('stands-apart');
    }
});

it('warns of what touches only along an edge or in a point', function (array $second, string $outcome) use ($block) {
    expect(Parts::outcome([$block, ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10'] + $second]))->toBe($outcome);
})->with([
    'along an edge' => [['x' => '35', 'z' => '20'], 'touches-edge'],
    'in a point' => [['x' => '35', 'y' => '25', 'z' => '20'], 'touches-edge'],
    'on a face' => [['z' => '20'], 'done'],
    'not at all' => [['x' => '36', 'z' => '20'], 'stands-apart'],
]);

it('says when a cut would meet the part in the other direction', function () use ($block) {
    $steps = [
        $block,
        ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10)],
        ['kind' => 'extrude', 'sketch' => 's2', 'effect' => 'cut', 'distance' => '5', 'direction' => 'down'],
    ];
    expect(Parts::outcome($steps))
        ->toBe('cuts-nothing@direction')
        ->and(Parts::build($steps)->results['s3']->messages[0]->why)
        ->toContain('In the other direction');
});

it('lays walls inside or around, some thicker than others', function (array $hollow, float $volume): void {
    $state = Parts::build([
        ['kind' => 'block', 'width' => '30', 'depth' => '20', 'height' => '15'],
        ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']] + $hollow,
    ]);
    expect($state->isSound())
        ->toBeTrue()
        ->and((new MassProperties($state->part()))->volume)
        ->toEqualWithDelta($volume, 1e-6);
})->with([
    'inside' => [[], 9000 - 26 * 16 * 13.0],
    'around' => [['side' => 'outside'], 34 * 24 * 17 - 9000.0],
    'a thicker floor' => [['others' => ['s1:bottom'], 'second' => '5'], 9000 - 26 * 16 * 10.0],
    'around, two sides thicker' => [['side' => 'outside', 'others' => ['s1:left', 's1:right'], 'second' => '3'], 36 * 24 * 17 - 9000.0],
    // an open face has no wall, whatever else is said of it
    'open and thick' => [['others' => ['s1:top', 's1:bottom'], 'second' => '5'], 9000 - 26 * 16 * 10.0],
]);

it('pulls several faces at once', function (): void {
    $state = Parts::build([
        ['kind' => 'block', 'width' => '30', 'depth' => '20', 'height' => '15'],
        ['kind' => 'pull', 'faces' => ['s1:left', 's1:right', 's1:top'], 'distance' => '2'],
    ]);
    expect($state->isSound())
        ->toBeTrue()
        ->and((new MassProperties($state->part()))->volume)
        ->toEqualWithDelta(34 * 20 * 17, 1e-6)
        // a tilted face and one that is gone are told at their fields
        ->and(Parts::outcome([['kind' => 'block'], ['kind' => 'pull', 'faces' => ['s1:left', 's1:lid'], 'distance' => '2']]))
        ->toBe('no-face@faces');
});

it('hollows a pot from a square to a circle and rounds its rims', function (string $skin): void {
    $pot = [
        ['kind' => 'sketch', 'shapes' => [['kind' => 'rectangle', 'width' => '40', 'height' => '40']]],
        ['kind' => 'sketch', 'plane' => 'ground', 'offset' => '50', 'shapes' => [['kind' => 'circle', 'round' => '60']]],
        ['kind' => 'loft', 'sketches' => ['s1', 's2'], 'skin' => $skin],
        ['kind' => 'hollow', 'wall' => '3', 'faces' => ['s3:end']],
    ];
    $hollow = Parts::build($pot);
    $part = $hollow->part();
    expect($hollow->isSound())->toBeTrue()->and(Soundness::faults($part))->toBe([]);
    // what is kept of it is the same again
    $bytes = SolidPacking::pack($part);
    expect(SolidPacking::pack(SolidPacking::unpack($bytes) ?? new Solid()))->toBe($bytes);
    $rims = array_values(array_filter(array_keys(Topology::of($part)->edges), static fn(string $e): bool => str_contains($e, 's3:end')));
    $round = Parts::build([...$pot, ['kind' => 'round', 'edges' => $rims, 'radius' => '1']]);
    // both rims are about 170 and 188 long; a round takes some 0.2 of each mm
    expect($round->isSound())
        ->toBeTrue()
        ->and($part->facettedVolume() - $round->part()->facettedVolume())
        ->toBeGreaterThan(60.0)
        ->toBeLessThan(100.0);
})->with(['straight', 'smooth']);
