<?php

declare(strict_types=1);

use Cubo\Quantity\Unit;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\Area\Region;
use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\Draw\TypedLine;
use Cubo\Sketch\Draw\UnreadableLine;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\Solve\SketchSolver;
use Cubo\Sketch\Solve\SolvedSketch;

/** @param list<string> $lines */
function changedSketch(array $lines): SolvedSketch
{
    $s = new Sketch();
    $solved = null;
    foreach ($lines as $line) {
        $s = TypedLine::draw($s, $line, Unit::Millimetre);
        $values = new DimensionValues($s, Unit::Millimetre);
        expect($values->problems)->toBe([], $line);
        $solved = SketchSolver::solve($s, $values->values);
        expect($solved->clash)->toBe([], $line);
        $s = $solved->sketch;
    }

    return $solved ?? throw new LogicException();
}

it('changes what is drawn', function (array $lines, array $areas, ?int $free = null) {
    $r = changedSketch($lines);
    $found = array_map(static fn(Region $x): float => $x->area, (new Arrangement(DrawnCurves::of($r->sketch)))->regions);
    sort($found);
    sort($areas);
    expect($found)->toEqualWithDelta($areas, 1e-7);
    if ($free !== null) {
        expect($r->free)->toBe($free);
    }
})->with([
    'a tail is trimmed' => [
        ['line from origin to 30, 0', 'line from 20, -5 to 20, 15', 'trim l1 at 28, 0', 'line from 20, 15 to origin'],
        [150.0],
    ],
    'a middle piece is trimmed' => [
        ['rectangle 40 by 20', 'circle diameter 10 at 0, 10', 'trim l3 at 0, 10', 'trim c1 at 0, 15'],
        [800 - 12.5 * M_PI],
        0,
    ],
    'a circle is trimmed to a half' => [['circle radius 10', 'line from -20, 0 to 20, 0', 'trim c1 at 0, -10'], [50 * M_PI]],
    'what crosses nothing goes' => [['circle radius 10', 'circle radius 2 at 30, 0', 'trim c2 at 32, 0'], [100 * M_PI]],
    'a line is extended to the next' => [
        [
            'line from origin to 20, 0',
            'line from 30, -10 to 30, 20',
            'remove r1',
            'remove d1',
            'extend l1 at 20, 0',
            'line from 30, 20 to origin',
        ],
        [300.0],
    ],
    'a line is split and stays straight' => [['rectangle 40 by 20', 'split l3 at 5, 10', 'point 5, 5', 'line from p5 to p4'], [800.0]],
    'a circle is divided into six' => [
        ['circle radius 10', 'divide c1 6', 'horizontal p1 origin', 'line from p1 to p3', 'line from p3 to p5', 'line from p5 to p1'],
        [...array_fill(0, 3, (100 * M_PI) / 3 - 25 * sqrt(3)), 75 * sqrt(3)],
        0,
    ],
    'a line is divided into four' => [['rectangle 40 by 20', 'divide l1 4'], [800.0], 0],
    'beside a rectangle, inside' => [['rectangle 40 by 20', 'offset l1 l2 l3 l4 by 3 inside'], [800 - 34 * 14, 34 * 14], 0],
    'beside a rectangle, outside' => [['rectangle 40 by 20', 'offset l1 l2 l3 l4 by 3 outside'], [800.0, 46 * 26 - 800.0], 0],
    'beside an L, inside' => [
        [
            'line from origin to 40, 0',
            'line 10 at 90',
            'line 30 at 180',
            'line 20 at 90 deg',
            'line 10 at 180',
            'line to origin',
            'offset l1 l2 l3 l4 l5 l6 by 2 inside',
        ],
        [36 * 6 + 6 * 20.0, 600 - 36 * 6 - 120.0],
        0,
    ],
    'beside a slot, inside' => [['slot 85 by 20', 'offset a1 l1 a2 l2 by 4 inside'], [65 * 12 + 36 * M_PI, 65 * 8 + 64 * M_PI], 0],
    'beside a circle' => [['circle radius 10', 'offset c1 by 2 inside', 'offset c1 by 2 outside'], [36 * M_PI, 44 * M_PI, 64 * M_PI], 0],
    'a rounded corner' => [['rectangle 40 by 20', 'round l1 l2 by 4'], [800 - (16 - 4 * M_PI)], 0],
    'all corners rounded alike' => [['rectangle 40 by 20', 'round l1 l2 l3 l4 by 4'], [800 - 4 * (16 - 4 * M_PI)], 0],
    'a corner cut off' => [['rectangle 40 by 20', 'chamfer l2 l3 by 3'], [795.5], 0],
    'all corners cut off' => [['rectangle 40 by 20', 'chamfer l1 l2 l3 l4 by 2'], [792.0], 0],
    'holes by mirror' => [
        ['circle diameter 4 at 32, 16', 'mirror c1 over v-axis', 'mirror c1 c2 over u-axis'],
        array_fill(0, 4, 4 * M_PI),
        0,
    ],
    'half an outline mirrored' => [
        ['line from origin to 20, 0', 'line 10 at 90', 'line to 0, 15', 'mirror l1 l2 l3 over v-axis'],
        [20 * 10 * 2 + 20 * 5.0],
        0,
    ],
    'an arc mirrored' => [
        ['line from 0, 0 to 0, 20', 'arc from origin to 0, 20 through 10, 10', 'mirror a1 over v-axis'],
        [50 * M_PI, 50 * M_PI],
    ],
    'a row of holes' => [['circle diameter 4 at 5, 5', 'row c1 4 by 12, 0'], array_fill(0, 4, 4 * M_PI), 2],
    'holes around a point' => [['circle diameter 4 at 20, 0', 'around c1 6 about origin'], array_fill(0, 6, 4 * M_PI), 0],
    'moved' => [['circle radius 3 at 5, 5', 'remove d1 d2', 'shift c1 by 10, 0'], [9 * M_PI], 2],
    'turned' => [
        [
            'line from origin to 20, 0',
            'remove r1',
            'line from p1 to 20, 10',
            'remove d2 d3',
            'line from p2 to origin',
            'remove d1',
            'turn l1 l2 l3 by 30 about origin',
        ],
        [100.0],
    ],
    'scaled' => [['point 5, 5', 'remove d1 d2', 'circle radius 3 at p1', 'remove d1', 'scale c1 by 2 about origin'], [36 * M_PI], 3],
]);

it('keeps the sizes of rounded corners together', function () {
    $r = changedSketch(['rectangle 40 by 20', 'round l1 l2 l3 l4 by 4']);
    $lead = array_values(array_filter($r->sketch->relations, static fn($x): bool => $x->kind->value === 'radius'))[0];
    $s = $r->sketch->withRelation($lead->valued('6'));
    $solved = SketchSolver::solve($s, (new DimensionValues($s, Unit::Millimetre))->values);
    expect($solved->clash)
        ->toBe([])
        ->and((new Arrangement(DrawnCurves::of($solved->sketch)))->regions[0]->area)
        ->toEqualWithDelta(800 - 4 * (36 - 9 * M_PI), 1e-7);
});

it('says in words what cannot be changed', function (string $typed, string $word) {
    $s = TypedLine::draw(TypedLine::draw(new Sketch(), 'rectangle 40 by 20', Unit::Millimetre), 'circle radius 4', Unit::Millimetre);
    expect(fn() => TypedLine::draw($s, $typed, Unit::Millimetre))->toThrow(UnreadableLine::class, $word);
})->with([
    ['trim l9 at 0, 0', 'l9'],
    ['trim l1', 'Type it as'],
    ['split c1 at 4, 0', 'circle is divided'],
    ['extend l1 at 30, -10', 'meets no other'],
    ['extend c1 at 0, 0', 'straight'],
    ['divide l1 1', '2 to 60'],
    ['offset c1 by 5 inside', 'room inside'],
    ['offset p1 by 5', 'Pick lines'],
    ['round l1 l3 by 2', 'no corner'],
    ['round l1 l2 by 30', 'too short'],
    ['mirror c1 over c1', 'over a line'],
    ['row c1 90 by 1, 0', '2 to 60'],
    ['around c1 1 about origin', '2 to 60'],
    ['scale c1 by 0', '0.001'],
    ['shift c1 by 5', 'no place'],
]);
