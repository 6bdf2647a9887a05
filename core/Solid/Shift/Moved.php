<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\Layer\Inset;
use Cubo\Solid\Surface;

/**
 * A face moved as a whole, without being turned.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Moved implements Place
{
    /** @param V $by mm */
    public function __construct(private Inset $inset, private int $face, private array $by) {}

    public function surface(): Surface
    {
        return $this->inset->skin->faces[$this->face]->surface->moved(Transform::translation($this->by));
    }

    public function distance(array $p): float
    {
        return $this->inset->distance($this->face, Vector::sub($p, $this->by));
    }

    public function normal(array $p): array
    {
        return $this->inset->normal($this->face, Vector::sub($p, $this->by));
    }

    public function start(array $p): array
    {
        return Vector::add($p, $this->by);
    }
}
