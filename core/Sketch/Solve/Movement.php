<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

/** How a point or entity can still move. */
final readonly class Movement
{
    /**
     * @param int $ways 0 to 2 for a point or middle: not at all, along a line, anywhere
     * @param array{float,float}|null $along the direction, when there is just one
     * @param bool $size whether its radius can change
     */
    public function __construct(public int $ways, public ?array $along = null, public bool $size = false) {}

    /** @param string $what for instance "the circle" */
    public function words(string $what): string
    {
        $how = match (true) {
            $this->ways === 2 => 'can move anywhere',
            $this->along === null => '',
            abs($this->along[1]) < 1e-6 => 'can slide left and right',
            abs($this->along[0]) < 1e-6 => 'can slide up and down',
            default => 'can slide at ' . round(fmod(rad2deg(atan2($this->along[1], $this->along[0])) + 180, 180)) . '°',
        };

        return trim("$what $how" . ($this->size ? ($how === '' ? 'can' : ' and') . ' change its size' : ''));
    }
}
