<?php

declare(strict_types=1);

use Cubo\Measure\Bodies;
use Cubo\Measure\MassProperties;
use Cubo\Recipe\BodyNames;
use Cubo\Recipe\StepStatus;
use Tests\Parts;
use Tests\Soundness;

/** @param list<array<string, mixed>> $steps @return array{int, float, string} bodies, volume, and what the last step says */
function bodiesOf(array $steps): array
{
    $state = Parts::build($steps);
    $part = $state->part();
    expect(Soundness::faults($part))->toBe([]);
    $last = $state->results['s' . count($steps)];

    return [count(Bodies::of($part)), (new MassProperties($part))->volume, $last->messages[0]->code ?? $last->status->value];
}

$block = static fn(array $more = []): array => ['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '10'] + $more;

it('keeps a body apart that touches another, and joins it when that is not asked', function () use ($block) {
    expect(bodiesOf([$block(), $block(['z' => '10', 'effect' => 'apart'])]))
        ->toEqual([2, 8000.0, 'done'])
        ->and(bodiesOf([$block(), $block(['z' => '10'])])[0])
        ->toBe(1)
        // the first one is a body anyway
        ->and(bodiesOf([$block(['effect' => 'apart'])]))
        ->toEqual([1, 4000.0, 'done']);
});

it('lets the newer body give way where they would overlap', function () use ($block) {
    expect(bodiesOf([$block(), $block(['z' => '5', 'effect' => 'apart'])]))
        ->toEqual([2, 4000.0 + 2000.0, 'done'])
        ->and(
            bodiesOf([$block(), ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '4', 'z' => '3', 'effect' => 'apart']])[2],
        )
        ->toBe('vanishes');
});

it('cuts and keeps body by body, without joining them', function (array $step, int $bodies, float $volume) use ($block) {
    [$n, $v] = bodiesOf([$block(), $block(['z' => '10', 'effect' => 'apart']), $step]);
    expect($n)->toBe($bodies)->and($v)->toEqualWithDelta($volume, 1e-6);
})->with([
    'a cut through both' => [
        ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '40', 'z' => '-5', 'effect' => 'cut'],
        2,
        8000 - 16 * 20,
    ],
    'a cut through one' => [
        ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '40', 'z' => '12', 'effect' => 'cut'],
        2,
        8000 - 16 * 8,
    ],
    'a cut that halves both' => [
        ['kind' => 'block', 'width' => '4', 'depth' => '40', 'height' => '40', 'z' => '-5', 'effect' => 'cut'],
        4,
        8000 - 4 * 20 * 20,
    ],
    'what both share' => [
        ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '40', 'z' => '-5', 'effect' => 'keep'],
        2,
        16 * 20,
    ],
    'a split of all' => [['kind' => 'split', 'plane' => 'side', 'keep' => 'up'], 2, 4000],
]);

it('joins an addition with what it touches, and with nothing else', function () use ($block) {
    $two = [$block(), $block(['z' => '10', 'effect' => 'apart'])];
    // on top of the upper one
    expect(bodiesOf([...$two, ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '5', 'z' => '20']]))
        ->toEqual([2, 8080.0, 'done'])
        // beside both: they become one
        ->and(bodiesOf([...$two, ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '20', 'x' => '12']])[0])
        ->toBe(1)
        // clear of both
        ->and(bodiesOf([...$two, ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '4', 'x' => '50']]))
        ->toEqual([3, 8064.0, 'stands-apart']);
});

it('joins nothing that only touches what the addition is joined with, whichever body came first', function () use ($block) {
    $top = ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '5', 'z' => '20'];
    expect(bodiesOf([$block(), $block(['z' => '10', 'effect' => 'apart']), $top])[0])
        ->toBe(2)
        ->and(bodiesOf([$block(['z' => '10']), $block(['effect' => 'apart']), $top])[0])
        ->toBe(2);
    // several pieces at once, each on a body of its own
    $row = ['kind' => 'repeat', 'of' => 'step', 'source' => 's3', 'count' => '2', 'x' => '30', 'y' => '0', 'z' => '0'];
    [$n, $v] = bodiesOf([$block(), $block(['x' => '30', 'effect' => 'apart']), ['z' => '10'] + $top, $row]);
    expect($n)->toBe(2)->and($v)->toEqualWithDelta(8160.0, 1e-6);
});

it('works on the edges and faces of one body alone', function () use ($block) {
    $two = [$block(), $block(['z' => '10', 'effect' => 'apart'])];
    [$n, $v, $says] = bodiesOf([...$two, ['kind' => 'round', 'edges' => ['s2:front / s2:top', 's1:bottom / s1:front'], 'radius' => '2']]);
    expect($says)
        ->toBe('done')
        ->and($n)
        ->toBe(2)
        ->and($v)
        ->toEqualWithDelta(8000 - 2 * 20 * 4 * (1 - M_PI / 4), 0.01);
    [$n, $v, $says] = bodiesOf([...$two, ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s2:top']]]);
    expect($says)
        ->toBe('done')
        ->and($n)
        ->toBe(2)
        ->and($v)
        ->toEqualWithDelta(8000 - 16 * 16 * 8, 1e-6)
        ->and(bodiesOf([...$two, ['kind' => 'pull', 'faces' => ['s2:top'], 'distance' => '3']]))
        ->toEqual([2, 9200.0, 'done'])
        ->and(bodiesOf([...$two, ['kind' => 'round', 'edges' => ['s9:a / s9:b']]])[2])
        ->toBe('no-edge');
});

it('moves, copies and repeats bodies that stay what they are', function () use ($block) {
    $two = [$block(), $block(['z' => '10', 'effect' => 'apart'])];
    expect(array_keys(BodyNames::of(Parts::build($two)->part())))
        ->toBe(['s1', 's2'])
        ->and(bodiesOf([...$two, ['kind' => 'move', 'body' => 's2', 'x' => '5']]))
        ->toEqual([2, 8000.0, 'done'])
        // down into the other one: what would overlap is given up
        ->and(bodiesOf([...$two, ['kind' => 'move', 'body' => 's2', 'x' => '5', 'z' => '-10']]))
        ->toEqual([2, 4000.0 + 1000.0, 'done'])
        ->and(bodiesOf([...$two, ['kind' => 'copy', 'body' => 's2', 'times' => '2', 'z' => '10']]))
        ->toEqual([4, 16000.0, 'done'])
        ->and(
            bodiesOf([
                ...$two,
                ['kind' => 'repeat', 'of' => 'step', 'source' => 's2', 'count' => '3', 'x' => '0', 'y' => '0', 'z' => '10'],
            ]),
        )
        ->toEqual([4, 16000.0, 'done'])
        ->and(bodiesOf([...$two, ['kind' => 'turn', 'body' => 's2', 'angle' => '45']])[0])
        ->toBe(2);
});

it('keeps apart whatever random blocks and cylinders touch, and never counts anything twice', function (int $seed) {
    mt_srand($seed);
    $r = static fn(int $a, int $b): string => (string) mt_rand($a, $b);
    $steps = [['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '10']];
    for ($i = 0; $i < 6; $i++) {
        $place = ['x' => $r(-15, 15), 'y' => $r(-15, 15), 'z' => (string) (5 * mt_rand(-1, 3))];
        $steps[] = (mt_rand(0, 1)
            ? ['kind' => 'block', 'width' => $r(4, 20), 'depth' => $r(4, 20), 'height' => (string) (5 * mt_rand(1, 3))]
            : ['kind' => 'cylinder', 'round' => $r(4, 20), 'length' => (string) (5 * mt_rand(1, 3))]) +
            $place + ['effect' => ['apart', 'apart', 'add', 'cut'][mt_rand(0, 3)]];
    }
    [, $volume] = bodiesOf($steps);
    // the same without bodies apart: what is filled is the same, since bodies never overlap
    $joined = Parts::build(
        array_map(static fn(array $s): array => ($s['effect'] ?? '') === 'apart' ? ['effect' => 'add'] + $s : $s, $steps),
    );
    $apart = Parts::build($steps);
    $failed = static fn(\Cubo\Recipe\PartState $s): array => array_keys(
        array_filter($s->results, static fn($x): bool => $x->status === StepStatus::Failed),
    );
    if ($failed($joined) === [] && $failed($apart) === []) {
        expect($volume)->toEqualWithDelta((new MassProperties($joined->part()))->volume, 1e-4 * $volume);
    }
    expect(array_sum(array_map('count', BodyNames::of($apart->part()))))->toBe($apart->part()->triangleCount());
})->with(range(1, 25));
