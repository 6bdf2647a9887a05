<?php

declare(strict_types=1);

use Cubo\Geometry\CubicSpline;
use Cubo\Measure\Bounds;
use Cubo\Measure\MassProperties;
use Cubo\Recipe\PartCorners;
use Cubo\Recipe\StepResult;
use Cubo\Recipe\StepStatus;
use Cubo\Solid\Solid;
use Tests\Drawn;
use Tests\Parts;
use Tests\Soundness;

/** @return array{float, StepResult} volume and how the last step went @param list<array<string, mixed>> $steps */
function lastStep(array $steps): array
{
    $state = Parts::build($steps);
    $results = array_values($state->results);
    expect(Soundness::faults($state->part()))->toBe([]);

    return [(new MassProperties($state->part()))->volume, $results[count($results) - 1]];
}

$block = ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'];
$square = static fn(float $w, float $h, float $u = 0, float $v = 0, array $on = []): array => [
    'kind' => 'sketch',
    'drawn' => Drawn::rectangle($w, $h, $u, $v),
] + $on;

it('names the corners of a part after their faces', function () use ($block) {
    $corners = PartCorners::of(Parts::build([$block])->part());
    expect($corners)
        ->toHaveCount(8)
        ->toHaveKey('s1:front / s1:left / s1:top')
        ->and($corners['s1:front / s1:left / s1:top'])
        ->toEqualWithDelta([-30.0, -20.0, 20.0], 1e-12);
    // a slot through the top leaves every name once or numbered
    $slotted = PartCorners::of(
        Parts::build([
            $block,
            ['kind' => 'block', 'width' => '10', 'depth' => '60', 'height' => '10', 'z' => '15', 'effect' => 'cut'],
        ])->part(),
    );
    expect($slotted)->toHaveCount(16)->toHaveKey('s1:front / s2:bottom / s2:left');
});

it('extrudes up to the height of a corner or of an edge', function (string $level, string $past, float $height) use ($block, $square) {
    [$v, $r] = lastStep([
        $block,
        $square(10, 10, 60),
        ['kind' => 'extrude', 'sketch' => 's2', 'extent' => 'level', 'level' => $level, 'past' => $past],
    ]);
    expect($r->status)
        ->toBe(StepStatus::Done, $r->messages[0]->what ?? '')
        ->and($v)
        ->toEqualWithDelta(48000 + 100 * $height, 1e-6);
})->with([
    ['s1:front / s1:left / s1:top', '0', 20.0],
    ['s1:front / s1:top', '0', 20.0],
    ['s1:front / s1:top', '5', 25.0],
    ['s1:front / s1:top', '-5', 15.0],
]);

it('says why a height cannot be taken from an edge', function (string $level, string $direction, string $code, ?string $offered) use (
    $block,
    $square,
) {
    [, $r] = lastStep([
        $block,
        $square(10, 10, 60),
        ['kind' => 'extrude', 'sketch' => 's2', 'extent' => 'level', 'level' => $level, 'direction' => $direction],
    ]);
    expect($r->status)
        ->toBe(StepStatus::Failed)
        ->and($r->messages[0]->code)
        ->toBe($code)
        ->and($r->messages[0]->offer['values']['direction'] ?? null)
        ->toBe($offered);
})->with([
    ['s1:front / s1:left', 'up', 'no-spot', null],
    ['s9:top', 'up', 'no-spot', null],
    ['', 'up', 'no-spot', null],
    ['s1:front / s1:top', 'down', 'wrong-side', 'up'],
]);

it('begins an extrusion at a face, and keeps to it when the part gets higher', function () use ($block, $square) {
    foreach (['20' => 26.0, '30' => 36.0] as $height => $top) {
        $state = Parts::build([
            ['height' => (string) $height] + $block,
            $square(10, 10),
            ['kind' => 'extrude', 'sketch' => 's2', 'from' => 'face', 'base' => 's1:top', 'start' => '2', 'distance' => '4'],
        ]);
        expect($state->part()->vertexBox()[5])
            ->toEqualWithDelta($top, 1e-9)
            ->and((new MassProperties($state->part()))->volume)
            ->toEqualWithDelta(2400 * (float) $height + 400, 1e-6);
    }
    [, $r] = lastStep([$block, $square(10, 10), ['kind' => 'extrude', 'sketch' => 's2', 'from' => 'face', 'base' => 's1:left']]);
    expect($r->messages[0]->code)->toBe('not-level');
});

it('revolves about an edge of the part', function () use ($block, $square) {
    // a quarter of a ring about the upright edge on the right of the front face: Pappus, area times the way of its middle
    [$v, $r] = lastStep([
        $block,
        $square(10, 8, 50, 10, ['plane' => 'face', 'face' => 's1:front']),
        ['kind' => 'revolve', 'sketch' => 's2', 'about' => 'edge', 'edge' => 's1:front / s1:right', 'angle' => '90', 'way' => 'up'],
    ]);
    expect($r->status)
        ->toBe(StepStatus::Done, $r->messages[0]->what ?? '')
        ->and($v)
        ->toEqualWithDelta(48000 + (80 * 20 * M_PI) / 2, 0.5);
    foreach (['s1:front / s1:top' => 'done', 's1:back / s1:top' => 'failed', 'gone' => 'failed'] as $edge => $status) {
        [, $r] = lastStep([
            $block,
            $square(4, 4, 0, 30, ['plane' => 'face', 'face' => 's1:front']),
            ['kind' => 'revolve', 'sketch' => 's2', 'about' => 'edge', 'edge' => $edge, 'angle' => '180', 'way' => 'up'],
        ]);
        expect($r->status->value)->toBe($status, $edge);
    }
});

it('closes an open outline against the axis once that is wanted', function () {
    $open = ['kind' => 'sketch', 'plane' => 'front', 'drawn' => Drawn::lines([[10, 0], [10, 20], [4, 26]])];
    [$v, $r] = lastStep([$open, ['kind' => 'revolve', 'sketch' => 's1']]);
    expect($v)
        ->toBe(0.0)
        ->and($r->messages[0]->code)
        ->toBe('open-outline')
        ->and($r->messages[0]->offer['values'] ?? null)
        ->toBe(['close' => 'yes']);
    [$v, $r] = lastStep([$open, ['kind' => 'revolve', 'sketch' => 's1', 'close' => 'yes']]);
    // a cylinder and a frustum
    expect($r->status)
        ->toBe(StepStatus::Done)
        ->and($v)
        ->toEqualWithDelta(M_PI * (2000 + (6 * (100 + 40 + 16)) / 3), 0.01);
    // one line on the axis bounds nothing with it, whatever is wanted
    [, $r] = lastStep([['drawn' => Drawn::lines([[0, 0], [0, 20]])] + $open, ['kind' => 'revolve', 'sketch' => 's1', 'close' => 'yes']]);
    expect($r->messages[0]->code)->toBe('open-outline')->and($r->messages[0]->offer)->toBeNull();
});

it('carries a region around the edge of a face', function () use ($block, $square) {
    // what is taken away is a frame of 2 by 2
    [$v, $r] = lastStep([
        $block,
        $square(4, 4, -20, 20, ['plane' => 'side']),
        ['kind' => 'sweep', 'sketch' => 's2', 'along' => 'face', 'face' => 's1:top', 'effect' => 'cut'],
    ]);
    expect($r->status)
        ->toBe(StepStatus::Done, ($r->messages[0]->what ?? '') . ($r->messages[0]->why ?? ''))
        ->and($v)
        ->toEqualWithDelta(48000 - 2 * (60 * 40 - 56 * 36), 1e-6);
    // around a disc, a ring
    [$v, $r] = lastStep([
        ['kind' => 'cylinder', 'round' => '40', 'length' => '10'],
        $square(4, 4, 20, 10, ['plane' => 'front']),
        ['kind' => 'sweep', 'sketch' => 's2', 'along' => 'face', 'face' => 's1:top', 'effect' => 'cut'],
    ]);
    expect($r->status)
        ->toBe(StepStatus::Done, ($r->messages[0]->what ?? '') . ($r->messages[0]->why ?? ''))
        ->and($v)
        ->toEqualWithDelta(M_PI * (4000 - 2 * (400 - 324)), 0.2);
    // around rounded corners: lines and arcs in turn
    [$v, $r] = lastStep([
        $block,
        [
            'kind' => 'round',
            'edges' => ['s1:front / s1:left', 's1:front / s1:right', 's1:back / s1:left', 's1:back / s1:right'],
            'radius' => '8',
        ],
        $square(2, 2, -20, 20, ['plane' => 'side']),
        ['kind' => 'sweep', 'sketch' => 's3', 'along' => 'face', 'face' => 's1:top', 'effect' => 'cut'],
    ]);
    $area = static fn(float $w, float $h, float $r): float => $w * $h - (4 - M_PI) * $r * $r;
    expect($r->status)
        ->toBe(StepStatus::Done, ($r->messages[0]->what ?? '') . ($r->messages[0]->why ?? ''))
        ->and($v)
        ->toEqualWithDelta(20 * $area(60, 40, 8) - $area(60, 40, 8) + $area(58, 38, 7), 0.2);
    [, $r] = lastStep([$block, $square(4, 4, 0, 0), ['kind' => 'sweep', 'sketch' => 's2', 'along' => 'face', 'face' => 's1:top']]);
    expect($r->messages[0]->code)->toBe('path-aslant');
});

it('pulls a loft onto a guide', function () use ($square) {
    $guide = [
        'kind' => 'sketch',
        'plane' => 'front',
        'drawn' => [
            'points' => ['a' => [10, 0], 'b' => [16, 20], 'c' => [10, 40]],
            'lines' => [['id' => 'g', 'kind' => 'curve', 'points' => ['a', 'b', 'c']]],
            'relations' => [],
        ],
    ];
    $sections = [$square(20, 20), $square(20, 20, 0, 0, ['offset' => '40']), $guide];
    [$plain] = lastStep([...$sections, ['kind' => 'loft', 'sketches' => ['s1', 's2']]]);
    $state = Parts::build([...$sections, ['kind' => 'loft', 'sketches' => ['s1', 's2'], 'guide' => 's3']]);
    expect($plain)
        ->toEqualWithDelta(16000, 1e-6)
        ->and($state->results['s4']->status)
        ->toBe(StepStatus::Done, $state->results['s4']->messages[0]->why ?? '')
        ->and((new MassProperties($state->part()))->volume)
        ->toBeGreaterThan(17000.0)
        ->and(Soundness::faults($state->part()))
        ->toBe([])
        // the skin goes out as far as the guide does, and nowhere further
        ->and($state->part()->vertexBox()[3])
        ->toEqualWithDelta(16.0, 0.05);
    [, $r] = lastStep([
        ...array_slice($sections, 0, 2),
        ['drawn' => Drawn::lines([[40, 0], [40, 40]])] + $guide,
        ['kind' => 'loft', 'sketches' => ['s1', 's2'], 'guide' => 's3'],
    ]);
    expect($r->messages[0]->code)->toBe('off-guide')->and($r->messages[0]->field)->toBe('guide');
});

$bracket = [
    ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '10'],
    ['kind' => 'block', 'width' => '10', 'depth' => '40', 'height' => '50', 'x' => '-25'],
];

it('makes a rib from an open line to the next faces', function (array $line, array $rib, float $volume) use ($bracket) {
    [$v, $r] = lastStep([
        ...$bracket,
        ['kind' => 'sketch', 'plane' => 'front', 'drawn' => Drawn::lines($line)],
        ['kind' => 'rib', 'sketch' => 's3', 'thickness' => '4'] + $rib,
    ]);
    expect($r->status)
        ->toBe(StepStatus::Done, ($r->messages[0]->what ?? '') . ' ' . ($r->messages[0]->why ?? ''))
        ->and($v)
        ->toEqualWithDelta(24000 + 16000 + $volume, 1e-6);
})->with([
    'from wall to floor' => [[[-20, 40], [20, 10]], [], 2400.0],
    'drawn the other way round' => [[[20, 10], [-20, 40]], [], 2400.0],
    'that ends short of both' => [[[-12, 34], [4, 22]], [], 2400.0],
    'that ends inside both' => [[[-24, 43], [24, 7]], [], 2400.0],
    'in two lines' => [[[-20, 40], [0, 30], [20, 10]], [], 4 * (20 * 25 + 20 * 10.0)],
]);

it('makes upright webs, along lines and arcs', function () {
    $tray = [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'],
        ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']],
    ];
    $empty = 60 * 40 * 20 - 56 * 36 * 18;
    $web = static fn(array $drawn, array $more = []): array => lastStep([
        ...$tray,
        ['kind' => 'sketch', 'offset' => '15', 'drawn' => $drawn],
        ['kind' => 'rib', 'sketch' => 's3', 'lie' => 'upright', 'thickness' => '2'] + $more,
    ]);
    [$v, $r] = $web(Drawn::lines([[-10, 0], [10, 0]]));
    expect($r->status)
        ->toBe(StepStatus::Done, ($r->messages[0]->what ?? '') . ' ' . ($r->messages[0]->why ?? ''))
        ->and($v)
        ->toEqualWithDelta($empty + 56 * 2 * 13, 1e-6);
    // a corner: mitred, so the length along its middle counts
    [$v, $r] = $web(Drawn::lines([[-10, 0], [10, 0], [10, 10]]));
    expect($r->status)
        ->toBe(StepStatus::Done, $r->messages[0]->what ?? '')
        ->and($v)
        ->toEqualWithDelta($empty + (28 + 10 + 18) * 2 * 13, 1e-6);
    // upward there is nothing to meet
    [, $r] = $web(Drawn::lines([[-10, 0], [10, 0]]), ['direction' => 'up']);
    expect($r->messages[0]->code)->toBe('rib-open')->and($r->messages[0]->field)->toBe('direction');
});

it('says why a rib cannot be', function (array $drawn, array $rib, string $code) use ($bracket) {
    [$v, $r] = lastStep([
        ...$bracket,
        ['kind' => 'sketch', 'plane' => 'front', 'drawn' => $drawn],
        ['kind' => 'rib', 'sketch' => 's3'] + $rib,
    ]);
    expect($r->status)->toBe(StepStatus::Failed)->and($r->messages[0]->code)->toBe($code)->and($v)->toEqualWithDelta(40000, 1e-6);
})->with([
    'a closed outline' => [Drawn::rectangle(10, 10), [], 'closed-line'],
    'no line' => [['points' => [], 'lines' => [], 'relations' => []], [], 'no-path'],
    'past the part' => [Drawn::lines([[-20, 60], [40, 60]]), [], 'rib-open'],
    'the open side' => [Drawn::lines([[-20, 40], [20, 10]]), ['side' => 'other'], 'rib-open'],
    'inside' => [Drawn::lines([[-10, 4], [10, 5]]), [], 'rib-inside'],
    'turning back' => [Drawn::lines([[-15, 40], [10, 40], [10, 20], [-10, 20]]), [], 'turns-back'],
    'in two pieces' => [
        [
            'points' => ['a' => [0, 20], 'b' => [5, 20], 'c' => [8, 20], 'd' => [9, 20]],
            'lines' => [['id' => 'k', 'kind' => 'line', 'points' => ['a', 'b']], ['id' => 'm', 'kind' => 'line', 'points' => ['c', 'd']]],
            'relations' => [],
        ],
        [],
        'path-broken',
    ],
]);

it('keeps a rib on the wall when the wall moves', function () use ($bracket) {
    foreach (['-25' => 2400.0, '-15' => 0.5 * 30 * 22.5 * 4] as $x => $volume) {
        [$v, $r] = lastStep([
            $bracket[0],
            ['x' => (string) $x] + $bracket[1],
            ['kind' => 'sketch', 'plane' => 'front', 'drawn' => Drawn::lines([[-8, 31], [20, 10]])],
            ['kind' => 'rib', 'sketch' => 's3', 'thickness' => '4'],
        ]);
        expect($r->status)
            ->toBe(StepStatus::Done)
            ->and($v)
            ->toEqualWithDelta(40000 + $volume, 1e-6);
    }
});

it('joins corners as they lie in space, however the sketches are turned', function (string $turn, float $volume) use ($square) {
    $state = Parts::build([
        $square(20, 20),
        $square(20, 20, 0, 0, ['offset' => '30', 'turn' => $turn]),
        ['kind' => 'loft', 'sketches' => ['s1', 's2']],
    ]);
    expect($state->results['s3']->status)
        ->toBe(StepStatus::Done)
        ->and((new MassProperties($state->part()))->volume / $volume)
        ->toEqualWithDelta(1.0, 1e-7)
        ->and(Soundness::faults($state->part()))
        ->toBe([]);
    // between squares turned by an angle a the middle section is smaller by cos2(a / 2): prismoid formula
})->with([
    ['0', 12000.0],
    ['90', 12000.0],
    ['-180', 12000.0],
    ['80', (12000 * (2 + 4 * cos(deg2rad(5)) ** 2)) / 6],
    ['20', (12000 * (2 + 4 * cos(deg2rad(10)) ** 2)) / 6],
]);

it('pulls the whole skin between several guides', function () {
    $circle = static fn(string $offset): array => [
        'kind' => 'sketch',
        'plane' => 'ground',
        'offset' => $offset,
        'shapes' => [['kind' => 'circle', 'u' => '0', 'v' => '0', 'by' => 'radius', 'round' => '10']],
    ];
    $pair = static fn(string $plane, float $bulge): array => [
        'kind' => 'sketch',
        'plane' => $plane,
        'drawn' => [
            'points' => [
                'a' => [10, 0],
                'b' => [10 + $bulge, 20],
                'c' => [10, 40],
                'd' => [-10, 0],
                'e' => [-10 - $bulge, 20],
                'f' => [-10, 40],
            ],
            'lines' => [
                ['id' => 'g', 'kind' => 'curve', 'points' => ['a', 'b', 'c']],
                ['id' => 'h', 'kind' => 'curve', 'points' => ['f', 'e', 'd']],
            ],
        ],
    ];
    $made = static function (array $guides) use ($circle, $pair): Solid {
        $state = Parts::build([
            $circle('0'),
            $circle('40'),
            $pair('front', 5),
            $pair('side', 5),
            ['kind' => 'loft', 'sketches' => ['s1', 's2']] + $guides,
        ]);
        expect($state->results['s5']->status)
            ->toBe(StepStatus::Done, $state->results['s5']->messages[0]->why ?? '')
            ->and(Soundness::faults($state->part()))
            ->toBe([]);

        return $state->part();
    };
    // a row of circles, the spline turned about the axis
    $spline = new CubicSpline([[10.0, 0.0], [15.0, 20.0], [10.0, 40.0]]);
    $round = 0.0;
    foreach (range(0, 399) as $i) {
        [$p, $d] = $spline->at(($spline->knots[2] * ($i + 0.5)) / 400);
        $round += (M_PI * $p[0] ** 2 * $d[1] * $spline->knots[2]) / 400;
    }
    foreach ([['guide' => 's3'], ['guide' => 's3', 'across' => 's4']] as $guides) {
        $part = $made($guides);
        expect((new MassProperties($part))->volume / $round)
            ->toEqualWithDelta(1.0, 1e-4)
            ->and(Bounds::of($part)->size())
            ->toEqualWithDelta([30.0, 30.0, 40.0], 1e-3);
    }
    // a second sketch without a first one is not seen in the sentence, so it does nothing
    expect((new MassProperties($made(['across' => 's4'])))->volume)->toEqualWithDelta(M_PI * 100 * 40, 1e-3);
    // both lean the same way: the skin is bent, every section keeps its area
    $bent = [
        'kind' => 'sketch',
        'plane' => 'front',
        'drawn' => [
            'points' => ['a' => [10, 0], 'b' => [14, 20], 'c' => [10, 40], 'd' => [-10, 0], 'e' => [-6, 20], 'f' => [-10, 40]],
            'lines' => [
                ['id' => 'g', 'kind' => 'curve', 'points' => ['a', 'b', 'c']],
                ['id' => 'h', 'kind' => 'curve', 'points' => ['d', 'e', 'f']],
            ],
        ],
    ];
    $state = Parts::build([$circle('0'), $circle('40'), $bent, ['kind' => 'loft', 'sketches' => ['s1', 's2'], 'guide' => 's3']]);
    expect((new MassProperties($state->part()))->volume / (M_PI * 100 * 40))
        ->toEqualWithDelta(1.0, 1e-4)
        ->and(Bounds::of($state->part())->max[0])
        ->toEqualWithDelta(14.0, 1e-3);
    $r = Parts::build([
        $circle('0'),
        $circle('40'),
        $pair('front', 5),
        ['kind' => 'loft', 'sketches' => ['s1', 's2'], 'guide' => 's3', 'across' => 's3'],
    ])->results['s4'];
    expect($r->messages[0]->code)->toBe('off-guide');
});

it('follows arcs as guides', function () use ($square) {
    $arc = [
        'kind' => 'sketch',
        'plane' => 'front',
        'drawn' => [
            'points' => ['m' => [-5, 20], 'a' => [10, 0], 'b' => [10, 40]],
            'lines' => [['id' => 'g', 'kind' => 'arc', 'points' => ['m', 'a', 'b'], 'size' => 25]],
        ],
    ];
    $state = Parts::build([
        $square(20, 20),
        $square(20, 20, 0, 0, ['offset' => '40']),
        $arc,
        ['kind' => 'loft', 'sketches' => ['s1', 's2'], 'guide' => 's3'],
    ]);
    expect($state->results['s4']->status)
        ->toBe(StepStatus::Done, $state->results['s4']->messages[0]->why ?? '')
        ->and(Bounds::of($state->part())->max[0])
        ->toEqualWithDelta(20.0, 1e-3);
});

it('ends what it adds through everything where the part ends', function () use ($square) {
    $volume = static fn(array $steps): float => (new MassProperties(Parts::build($steps)->part()))->volume;
    $base = [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '10'],
        ['kind' => 'cylinder', 'round' => '20', 'length' => '50', 'along' => 'x', 'x' => '-25', 'z' => '10'],
        $square(6, 6, 40, 0),
    ];
    $part = Parts::build([...$base, ['kind' => 'extrude', 'sketch' => 's3', 'regions' => 'all', 'extent' => 'through']])->part();
    expect(Bounds::of($part)->max[2])
        ->toEqualWithDelta(20.0, 1e-9)
        ->and(
            $volume([...$base, ['kind' => 'extrude', 'sketch' => 's3', 'regions' => 'all', 'extent' => 'through']]) -
                $volume(array_slice($base, 0, 2)),
        )
        ->toEqualWithDelta(36 * 20, 1e-6);
});

it('carries a section round a drawn circle', function () use ($square) {
    $ring = [
        'kind' => 'sketch',
        'plane' => 'ground',
        'shapes' => [],
        'drawn' => ['points' => ['m' => [0, 0]], 'lines' => [['id' => 'c', 'kind' => 'circle', 'points' => ['m'], 'size' => 30]]],
    ];
    [$v, $r] = lastStep([$ring, $square(4, 6, 30, 0, ['plane' => 'front']), ['kind' => 'sweep', 'sketch' => 's2', 'path' => 's1']]);
    expect($r->status)
        ->toBe(StepStatus::Done, $r->messages[0]->why ?? '')
        ->and($v)
        ->toEqualWithDelta(4 * 6 * 2 * M_PI * 30, 1e-3);
    [, $r] = lastStep([
        $ring,
        $square(4, 6, 30, 0, ['plane' => 'front', 'offset' => '5']),
        ['kind' => 'sweep', 'sketch' => 's2', 'path' => 's1'],
    ]);
    expect($r->messages[0]->code)->toBe('path-aslant')->and($r->messages[0]->field)->toBe('path');
});

it('joins an ellipse to a circle with one skin', function () {
    $ellipse = [
        'kind' => 'sketch',
        'plane' => 'ground',
        'drawn' => [
            'points' => ['m' => [0, 0], 'a' => [20, 0]],
            'lines' => [['id' => 'e', 'kind' => 'ellipse', 'points' => ['m', 'a'], 'size' => 12]],
        ],
    ];
    $circle = [
        'kind' => 'sketch',
        'plane' => 'ground',
        'offset' => '30',
        'shapes' => [['kind' => 'circle', 'u' => '0', 'v' => '0', 'by' => 'radius', 'round' => '8']],
    ];
    $state = Parts::build([$ellipse, $circle, ['kind' => 'loft', 'sketches' => ['s1', 's2']]]);
    expect($state->results['s3']->status)
        ->toBe(StepStatus::Done, $state->results['s3']->messages[0]->why ?? '')
        ->and(Soundness::faults($state->part()))
        ->toBe([])
        ->and(count($state->part()->surfaces))
        ->toBeLessThan(7)
        // nearly ellipses all the way: rays of one angle are joined, not one eccentric anomaly
        ->and((new MassProperties($state->part()))->volume)
        ->toEqualWithDelta(((M_PI * 30) / 6) * (20 * 12 + 4 * 14 * 10 + 64), 0.02 * 13000);
});
