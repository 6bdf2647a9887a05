<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Budget\Budget;
use Cubo\Solid\Solid;

/**
 * Wavefront OBJ, its polygons: "v" and "f" lines as in the Advanced Visualizer Manual, appendix B1 (from memory).
 * Everything else in it is passed over. A face with more than three corners is cut into a fan.
 */
final class ObjFile
{
    /**
     * @param float $scale millimetres per unit of the file
     *
     * @throws UnreadableFile
     */
    public static function read(string $bytes, float $scale = 1.0, ?Budget $budget = null): Solid
    {
        $w = new MeshWelding($budget);
        foreach (self::lines($bytes) as $line) {
            $budget?->spend(1);
            $words = preg_split('/\s+/', trim($line), -1, PREG_SPLIT_NO_EMPTY) ?: [];
            if (($words[0] ?? '') === 'v') {
                $w->point(self::number($words[1] ?? ''), self::number($words[2] ?? ''), self::number($words[3] ?? ''));
            } elseif (($words[0] ?? '') === 'f') {
                $soFar = $w->points();
                $corners = array_map(static fn(string $c): int => self::corner($c, $soFar), array_slice($words, 1));
                if (count($corners) < 3) {
                    throw new UnreadableFile('The OBJ file holds a face with fewer than three corners.');
                }
                for ($k = 2; $k < count($corners); $k++) {
                    $w->triangle($corners[0], $corners[$k - 1], $corners[$k]);
                }
            }
        }

        return $w->solid($scale);
    }

    /** @return iterable<string> lines one by one: all at once would take several times the file's room */
    private static function lines(string $bytes): iterable
    {
        $bytes = str_contains($bytes, "\\\n") || str_contains($bytes, "\\\r\n") ? str_replace(["\\\r\n", "\\\n"], ' ', $bytes) : $bytes;
        for ($at = 0, $end = strlen($bytes); $at < $end; ) {
            $long = strcspn($bytes, "\r\n", $at);
            yield substr($bytes, $at, $long);
            $at += $long + 1;
        }
    }

    private static function number(string $text): float
    {
        return is_numeric($text) ? (float) $text : throw new UnreadableFile('The OBJ file holds a corner that is no number.');
    }

    /** "7", "7/1", "7//3" or, counted from the last one back, "-1". */
    private static function corner(string $text, int $soFar): int
    {
        $n = explode('/', $text)[0];
        if (!preg_match('/^-?\d{1,9}$/', $n) || (int) $n === 0) {
            throw new UnreadableFile('The OBJ file holds a face that names no corner.');
        }
        $i = (int) $n > 0 ? (int) $n - 1 : $soFar + (int) $n;

        return $i >= 0 ? $i : throw new UnreadableFile('The OBJ file holds a face that names no corner.');
    }
}
