<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

use Cubo\Geometry\PlaneCurve;

/** A curve that bounds areas, run through by a parameter; coordinates (u, v) in mm. */
interface Curve
{
    /** Of the line or outline it belongs to; faces that grow from it bear it. */
    public function name(): string;

    public function from(): float;

    /** Greater than from(). */
    public function to(): float;

    /** @return array{float,float} */
    public function at(float $t): array;

    /** @return array{float,float} derivative of at() by the parameter, never none */
    public function slope(float $t): array;

    /** Curvature, positive where it bends to the left, 1/mm. */
    public function bend(float $t): float;

    /**
     * A box around the stretch between two parameters; it need not be the smallest.
     *
     * @return array{float,float,float,float} least u and v, greatest u and v
     */
    public function box(float $a, float $b): array;

    /** Twice the area between the stretch and the origin, counter-clockwise positive, mm2. */
    public function sweep(float $a, float $b): float;

    /**
     * The nearest place to a point.
     *
     * @param array{float,float} $p
     * @return array{float, float} parameter and distance
     */
    public function nearest(array $p): array;

    /**
     * Parameters between which the curve may be drawn straight, at the usual fineness.
     *
     * @return list<float> strictly between both, ascending
     */
    public function inner(float $a, float $b): array;

    /** @return array{float,float,float}|null middle and radius, when it is round */
    public function circle(): ?array;

    /** The ellipse or spline of which it is a part, if it is any. */
    public function drawn(): ?PlaneCurve;
}
