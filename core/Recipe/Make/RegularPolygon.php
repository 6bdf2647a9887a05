<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** A regular polygon as a step gives it: by its sides and its width across corners or flats. */
final readonly class RegularPolygon
{
    private const LEAST = 3;

    private function __construct(public int $sides, private bool $acrossFlats) {}

    /** @throws StepProblem */
    public static function of(Task $t): self
    {
        $n = (int) $t->number('sides');

        return $n >= self::LEAST
            ? new self($n, $t->text('across') === 'flats')
            : throw new StepProblem(new Message('no-polygon', 'This is no polygon.', 'It needs at least three sides.', 'sides'));
    }

    /** Of a number of sides that is fixed, by its width across the flats. */
    public static function acrossFlats(int $sides): self
    {
        return new self($sides, true);
    }

    /** Radius of the circle through the corners; across flats an odd polygon is as wide as its inner circle. */
    public function radius(float $width): float
    {
        return $width / 2 / ($this->acrossFlats ? cos(M_PI / $this->sides) : 1.0);
    }

    /** What is measured across its flats shows a flat to the right, so that a square one stands square. */
    public function turned(Solid $upright): Solid
    {
        return $this->acrossFlats ? $upright->moved(Transform::rotation(2, 180.0 / $this->sides)) : $upright;
    }
}
