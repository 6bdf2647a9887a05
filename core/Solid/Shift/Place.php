<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Cubo\Solid\Surface;

/**
 * Where a face is to come to lie.
 *
 * @phpstan-type V array{float,float,float}
 */
interface Place
{
    /** The surface there, with the face's name. */
    public function surface(): Surface;

    /**
     * Signed distance from it, positive outside of the solid.
     *
     * @param V $p
     */
    public function distance(array $p): float;

    /**
     * Outward unit normal.
     *
     * @param V $p
     * @return V
     */
    public function normal(array $p): array;

    /**
     * Where a point of the face comes to lie if nothing else holds it.
     *
     * @param V $p
     * @return V
     */
    public function start(array $p): array;
}
