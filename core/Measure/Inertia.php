<?php

declare(strict_types=1);

namespace Cubo\Measure;

/**
 * A solid's moments of inertia about its centroid for a density of 1 (mm5; times kg/mm3 gives kg mm2), and the axes
 * about which they are principal. Eigenvalues by Jacobi's rotations (C. G. J. Jacobi, J. reine angew. Math. 30, 1846).
 */
final readonly class Inertia
{
    /** @param array{float,float,float,float,float,float} $tensor xx, yy, zz, xy, yz, zx; products with their minus sign */
    public function __construct(public array $tensor) {}

    /** @return list<array{float, array{float,float,float}}> principal moments, least first, each with its axis */
    public function principal(): array
    {
        [$xx, $yy, $zz, $xy, $yz, $zx] = $this->tensor;
        $a = [[$xx, $xy, $zx], [$xy, $yy, $yz], [$zx, $yz, $zz]];
        $e = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]];
        $scale = abs($xx) + abs($yy) + abs($zz);
        for ($sweep = 0; $sweep < 30 && abs($a[0][1]) + abs($a[1][2]) + abs($a[0][2]) > 1e-16 * $scale; $sweep++) {
            foreach ([[0, 1], [1, 2], [0, 2]] as [$p, $q]) {
                if ($a[$p][$q] == 0.0) {
                    continue;
                }
                $theta = ($a[$q][$q] - $a[$p][$p]) / (2 * $a[$p][$q]);
                $t = ($theta < 0 ? -1 : 1) / (abs($theta) + sqrt($theta * $theta + 1));
                $c = 1 / sqrt($t * $t + 1);
                $s = $t * $c;
                for ($k = 0; $k < 3; $k++) {
                    [$a[$k][$p], $a[$k][$q]] = [$c * $a[$k][$p] - $s * $a[$k][$q], $s * $a[$k][$p] + $c * $a[$k][$q]];
                }
                for ($k = 0; $k < 3; $k++) {
                    [$a[$p][$k], $a[$q][$k]] = [$c * $a[$p][$k] - $s * $a[$q][$k], $s * $a[$p][$k] + $c * $a[$q][$k]];
                    [$e[$k][$p], $e[$k][$q]] = [$c * $e[$k][$p] - $s * $e[$k][$q], $s * $e[$k][$p] + $c * $e[$k][$q]];
                }
            }
        }
        $out = [];
        for ($k = 0; $k < 3; $k++) {
            $out[] = [$a[$k][$k], [$e[0][$k], $e[1][$k], $e[2][$k]]];
        }
        usort($out, static fn(array $u, array $v): int => $u[0] <=> $v[0]);

        return $out;
    }
}
