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
     */
    public function __construct(
        public View $view,
        public string $side,
        public array $a,
        public array $b,
        public string $letter,
        public string $text,
        public string $requirement,
        public float $radius = 0.0,
    ) {}
}
