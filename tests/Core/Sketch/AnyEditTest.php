<?php

declare(strict_types=1);

use Cubo\Quantity\Unit;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\Draw\PadEdit;
use Cubo\Sketch\Draw\Refusal;
use Cubo\Sketch\Draw\TypedLine;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\SketchFormat;
use Cubo\Sketch\Solve\Moving;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Pace;

/**
 * What anybody might do next on a pad: any tool anywhere, any relation of anything, any value.
 *
 * @return array<string, mixed>
 */
function anyEdit(Sketch $s, Randomizer $r): array
{
    $points = array_keys($s->points);
    $lines = array_keys($s->entities);
    $relations = array_keys($s->relations);
    $one = static fn(array $of): mixed => $of[$r->getInt(0, count($of) - 1)];
    $thing = static fn(): string => $one([...$points, ...$lines, 'origin', 'u-axis', 'v-axis']);
    $spot = static function () use ($r, $one, $points, $lines): array {
        $at = ['u' => $r->getInt(-300, 300) / 10, 'v' => $r->getInt(-300, 300) / 10];

        return $at +
            match (true) {
                $points !== [] && $r->getInt(0, 3) === 0 => ['point' => $one($points)],
                $lines !== [] && $r->getInt(0, 3) === 0 => ['on' => [$one($lines)]],
                $r->getInt(0, 5) === 0 => ['level' => 'origin'],
                default => [],
            };
    };

    return match ($r->getInt(0, 8)) {
        0, 1, 2 => [
            'do' => 'type',
            'text' => preg_replace_callback(
                '/\b[plc]\d\b/',
                static fn(array $m): string => $r->getInt(0, 1) ? $m[0] : $thing(),
                $one(TypedLine::EXAMPLES),
            ),
        ],
        3 => [
            'do' => 'draw',
            'tool' => $one([
                'point',
                'line',
                'rectangle',
                'rectangle around',
                'circle',
                'circle over',
                'circle through three',
                'arc',
                'arc around',
                'arc on',
                'slot',
                'slot over all',
                'polygon',
                'ellipse',
                'curve',
            ]),
            'spots' => [$spot(), $spot(), $spot()],
            'options' => ['sides' => $r->getInt(1, 9), 'before' => $thing(), 'touches' => $r->getInt(0, 4) === 0 ? $thing() : null],
        ],
        4 => [
            'do' => 'relate',
            'kind' => RelationKind::cases()[$r->getInt(0, 11)]->value,
            'of' => array_map(static fn(): string => $thing(), range(1, $r->getInt(1, 3))),
        ],
        5 => ['do' => 'size', 'of' => array_map(static fn(): string => $thing(), range(1, $r->getInt(1, 2)))],
        6 => [
            'do' => 'value',
            'id' => $relations === [] ? 'd1' : $one($relations),
            'value' => $one(['7/2', '0', '-3', '12', '(5)', 'd1*2', '1e9', 'abc', '45']),
        ],
        7 => ['do' => $one(['remove', 'role']), 'role' => 'construction', 'of' => [$thing()]],
        8 => ['do' => 'drag', 'point' => $points === [] ? 'p1' : $one($points), 'u' => $r->getInt(-50, 50), 'v' => $r->getInt(-50, 50)],
    };
}

/**
 * The sketch after an edit, which can be saved, read again and moved; null where it was refused with words.
 *
 * @param array<string, mixed> $in
 */
function answered(Sketch $s, array $in, string $at): ?Sketch
{
    try {
        $after = PadEdit::make($s, $in, Unit::Millimetre);
        $written = SketchFormat::write($after->sketch);
        expect(SketchFormat::write(SketchFormat::read(json_decode((string) json_encode($written), true))) == $written)->toBeTrue($at);
        new Arrangement(DrawnCurves::of($after->sketch));
        foreach (array_slice($after->ways, 0, 2) as $way) {
            Moving::along($way, $after->sketch, (new DimensionValues($after->sketch, Unit::Millimetre))->values, true);
            expect($way->words($after->sketch))->not->toBe('');
        }

        return $after->sketch;
    } catch (Refusal $e) {
        expect($e->getMessage())->not->toBe('', $at);

        return null;
    }
}

it('answers anything with a sketch that holds, or with words, and soon', function (int $seed) {
    $r = new Randomizer(new Mt19937($seed));
    $kept = $refused = 0;
    $took = Pace::of(static function () use ($r, $seed, &$kept, &$refused): void {
        for ($run = 0; $run < 30; $run++) {
            $s = new Sketch();
            for ($k = 0; $k < 25; $k++) {
                $in = anyEdit($s, $r);
                $after = answered($s, $in, "seed $seed, run $run, edit $k: " . json_encode($in));
                $after === null ? $refused++ : $kept++;
                $s = $after ?? $s;
            }
        }
    });
    expect($kept)
        ->toBeGreaterThan(200)
        ->and($refused)
        ->toBeGreaterThan(100)
        // 750 edits, most of them within a few milliseconds
        ->and($took)
        ->toBeLessThan(25.0);
})->with([1, 2, 3]);
