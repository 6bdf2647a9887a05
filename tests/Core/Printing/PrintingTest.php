<?php

declare(strict_types=1);

/*
 * How parts print as they stand. Closed forms of areas, walls and tipping stand in tests/Reference/PrintFormsTest.php.
 */

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\Transform;
use Cubo\Printing\BestPose;
use Cubo\Printing\Bridges;
use Cubo\Printing\Estimate;
use Cubo\Printing\HollowSpaces;
use Cubo\Printing\Islands;
use Cubo\Printing\Layers;
use Cubo\Printing\PrintProfile;
use Tests\Parts;

$table = [
    ['kind' => 'block', 'name' => 'Leg', 'width' => '10', 'depth' => '10', 'height' => '20', 'stand' => 'ground'],
    ['kind' => 'block', 'name' => 'Top', 'width' => '40', 'depth' => '30', 'height' => '5', 'stand' => 'ground', 'z' => '20'],
];

it('counts where a print would begin in the air', function (array $steps, int $islands) {
    $part = Parts::build($steps)->part();
    expect(count(Islands::of($part)))
        ->toBe($islands)
        // turned about the upright they stay
        ->and(count(Islands::of($part->moved(Transform::rotation(2, 33.0)))))
        ->toBe($islands);
})->with([
    'a table' => [$table, 0],
    'a table with a knob below its top' => [
        [...$table, ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '6', 'stand' => 'ground', 'x' => '15', 'z' => '15']],
        1,
    ],
    'two knobs, one of them round' => [
        [
            ...$table,
            ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '6', 'stand' => 'ground', 'x' => '15', 'z' => '15'],
            ['kind' => 'ball', 'round' => '6', 'stand' => 'ground', 'x' => '-14', 'z' => '16'],
        ],
        2,
    ],
    'a bore that lies' => [
        [
            ['kind' => 'block', 'width' => '30', 'depth' => '40', 'height' => '30'],
            ['kind' => 'cylinder', 'round' => '20', 'length' => '60', 'along' => 'y', 'y' => '-30', 'z' => '15', 'effect' => 'cut'],
        ],
        0,
    ],
    'a pocket from above' => [
        [
            ['kind' => 'block', 'width' => '30', 'depth' => '30', 'height' => '20'],
            ['kind' => 'cylinder', 'round' => '10', 'length' => '30', 'z' => '8', 'effect' => 'cut'],
        ],
        0,
    ],
    'a ball on the bed' => [[['kind' => 'ball', 'stand' => 'ground']], 0],
    'a hook that comes down again' => [
        [
            ['kind' => 'block', 'width' => '6', 'depth' => '6', 'height' => '40', 'stand' => 'ground'],
            ['kind' => 'block', 'width' => '30', 'depth' => '6', 'height' => '6', 'stand' => 'ground', 'x' => '12', 'z' => '34'],
            ['kind' => 'block', 'width' => '6', 'depth' => '6', 'height' => '20', 'stand' => 'ground', 'x' => '24', 'z' => '20'],
        ],
        1,
    ],
]);

it('finds bridges and their spans, and what hangs free', function (array $steps, array $spans): void {
    $found = array_map(static fn(array $b): mixed => $b['free'] ? 'free' : round($b['span'], 6), Bridges::of(Parts::build($steps)->part()));
    expect($found)->toEqual($spans);
})->with([
    'a gate' => [
        [
            ['kind' => 'block', 'width' => '60', 'depth' => '20', 'height' => '30'],
            ['kind' => 'block', 'width' => '24', 'depth' => '20', 'height' => '18', 'effect' => 'cut'],
        ],
        [24.0],
    ],
    'a window is bridged the short way' => [
        [
            ['kind' => 'block', 'width' => '60', 'depth' => '8', 'height' => '40'],
            ['kind' => 'block', 'width' => '30', 'depth' => '8', 'height' => '10', 'z' => '12', 'effect' => 'cut'],
        ],
        [30.0],
    ],
    'a cellar is held all round' => [
        [
            ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '30'],
            ['kind' => 'block', 'width' => '30', 'depth' => '14', 'height' => '10', 'z' => '10', 'effect' => 'cut'],
        ],
        [14.0],
    ],
    'a balcony' => [
        [
            ['kind' => 'block', 'width' => '10', 'depth' => '20', 'height' => '30'],
            ['kind' => 'block', 'width' => '30', 'depth' => '20', 'height' => '5', 'x' => '10', 'z' => '25'],
        ],
        ['free'],
    ],
    'a table' => [$table, ['free']],
    'a block' => [[['kind' => 'block']], []],
]);

it('finds closed spaces inside', function (): void {
    $box = ['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '40'];
    $spaces = HollowSpaces::of(
        Parts::build([
            $box,
            ['kind' => 'ball', 'round' => '20', 'z' => '20', 'effect' => 'cut'],
            ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '4', 'x' => '-15', 'z' => '5', 'effect' => 'cut'],
        ])->part(),
    );
    expect($spaces)
        ->toHaveCount(2)
        ->and(max(array_column($spaces, 'volume')))
        ->toEqualWithDelta((4 / 3) * M_PI * 1000, 0.01 * 4189)
        ->and(HollowSpaces::of(Parts::build([$box, ['kind' => 'cylinder', 'round' => '10', 'length' => '60', 'effect' => 'cut']])->part()))
        ->toBe([]);
});

it('cuts layers whose areas are those of the sections', function (): void {
    $cone = new Layers(Parts::build([['kind' => 'cone', 'by' => 'radius', 'round' => '10', 'tip' => '4', 'length' => '30']])->part());
    foreach ([0.1, 7.5, 15.0, 29.9] as $z) {
        expect(Layers::area($cone->at($z)))->toEqualWithDelta(M_PI * (10 - (6 * $z) / 30) ** 2, 0.005 * 314);
    }
    $bored = Parts::build([
        ['kind' => 'block', 'width' => '30', 'depth' => '20', 'height' => '10'],
        ['kind' => 'block', 'width' => '10', 'depth' => '5', 'height' => '30', 'effect' => 'cut'],
    ])->part();
    $layers = new Layers($bored);
    $outlines = $layers->at(5.0);
    expect($outlines)
        ->toHaveCount(2)
        ->and(Layers::area($outlines))
        ->toEqualWithDelta(550.0, 1e-9)
        ->and(Layers::length($outlines))
        ->toEqualWithDelta(130.0, 1e-9)
        ->and($layers->count(0.2))
        ->toBe(50)
        ->and($layers->count(0.3))
        ->toBe(34)
        ->and($layers->at(11.0))
        ->toBe([]);
    // level with faces it is what lies just below
    expect(Layers::area($layers->at(10.0)))->toBe(0.0)->and(Layers::area($layers->at(0.0)))->toEqualWithDelta(550.0, 1e-9);
});

it('spends by layer, and gives up where there are too many for a part so fine', function (): void {
    $ball = Parts::build([['kind' => 'ball', 'round' => '40', 'stand' => 'ground']])->part();
    $spent = static function (int $layers) use ($ball): int {
        $budget = new Budget();
        $cuts = new Layers($ball, $budget);
        for ($i = 0; $i < $layers; $i++) {
            $cuts->at($cuts->height($i, 40 / $layers));
        }

        return $budget->spent();
    };
    expect($spent(40) - $spent(20))->toEqualWithDelta($spent(20) - $spent(0), 0.1 * $spent(20));
    Estimate::of($ball, PrintProfile::of(''), new Budget($spent(20)));
})->throws(OverBudget::class);

it('closes every outline of random parts, and their sum is the volume', function (int $seed): void {
    mt_srand($seed);
    $steps = [['kind' => 'block', 'width' => '40', 'depth' => '30', 'height' => '20']];
    for ($i = 0; $i < 4; $i++) {
        $steps[] = [
            'kind' => ['cylinder', 'ball', 'cone'][mt_rand(0, 2)],
            'round' => (string) mt_rand(4, 18),
            'x' => (string) mt_rand(-20, 20),
            'y' => (string) mt_rand(-15, 15),
            'z' => (string) mt_rand(-5, 15),
            'effect' => ['add', 'cut'][mt_rand(0, 1)],
        ];
    }
    $part = Parts::build($steps)->part();
    $layers = new Layers($part);
    $n = 400;
    $step = ($layers->high - $layers->low) / $n;
    $sum = 0.0;
    for ($i = 0; $i < $n; $i++) {
        $sum += $step * Layers::area($layers->at($layers->low + ($i + 0.5) * $step));
    }
    expect($sum)->toEqualWithDelta($part->facettedVolume(), 0.004 * $part->facettedVolume());
})->with(range(1, 8));

it('says whether a part fits the bed, and how', function (array $size, string $how): void {
    expect(
        BestPose::on(Parts::build([['kind' => 'block', 'width' => $size[0], 'depth' => $size[1], 'height' => $size[2]]])->part(), [
            100.0,
            80.0,
            120.0,
        ]),
    )->toBe($how);
})->with([
    [['90', '70', '110'], 'stands'],
    [['70', '95', '20'], 'turned'],
    [['20', '104', '20'], 'turned'],
    [['20', '115', '20'], 'laid'],
    [['20', '20', '121'], 'never'],
    [['60', '60', '130'], 'never'],
    [['110', '40', '40'], 'laid'],
    [['140', '130', '5'], 'never'],
]);

it('estimates layers, material and time', function (): void {
    $profile = PrintProfile::of('classroom');
    // no wider than its walls: every thread is laid
    $thin = Estimate::of(Parts::build([['kind' => 'block', 'width' => '50', 'depth' => '1.2', 'height' => '20']])->part(), $profile);
    expect($thin->layers)
        ->toBe(100)
        ->and($thin->volume)
        ->toEqualWithDelta(50 * 1.2 * 20, 1e-6)
        ->and($thin->mass)
        ->toEqualWithDelta(1.2 * 1.24, 1e-6)
        ->and($thin->minutes)
        ->toEqualWithDelta((1200 / (0.4 * 0.2 * 50) + 100 * 4) / 60, 1e-6);
    $solid = Estimate::of(Parts::build([['kind' => 'block', 'width' => '50', 'depth' => '50', 'height' => '50']])->part(), $profile);
    expect($solid->volume)
        ->toBeLessThan(0.5 * 125000)
        ->toBeGreaterThan(0.2 * 125000);
    expect(array_keys(PrintProfile::all()))->toHaveCount(3);
});
