<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Cubo\Geometry\Vector;
use Cubo\Solid\Layer\Inset;
use Cubo\Solid\Surface;

/** A round face with another radius. */
final readonly class Offset implements Place
{
    /** @param Inset $inset of a skin that moves this face */
    public function __construct(private Inset $inset, private int $face) {}

    public function surface(): Surface
    {
        return $this->inset->surface($this->face, $this->inset->skin->faces[$this->face]->surface->name);
    }

    public function distance(array $p): float
    {
        return $this->inset->distance($this->face, $p) - $this->inset->skin->faces[$this->face]->by;
    }

    public function normal(array $p): array
    {
        return $this->inset->normal($this->face, $p);
    }

    public function start(array $p): array
    {
        return Vector::add($p, $this->normal($p), $this->inset->skin->faces[$this->face]->by);
    }
}
