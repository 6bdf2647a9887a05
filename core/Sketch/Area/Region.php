<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

/** One closed area of a sketch: its number, area (mm2), outlines as points (counter-clockwise, holes clockwise), and key. */
final readonly class Region
{
    /**
     * @param list<list<array{float,float}>> $loops
     * @param string $key the curves that bound it, by which it is found again
     */
    public function __construct(public int $number, public float $area, public array $loops, public string $key = '') {}

    /**
     * A spot well inside, for a number to stand on: of points spread over the region the one farthest from its outline,
     * then looked for more closely around it.
     *
     * @return array{float,float}
     */
    public function spot(): array
    {
        $us = array_column($this->loops[0], 0) ?: [0.0];
        $vs = array_column($this->loops[0], 1) ?: [0.0];
        $w = max($us) - min($us);
        $h = max($vs) - min($vs);
        $best = $middle = [min($us) + $w / 2, min($vs) + $h / 2];
        $most = -INF;
        // narrow regions need more points to be hit at all
        foreach ([[13, 1.0], [5, 0.15], [5, 0.05]] as [$n, $share]) {
            for ($i = 0; $i < $n; $i++) {
                for ($j = 0; $j < $n; $j++) {
                    $p = [$middle[0] + $w * $share * (($i + 0.5) / $n - 0.5), $middle[1] + $h * $share * (($j + 0.5) / $n - 0.5)];
                    $d = $this->depth($p);
                    if ($d > $most + 1e-9) {
                        $most = $d;
                        $best = $p;
                    }
                }
            }
            $middle = $best;
        }

        return $best;
    }

    /**
     * Distance to the outline, negative outside.
     *
     * @param array{float,float} $p
     */
    private function depth(array $p): float
    {
        [$x, $y] = $p;
        $in = false;
        $least = INF;
        foreach ($this->loops as $loop) {
            [$ax, $ay] = $loop[count($loop) - 1];
            foreach ($loop as [$bx, $by]) {
                if ($ay > $y !== $by > $y && $x < (($bx - $ax) * ($y - $ay)) / ($by - $ay) + $ax) {
                    $in = !$in;
                }
                $dx = $bx - $ax;
                $dy = $by - $ay;
                $l2 = $dx * $dx + $dy * $dy;
                $t = $l2 > 0 ? (($x - $ax) * $dx + ($y - $ay) * $dy) / $l2 : 0.0;
                $t = $t < 0 ? 0.0 : ($t > 1 ? 1.0 : $t);
                $ex = $x - $ax - $t * $dx;
                $ey = $y - $ay - $t * $dy;
                $d = $ex * $ex + $ey * $ey;
                $least = $d < $least ? $d : $least;
                $ax = $bx;
                $ay = $by;
            }
        }

        return $in ? sqrt($least) : -sqrt($least);
    }
}
