<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;
use Cubo\Solid\VertexWelding;
use InvalidArgumentException;

/**
 * Gathers triangles by their points into a closed solid: points that are the same are welded, triangles that fell together
 * are left out, and what fell onto one line is cut at all points of that line, so that it closes.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Gathering
{
    private const WELD = 1e-8;

    /** mm3 */
    private const NOTHING = 1e-9;

    /** share by which the way over a point of a circle is longer than the chord, at most */
    private const ASTRAY = 2e-3;

    /** mm a corner may lie beside the plane of its facet, per mm of size */
    private const BESIDE = 1e-11;

    /** @var list<float> */
    private array $x = [];

    /** @var list<float> */
    private array $y = [];

    /** @var list<float> */
    private array $z = [];

    /** @var list<bool> corners that fell onto the line */
    private array $fallen = [];

    /** @var list<array{int, int, string}> surface, first corner, facet that several triangles share or '' */
    private array $triangles = [];

    /** @var list<Surface> */
    private array $surfaces = [];

    /**
     * @param Closure(V): float|null $along where along its line a fallen point lies, an angle when $round; null when they
     *     lie on several lines
     */
    public function __construct(private readonly ?Closure $along = null, private readonly bool $round = false) {}

    public function surface(Surface $s): int
    {
        $this->surfaces[] = $s;

        return count($this->surfaces) - 1;
    }

    /**
     * A triangle, counter-clockwise from outside.
     *
     * @param array{V, bool} $a point, and whether it fell onto the line
     * @param array{V, bool} $b
     * @param array{V, bool} $c
     */
    public function triangle(array $a, array $b, array $c, int $surface, string $facet = ''): void
    {
        $this->triangles[] = [$surface, count($this->x), $facet];
        foreach ([$a, $b, $c] as [$p, $fallen]) {
            [$this->x[], $this->y[], $this->z[]] = $p;
            $this->fallen[] = $fallen;
        }
    }

    /**
     * @return Solid|null null when nothing is left
     *
     * @throws InvalidArgumentException when the triangles do not close
     */
    public function solid(): ?Solid
    {
        $same = VertexWelding::find(array_keys($this->x), $this->x, $this->y, $this->z, self::WELD);
        $line = [];
        foreach ($this->fallen as $v => $fallen) {
            if ($fallen) {
                $line[$same[$v] ?? $v] = true;
            }
        }
        $triangles = [];
        foreach ($this->triangles as [$surface, $first, $facet]) {
            [$a, $b, $c] = [$same[$first] ?? $first, $same[$first + 1] ?? $first + 1, $same[$first + 2] ?? $first + 2];
            if ($a !== $b && $b !== $c && $c !== $a && !isset($line[$a], $line[$b], $line[$c])) {
                $triangles[] = [$a, $b, $c, $surface, $facet];
            }
        }
        if ($line !== []) {
            $triangles = $this->cutAlong($triangles, array_keys($line));
        }

        return $triangles === [] ? null : $this->build($triangles);
    }

    /**
     * A solid of triangles that all turn the same way, whichever that is; null when next to nothing is left.
     *
     * @param list<array{V, V, V, int}> $triangles corners and surface
     *
     * @throws InvalidArgumentException when the triangles do not close
     */
    public function turnedOut(array $triangles): ?Solid
    {
        $six = 0.0;
        foreach ($triangles as [$a, $b, $c]) {
            $six += Vector::dot($a, Vector::cross($b, $c));
        }
        foreach ($triangles as [$a, $b, $c, $surface]) {
            $six > 0
                ? $this->triangle([$a, false], [$b, false], [$c, false], $surface)
                : $this->triangle([$a, false], [$c, false], [$b, false], $surface);
        }
        $solid = $this->solid();

        return $solid === null || $solid->facettedVolume() < self::NOTHING ? null : $solid;
    }

    /**
     * Cuts edges on the line at all points between their ends.
     *
     * @param list<array{int, int, int, int, string}> $triangles
     * @param list<int> $line
     * @return list<array{int, int, int, int, string}>
     */
    private function cutAlong(array $triangles, array $line): array
    {
        $at = [];
        foreach ($line as $v) {
            $at[$v] = $this->along === null ? 0.0 : ($this->along)([$this->x[$v], $this->y[$v], $this->z[$v]]);
        }
        asort($at);
        $out = [];
        foreach ($triangles as $t) {
            for ($k = 0; $k < 3 && !isset($at[$t[$k]], $at[$t[($k + 1) % 3]]); $k++);
            if ($k === 3) {
                $out[] = $t;

                continue;
            }
            [$u, $v, $w] = [$t[$k], $t[($k + 1) % 3], $t[($k + 2) % 3]];
            $from = (int) $u;
            foreach ($this->between($from, (int) $v, $at) as $m) {
                $out[] = [$from, $m, (int) $w, $t[3], $t[4]];
                $from = $m;
            }
            $out[] = [$from, (int) $v, (int) $w, $t[3], $t[4]];
        }

        return $out;
    }

    /**
     * @param array<int, float> $at in order
     * @return list<int> points of the line from u to v, in this order
     */
    private function between(int $u, int $v, array $at): array
    {
        $span = $this->shortWay($at[$v] - $at[$u]);
        $out = [];
        if ($this->along === null) {
            $long = $this->far($u, $v);
            foreach ($at as $m => $_) {
                if (
                    $m !== $u &&
                    $m !== $v &&
                    ($near = $this->far($u, $m)) < $long &&
                    $near + $this->far($m, $v) < (1 + self::ASTRAY) * $long
                ) {
                    $out[$m] = $near;
                }
            }
            asort($out);

            return array_keys($out);
        }
        foreach ($at as $m => $a) {
            $here = $this->shortWay($a - $at[$u]);
            if ($m !== $u && $m !== $v && $here * $span > 0 && abs($here) < abs($span)) {
                $out[$m] = abs($here);
            }
        }
        asort($out);

        return array_keys($out);
    }

    private function far(int $u, int $v): float
    {
        return sqrt(($this->x[$u] - $this->x[$v]) ** 2 + ($this->y[$u] - $this->y[$v]) ** 2 + ($this->z[$u] - $this->z[$v]) ** 2);
    }

    private function shortWay(float $angle): float
    {
        return $this->round ? $angle - 2 * M_PI * round($angle / (2 * M_PI)) : $angle;
    }

    /** @param list<array{int, int, int, int, string}> $triangles */
    private function build(array $triangles): Solid
    {
        $b = new SolidBuilder();
        $number = [];
        foreach ($triangles as $t) {
            for ($k = 0; $k < 3; $k++) {
                $number[$t[$k]] ??= $b->vertex($this->x[$t[$k]], $this->y[$t[$k]], $this->z[$t[$k]]);
            }
        }
        foreach ($this->surfaces as $s) {
            $b->surface($s);
        }
        // the largest triangle of a facet says best how it lies
        $size = [];
        foreach ($triangles as $i => [$p, $q, $r]) {
            $size[$i] = Vector::length($this->across($p, $q, $r));
        }
        arsort($size);
        $facets = $of = [];
        foreach ($size as $i => $_) {
            [$p, $q, $r, $surface, $key] = $triangles[$i];
            $of[$i] =
                $this->facet($b, [$number[$p], $number[$q], $number[$r]], $this->across($p, $q, $r), $facets["$surface,$key"] ?? []) ??
                $b->facetThrough($number[$p], $number[$q], $number[$r], $surface);
            if ($key !== '') {
                $facets["$surface,$key"][$of[$i]] = Vector::unit($this->across($p, $q, $r));
            }
        }
        foreach ($triangles as $i => [$p, $q, $r]) {
            $b->triangle($number[$p], $number[$q], $number[$r], $of[$i]);
        }

        return $b->build();
    }

    /**
     * @param array{int,int,int} $corners
     * @param V $across
     * @param array<int, V> $facets normal by facet
     */
    private function facet(SolidBuilder $b, array $corners, array $across, array $facets): ?int
    {
        $size =
            self::BESIDE * (1 + max(array_map(static fn(int $v): float => max(abs($b->x[$v]), abs($b->y[$v]), abs($b->z[$v])), $corners)));
        foreach ($facets as $f => $n) {
            if (Vector::dot($n, $across) > 0 && max(array_map(static fn(int $v): float => abs($b->height($f, $v)), $corners)) < $size) {
                return $f;
            }
        }

        return null;
    }

    /** @return V */
    private function across(int $p, int $q, int $r): array
    {
        return Vector::cross(
            [$this->x[$q] - $this->x[$p], $this->y[$q] - $this->y[$p], $this->z[$q] - $this->z[$p]],
            [$this->x[$r] - $this->x[$p], $this->y[$r] - $this->y[$p], $this->z[$r] - $this->z[$p]],
        );
    }
}
