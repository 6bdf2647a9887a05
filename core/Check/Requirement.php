<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Check\Kind\Feature;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Sort;
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
    /** @param array<string, float|int|string> $where */
    public function __construct(
        public string $id,
        public Kind $kind,
        public string $label,
        public float $nominal,
        public float $tolerance,
        public int $points,
        public bool $asked,
        public array $where = [],
        public string $letter = '',
        public string $as = '',
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind->id(),
            'label' => $this->label,
            'nominal' => $this->nominal,
            'tolerance' => $this->tolerance,
            'points' => $this->points,
            'asked' => $this->asked,
            'where' => $this->where,
            'letter' => $this->letter,
        ] + ($this->as === '' ? [] : ['as' => $this->as]);
    }

    /**
     * With another size and place of the reference part.
     *
     * @param array<string, float|int|string> $where
     */
    public function placed(float $nominal, array $where): self
    {
        return new self(
            $this->id,
            $this->kind,
            $this->label,
            $nominal,
            $this->tolerance,
            $this->points,
            $this->asked,
            $where,
            $this->letter,
            $this->as,
        );
    }

    public function change(
        ?string $label = null,
        ?float $nominal = null,
        ?float $tolerance = null,
        ?int $points = null,
        ?bool $asked = null,
        ?string $letter = null,
    ): self {
        return new self(
            $this->id,
            $this->kind,
            $label ?? $this->label,
            $nominal ?? $this->nominal,
            $tolerance ?? $this->tolerance,
            $points ?? $this->points,
            $asked ?? $this->asked,
            $this->where,
            $letter ?? $this->letter,
            $this->as,
        );
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
        return $this->kind->mustHold($this->nominal) && $this->kind->of() === Feature::Hole;
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
            $as = abs($t->lower + $t->upper) < 1e-9 && !preg_match('/[a-z]/i', $typed) ? '' : $typed;
        } elseif ($this->kind->isAngle() && ($class = GeneralTolerances::named($typed)) !== null) {
            $by =
                $class->angle($this->number('side')) ??
                throw new UnreadableExpression('How long the sides of this angle are is not known; type degrees.');
            $as = $typed;
        } else {
            $by =
                $this->kind->isShare() || $this->kind->isAngle()
                    ? Expression::number(rtrim($typed, ' %°'))
                    : Expression::length($typed, $unit);
        }
        if ($by < 0 || $by > 1000) {
            throw new UnreadableExpression($by < 0 ? 'A tolerance is not below zero.' : 'A tolerance is at most a metre.');
        }

        return new self(
            $this->id,
            $this->kind,
            $this->label,
            $this->nominal,
            $by,
            $this->points,
            $this->asked,
            $this->where,
            $this->letter,
            $as,
        );
    }

    /** How far a length may be off. */
    public function limits(Unit $unit): Tolerance
    {
        try {
            return $this->as === ''
                ? Tolerance::between(-$this->tolerance, $this->tolerance)
                : Tolerance::typed($this->as, $this->nominal, $unit, $this->kind->isEdge());
        } catch (UnreadableExpression) {
            // the form and the file were read before; a size that has left the table since keeps what it had
            return Tolerance::between(-$this->tolerance, $this->tolerance);
        }
    }

    /** What the drawing or the teacher asks, as text. */
    public function askedText(Unit $unit): string
    {
        return $this->kind->asked($this->nominal, $this->where, $unit);
    }

    public function toleranceText(Unit $unit): string
    {
        return match (true) {
            !$this->kind->hasTolerance(), $this->goesThrough() => '',
            $this->kind->isShare() => '±' . Number::brief($this->tolerance, 2) . ' %',
            $this->kind->isAngle() => ($this->as === '' ? '' : "$this->as ") . '±' . Number::brief($this->tolerance, 2) . '°',
            $this->kind->sort() === Sort::Off => 'within ' . $unit->brief($this->tolerance),
            $this->as !== '' => (preg_match('/^[A-Za-z]/', $this->as) ? "$this->as " : '') . $this->limits($unit)->text($unit),
            default => '±' . $unit->brief($this->tolerance),
        };
    }
}
