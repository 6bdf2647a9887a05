<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Recipe\EdgesTakenOver;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\PartEdge;
use Cubo\Recipe\PartEdges;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepStatus;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\SketchFormat;
use Cubo\Sketch\Solve\SketchSolver;
use Tests\Parts;

/** A plate with a round hole through it. */
function plateWithHole(string $width = '60', string $hole = '12'): array
{
    return [
        ['kind' => 'block', 'width' => $width, 'depth' => '40', 'height' => '8'],
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => $hole, 'length' => '20', 'x' => '10', 'z' => '-5', 'effect' => 'cut'],
    ];
}

/** @return array<string, PartEdge> */
function edgesOf(array $steps, float $height = 0.0): array
{
    return PartEdges::seenOnto((new Evaluator())->evaluate(Parts::recipe($steps))->part(), Transform::translation([0.0, 0.0, $height]));
}

it('sees straight edges and circles of flat faces', function () {
    $edges = edgesOf(plateWithHole());
    $top = array_filter($edges, static fn(PartEdge $e): bool => in_array('s1:top', $e->faces, true));
    $kinds = array_count_values(array_map(static fn(PartEdge $e): string => $e->kind->value, $top));
    expect($kinds)->toBe(['line' => 4, 'circle' => 1]);
    $circle = current(array_filter($top, static fn(PartEdge $e): bool => $e->kind === EntityKind::Circle));
    expect($circle->size)
        ->toEqualWithDelta(6.0, 1e-12)
        ->and($circle->points[0])
        ->toEqualWithDelta([10.0, 0.0], 1e-12);
});

it('sees arcs counter-clockwise, whichever way the face runs around them', function (string $x) {
    // a hole half outside: what is left of its rim is an arc
    $steps = plateWithHole();
    $steps[1]['x'] = $x;
    foreach (edgesOf($steps) as $e) {
        if ($e->kind !== EntityKind::Arc) {
            continue;
        }
        [$m, $a, $b] = $e->points;
        $sweep = fmod(atan2($b[1] - $m[1], $b[0] - $m[0]) - atan2($a[1] - $m[1], $a[0] - $m[0]) + 4 * M_PI, 2 * M_PI);
        $half = atan2($a[1] - $m[1], $a[0] - $m[0]) + $sweep / 2;
        expect(abs($m[0] + 6 * cos($half)))
            ->toBeLessThan(30.0)
            ->and($e->size)
            ->toEqualWithDelta(6.0, 1e-9)
            // its ends lie on the true circle, not on a facet
            ->and(hypot($a[0] - $m[0], $a[1] - $m[1]))
            ->toEqualWithDelta(6.0, 1e-9)
            ->and(hypot($b[0] - $m[0], $b[1] - $m[1]))
            ->toEqualWithDelta(6.0, 1e-9);
        $seen = true;
    }
    expect($seen ?? false)->toBeTrue();
})->with(['30', '-30', '33', '-27']);

it('closes the outline of a face with arcs in it', function () {
    $steps = plateWithHole();
    $steps[1]['x'] = '33';
    $edges = edgesOf($steps);
    $drawn = SketchFormat::write(
        EdgesTakenOver::take(
            new Sketch(),
            $edges,
            array_keys(array_filter($edges, static fn(PartEdge $e): bool => in_array('s1:top', $e->faces, true))),
        ),
    );
    $result = (new Evaluator())->evaluate(
        Parts::recipe([...$steps, ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top', 'drawn' => $drawn]]),
    )->results['s3'];
    // the segment of the circle that reaches in: r^2 acos(d/r) - d sqrt(r^2 - d^2), d = 3, r = 6
    expect($result->regions)
        ->toHaveCount(1)
        ->and($result->regions[0]->area)
        ->toEqualWithDelta(2400 - (36 * acos(0.5) - 3 * sqrt(27)), 1e-6);
});

it('follows the part: a ridge around a plate grows with it', function () {
    $part = static fn(string $width, string $hole, array $drawn): Recipe => Parts::recipe([
        ...plateWithHole($width, $hole),
        ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top', 'drawn' => $drawn],
        ['kind' => 'extrude', 'sketch' => 's3', 'distance' => '2'],
    ]);
    $edges = edgesOf(plateWithHole());
    $keys = array_keys(array_filter($edges, static fn(PartEdge $e): bool => in_array('s1:top', $e->faces, true)));
    $drawn = SketchFormat::write(EdgesTakenOver::take(new Sketch(), $edges, $keys));
    $volume = static fn(Recipe $r): float => (new MassProperties((new Evaluator())->evaluate($r)->part()))->volume;
    // all regions: the plate's top and the hole's disk; the disk closes the hole at the top
    expect($volume($part('60', '12', $drawn)))
        ->toEqualWithDelta(60 * 40 * 10 - 36 * M_PI * 8, 1e-3)
        ->and($volume($part('90', '16', $drawn)))
        ->toEqualWithDelta(90 * 40 * 10 - 64 * M_PI * 8, 1e-3);
});

it('keeps a line whose edge is gone where it was, and says so', function () {
    $edges = edgesOf(plateWithHole());
    $keys = array_keys(array_filter($edges, static fn(PartEdge $e): bool => in_array('s1:top', $e->faces, true)));
    $drawn = SketchFormat::write(EdgesTakenOver::take(new Sketch(), $edges, $keys));
    $steps = [plateWithHole()[0], ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top', 'drawn' => $drawn]];
    $result = (new Evaluator())->evaluate(Parts::recipe($steps))->results['s2'];
    expect($result->status)
        ->toBe(StepStatus::Done)
        ->and($result->messages[0]->code)
        ->toBe('edge-gone')
        ->and($result->messages[0]->warning)
        ->toBeTrue()
        ->and($result->messages[0]->why)
        ->toStartWith('c1 ')
        ->and($result->regions)
        ->toHaveCount(2);
});

it('leaves no freedom in what is taken over, and what is related to it comes along', function () {
    $edges = edgesOf(plateWithHole());
    $rim = current(
        array_filter($edges, static fn(PartEdge $e): bool => $e->kind === EntityKind::Circle && in_array('s1:top', $e->faces, true)),
    );
    $s = EdgesTakenOver::take(new Sketch(), $edges, [$rim->name]);
    expect(SketchSolver::solve($s, [])->free)->toBe(0);
    $raw = SketchFormat::write($s);
    $raw['points']['m'] = [0.0, 0.0];
    $raw['lines'][] = ['id' => 'ring', 'kind' => 'circle', 'points' => ['m'], 'size' => 3];
    $raw['relations'] = [
        ['id' => 'r1', 'kind' => 'concentric', 'of' => ['ring', 'c1']],
        ['id' => 'd1', 'kind' => 'radius', 'of' => ['ring'], 'value' => '3'],
    ];
    $solved = SketchSolver::solve(SketchFormat::read($raw), ['d1' => 3.0]);
    expect($solved->free)
        ->toBe(0)
        ->and($solved->sketch->points['m'])
        ->toEqualWithDelta([10.0, 0.0], 1e-9);
});

it('takes an edge once, and only one that is there', function () {
    $edges = edgesOf(plateWithHole());
    $key = (string) array_key_first($edges);
    $s = EdgesTakenOver::take(new Sketch(), $edges, [$key, $key]);
    expect($s->entities)
        ->toHaveCount(1)
        ->and(fn() => EdgesTakenOver::take($s, $edges, [$key]))
        ->toThrow(InvalidArgumentException::class, 'already')
        ->and(fn() => EdgesTakenOver::take($s, $edges, ['s9:side / s9:top']))
        ->toThrow(InvalidArgumentException::class, 'not there');
});

it('knows edges again when the plate turns into a longer one with a notch', function () {
    $before = edgesOf(plateWithHole());
    $after = edgesOf([
        ...plateWithHole('80'),
        ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '20', 'x' => '0', 'y' => '-20', 'z' => '-2', 'effect' => 'cut'],
    ]);
    $common = array_intersect_key($after, $before);
    // the front edge of top and bottom is two edges now; its first half keeps the name
    expect(count($common))->toBe(count($before))->and(count($after))->toBeGreaterThan(count($before));
});
