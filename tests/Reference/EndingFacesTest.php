<?php

declare(strict_types=1);

use Cubo\Measure\Bounds;
use Cubo\Measure\MassProperties;
use Cubo\Recipe\PartState;
use Tests\Parts;
use Tests\Soundness;

/*
 * Edges whose faces end too soon, faces whose corners cannot be led on, rounds made over other rounds: against closed forms
 * (areas and volumes by integration, prisms and wedges) and against the same part made in another order.
 */

function soundVolume(PartState $state): float
{
    foreach ($state->results as $r) {
        expect($r->messages)->toBe([], ($r->messages[0]->what ?? '') . ' ' . ($r->messages[0]->why ?? ''));
    }
    expect(Soundness::faults($state->part()))->toBe([]);

    return (new MassProperties($state->part()))->volume;
}

$ledge = [
    ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '10'],
    ['kind' => 'block', 'width' => '60', 'depth' => '20', 'height' => '20', 'y' => '10'],
    // in front the ledge is 20 deep, over 15 on the right only 2
    ['kind' => 'block', 'width' => '15', 'depth' => '18', 'height' => '30', 'x' => '22.5', 'y' => '-11', 'z' => '-5', 'effect' => 'cut'],
];

it('ends a fillet flush where the ledge it lies on ends, and only there', function (float $r) use ($ledge) {
    $before = soundVolume(Parts::build($ledge));
    $full = (1 - M_PI / 4) * $r * $r;
    // under the arc r - sqrt(r2 - (r - d)2) for d from 0 to 2
    $under = static fn(float $d): float => $r * $d + (($r - $d) * sqrt($r * $r - ($r - $d) ** 2) + $r * $r * asin(($r - $d) / $r)) / 2;
    $short = $under(2.0) - $under(0.0);
    $state = Parts::build([...$ledge, ['kind' => 'round', 'edges' => ['s1:top / s2:front'], 'radius' => (string) $r]]);
    expect(soundVolume($state) - $before)->toEqualWithDelta(45 * $full + 15 * $short, 1e-4);
    // nothing stands out over the notch
    expect(
        soundVolume(
            Parts::build([
                ...$ledge,
                ['kind' => 'round', 'edges' => ['s1:top / s2:front'], 'radius' => (string) $r],
                [
                    'kind' => 'block',
                    'width' => '15',
                    'depth' => '18',
                    'height' => '5',
                    'x' => '22.5',
                    'y' => '-11',
                    'z' => '5',
                    'effect' => 'add',
                ],
            ]),
        ) - $before,
    )->toEqualWithDelta(45 * $full + 15 * $short + 15 * 18 * 5, 1e-4);
})->with([3.0, 4.0, 6.0]);

it('ends a chamfered groove flush too', function () use ($ledge) {
    $before = soundVolume(Parts::build($ledge));
    expect(
        soundVolume(Parts::build([...$ledge, ['kind' => 'chamfer', 'edges' => ['s1:top / s2:front'], 'distance' => '4']])) - $before,
    )->toEqualWithDelta(45 * 8 + 15 * (4 * 2 - 2), 1e-6);
});

it('lets a fillet vanish in what stands beside it', function () {
    // a groove 12 wide that a rib of 4 narrows to 3 over a third of its length
    $channel = [
        ['kind' => 'block', 'width' => '60', 'depth' => '30', 'height' => '20'],
        ['kind' => 'block', 'width' => '80', 'depth' => '12', 'height' => '30', 'z' => '8', 'effect' => 'cut'],
        ['kind' => 'block', 'width' => '20', 'depth' => '9', 'height' => '12', 'x' => '20', 'y' => '-1.5', 'z' => '8'],
    ];
    $before = soundVolume(Parts::build($channel));
    $r = 5.0;
    $full = (1 - M_PI / 4) * $r * $r;
    $under = static fn(float $d): float => $r * $d + (($r - $d) * sqrt($r * $r - ($r - $d) ** 2) + $r * $r * asin(($r - $d) / $r)) / 2;
    $state = Parts::build([...$channel, ['kind' => 'round', 'edges' => ['s2:back / s2:bottom'], 'radius' => '5']]);
    expect(soundVolume($state) - $before)->toEqualWithDelta(40 * $full + 20 * ($under(3.0) - $under(0.0)), 1e-4);
});

it('tilts a face whose corners cannot be led on', function (array $steps, array $draft, float $taken) {
    $before = soundVolume(Parts::build($steps));
    $after = soundVolume(Parts::build([...$steps, ['kind' => 'draft', 'plane' => 'ground'] + $draft]));
    expect($before - $after)->toEqualWithDelta($taken, 1e-6);
})->with([
    // where the right face, the front one and two chamfers meet in one point
    'four faces in a point' => [
        [
            ['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '20', 'from' => 'corner'],
            ['kind' => 'wedge', 'width' => '40', 'depth' => '20', 'height' => '10', 'low' => '0', 'x' => '20', 'y' => '10', 'z' => '20'],
            ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10', 'x' => '20', 'y' => '30', 'z' => '20'],
        ],
        ['faces' => ['s1:left'], 'angle' => '5'],
        // what lies outside of the plane x = z tan 5: the square of the height times half the tangent along the depth
        (tan(deg2rad(5)) / 2) * (20 ** 2 * 40 + (((30 ** 3 - 20 ** 3) * 2) / 3 - 20 * 20 ** 2) + 20 * (30 ** 2 - 20 ** 2)),
    ],
]);

it('lets rounds end at a tilted face where they cannot be made again', function () {
    // the second round runs on around the first, whose arc is smaller than it
    $steps = [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '35'],
        ['kind' => 'round', 'edges' => ['s1:bottom / s1:right'], 'radius' => '0.5'],
        ['kind' => 'round', 'edges' => ['s1:back / s1:right'], 'radius' => '1.25'],
    ];
    $state = Parts::build([...$steps, ['kind' => 'draft', 'plane' => 'ground', 'faces' => ['s1:right'], 'angle' => '2']]);
    // as if both rounds were cut by the tilted plane
    $cut = soundVolume(
        Parts::build([
            ...$steps,
            [
                'kind' => 'block',
                'width' => '20',
                'depth' => '60',
                'height' => '60',
                'from' => 'corner',
                'x' => '30',
                'y' => '-30',
                'effect' => 'cut',
                'leans' => 'left',
                'lean' => '2',
                'stand' => 'place',
            ],
        ]),
    );
    expect(soundVolume($state))
        ->toEqualWithDelta($cut, 1e-4)
        ->and(array_map(static fn($s): string => $s->name, $state->part()->surfaces))
        ->toContain('s1:right', 's2:round 1', 's3:round 1');
});

it('lowers a face on which something stands, and leads that down', function () {
    // a post that touches the border of the face, so that four faces meet there
    $steps = [
        ['kind' => 'block', 'width' => '40', 'depth' => '30', 'height' => '20'],
        ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '15', 'x' => '15', 'y' => '-10', 'z' => '20'],
        ['kind' => 'chamfer', 'edges' => ['s1:front / s1:top'], 'distance' => '2'],
    ];
    $before = soundVolume(Parts::build(array_slice($steps, 0, 2)));
    $state = Parts::build([...array_slice($steps, 0, 2), ['kind' => 'pull', 'faces' => ['s1:top'], 'distance' => '-3']]);
    expect($before - soundVolume($state))
        ->toEqualWithDelta((40 * 30 - 100) * 3, 1e-6)
        ->and(Bounds::of($state->part())->max[2])
        ->toEqualWithDelta(35.0, 1e-9);
});

it('hollows a pot whose leaning corners and foot are rounded: as the pot less the one inside', function () {
    $pot = static fn(float $half, float $z, float $corner, float $foot, float $high, array $more = []): float => soundVolume(
        Parts::build([
            [
                'kind' => 'sketch',
                'plane' => 'ground',
                'offset' => "$z",
                'shapes' => [
                    ['kind' => 'rectangle', 'u' => '0', 'v' => '0', 'width' => (string) (2 * $half), 'height' => (string) (2 * $half)],
                ],
            ],
            ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => "$high", 'taper' => '-6'],
            [
                'kind' => 'round',
                'edges' => ['s2:a low / s2:a right', 's2:a high / s2:a right', 's2:a high / s2:a left', 's2:a left / s2:a low'],
                'radius' => "$corner",
            ],
            ['kind' => 'round', 'faces' => ['s2:start'], 'radius' => "$foot"],
            ...$more,
        ]),
    );
    [$t, $c] = [tan(deg2rad(6)), cos(deg2rad(6))];
    // walls of 2, square to the sides: inside everything lies 2 further in and every round is 2 smaller
    $inside = $pot(30 + 2 * $t - 2 / $c, 2.0, 6.0, 1.0, 48.0);
    expect(
        $pot(30.0, 0.0, 8.0, 3.0, 50.0, [['kind' => 'hollow', 'wall' => '2', 'faces' => ['s2:end']]]) /
            ($pot(30.0, 0.0, 8.0, 3.0, 50.0) - $inside),
    )->toEqualWithDelta(1.0, 1e-6);
});
