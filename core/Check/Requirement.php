<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Check\Tolerance\Tolerance;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;

/**
 * One thing asked of a part. `nominal` is in mm, mm2, mm3 or a count and is read from the reference part; hole places
 * and beds hold their numbers in `where`. `tolerance` is in mm, except for volumes, where it is in percent.
 *
 * where: axis (0, 1, 2) for sizes, holes, symmetry; for holes also u, v (mm from the left, front or bottom outermost
 * face, the two axes in order x, y, z without the hole's own) and siblings (holes along that axis); for face distances
 * axis, low, high (mm from the least face) and the faces' directions lowSign, highSign; for beds x, y, z.
 */
final readonly class Requirement
{
    /** @param array<string, float|int> $where */
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
        $where = array_map(static fn (mixed $v): float|int => is_int($v) || is_float($v) ? $v : throw new UnreadableExercise('"where" holds numbers only.'), (array) ($a['where'] ?? []));

        foreach ($kind->whereKeys() as $key) {
            if (! isset($where[$key])) {
                throw new UnreadableExercise("The requirement \"{$kind->value}\" needs a number as \"where\".\"$key\".");
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

    public function change(?string $label = null, ?float $nominal = null, ?float $tolerance = null, ?int $points = null, ?bool $asked = null, ?string $letter = null): self
    {
        return new self($this->id, $this->kind, $label ?? $this->label, $nominal ?? $this->nominal, $tolerance ?? $this->tolerance,
            $points ?? $this->points, $asked ?? $this->asked, $this->where, $letter ?? $this->letter, $this->as);
    }

    /** Whether a hole is asked to go through. */
    public function goesThrough(): bool
    {
        return $this->kind === RequirementKind::HoleDepth && $this->nominal <= 0;
    }

    /** How far a length may be off. */
    public function limits(Unit $unit): Tolerance
    {
        try {
            return $this->as === '' ? Tolerance::between(-$this->tolerance, $this->tolerance) : Tolerance::typed($this->as, $this->nominal, $unit);
        } catch (UnreadableExpression) {
            // the form and the file were read before; a size that has left the table since keeps what it had
            return Tolerance::between(-$this->tolerance, $this->tolerance);
        }
    }

    /** What the drawing or the teacher asks, as text. */
    public function askedText(Unit $unit): string
    {
        return match ($this->kind) {
            RequirementKind::HoleDiameter => '⌀ ' . $unit->brief($this->nominal),
            RequirementKind::HolePlace => $unit->brief((float) $this->where['u']) . ', ' . $unit->brief((float) $this->where['v']),
            RequirementKind::HoleDepth => $this->goesThrough() ? 'through' : $unit->brief($this->nominal) . ' deep',
            RequirementKind::Volume => self::volume($this->nominal, $unit),
            RequirementKind::Symmetry => 'mirror',
            RequirementKind::Bodies => (string) (int) $this->nominal,
            RequirementKind::Closed => 'closed',
            RequirementKind::FitsBed => implode(' × ', array_map(fn (string $k): string => $unit->brief((float) $this->where[$k]), ['x', 'y', 'z'])),
            RequirementKind::Standing => 'at least ' . self::area($this->nominal, $unit),
            RequirementKind::Wall => 'at least ' . $unit->brief($this->nominal),
            default => $unit->brief($this->nominal),
        };
    }

    public function toleranceText(Unit $unit): string
    {
        return match (true) {
            ! $this->kind->hasTolerance(), $this->goesThrough() => '',
            $this->kind === RequirementKind::Volume => '±' . Number::brief($this->tolerance, 2) . ' %',
            $this->kind === RequirementKind::Symmetry, $this->kind === RequirementKind::HolePlace => 'within ' . $unit->brief($this->tolerance),
            $this->as !== '' => (preg_match('/^[A-Za-z]/', $this->as) ? "$this->as " : '') . $this->limits($unit)->text($unit),
            default => '±' . $unit->brief($this->tolerance),
        };
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
