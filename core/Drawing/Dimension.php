<?php

declare(strict_types=1);

namespace Cubo\Drawing;

/**
 * A dimension to be drawn in a view. Linear: from `a` to `b` along `axis` (0 right, 1 up), standing off on `side`.
 * Round: a leader from the circle with centre `a` and `radius`. View coordinates, mm.
 */
final readonly class Dimension
{
    /**
     * @param 'below'|'above'|'left'|'right'|'leader' $side
     * @param array{float,float} $a
     * @param array{float,float} $b
     * @param list<string> $letters of the requirements that this one dimension answers
     * @param list<string> $requirements their ids
     */
    public function __construct(
        public View $view,
        public string $side,
        public array $a,
        public array $b,
        public array $letters,
        public string $text,
        public array $requirements,
        public float $radius = 0.0,
    ) {}

    /** Whether the other one would be drawn along the same stretch with the same value. */
    public function repeats(self $o): bool
    {
        $k = $this->side === 'above' || $this->side === 'below' ? 0 : 1;

        return $this->side !== 'leader' &&
            $this->view === $o->view &&
            $this->side === $o->side &&
            $this->text === $o->text &&
            abs($this->a[$k] - $o->a[$k]) < 1e-6 &&
            abs($this->b[$k] - $o->b[$k]) < 1e-6;
    }

    public function joinedWith(self $o): self
    {
        return new self(
            $this->view,
            $this->side,
            $this->a,
            $this->b,
            [...$this->letters, ...$o->letters],
            $this->text,
            [...$this->requirements, ...$o->requirements],
            $this->radius,
        );
    }
}
