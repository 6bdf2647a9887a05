<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Budget\Budget;
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

    /** Whether it may be one: text that begins as one, or as many bytes as its number of triangles takes, or fewer where it ends too early. */
    public static function knows(string $bytes): bool
    {
        if (preg_match('/^\s*solid/i', $bytes) === 1) {
            return true;
        }
        $n = strlen($bytes) < 84 ? false : unpack('V', $bytes, 80);

        return $n !== false && (strlen($bytes) === 84 + 50 * $n[1] || ($n[1] > 0 && $n[1] <= MeshWelding::MOST_TRIANGLES));
    }

    /**
     * @param float $scale millimetres per unit of the file
     *
     * @throws UnreadableFile
     */
    public static function read(string $bytes, float $scale = 1.0, ?Budget $budget = null): Solid
    {
        $w = new MeshWelding($budget);
        self::gather($bytes, $w);

        return $w->solid($scale);
    }

    private static function gather(string $bytes, MeshWelding $w): void
    {
        $known = [];
        if (strlen($bytes) >= 84) {
            $n = unpack('V', $bytes, 80);
            $n = $n === false ? 0 : (int) $n[1];
            $text = preg_match('/^\s*solid/i', $bytes) === 1;
            if (!$text && $n > 0 && $n <= MeshWelding::MOST_TRIANGLES && strlen($bytes) < 84 + 50 * $n) {
                throw new UnreadableFile(
                    'The STL file ends too early: it should hold ' . $n . ' triangles and holds ' . intdiv(strlen($bytes) - 84, 50) . '.',
                );
            }
            // some programs write a few bytes of their own behind the triangles
            if (strlen($bytes) === 84 + 50 * $n || (!$text && $n > 0 && strlen($bytes) > 84 + 50 * $n)) {
                for ($i = 0; $i < $n; $i++) {
                    $c = [];
                    for ($k = 0; $k < 3; $k++) {
                        // every corner comes about six times: most are known by their bytes
                        $raw = substr($bytes, 84 + 50 * $i + 12 + 12 * $k, 12);
                        if (!isset($known[$raw])) {
                            $v = unpack('g3', $raw);
                            $known[$raw] =
                                $v === false ? throw new UnreadableFile('The STL file ends too early.') : $w->point($v[1], $v[2], $v[3]);
                        }
                        $c[] = $known[$raw];
                    }
                    $w->triangle($c[0], $c[1], $c[2]);
                }

                return;
            }
        }
        if (!preg_match('/^\s*solid/i', $bytes)) {
            throw new UnknownFile('This is no STL file.');
        }
        $c = [];
        for ($at = 0; preg_match('/vertex\s+(\S+)\s+(\S+)\s+(\S+)/i', $bytes, $m, PREG_OFFSET_CAPTURE, $at) === 1; ) {
            $at = $m[3][1] + strlen($m[3][0]);
            [$x, $y, $z] = [$m[1][0], $m[2][0], $m[3][0]];
            if (!is_numeric($x) || !is_numeric($y) || !is_numeric($z)) {
                throw new UnreadableFile('The STL file holds a corner that is no number.');
            }
            $c[] = $known["$x $y $z"] ??= $w->point((float) $x, (float) $y, (float) $z);
            if (count($c) === 3) {
                $w->triangle($c[0], $c[1], $c[2]);
                $c = [];
            }
        }
        if ($c !== []) {
            throw new UnreadableFile('The STL file ends inside a triangle.');
        }
    }
}
