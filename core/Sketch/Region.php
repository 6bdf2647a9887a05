<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** One closed area of a sketch: its number, facetted area (mm2) and outlines (counter-clockwise, holes clockwise). */
final readonly class Region
{
    /** @param list<list<array{float,float}>> $loops */
    public function __construct(public int $number, public float $area, public array $loops) {}

    /**
     * A spot well inside, for a number to stand on: of points spread over the region the one farthest from its outline.
     *
     * @return array{float,float}
     */
    public function spot(): array
    {
        $us = array_column($this->loops[0], 0);
        $vs = array_column($this->loops[0], 1);
        [$u0, $v0] = [min($us), min($vs)];
        [$w, $h] = [max($us) - $u0, max($vs) - $v0];
        $best = $this->loops[0][0];
        $most = -1.0;
        for ($i = 0; $i < 24; $i++) {
            for ($j = 0; $j < 24; $j++) {
                $p = [$u0 + $w * ($i + 0.5) / 24, $v0 + $h * ($j + 0.5) / 24];
                $d = $this->depth($p);
                if ($d > $most + 1e-9) {
                    $most = $d;
                    $best = $p;
                }
            }
        }

        return $best;
    }

    /** Distance to the outline, negative outside. @param array{float,float} $p */
    private function depth(array $p): float
    {
        $in = false;
        $least = INF;
        foreach ($this->loops as $loop) {
            $a = $loop[count($loop) - 1];
            foreach ($loop as $b) {
                if (($a[1] > $p[1]) !== ($b[1] > $p[1]) && $p[0] < ($b[0] - $a[0]) * ($p[1] - $a[1]) / ($b[1] - $a[1]) + $a[0]) {
                    $in = ! $in;
                }
                $d = [$b[0] - $a[0], $b[1] - $a[1]];
                $l2 = $d[0] ** 2 + $d[1] ** 2;
                $t = $l2 > 0 ? max(0.0, min(1.0, (($p[0] - $a[0]) * $d[0] + ($p[1] - $a[1]) * $d[1]) / $l2)) : 0.0;
                $least = min($least, hypot($p[0] - $a[0] - $t * $d[0], $p[1] - $a[1] - $t * $d[1]));
                $a = $b;
            }
        }

        return $in ? $least : -$least;
    }
}
