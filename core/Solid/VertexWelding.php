<?php

declare(strict_types=1);

namespace Cubo\Solid;

/** Finds vertices in one place. */
final class VertexWelding
{
    private const CELL = 1024;

    /**
     * The vertices that lie within a tolerance of an earlier one, each with that one. A grid of cells much larger than
     * the tolerance is searched, so that nearly always one cell holds all that can be near.
     *
     * @param iterable<int> $vertices
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @return array<int, int> vertex => the one to take for it
     */
    public static function find(iterable $vertices, array $x, array $y, array $z, float $tolerance): array
    {
        $cell = self::CELL * max($tolerance, 1e-300);
        $edge = 1 / self::CELL;
        $near2 = $tolerance * $tolerance;
        $grid = $same = [];
        foreach ($vertices as $v) {
            $vx = $x[$v];
            $vy = $y[$v];
            $vz = $z[$v];
            // off the round numbers that parts are made of
            $i = floor($fx = $vx / $cell + 0.371);
            $j = floor($fy = $vy / $cell + 0.371);
            $k = floor($fz = $vz / $cell + 0.371);
            $fx -= $i;
            $fy -= $j;
            $fz -= $k;
            $key = (int) ($i * 73856093 + $j * 19349663 + $k * 83492791);
            $found = -1;
            if ($fx < $edge || $fy < $edge || $fz < $edge || $fx > 1 - $edge || $fy > 1 - $edge || $fz > 1 - $edge) {
                for ($a = -1; $a <= 1 && $found < 0; $a++) {
                    for ($b = -1; $b <= 1 && $found < 0; $b++) {
                        for ($c = -1; $c <= 1 && $found < 0; $c++) {
                            $found = self::among(
                                $grid[(int) (($i + $a) * 73856093 + ($j + $b) * 19349663 + ($k + $c) * 83492791)] ?? [],
                                $vx,
                                $vy,
                                $vz,
                                $x,
                                $y,
                                $z,
                                $near2,
                            );
                        }
                    }
                }
            } elseif (isset($grid[$key])) {
                $found = self::among($grid[$key], $vx, $vy, $vz, $x, $y, $z, $near2);
            }
            if ($found < 0) {
                $grid[$key][] = $v;
            } else {
                $same[$v] = $found;
            }
        }

        return $same;
    }

    /**
     * @param array<int, int> $list
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     */
    private static function among(array $list, float $vx, float $vy, float $vz, array $x, array $y, array $z, float $near2): int
    {
        foreach ($list as $u) {
            if (($x[$u] - $vx) ** 2 + ($y[$u] - $vy) ** 2 + ($z[$u] - $vz) ** 2 <= $near2) {
                return $u;
            }
        }

        return -1;
    }
}
