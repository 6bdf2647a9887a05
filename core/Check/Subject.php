<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Budget\OverBudget;
use Cubo\Check\Comparing\Alignment;
use Cubo\Check\Making\Making;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;

/** A part under check, in the pose it is compared in, with all that is known beside its geometry. */
final class Subject
{
    public readonly Unit $unit;

    /** @var array<int, Alignment|null> without and with mirrored ways */
    private array $fits = [];

    /**
     * @param PartMeasures|null $reference the part the exercise was read from; without it nothing is compared with it
     * @param Making|null $making how the part was made; none for a file
     */
    public function __construct(
        public readonly PartMeasures $part,
        public readonly Exercise $exercise,
        public readonly ?PartMeasures $reference = null,
        public readonly ?Making $making = null,
    ) {
        $this->unit = $exercise->unit;
    }

    /** How it is laid over the reference part best, found once: pose, shape and slips ask for the same. */
    public function fit(bool $mirrored = false): ?Alignment
    {
        if (!array_key_exists((int) $mirrored, $this->fits)) {
            $this->fits[(int) $mirrored] = $this->reference === null ? null : Alignment::best($this->part, $this->reference, $mirrored);
        }

        return $this->fits[(int) $mirrored];
    }

    /**
     * Does a piece of the check with so many units at the most, on the part and on what it is compared with.
     *
     * @template T
     *
     * @param callable(): T $work
     * @return T
     *
     * @throws OverBudget
     */
    public function within(int $units, callable $work): mixed
    {
        return $this->part->budget->within(
            $units,
            fn() => $this->reference === null ? $work() : $this->reference->budget->within($units, $work),
        );
    }

    public function inPose(PartMeasures $part): self
    {
        return new self($part, $this->exercise, $this->reference, $this->making);
    }
}
