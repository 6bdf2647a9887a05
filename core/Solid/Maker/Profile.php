<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

/**
 * A plane region to extrude: closed loops of points, outlines counter-clockwise and holes clockwise, each side
 * labelled with the curve it lies on.
 *
 * Point: [u, v] in mm. Curve of the side that starts at the point: ['name' => string, 'circle' => [cu, cv, r] | null].
 */
final readonly class Profile
{
    /** @param list<list<array{0:float,1:float,2:array{name:string,circle:array{float,float,float}|null}}>> $loops */
    public function __construct(public array $loops) {}
}
