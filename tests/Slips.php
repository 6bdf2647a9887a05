<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Check\Checker;
use Cubo\Check\Exercise;
use Cubo\Check\Making\Making;
use Cubo\Check\Proposer;
use Cubo\Check\Report;
use Cubo\Check\Requirement;
use Cubo\Exchange\MeshFile;
use Cubo\Exchange\StlFile;
use Cubo\Exchange\ThreeMfFile;
use Cubo\Geometry\Transform;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Recipe;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/** Seven invented parts of a weather station and a garden, and slips put into them: by changed steps or on the solid. */
final class Slips
{
    private const ASKED = [
        'size',
        'hole-diameter',
        'hole-place',
        'hole-depth',
        'pin-diameter',
        'pin-place',
        'pin-height',
        'face-distance',
        'slot-length',
        'slot-width',
        'hole-count',
        'taper',
        'volume',
        'symmetry',
        'bodies',
        'closed',
        'standing',
    ];

    /** @var array<string, list<Requirement>> */
    private static array $proposed = [];

    /** @var array<string, PartMeasures> */
    private static array $references = [];

    /** @return array<string, list<array<string, mixed>>> steps by part; nothing in them is symmetric in all directions */
    public static function parts(): array
    {
        $cut = ['effect' => 'cut'];
        $hole = static fn(string $round, string $x, string $y, string $length = '80', string $z = '-20'): array => [
            'kind' => 'cylinder',
            'by' => 'diameter',
            'round' => $round,
            'length' => $length,
            'x' => $x,
            'y' => $y,
            'z' => $z,
            'effect' => 'cut',
        ];

        return [
            // same in front and behind
            'corner block' => [
                ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '24'],
                [
                    'kind' => 'block',
                    'from' => 'corner',
                    'width' => '20',
                    'depth' => '40',
                    'height' => '12',
                    'x' => '10',
                    'y' => '-20',
                    'z' => '12',
                ] + $cut,
                $hole('8', '-15', '0'),
            ],
            'bracket' => [
                [
                    'kind' => 'sketch',
                    'plane' => 'front',
                    'shapes' => [
                        ['kind' => 'rectangle', 'from' => 'corner', 'u' => '-36', 'v' => '0', 'width' => '72', 'height' => '9'],
                        ['kind' => 'rectangle', 'from' => 'corner', 'u' => '-36', 'v' => '9', 'width' => '9', 'height' => '39'],
                    ],
                ],
                ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '32', 'extent' => 'middle'],
                $hole('6', '18', '7'),
                [
                    'kind' => 'cylinder',
                    'by' => 'diameter',
                    'round' => '13',
                    'length' => '40',
                    'along' => 'x',
                    'x' => '-50',
                    'y' => '0',
                    'z' => '34',
                ] + $cut,
            ],
            'hub' => [
                ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '54', 'length' => '7'],
                ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '26', 'length' => '18', 'z' => '7'],
                $hole('11', '0', '0'),
                $hole('5', '19', '0'),
                $hole('5', '-19', '0'),
                $hole('5', '0', '19'),
                $hole('5', '0', '-19'),
                [
                    'kind' => 'block',
                    'from' => 'corner',
                    'width' => '16',
                    'depth' => '4',
                    'height' => '9',
                    'x' => '4',
                    'y' => '-2',
                    'z' => '16',
                ] + $cut,
            ],
            'tray foot' => [
                ['kind' => 'block', 'width' => '46', 'depth' => '34', 'height' => '8'],
                ['kind' => 'cone', 'by' => 'diameter', 'round' => '28', 'tip' => '18', 'length' => '21', 'x' => '-4', 'z' => '8'],
                ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '7', 'length' => '30', 'x' => '-4', 'z' => '14'] + $cut,
                [
                    'kind' => 'block',
                    'from' => 'corner',
                    'width' => '8',
                    'depth' => '6',
                    'height' => '20',
                    'x' => '15',
                    'y' => '-17',
                    'z' => '-5',
                ] + $cut,
            ],
            'post cap' => [
                ['kind' => 'block', 'width' => '52', 'depth' => '38', 'height' => '16'],
                ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '14', 'length' => '23', 'x' => '11', 'y' => '4', 'z' => '16'],
                ['kind' => 'block', 'width' => '17', 'depth' => '22', 'height' => '20', 'x' => '-14', 'z' => '9'] + $cut,
                [
                    'kind' => 'cylinder',
                    'by' => 'diameter',
                    'round' => '4',
                    'length' => '60',
                    'along' => 'y',
                    'x' => '19',
                    'y' => '-30',
                    'z' => '6',
                ] + $cut,
            ],
            'gauge shelf' => [
                [
                    'kind' => 'sketch',
                    'plane' => 'ground',
                    'shapes' => [
                        ['kind' => 'rectangle', 'from' => 'corner', 'u' => '-42', 'v' => '-15', 'width' => '84', 'height' => '30'],
                        ['kind' => 'rectangle', 'from' => 'corner', 'u' => '10', 'v' => '15', 'width' => '23', 'height' => '13'],
                        ['kind' => 'circle', 'u' => '-27', 'v' => '0', 'by' => 'diameter', 'round' => '12'],
                        ['kind' => 'circle', 'u' => '21', 'v' => '-3', 'by' => 'diameter', 'round' => '17'],
                    ],
                ],
                ['kind' => 'extrude', 'sketch' => 's1', 'regions' => [1, 4], 'distance' => '6'],
                ['kind' => 'block', 'width' => '5', 'depth' => '30', 'height' => '19', 'x' => '-2', 'z' => '6'],
            ],
            'vane arm' => [
                ['kind' => 'block', 'width' => '96', 'depth' => '14', 'height' => '10'],
                ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '24', 'length' => '31', 'x' => '-36'],
                ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '9', 'length' => '60', 'x' => '-36', 'z' => '-10'] + $cut,
                $hole('3', '15', '0'),
                $hole('3', '27', '0'),
                $hole('3', '39', '0'),
            ],
        ];
    }

    /** @param list<array<string, mixed>> $steps */
    public static function exercise(array $steps, string $unit = 'mm', bool $turned = false): Exercise
    {
        $u = Unit::from($unit);
        $proposed = self::$proposed[json_encode([$steps, $unit])] ??= Proposer::propose(self::reference($steps, $unit), $u);

        return new Exercise(
            $u,
            Exercise::lettered(
                array_map(
                    static fn(Requirement $r): Requirement => $r->change(
                        asked: in_array($r->kind->id(), self::ASKED, true) && ($r->where['about'] ?? '') === '',
                    ),
                    $proposed,
                ),
            ),
            'Part',
            $turned,
        );
    }

    /**
     * Measured once: many slips are put into the same part.
     *
     * @param list<array<string, mixed>> $steps
     */
    public static function reference(array $steps, string $unit = 'mm'): PartMeasures
    {
        return self::$references[json_encode([$steps, $unit])] ??= Parts::measure($steps, $unit);
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param array<int, array<string, mixed>|null> $changes by step from 0; null leaves it out
     * @param list<array<string, mixed>> $more
     * @return list<array<string, mixed>>
     */
    public static function changed(array $steps, array $changes, array $more = []): array
    {
        foreach ($changes as $i => $c) {
            // a step that is left out keeps its number, so that others still find theirs
            $steps[$i] = $c === null ? [...$steps[$i], 'off' => true] : [...$steps[$i], ...$c];
        }

        return [...$steps, ...$more];
    }

    /**
     * @param list<array<string, mixed>> $reference
     * @param list<array<string, mixed>> $part
     */
    public static function ofRecipe(array $reference, array $part, string $unit = 'mm'): Report
    {
        $recipe = Parts::recipe($part, $unit);
        $state = (new Evaluator())->evaluate($recipe);

        return Checker::check(
            new PartMeasures($state->part()),
            self::exercise($reference),
            self::reference($reference),
            new Making($recipe, static fn(Recipe $r) => (new Evaluator())->evaluate($r)),
        );
    }

    /** @param list<array<string, mixed>> $reference */
    public static function ofSolid(array $reference, Solid $solid, bool $turned = false): Report
    {
        return Checker::check(new PartMeasures($solid), self::exercise($reference, 'mm', $turned), self::reference($reference));
    }

    /** As a file from elsewhere, in one of several formats. */
    public static function mesh(Solid $s, string $format = 'stl'): Solid
    {
        $bytes = match ($format) {
            'ply' => Meshes::ply($s),
            '3mf' => ThreeMfFile::write($s, 'part'),
            default => StlFile::write($s),
        };

        return SurfaceRecognition::of(MeshFile::read($bytes, Unit::Millimetre)[0]);
    }

    /** @return array<string, Solid> slips of the whole part, by name */
    public static function whole(Solid $s): array
    {
        $b = (new PartMeasures($s))->bounds();
        $size = $b->size();
        $out = [
            'unit' => $s->scaled(25.4, 25.4, 25.4),
            'unit (small)' => $s->scaled(1 / 25.4, 1 / 25.4, 1 / 25.4),
            'scaled' => $s->scaled(10, 10, 10),
            'turned' => $s->moved(Transform::rotation(2, 90)),
            'turned (upside down)' => $s->moved(Transform::rotation(0, 180))->moved(Transform::translation([0.0, 0.0, $size[2]])),
            'turned (on its side)' => $s->moved(Transform::rotation(0, 90)),
            'half-below' => $s->moved(Transform::translation([0.0, 0.0, -$size[2] / 2])),
            'below-ground' => $s->moved(Transform::translation([0.0, 0.0, -$size[2]])),
            'above-ground' => $s->moved(Transform::translation([0.0, 0.0, 5.0])),
            'left-over' => $s->beside(Primitives::block('rest', [$b->max[0] + 6, 0.0, 0.0], [7.0, 6.0, 5.0])),
        ];

        return $out;
    }

    /** On its left side, standing on the ground. */
    public static function laid(Solid $s): Solid
    {
        $laid = $s->moved(Transform::rotation(1, 90));

        return $laid->moved(Transform::translation([0.0, 0.0, -$laid->vertexBox()[2]]));
    }

    /** One half of a part, up to a plane across an axis. */
    public static function half(Solid $s, int $axis): Solid
    {
        $b = (new PartMeasures($s))->bounds();
        $min = array_map(static fn(float $v): float => $v - 1, $b->min);
        $size = array_map(static fn(float $v): float => $v + 2, $b->size());
        $size[$axis] /= 2;

        return BooleanOperation::intersection($s, Primitives::block('half', $min, $size));
    }
}
