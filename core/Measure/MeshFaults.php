<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\SelfCrossing;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;

/**
 * What is wrong with a mesh as the surface of a part: where it is open, where triangles run the wrong way round, where
 * some lie twice, and shells that are inside out.
 *
 * @phpstan-type Fault array{kind: string, count: int, at: array{float,float,float}, words: string}
 */
final class MeshFaults
{
    /** Triangles of meshes that are looked through for crossings, and crossings that are counted. */
    private const LOOKED_THROUGH = 20_000;

    private const COUNTED = 1000;

    /** @return list<Fault> nothing for a sound mesh */
    public static function of(Solid $s): array
    {
        $doubled = self::doubled($s);
        // what lies twice would be told as open and turned, too
        $once = $doubled === null ? $s : self::once($s);

        return array_values(array_filter([$doubled, self::turned($once), self::open($once), self::insideOut($once)]));
    }

    /**
     * Of a mesh from elsewhere, where it may pass through itself as well.
     *
     * @return list<Fault>
     */
    public static function ofFile(Solid $s): array
    {
        return array_values(array_filter([...self::of($s), self::crossing($s)]));
    }

    /** @return Fault|null triangles that pass through each other; finer meshes are not looked through */
    private static function crossing(Solid $s): ?array
    {
        if ($s->triangleCount() > self::LOOKED_THROUGH) {
            return null;
        }
        $first = null;
        $n = 0;
        foreach (SelfCrossing::pairs($s, 1e-6) as [$t]) {
            $first ??= 3 * $t;
            if (++$n === self::COUNTED) {
                break;
            }
        }

        return $first === null
            ? null
            : self::fault(
                $s,
                'self-crossing',
                $n,
                $first,
                'The surface passes through itself: ' .
                    ($n === self::COUNTED ? "at least $n" : $n) .
                    ($n === 1 ? ' pair of triangles crosses.' : ' pairs of triangles cross.'),
            );
    }

    /** Triangles that hang together over edges; a hollow inside is a shell of its own. */
    public static function shells(Solid $s): int
    {
        $seen = [];
        $shells = 0;
        foreach ($s->facet as $t => $_) {
            if (isset($seen[$t])) {
                continue;
            }
            $shells++;
            $seen[$t] = true;
            for ($stack = [$t]; $stack !== []; ) {
                $q = array_pop($stack);
                for ($h = 3 * $q; $h < 3 * $q + 3; $h++) {
                    $o = intdiv($s->twin[$h], 3);
                    if ($s->twin[$h] >= 0 && !isset($seen[$o])) {
                        $seen[$o] = true;
                        $stack[] = $o;
                    }
                }
            }
        }

        return $shells;
    }

    /** @return Fault|null */
    private static function open(Solid $s): ?array
    {
        $from = array_keys($s->twin, -1, true);
        // edges that two triangles run along in the same direction are turned, not open
        $same = self::alike($s);
        $open = array_values(array_filter($from, static fn(int $h): bool => !isset($same[$h])));

        return $open === []
            ? null
            : self::fault(
                $s,
                'open',
                count($open),
                $open[0],
                'The surface is open: ' . count($open) . ' edges have nothing on their other side.',
            );
    }

    /** @return Fault|null */
    private static function turned(Solid $s): ?array
    {
        $same = array_keys(self::alike($s));

        return $same === []
            ? null
            : self::fault(
                $s,
                'turned',
                intdiv(count($same), 2),
                $same[0],
                'Some triangles look the wrong way: ' . intdiv(count($same), 2) . ' edges are run along twice in one direction.',
            );
    }

    /** @return Fault|null */
    private static function doubled(Solid $s): ?array
    {
        $seen = [];
        $twice = [];
        foreach ($s->facet as $t => $_) {
            $c = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            sort($c);
            $key = implode(' ', $c);
            if (isset($seen[$key])) {
                $twice[] = 3 * $t;
            }
            $seen[$key] = true;
        }

        return $twice === []
            ? null
            : self::fault(
                $s,
                'doubled',
                count($twice),
                $twice[0],
                count($twice) . (count($twice) === 1 ? ' triangle lies' : ' triangles lie') . ' exactly on another one.',
            );
    }

    /** The mesh with every triangle once. */
    private static function once(Solid $s): Solid
    {
        $b = new SolidBuilder();
        $plane = $b->surface(Surface::plane('file:face'));
        foreach ($s->x as $v => $x) {
            $b->vertex($x, $s->y[$v], $s->z[$v]);
        }
        $seen = [];
        foreach ($s->facet as $t => $_) {
            $c = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $key = $c;
            sort($key);
            if (!isset($seen[implode(' ', $key)])) {
                $seen[implode(' ', $key)] = true;
                $b->triangle($c[0], $c[1], $c[2], $b->facetThrough($c[0], $c[1], $c[2], $plane));
            }
        }

        return $b->buildOpen();
    }

    /** @return Fault|null a closed mesh that encloses less than nothing */
    private static function insideOut(Solid $s): ?array
    {
        return in_array(-1, $s->twin, true) || $s->isEmpty() || $s->facettedVolume() >= 0
            ? null
            : self::fault($s, 'inside-out', 1, 0, 'The surface is inside out: what should be material counts as empty.');
    }

    /** @return array<int, true> half-edges that another triangle runs along in the same direction */
    private static function alike(Solid $s): array
    {
        $first = $out = [];
        $n = count($s->x);
        foreach ($s->start as $h => $a) {
            if ($s->twin[$h] >= 0) {
                continue;
            }
            $key = $a * $n + $s->start[$h % 3 === 2 ? $h - 2 : $h + 1];
            if (isset($first[$key])) {
                $out[$first[$key]] = $out[$h] = true;
            }
            $first[$key] ??= $h;
        }

        return $out;
    }

    /** @return Fault */
    private static function fault(Solid $s, string $kind, int $count, int $h, string $words): array
    {
        $v = $s->start[$h];

        return ['kind' => $kind, 'count' => $count, 'at' => [$s->x[$v], $s->y[$v], $s->z[$v]], 'words' => $words];
    }
}
