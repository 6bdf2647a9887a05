<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Cubo\Solid\Surface;

/** A face: triangles of one true surface that hang together, and how far it is to be moved along its normal. */
final readonly class Face
{
    /**
     * @param list<int> $triangles
     * @param float $sign 1 where the surface's own outward side is the solid's outside, as on a shaft; -1 as in a hole
     * @param float $by mm along the outward normal: below zero into the solid, zero for a face that stays
     * @param array{float,float,float} $normal of a flat face
     * @param float $offset of its plane
     */
    public function __construct(
        public Surface $surface,
        public array $triangles,
        public float $sign,
        public float $by,
        public array $normal,
        public float $offset,
    ) {}
}
