<?php

declare(strict_types=1);

/*
 * Random parts against the exercise read from themselves: as they are, and as files in two formats, one of them elsewhere.
 * Everything is met and no slip is named; only rounds of too few facets may be told as not measured. PARTS=300 for a long run.
 */

use Cubo\Check\Checker;
use Cubo\Check\Exercise;
use Cubo\Check\Kind\Form\Centred;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Exchange\MeshFile;
use Cubo\Exchange\StlFile;
use Cubo\Exchange\ThreeMfFile;
use Cubo\Geometry\Transform;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Quantity\Unit;
use Tests\Parts;

/** A block with a few other solids added and cut at random. @return list<array<string, mixed>> */
function randomSteps(int $seed): array
{
    mt_srand($seed);
    // in quarters, as people type
    $in = static fn(int $from, int $to): string => (string) (mt_rand(4 * $from, 4 * $to) / 4);
    $effect = static fn(): string => ['add', 'cut'][mt_rand(0, 1)];
    $steps = [['kind' => 'block', 'width' => $in(30, 80), 'depth' => $in(25, 60), 'height' => $in(8, 25)]];
    for ($i = mt_rand(2, 6); $i > 0; $i--) {
        $at = ['x' => $in(-25, 25), 'y' => $in(-20, 20)];
        $steps[] = match (mt_rand(0, 7)) {
            0 => ['kind' => 'cylinder', 'by' => 'diameter', 'round' => $in(4, 12), 'length' => '80', 'z' => '-20', 'effect' => 'cut'] + $at,
            1 => [
                'kind' => 'cylinder',
                'by' => 'diameter',
                'round' => $in(4, 12),
                'length' => $in(20, 40),
                'z' => $in(4, 8),
                'effect' => $effect(),
            ] + $at,
            2 => [
                'kind' => 'cylinder',
                'by' => 'diameter',
                'round' => $in(4, 10),
                'length' => '100',
                'along' => ['x', 'y'][mt_rand(0, 1)],
                'x' => '-50',
                'y' => '-50',
                'z' => $in(3, 8),
                'effect' => 'cut',
            ],
            3 => [
                'kind' => 'cone',
                'by' => 'diameter',
                'round' => $in(8, 14),
                'tip' => $in(3, 6),
                'length' => $in(4, 12),
                'z' => $in(6, 20),
                'effect' => $effect(),
            ] + $at,
            4 => ['kind' => 'ball', 'by' => 'diameter', 'round' => $in(8, 20), 'z' => $in(0, 20), 'effect' => $effect()] + $at,
            5 => [
                'kind' => 'block',
                'width' => $in(5, 20),
                'depth' => $in(5, 20),
                'height' => $in(5, 30),
                'z' => $in(0, 15),
                'effect' => $effect(),
            ] + $at,
            6 => ['kind' => 'wedge', 'width' => $in(8, 20), 'depth' => $in(8, 20), 'height' => $in(6, 15), 'z' => $in(2, 15)] + $at,
            default => [
                'kind' => 'ring',
                'by' => 'diameter',
                'round' => $in(16, 24),
                'thick' => $in(3, 6),
                'z' => $in(4, 15),
                'effect' => $effect(),
            ] + $at,
        };
    }

    return $steps;
}

it('finds random parts right, as they are and as files', function (int $seed): void {
    $part = Parts::build(randomSteps($seed))->part();
    $reference = new PartMeasures($part);
    $meant = static fn(Requirement $r): bool => !$r->kind->isMaking() &&
        !$r->kind->isPrinting() &&
        !($r->kind instanceof Centred) &&
        !isset($r->where['about']);
    $exercise = new Exercise(
        Unit::Millimetre,
        Exercise::lettered(
            array_map(
                static fn(Requirement $r): Requirement => $r->change(asked: $meant($r)),
                Proposer::propose($reference, Unit::Millimetre),
            ),
        ),
    );
    $file = static fn(string $bytes): PartMeasures => new PartMeasures(SurfaceRecognition::of(MeshFile::read($bytes, Unit::Millimetre)[0]));
    foreach (
        [
            'itself' => new PartMeasures($part),
            'STL' => $file(StlFile::write($part)),
            '3MF' => $file(ThreeMfFile::write($part->moved(Transform::translation([13.7, -4.2, 0.0])))),
        ]
        as $how => $m
    ) {
        $report = Checker::check($m, $exercise, $reference);
        $wrong = array_filter(
            $report->rows,
            static fn(Row $r): bool => $r->status !== 'met' && !($r->status === 'unknown' && $r->kind === 'rounds'),
        );
        expect(array_map(static fn(Row $r): string => "$how: $r->id $r->measured $r->word", array_values($wrong)))
            ->toBe([])
            ->and($report->findings)
            ->toBe([], $how);
    }
})->with(range(1, (int) (getenv('PARTS') ?: 12)));
