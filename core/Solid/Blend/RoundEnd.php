<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;

/**
 * The round face on which a straight edge ends with nothing but air behind it. Beside the edge that face lies farther along or
 * sooner: a tool goes on until all of its section is outside, and a strip ends where it leaves the face.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class RoundEnd
{
    /** How far a tool goes out past the face, mm. */
    private const OUT = 0.06;

    /** How deep inside a strip must begin, mm: facets stray from the face by less. */
    private const IN = 0.03;

    private const HALVINGS = 40;

    /** Steps in which the face is looked for along the edge. */
    private const STEPS = 32;

    /**
     * @param V $normal outward, of a facet there
     * @param V $at the end of the edge
     * @param V $ahead unit, out of the part along the edge
     */
    public function __construct(private Surface $surface, private array $normal, private array $at, private array $ahead) {}

    /**
     * How far outside of the face a point lies, mm; inside it is negative.
     *
     * @param V $p
     */
    public function outside(array $p): float
    {
        $out = SurfaceEquation::outward($this->surface, $this->at, $this->normal);
        $sign = Vector::dot($out, SurfaceEquation::outward($this->surface, $this->at, [0.0, 0.0, 0.0])) < 0 ? -1.0 : 1.0;

        return $sign * SurfaceEquation::distance($this->surface, $p);
    }

    /**
     * How far past the end of the edge all of a section is outside, mm; no farther than a given way.
     *
     * @param list<V> $points of the section at the end
     */
    public function needed(array $points, float $most): float
    {
        $far = 0.0;
        foreach ($points as $p) {
            for ($i = 0; $i <= self::STEPS; $i++) {
                $t = ($most * $i) / self::STEPS;
                if ($this->outside(Vector::add($p, $this->ahead, $t)) > 0) {
                    $far = max($far, $i === 0 ? 0.0 : $this->halved($p, ($most * ($i - 1)) / self::STEPS, $t, 0.0)[1]);

                    break;
                }
                $far = max($far, $t);
            }
        }

        return $far + self::OUT;
    }

    /**
     * A point of a strip at the end, slid back along the edge until it lies on this side of the face.
     *
     * @param V $p
     * @return V|null null where it never does
     */
    public function slidBack(array $p, float $most): ?array
    {
        if ($this->outside($p) <= -self::IN) {
            return $p;
        }
        for ($i = 1; $i <= self::STEPS; $i++) {
            $t = (-$most * $i) / self::STEPS;
            if ($this->outside(Vector::add($p, $this->ahead, $t)) < -self::IN) {
                return Vector::add($p, $this->ahead, $this->halved($p, $t, (-$most * ($i - 1)) / self::STEPS, -self::IN)[0]);
            }
        }

        return null;
    }

    /**
     * Where the way ahead from a point is so far outside of the face.
     *
     * @param V $p
     * @param float $in a way that ends farther inside
     * @param float $out one that ends farther outside
     * @return array{float, float} the last way before and the first after
     */
    private function halved(array $p, float $in, float $out, float $level): array
    {
        for ($k = 0; $k < self::HALVINGS; $k++) {
            $mid = ($in + $out) / 2;
            $this->outside(Vector::add($p, $this->ahead, $mid)) > $level ? ($out = $mid) : ($in = $mid);
        }

        return [$in, $out];
    }
}
