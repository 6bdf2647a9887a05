<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * The arrays of both operands side by side, with one common table of facets: Q's facet numbers are shifted behind
 * P's, and turned-over facets (Q's walls after a subtraction) are appended as they are asked for.
 */
final class OperandPair
{
    /** @var array<int, float> */
    public array $px;

    /** @var array<int, float> */
    public array $py;

    /** @var array<int, float> */
    public array $pz;

    /** @var array<int, int> */
    public array $pStart;

    /** @var array<int, int> */
    public array $pTwin;

    /** @var array<int, int> facet of each triangle */
    public array $pFacet;

    /** @var array<int, float> */
    public array $qx;

    /** @var array<int, float> */
    public array $qy;

    /** @var array<int, float> */
    public array $qz;

    /** @var array<int, int> */
    public array $qStart;

    /** @var array<int, int> */
    public array $qTwin;

    /** @var array<int, int> */
    public array $qFacet;

    /** @var array<int, float> facet normals and offsets */
    public array $fx;

    /** @var array<int, float> */
    public array $fy;

    /** @var array<int, float> */
    public array $fz;

    /** @var array<int, float> */
    public array $fd;

    /** @var array<int, int> surface of each facet */
    public array $fSurface;

    /** @var list<Surface> */
    public array $surfaces;

    /** Count of P's surfaces; Q's follow them. */
    public readonly int $pSurfaces;

    /** @var array<int, int> */
    private array $flipped = [];

    public function __construct(Solid $p, Solid $q)
    {
        $this->px = $p->x;
        $this->py = $p->y;
        $this->pz = $p->z;
        $this->pStart = $p->start;
        $this->pTwin = $p->twin;
        $this->pFacet = $p->facet;
        $this->qx = $q->x;
        $this->qy = $q->y;
        $this->qz = $q->z;
        $this->qStart = $q->start;
        $this->qTwin = $q->twin;
        $nf = count($p->nx);
        $ns = $this->pSurfaces = count($p->surfaces);
        $this->qFacet = array_map(static fn(int $f): int => $f + $nf, $q->facet);
        $this->fx = array_merge($p->nx, $q->nx);
        $this->fy = array_merge($p->ny, $q->ny);
        $this->fz = array_merge($p->nz, $q->nz);
        $this->fd = array_merge($p->offset, $q->offset);
        $this->fSurface = array_merge($p->surfaceOf, array_map(static fn(int $s): int => $s + $ns, $q->surfaceOf));
        $this->surfaces = array_merge($p->surfaces, $q->surfaces);
    }

    public function flip(int $f): int
    {
        if (isset($this->flipped[$f])) {
            return $this->flipped[$f];
        }
        $g = count($this->fx);
        $this->fx[] = 0.0 - $this->fx[$f];
        $this->fy[] = 0.0 - $this->fy[$f];
        $this->fz[] = 0.0 - $this->fz[$f];
        $this->fd[] = 0.0 - $this->fd[$f];
        $this->fSurface[] = $this->fSurface[$f];
        $this->flipped[$f] = $g;
        $this->flipped[$g] = $f;

        return $g;
    }
}
