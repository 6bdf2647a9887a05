<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Measure\PartMeasures;
use Cubo\Measure\Symmetry;
use Cubo\Printing\PrintProfile;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Kind\Kind as StepKind;
use Cubo\Recipe\Kind\Kinds as StepKinds;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;

/** What the kinds of requirements share while it is read from a reference part what can be asked of it. */
final class Proposing
{
    /** Parts that differ from their mirror image by no more than the facets' rise are symmetric, mm. */
    public const ALIKE = 0.035;

    /** Sizes of a printer in inches are given to this many decimals. */
    private const INCH_DECIMALS = 2;

    /** @var array<int, bool> by axis */
    private array $symmetric = [];

    /** @param float $tolerance mm, that is proposed where nothing else is usual */
    public function __construct(
        public readonly PartMeasures $part,
        public readonly Unit $unit,
        public readonly float $tolerance,
        public readonly PrintProfile $profile,
        public readonly ?Recipe $recipe = null,
    ) {}

    public function isSymmetric(int $axis): bool
    {
        return $this->symmetric[$axis] ??=
            Symmetry::across($this->part->solid, $axis, $this->part->bounds(), $this->part->tree(), null, self::ALIKE)->deviation <
            self::ALIKE;
    }

    /** A size of the printer as it is written in the unit of the exercise. */
    public function neat(float $mm): float
    {
        $inch = Unit::Inch->inMillimetres();

        return $this->unit === Unit::Inch ? round($mm / $inch, self::INCH_DECIMALS) * $inch : $mm;
    }

    /** @return array<string, StepKind> by id, those that the reference part is made with; none where it was not made here */
    public function stepKinds(): array
    {
        $used = array_flip(array_map(static fn(Step $s): string => $s->kind->id(), $this->steps()));

        return array_intersect_key(StepKinds::all(), $used);
    }

    /** Whether there is a sketch among its steps. */
    public function draws(): bool
    {
        return array_filter($this->steps(), static fn(Step $s): bool => $s->kind->draws()) !== [];
    }

    /** @return list<Step> steps that are switched on */
    private function steps(): array
    {
        return array_values(array_filter($this->recipe->steps ?? [], static fn(Step $s): bool => !$s->off));
    }
}
