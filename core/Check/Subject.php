<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;

/** A part under check, in the pose it is compared in, with all that is known beside its geometry. */
final readonly class Subject
{
    public Unit $unit;

    /**
     * @param PartMeasures|null $reference the part the exercise was read from; without it nothing is compared with it
     * @param Making|null $making how the part was made; none for a file
     */
    public function __construct(
        public PartMeasures $part,
        public Exercise $exercise,
        public ?PartMeasures $reference = null,
        public ?Making $making = null,
    ) {
        $this->unit = $exercise->unit;
    }

    public function inPose(PartMeasures $part): self
    {
        return new self($part, $this->exercise, $this->reference, $this->making);
    }
}
