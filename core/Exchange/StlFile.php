<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Solid\Solid;

/** STL as first specified by 3D Systems, "StereoLithography Interface Specification", 1988: binary written, both read. */
final class StlFile
{
    /** Binary STL in millimetres. */
    public static function write(Solid $s, string $title = 'Cubo part, millimetres'): string
    {
        $out = [str_pad(substr(preg_replace('/^solid/i', 'Solid', $title) ?? '', 0, 80), 80), pack('V', $s->triangleCount())];
        foreach ($s->facet as $t => $f) {
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            $c = [];
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $s->start[$h];
                array_push($c, $s->x[$v], $s->y[$v], $s->z[$v]);
            }
            $out[] = pack('g12v', ...$n, ...$c, ...[0]);
        }

        return implode('', $out);
    }

    /**
     * @param float $scale millimetres per unit of the file
     *
     * @throws UnreadableFile
     */
    public static function read(string $bytes, float $scale = 1.0): Solid
    {
        $corners = self::corners($bytes);

        $triangles = [];
        for ($i = 0; $i + 2 < count($corners); $i += 3) {
            $triangles[] = [$i, $i + 1, $i + 2];
        }

        return MeshWelding::of($corners, $triangles, $scale);
    }

    /** @return list<array{float,float,float}> */
    private static function corners(string $bytes): array
    {
        $out = [];
        if (strlen($bytes) >= 84) {
            $n = unpack('V', $bytes, 80);
            $n = $n === false ? 0 : (int) $n[1];
            if (strlen($bytes) === 84 + 50 * $n) {
                for ($i = 0; $i < $n; $i++) {
                    $v = unpack('g9', $bytes, 84 + 50 * $i + 12);
                    if ($v === false) {
                        throw new UnreadableFile('The STL file ends too early.');
                    }
                    $out[] = [$v[1], $v[2], $v[3]];
                    $out[] = [$v[4], $v[5], $v[6]];
                    $out[] = [$v[7], $v[8], $v[9]];
                }

                return $out;
            }
        }
        if (! preg_match('/^\s*solid/i', $bytes)) {
            throw new UnreadableFile('This is not an STL file.');
        }
        preg_match_all('/vertex\s+(\S+)\s+(\S+)\s+(\S+)/i', $bytes, $m, PREG_SET_ORDER);
        foreach ($m as [, $x, $y, $z]) {
            if (! is_numeric($x) || ! is_numeric($y) || ! is_numeric($z)) {
                throw new UnreadableFile('The STL file holds a corner that is no number.');
            }
            $out[] = [(float) $x, (float) $y, (float) $z];
        }
        if (count($out) % 3 !== 0) {
            throw new UnreadableFile('The STL file ends inside a triangle.');
        }

        return $out;
    }
}
