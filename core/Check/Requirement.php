<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Check\Tolerance\GeneralTolerances;
use Cubo\Check\Tolerance\Tolerance;
use Cubo\Quantity\Expression;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;

/**
 * One thing asked of a part. `nominal` is in mm, mm2, mm3, g, degrees or a count and is read from the reference part,
 * except for limits, which the teacher states. `tolerance` is in mm; in percent for volume, area and mass; in degrees for
 * angles.
 *
 * where: axis (0, 1, 2) for all that has a direction; u, v (mm from the left, front or bottom outermost face, the two axes
 * in order x, y, z without its own) for holes, pins and slots, with siblings (holes along that axis) and nth (which of
 * several on one axis, by width); u2, v2 for the second hole of a distance; diameter and count for patterns; axis, low,
 * high (mm from the least face) and the faces' directions lowSign, highSign for face distances; nx, ny, nz for slanting
 * faces, side (mm, the shorter one) for angles; from, to (kinds of data), x1, y1, z1, x2, y2, z2 and the directions nx1 ... nz2 for distances between any two data and
 * for the middle between two faces; x, y, z for beds and centroids; density (g/cm3) for masses; degrees and bridge for overhangs; about ("origin" or
 * "faces") for symmetry; order for rotation; step (a kind of step), size, was, becomes (as typed) for how it is made.
 */
final readonly class Requirement
{
    /** Keys of "where" that hold text. */
    private const WORDS = ['about', 'step', 'size', 'was', 'becomes', 'from', 'to'];

    /** @param array<string, float|int|string> $where */
    public function __construct(
        public string $id,
        public RequirementKind $kind,
        public string $label,
        public float $nominal,
        public float $tolerance,
        public int $points,
        public bool $asked,
        public array $where = [],
        public string $letter = '',
        public string $as = '',
    ) {}

    /**
     * @param mixed $a
     *
     * @throws UnreadableExercise
     */
    public static function fromArray(mixed $a): self
    {
        if (! is_array($a)) {
            throw new UnreadableExercise('A requirement is an object with "kind", "nominal" and "tolerance".');
        }
        $kind = RequirementKind::tryFrom((string) ($a['kind'] ?? '')) ?? throw new UnreadableExercise('A requirement\'s "kind" is none of ' . implode(', ', array_column(RequirementKind::cases(), 'value')) . '.');
        foreach (['nominal', 'tolerance'] as $key) {
            if (! is_int($a[$key] ?? null) && ! is_float($a[$key] ?? null)) {
                throw new UnreadableExercise("The requirement \"{$kind->value}\" needs a number as \"$key\".");
            }
        }
        $where = [];
        foreach ((array) ($a['where'] ?? []) as $key => $v) {
            $word = in_array($key, self::WORDS, true);
            if ($word ? ! is_string($v) : ! is_int($v) && ! is_float($v)) {
                throw new UnreadableExercise("\"where\".\"$key\" must be " . ($word ? 'text.' : 'a number.'));
            }
            $where[$key] = is_string($v) ? mb_substr($v, 0, 40) : $v;
        }
        foreach ($kind->whereKeys() as $key) {
            if (! isset($where[$key])) {
                throw new UnreadableExercise("The requirement \"{$kind->value}\" needs " . (in_array($key, self::WORDS, true) ? 'text' : 'a number') . " as \"where\".\"$key\".");
            }
        }
        if (isset($where['axis']) && ! in_array($where['axis'], [0, 1, 2], true)) {
            throw new UnreadableExercise('An "axis" is 0 (x), 1 (y) or 2 (z).');
        }

        return new self(
            (string) ($a['id'] ?? $kind->value), $kind, (string) ($a['label'] ?? $kind->value), (float) $a['nominal'], (float) $a['tolerance'],
            (int) ($a['points'] ?? 1), (bool) ($a['asked'] ?? true), $where, (string) ($a['letter'] ?? ''),
            is_string($a['as'] ?? null) ? mb_substr($a['as'], 0, 40) : '',
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'kind' => $this->kind->value, 'label' => $this->label, 'nominal' => $this->nominal, 'tolerance' => $this->tolerance,
            'points' => $this->points, 'asked' => $this->asked, 'where' => $this->where, 'letter' => $this->letter] + ($this->as === '' ? [] : ['as' => $this->as]);
    }

    /**
     * With another size and place of the reference part.
     *
     * @param array<string, float|int|string> $where
     */
    public function placed(float $nominal, array $where): self
    {
        return new self($this->id, $this->kind, $this->label, $nominal, $this->tolerance, $this->points, $this->asked, $where, $this->letter, $this->as);
    }

    public function change(?string $label = null, ?float $nominal = null, ?float $tolerance = null, ?int $points = null, ?bool $asked = null, ?string $letter = null): self
    {
        return new self($this->id, $this->kind, $label ?? $this->label, $nominal ?? $this->nominal, $tolerance ?? $this->tolerance,
            $points ?? $this->points, $asked ?? $this->asked, $this->where, $letter ?? $this->letter, $this->as);
    }

    /** 0, 1 or 2. */
    public function axis(): int
    {
        return (int) $this->where['axis'];
    }

    /** A number of "where", 0 when there is none. */
    public function number(string $key): float
    {
        return (float) ($this->where[$key] ?? 0.0);
    }

    /** Whether a hole is asked to go through. */
    public function goesThrough(): bool
    {
        return $this->kind === RequirementKind::HoleDepth && $this->nominal <= 0;
    }

    /**
     * With a tolerance as a teacher types it: for a length all that Tolerance reads, for an angle degrees or a class of
     * ISO 2768, for an amount percent, else a length.
     *
     * @throws UnreadableExpression with the reason in words
     */
    public function within(string $typed, Unit $unit): self
    {
        $typed = trim(mb_substr($typed, 0, 40));
        $as = '';
        if ($this->kind->isLength()) {
            $t = Tolerance::typed($typed, $this->nominal, $unit, $this->kind->isEdge());
            $by = max(abs($t->lower), abs($t->upper));
            // plus and minus the same needs no other form
            $as = abs($t->lower + $t->upper) < 1e-9 && ! preg_match('/[a-z]/i', $typed) ? '' : $typed;
        } elseif ($this->kind->isAngle() && ($class = GeneralTolerances::named($typed)) !== null) {
            $by = $class->angle($this->number('side')) ?? throw new UnreadableExpression('How long the sides of this angle are is not known; type degrees.');
            $as = $typed;
        } else {
            $by = $this->kind->isShare() || $this->kind->isAngle() ? Expression::number(rtrim($typed, ' %°')) : Expression::length($typed, $unit);
        }
        if ($by < 0 || $by > 1000) {
            throw new UnreadableExpression($by < 0 ? 'A tolerance is not below zero.' : 'A tolerance is at most a metre.');
        }

        return new self($this->id, $this->kind, $this->label, $this->nominal, $by, $this->points, $this->asked, $this->where, $this->letter, $as);
    }

    /** How far a length may be off. */
    public function limits(Unit $unit): Tolerance
    {
        try {
            return $this->as === '' ? Tolerance::between(-$this->tolerance, $this->tolerance) : Tolerance::typed($this->as, $this->nominal, $unit, $this->kind->isEdge());
        } catch (UnreadableExpression) {
            // the form and the file were read before; a size that has left the table since keeps what it had
            return Tolerance::between(-$this->tolerance, $this->tolerance);
        }
    }

    /** What the drawing or the teacher asks, as text. */
    public function askedText(Unit $unit): string
    {
        $length = $unit->brief($this->nominal);

        return match ($this->kind) {
            RequirementKind::HoleDiameter, RequirementKind::PinDiameter, RequirementKind::SinkDiameter, RequirementKind::PitchCircle => "⌀ $length",
            RequirementKind::HolePlace, RequirementKind::PinPlace => $unit->brief($this->number('u')) . ', ' . $unit->brief($this->number('v')),
            RequirementKind::HoleDepth => $this->goesThrough() ? 'through' : "$length deep",
            RequirementKind::Volume => self::volume($this->nominal, $unit),
            RequirementKind::Area => self::area($this->nominal, $unit),
            RequirementKind::Mass => self::grams($this->nominal, $unit),
            RequirementKind::Symmetry => 'mirror',
            RequirementKind::NotSymmetric => 'no mirror',
            RequirementKind::Rotation => (int) $this->number('order') . ' alike',
            RequirementKind::Bodies => (string) (int) $this->nominal,
            RequirementKind::HoleCount => (int) $this->nominal . ' of ⌀ ' . $unit->brief($this->number('diameter')),
            RequirementKind::Rounds => (int) $this->number('count') . ' × R ' . $length,
            RequirementKind::Chamfers => (int) $this->number('count') . ' × ' . $length . ' × 45°',
            RequirementKind::Closed => 'closed',
            RequirementKind::Centred => 'on the origin',
            RequirementKind::Pose => 'as drawn',
            RequirementKind::Centroid => implode(', ', array_map(fn (string $k): string => $unit->show($this->number($k)), ['x', 'y', 'z'])),
            RequirementKind::FitsBed => implode(' × ', array_map(fn (string $k): string => $unit->brief($this->number($k)), ['x', 'y', 'z'])),
            RequirementKind::Shape => 'at least ' . Number::brief($this->nominal, 1) . ' % in common',
            RequirementKind::Standing => 'at least ' . self::area($this->nominal, $unit),
            RequirementKind::Wall, RequirementKind::Gap => "at least $length",
            RequirementKind::Overhang => 'at most ' . self::area($this->nominal, $unit),
            RequirementKind::Bridge => "at most $length",
            RequirementKind::Tips => 'at least ' . Number::brief($this->nominal, 1) . '°',
            RequirementKind::Islands, RequirementKind::Hollow, RequirementKind::EdgeContact => 'none',
            RequirementKind::SinkAngle, RequirementKind::Taper, RequirementKind::Angle => Number::brief($this->nominal, 2) . '°',
            RequirementKind::StepUsed => (string) $this->where['step'],
            RequirementKind::StepAvoided => 'no ' . $this->where['step'],
            RequirementKind::StepsMost => 'at most ' . (int) $this->nominal,
            RequirementKind::SketchesSettled => 'all settled',
            RequirementKind::SketchTied => 'tied',
            RequirementKind::TwoWays => 'two ways',
            RequirementKind::WhatIf => $this->where['size'] . ' becomes ' . $this->where['becomes'],
            default => $length,
        };
    }

    public function toleranceText(Unit $unit): string
    {
        return match (true) {
            ! $this->kind->hasTolerance(), $this->goesThrough() => '',
            $this->kind->isShare() => '±' . Number::brief($this->tolerance, 2) . ' %',
            $this->kind->isAngle() => ($this->as === '' ? '' : "$this->as ") . '±' . Number::brief($this->tolerance, 2) . '°',
            $this->kind->isPlace(), $this->kind === RequirementKind::Symmetry, $this->kind === RequirementKind::Rotation => 'within ' . $unit->brief($this->tolerance),
            $this->as !== '' => (preg_match('/^[A-Za-z]/', $this->as) ? "$this->as " : '') . $this->limits($unit)->text($unit),
            default => '±' . $unit->brief($this->tolerance),
        };
    }

    public static function grams(float $g, Unit $unit): string
    {
        return $unit === Unit::Inch ? Number::show($g / 453.59237, 4) . ' lb' : Number::show($g, 2) . ' g';
    }

    public static function volume(float $mm3, Unit $unit): string
    {
        return $unit === Unit::Inch ? Number::show($mm3 / 25.4 ** 3, 3) . ' in³' : Number::large($mm3) . ' mm³';
    }

    public static function area(float $mm2, Unit $unit): string
    {
        return $unit === Unit::Inch ? Number::show($mm2 / 25.4 ** 2, 3) . ' in²' : Number::large($mm2) . ' mm²';
    }
}
