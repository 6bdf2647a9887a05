<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Exchange\MeshFile;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;

/** Meshes made of bare triangles, as files from elsewhere hold them: single precision, facets in plain sight. */
final class Meshes
{
    /** @param list<list<array{float,float,float}>> $triangles */
    public static function stl(array $triangles): string
    {
        $out = str_repeat("\0", 80) . pack('V', count($triangles));
        foreach ($triangles as $t) {
            $out .= pack('g3', 0, 0, 0) . implode('', array_map(static fn(array $p): string => pack('g3', ...$p), $t)) . "\0\0";
        }

        return $out;
    }

    /** Text with corners that several triangles share. */
    public static function ply(Solid $s): string
    {
        $out =
            "ply\nformat ascii 1.0\nelement vertex " .
            count($s->x) .
            "\nproperty float x\nproperty float y\nproperty float z\nelement face " .
            $s->triangleCount() .
            "\nproperty list uchar int vertex_indices\nend_header\n";
        foreach ($s->x as $v => $x) {
            $out .= sprintf("%.6f %.6f %.6f\n", $x, $s->y[$v], $s->z[$v]);
        }
        foreach ($s->facet as $t => $_) {
            $out .= "3 {$s->start[3 * $t]} {$s->start[3 * $t + 1]} {$s->start[3 * $t + 2]}\n";
        }

        return $out;
    }

    /** @param list<list<array{float,float,float}>> $triangles */
    public static function solid(array $triangles): Solid
    {
        return MeshFile::read(self::stl($triangles), Unit::Millimetre)[0];
    }

    /**
     * A turned part: a closed outline (radius, height), counter-clockwise seen with the radius to the right, turned about
     * the z axis in n facets.
     *
     * @param list<array{float,float}> $outline radius 0 for points on the axis
     * @return list<list<array{float,float,float}>>
     */
    public static function turned(array $outline, int $n): array
    {
        $out = [];
        $at = static fn(array $p, int $i): array => [$p[0] * cos((2 * M_PI * $i) / $n), $p[0] * sin((2 * M_PI * $i) / $n), $p[1]];
        foreach ($outline as $k => $p) {
            $q = $outline[($k + 1) % count($outline)];
            for ($i = 0; $i < $n; $i++) {
                [$a, $b, $c, $d] = [$at($p, $i), $at($p, $i + 1), $at($q, $i + 1), $at($q, $i)];
                if ($p[0] > 0) {
                    $out[] = [$a, $b, $q[0] > 0 ? $c : $d];
                }
                if ($q[0] > 0) {
                    $out[] = [$a, $c, $d];
                }
            }
        }

        return array_values(array_filter($out, static fn(array $t): bool => $t[0] != $t[1] && $t[1] != $t[2] && $t[2] != $t[0]));
    }

    /**
     * @param list<list<array{float,float,float}>> $triangles
     * @return list<list<array{float,float,float}>>
     */
    public static function moved(array $triangles, \Cubo\Geometry\Transform $by): array
    {
        return array_map(static fn(array $t): array => array_map($by->point(...), $t), $triangles);
    }
}
