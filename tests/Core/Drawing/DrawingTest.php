<?php

declare(strict_types=1);

use Cubo\Check\Exercise;
use Cubo\Check\Kind\Drawn;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Drawing\DimensionPlan;
use Cubo\Drawing\Drawing;
use Cubo\Drawing\Sheet;
use Cubo\Drawing\View;
use Cubo\Drawing\ViewLines;
use Cubo\Quantity\Unit;
use Tests\Parts;

/** @param list<list<array{float,float}>> $lines total length */
function inked(array $lines): float
{
    $sum = 0.0;
    foreach ($lines as $l) {
        for ($i = 1; $i < count($l); $i++) {
            $sum += hypot($l[$i][0] - $l[$i - 1][0], $l[$i][1] - $l[$i - 1][1]);
        }
    }

    return $sum;
}

function lines(array $steps, View $v): ViewLines
{
    return Drawing::of(Parts::measure($steps))->views[$v->value];
}

const CUBE = [['kind' => 'block', 'width' => '40', 'depth' => '30', 'height' => '20']];

it('draws a block as three rectangles and an isometric outline with nine edges', function (): void {
    foreach ([[View::Front, 120.0], [View::Top, 140.0], [View::Right, 100.0]] as [$v, $length]) {
        $lines = lines(CUBE, $v);
        expect(inked($lines->visible))->toEqualWithDelta($length, 1e-6, $v->value)->and(inked($lines->hidden))->toEqualWithDelta(0.0, 1e-9);
    }
    // every edge is foreshortened by the square root of 2/3 in an isometric view (ISO 5456-3:1996, 5.1)
    $iso = lines(CUBE, View::Isometric);
    expect(inked($iso->visible))
        ->toEqualWithDelta(sqrt(2 / 3) * 3 * (40 + 30 + 20), 1e-6)
        ->and(inked($iso->hidden))
        ->toEqualWithDelta(sqrt(2 / 3) * (40 + 30 + 20), 1e-6);
});

it('dashes the edges of a hole that are not seen', function (): void {
    $lines = lines(
        [...CUBE, ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '40', 'z' => '-5', 'effect' => 'cut']],
        View::Front,
    );
    expect(inked($lines->visible))
        ->toEqualWithDelta(120.0, 1e-6)
        ->and(inked($lines->hidden))
        ->toEqualWithDelta(2 * 20.0, 0.2);
    $top = lines(
        [...CUBE, ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '40', 'z' => '-5', 'effect' => 'cut']],
        View::Top,
    );
    expect(inked($top->visible))
        ->toEqualWithDelta(140 + M_PI * 8, 0.05)
        ->and(inked($top->hidden))
        ->toEqualWithDelta(0.0, 1e-6);
});

it('dashes an edge only where something stands before it', function (): void {
    // a low block behind a narrow, high one: of its top edge only the part behind is hidden
    $lines = lines(
        [
            ['kind' => 'block', 'width' => '40', 'depth' => '10', 'height' => '10', 'y' => '20'],
            ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '30'],
        ],
        View::Front,
    );
    // behind the high block: 10 mm of the low one's top edge and its bottom edge, which coincides with the ground line in front
    expect(inked($lines->hidden))->toEqualWithDelta(10.0, 1e-4);
});

it('draws the outline of round parts, but no lines between facets', function (): void {
    $lines = lines([['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '30']], View::Front);
    expect(inked($lines->visible))
        ->toEqualWithDelta(2 * 20 + 2 * 30, 0.1)
        ->and(inked($lines->hidden))
        ->toEqualWithDelta(0.0, 0.1);
    expect(inked(lines([['kind' => 'ball', 'by' => 'radius', 'round' => '10', 'z' => '10']], View::Right)->visible))->toEqualWithDelta(
        2 * M_PI * 10,
        0.3,
    );
});

it('leaves out the edge where a round runs into a flat smoothly', function (): void {
    $slot = [
        [
            'kind' => 'sketch',
            'shapes' => [
                ['kind' => 'circle', 'u' => '-20', 'by' => 'radius', 'round' => '10'],
                ['kind' => 'circle', 'u' => '20', 'by' => 'radius', 'round' => '10'],
                ['kind' => 'rectangle', 'width' => '40', 'height' => '20'],
            ],
        ],
        ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '5'],
    ];
    expect(inked(lines($slot, View::Front)->visible))->toEqualWithDelta(2 * 60 + 2 * 5, 0.1);
});

/** @param list<string> $asked */
function sheetOf(array $steps, array $asked, array $states = [], bool $lettersOnly = false): string
{
    $part = Parts::measure($steps);
    $list = array_map(fn(Requirement $r) => $r->change(asked: in_array($r->id, $asked, true)), Proposer::propose($part, Unit::Millimetre));
    $drawing = Drawing::of($part);

    return (new Sheet($drawing, 780, 470, $states, 'Sheet <&>', $lettersOnly))->svg(
        DimensionPlan::of(new Exercise(Unit::Millimetre, Exercise::lettered($list)), $drawing->bounds),
    );
}

it('writes a well-formed sheet with every asked size on it', function (): void {
    $svg = sheetOf(
        [...CUBE, ['kind' => 'cylinder', 'round' => '8', 'length' => '40', 'x' => '-5', 'z' => '-5', 'effect' => 'cut']],
        ['size-x', 'size-y', 'size-z', 'hole-0-diameter', 'hole-0-place'],
    );
    $xml = simplexml_load_string($svg);
    expect($xml)->not->toBeFalse();
    foreach (['A</tspan> 40', 'B</tspan> 30', 'C</tspan> 20', 'D</tspan> ⌀8', 'E</tspan> 15'] as $text) {
        expect(substr_count($svg, $text))->toBeGreaterThanOrEqual(1, $text);
    }
    expect($svg)->toContain('Sheet &lt;&amp;&gt;');
});

it('writes a size that several holes share once, with all letters', function (): void {
    $hole = fn(string $x) => ['kind' => 'cylinder', 'round' => '4', 'length' => '40', 'x' => $x, 'z' => '-5', 'effect' => 'cut'];
    $svg = sheetOf([...CUBE, $hole('-12'), $hole('12')], ['hole-0-place', 'hole-1-place']);
    expect(substr_count($svg, 'A B</tspan> 15'))->toBe(1)->and($svg)->toContain('data-requirement="hole-0-place hole-1-place"');
});

it('shows the state of each size by its shape', function (): void {
    $met = sheetOf(CUBE, ['size-x'], ['size-x' => 'met']);
    $off = sheetOf(CUBE, ['size-x'], ['size-x' => 'off']);
    $missing = sheetOf(CUBE, ['size-x'], ['size-x' => 'missing']);
    expect($met)
        ->toContain('class="dim met"')
        ->and($off)
        ->toContain('class="dim off"')
        ->and(substr_count($missing, 'class="line"'))
        ->toBe(substr_count($met, 'class="line"') - 1)
        ->and(preg_match('/class="line" d="M[^"]*L[^"]* [^"]* [^"]*L/', $off))
        ->toBe(1);
});

it('leaves the numbers away beside a list that has them', function (): void {
    expect(sheetOf(CUBE, ['size-x'], [], true))->toContain('A</tspan> </text>')->not->toContain('> 40<');
});

it('puts each requirement kind that has a length into a view', function (): void {
    $drawn = [];
    foreach (
        Proposer::propose(
            Parts::measure([
                ...CUBE,
                ['kind' => 'block', 'width' => '10', 'depth' => '30', 'height' => '10', 'x' => '15', 'z' => '10', 'effect' => 'cut'],
                ['kind' => 'cylinder', 'round' => '4', 'length' => '40', 'x' => '-5', 'z' => '-5', 'effect' => 'cut'],
            ]),
            Unit::Millimetre,
        )
        as $r
    ) {
        $drawn[] = $r->kind->drawn();
    }
    expect($drawn)->toContain(Drawn::Overall, Drawn::Step, Drawn::Diameter, Drawn::Place);
});

it('draws what could not be measured as what was not checked, never as met', function (): void {
    expect(sheetOf(CUBE, ['size-x'], ['size-x' => 'unknown']))
        ->toContain('class="dim open"')
        ->not->toContain('class="dim met"')
        ->and(sheetOf(CUBE, ['size-x'], ['size-x' => 'met']))
        ->toContain('class="dim met"');
});
