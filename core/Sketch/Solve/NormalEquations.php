<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

/**
 * Solves (J'J + damping) dx = -J'r for a sparse J: Cholesky without roots, unknowns in the order of least degree
 * (A. George, J. Liu, "Computer Solution of Large Sparse Positive Definite Systems", 1981, chapters 2 and 5).
 */
final class NormalEquations
{
    /** @var array<int, int> place in the order of elimination by unknown */
    private array $place = [];

    /** @var list<array<int, int>> by place: later places that hang together with it, ascending */
    private array $later = [];

    /** @param list<list<int>> $rows unknowns 0 ... n-1 of each equation */
    public function __construct(private readonly int $n, private readonly array $rows)
    {
        $near = array_fill(0, $n, []);
        foreach ($rows as $row) {
            foreach ($row as $a) {
                foreach ($row as $b) {
                    if ($a !== $b) {
                        $near[$a][$b] = true;
                    }
                }
            }
        }
        $degree = array_map('count', $near);
        $order = [];
        $this->place = array_fill(0, $n, 0);
        $sets = [];
        for ($k = 0; $k < $n; $k++) {
            $best = -1;
            $least = PHP_INT_MAX;
            foreach ($degree as $i => $d) {
                if ($d < $least) {
                    $least = $d;
                    $best = $i;
                }
            }
            $this->place[$best] = $k;
            $order[] = $best;
            $sets[] = $near[$best];
            foreach ($near[$best] as $a => $_) {
                unset($near[$a][$best]);
                foreach ($near[$best] as $b => $_) {
                    if ($a !== $b) {
                        $near[$a][$b] = true;
                    }
                }
                $degree[$a] = count($near[$a]);
            }
            unset($degree[$best]);
        }
        foreach ($sets as $set) {
            $places = [];
            foreach ($set as $i => $_) {
                $places[] = $this->place[$i];
            }
            sort($places);
            $this->later[] = $places;
        }
    }

    /**
     * @param list<array<int, float>> $gradients derivatives in the order of the rows
     * @param list<float> $residuals
     * @param float $damping added to the diagonal
     * @return array<int, float> the step by unknown
     */
    public function step(array $gradients, array $residuals, float $damping): array
    {
        $n = $this->n;
        $diagonal = array_fill(0, $n, $damping);
        $right = array_fill(0, $n, 0.0);
        $upper = [];
        foreach ($this->later as $places) {
            $upper[] = array_fill_keys($places, 0.0);
        }
        foreach ($this->rows as $r => $row) {
            $g = $gradients[$r];
            $e = $residuals[$r];
            foreach ($row as $i => $a) {
                $u = $g[$i];
                if ($u == 0.0) {
                    continue;
                }
                $p = $this->place[$a];
                $right[$p] -= $u * $e;
                foreach ($row as $j => $b) {
                    $q = $this->place[$b];
                    if ($p === $q) {
                        $diagonal[$p] += $u * $g[$j];
                    } elseif ($p < $q) {
                        $upper[$p][$q] += $u * $g[$j];
                    }
                }
            }
        }
        // elimination; no pivot can be below the damping but by rounding, which may leave none at all
        $least = array_map(static fn(float $d): float => max($damping, 1e-15 * $d), $diagonal);
        for ($p = 0; $p < $n; $p++) {
            $row = $upper[$p];
            $d = $diagonal[$p] = max($diagonal[$p], $least[$p]);
            $places = $this->later[$p];
            $count = count($places);
            for ($i = 0; $i < $count; $i++) {
                $a = $places[$i];
                $v = $row[$a];
                if ($v == 0.0) {
                    continue;
                }
                $f = $v / $d;
                $diagonal[$a] -= $f * $v;
                $right[$a] -= $f * $right[$p];
                for ($j = $i + 1; $j < $count; $j++) {
                    $b = $places[$j];
                    $upper[$a][$b] -= $f * $row[$b];
                }
            }
        }
        for ($p = $n - 1; $p >= 0; $p--) {
            $sum = $right[$p];
            foreach ($upper[$p] as $a => $v) {
                $sum -= $v * $right[$a];
            }
            $right[$p] = $sum / $diagonal[$p];
        }
        $step = [];
        foreach ($this->place as $i => $p) {
            $step[$i] = $right[$p];
        }

        return $step;
    }
}
