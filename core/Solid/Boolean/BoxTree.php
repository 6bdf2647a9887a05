<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

/**
 * An implicit binary tree over boxes in Morton order (C. Lauterbach et al., "Fast BVH Construction on GPUs", Computer
 * Graphics Forum 28(2), 2009, the sort only): node 1 is the root, nodes 2k and 2k + 1 are below node k, the leaves come
 * last and hold LEAF boxes each.
 */
final class BoxTree
{
    public const LEAF = 4;

    /**
     * @param array<int, float> $box six numbers each
     * @param array{float,float,float,float,float,float} $common the box all lie in or reach into
     * @return array{array<int, int>, array<int, float>, int} order, node boxes, number of leaves
     */
    public static function build(array $box, int $n, array $common): array
    {
        [$ax, $ay, $az, $cx, $cy, $cz] = $common;
        $sx = 1023 / max(1e-300, $cx - $ax);
        $sy = 1023 / max(1e-300, $cy - $ay);
        $sz = 1023 / max(1e-300, $cz - $az);
        $keys = [];
        $spread = self::spread();
        for ($i = 0, $k = 0; $i < $n; $i++, $k += 6) {
            $u = (int) ((($box[$k] + $box[$k + 3]) * 0.5 - $ax) * $sx);
            $v = (int) ((($box[$k + 1] + $box[$k + 4]) * 0.5 - $ay) * $sy);
            $w = (int) ((($box[$k + 2] + $box[$k + 5]) * 0.5 - $az) * $sz);
            $u = $u < 0 ? 0 : ($u > 1023 ? 1023 : $u);
            $v = $v < 0 ? 0 : ($v > 1023 ? 1023 : $v);
            $w = $w < 0 ? 0 : ($w > 1023 ? 1023 : $w);
            $keys[] = ((($spread[$u] << 2) | ($spread[$v] << 1) | $spread[$w]) << 24) | $i;
        }
        sort($keys);
        $leaves = 1;
        while ($leaves * self::LEAF < $n) {
            $leaves *= 2;
        }
        $order = [];
        foreach ($keys as $key) {
            $order[] = $key & 0xffffff;
        }
        $node = array_fill(0, 12 * $leaves, 0.0);
        for ($l = 0; $l < $leaves; $l++) {
            $x0 = $y0 = $z0 = INF;
            $x1 = $y1 = $z1 = -INF;
            for ($i = $l * self::LEAF, $end = min($n, $i + self::LEAF); $i < $end; $i++) {
                $k = 6 * $order[$i];
                $x0 = $box[$k] < $x0 ? $box[$k] : $x0;
                $y0 = $box[$k + 1] < $y0 ? $box[$k + 1] : $y0;
                $z0 = $box[$k + 2] < $z0 ? $box[$k + 2] : $z0;
                $x1 = $box[$k + 3] > $x1 ? $box[$k + 3] : $x1;
                $y1 = $box[$k + 4] > $y1 ? $box[$k + 4] : $y1;
                $z1 = $box[$k + 5] > $z1 ? $box[$k + 5] : $z1;
            }
            $o = 6 * ($leaves + $l);
            $node[$o] = $x0;
            $node[$o + 1] = $y0;
            $node[$o + 2] = $z0;
            $node[$o + 3] = $x1;
            $node[$o + 4] = $y1;
            $node[$o + 5] = $z1;
        }
        for ($i = $leaves - 1; $i >= 1; $i--) {
            $a = 12 * $i;
            $o = 6 * $i;
            for ($c = 0; $c < 3; $c++) {
                $node[$o] = $node[$a] < $node[$a + 6] ? $node[$a] : $node[$a + 6];
                $node[$o + 3] = $node[$a + 3] > $node[$a + 9] ? $node[$a + 3] : $node[$a + 9];
                $a++;
                $o++;
            }
        }

        return [$order, $node, $leaves];
    }

    /** @return array<int, int> the ten bits of every number below 1024, each followed by two zeros */
    private static function spread(): array
    {
        static $table = [];
        if ($table === []) {
            for ($a = 0; $a < 1024; $a++) {
                $b = ($a | ($a << 16)) & 0x030000ff;
                $b = ($b | ($b << 8)) & 0x0300f00f;
                $b = ($b | ($b << 4)) & 0x030c30c3;
                $table[] = ($b | ($b << 2)) & 0x09249249;
            }
        }

        return $table;
    }
}
