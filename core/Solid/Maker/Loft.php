<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\CubicSpline;
use Cubo\Geometry\PlaneCurve;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\GridPatch;
use Cubo\Solid\Refused;
use Cubo\Solid\RevolvedSurface;
use Cubo\Solid\SelfCrossing;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * A skin from section to section. Sections with equally many corners are joined corner to corner; others where the rays
 * from their middles at the same angle leave them. Between those places points correspond by their share of the length.
 *
 * Ruled: straight lines join corresponding points. Smooth: cubic splines through all sections do. Guides pull the skin onto
 * themselves; one alone fades away around the sections with the cosine of the way round. Circles around one axis are joined by
 * cones, or by the spline through their radii turned about it.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Loft
{
    /** Grid lines of a free surface for every strip of the mesh. */
    private const SUB = 3;

    /** Chords all round where a guide bends straight sides. */
    private const GUIDED = 48;

    /** What axes may differ by. */
    private const ALIKE = 1e-12;

    /** Share of the way round by which guides are apart. */
    private const APART = 0.01;

    /** @var list<SectionOutline> */
    private array $outlines = [];

    /** @var list<list<float>> by section: where each stretch begins, mm along, increasing from the first */
    private array $joints = [];

    /** @var list<int> chords of every stretch */
    private array $chords = [];

    /** @var list<list<V>> by section: points at SUB times the mesh's fineness, in order of the stretches */
    private array $points = [];

    /** @var list<float> parameter of every section along the skin */
    private array $knots = [];

    /** @var list<Transform> by section */
    private array $places = [];

    /** @var array<string, Surface> */
    private array $cones = [];

    /** @var list<CubicSpline> by fine column */
    private array $splines = [];

    /**
     * @param list<array{Profile, Transform}> $sections at least two, each one outline without holes, placed in space;
     *     all turn the same way seen from the last against the first
     * @param list<list<V>> $guides points of smooth curves from the first section's outline to the last one's
     *
     * @throws Refused no-sections, not-alike (outlines that cannot be joined), crosses-itself, off-guide
     */
    public static function through(string $step, array $sections, bool $smooth, array $guides = []): Solid
    {
        if (count($sections) < 2) {
            throw new Refused('no-sections', 'A loft needs at least two sections.');
        }
        $loft = new self($sections, $guides === [] ? 1 : self::GUIDED);

        return $loft->build($step, $smooth && count($sections) > 2, $guides);
    }

    /**
     * @param list<array{Profile, Transform}> $sections
     * @param int $least chords all round
     */
    private function __construct(array $sections, int $least)
    {
        foreach ($sections as [$profile, $place]) {
            $this->places[] = $place;
            if (count($profile->loops) !== 1) {
                throw new Refused('not-alike', 'Sections of a loft have no holes. Cut the inside afterwards.');
            }
            $this->outlines[] = new SectionOutline($profile->checked()->loops[0]);
        }
        $this->joints = SectionJoints::of($this->outlines, $this->places);
        $m = count($this->joints[0]);
        for ($j = 0; $j < $m; $j++) {
            $n = (int) ceil($least / $m);
            foreach ($this->outlines as $i => $o) {
                $n = max($n, $o->chords($this->joints[$i][$j], $this->joints[$i][$j + 1] ?? $this->joints[$i][0] + $o->length));
            }
            $this->chords[] = $n;
        }
        $middle = null;
        foreach ($sections as $i => [, $place]) {
            $row = [];
            foreach ($this->chords as $j => $n) {
                $from = $this->joints[$i][$j];
                $to = $this->joints[$i][$j + 1] ?? $this->joints[$i][0] + $this->outlines[$i]->length;
                for ($k = 0; $k < self::SUB * $n; $k++) {
                    $row[] = $place->point([...$this->outlines[$i]->at($from + (($to - $from) * $k) / (self::SUB * $n)), 0.0]);
                }
            }
            $this->points[] = $row;
            $here = $place->point([...$this->outlines[$i]->middle, 0.0]);
            $this->knots[] = $middle === null ? 0.0 : $this->knots[$i - 1] + max(1e-9, Vector::distance($middle, $here));
            $middle = $here;
        }
    }

    /** @param list<list<V>> $guides */
    private function build(string $step, bool $smooth, array $guides): Solid
    {
        foreach (array_keys($this->points[0]) as $c) {
            $this->splines[] = new CubicSpline(array_column($this->points, $c), $this->knots);
        }
        $pulls = array_map(fn(array $guide): callable => $this->pull($guide, $smooth), $guides);
        $this->distinct($pulls);
        // rows of the mesh and, between them, of the true surface
        $ts = [0.0];
        $breaks = [];
        $spans = count($this->knots) - 1;
        for ($i = 0; $i < $spans; $i++) {
            $n = self::SUB * ($smooth || $pulls !== [] ? $this->rowsFor($i, $smooth, $pulls) : $this->twistRows($i));
            for ($k = 1; $k <= $n; $k++) {
                $ts[] = $this->knots[$i] + (($this->knots[$i + 1] - $this->knots[$i]) * $k) / $n;
            }
            if ($i < $spans - 1) {
                $breaks[] = count($ts) - 1;
            }
        }
        $rows = array_map(fn(float $t): array => $this->row($t, $smooth, $pulls), $ts);
        $stations = [];
        foreach ($rows as $r => $row) {
            if ($r % self::SUB === 0) {
                $stations[] = [array_values(array_filter($row, static fn(int $c): bool => $c % self::SUB === 0, ARRAY_FILTER_USE_KEY))];
            }
        }
        $stretchOf = [];
        foreach ($this->chords as $j => $n) {
            array_push($stretchOf, ...array_fill(0, $n, $j));
        }
        $made = [];
        $guided = $pulls !== [];
        $wave = $smooth || $guided;
        $span = static function (int $i) use ($breaks): int {
            $s = 0;
            while (isset($breaks[$s]) && $i * self::SUB >= $breaks[$s]) {
                $s++;
            }

            return $s;
        };
        $surface = function (int $i, int $l, int $k) use (
            $step,
            $stretchOf,
            $rows,
            $ts,
            $breaks,
            $wave,
            $guided,
            $span,
            $spans,
            &$made,
        ): Surface {
            $j = $stretchOf[$k];
            $s = $wave ? 0 : $span($i);
            $round = match (true) {
                $guided => null,
                $wave => $this->revolved("$step:side"),
                default => $this->cone($s, "$step:side" . ($spans === 1 ? '' : ' ' . ($s + 1))),
            };
            if ($round !== null) {
                return $round;
            }
            $name = "$step:side " . ($j + 1) . ($wave || $spans === 1 ? '' : ' ' . ($s + 1));

            return $made[$name] ??= $this->surface(
                $name,
                $j,
                $wave
                    ? $rows
                    : array_slice(
                        $rows,
                        $s === 0 ? 0 : $breaks[$s - 1],
                        ($breaks[$s] ?? count($rows) - 1) - ($s === 0 ? 0 : $breaks[$s - 1]) + 1,
                    ),
                $wave ? $ts : null,
                $wave ? $breaks : [],
                $wave ? null : $s,
            );
        };
        $solid = Skin::over($stations, $surface, "$step:start", "$step:end");
        if ($solid->facettedVolume() <= 0 || SelfCrossing::found($solid)) {
            throw new Refused(
                'crosses-itself',
                'The skin would run into itself. Look at the order of the sections and which way they face.',
            );
        }

        return $solid;
    }

    /**
     * @param list<callable(float): array{float,float,float,float}> $pulls
     * @return list<V> at SUB times the mesh's fineness
     */
    private function row(float $t, bool $smooth, array $pulls): array
    {
        $out = [];
        $i = 0;
        while ($i < count($this->knots) - 2 && $t > $this->knots[$i + 1]) {
            $i++;
        }
        $w = ($t - $this->knots[$i]) / ($this->knots[$i + 1] - $this->knots[$i]);
        foreach ($this->points[$i] as $c => $p) {
            $q = $this->points[$i + 1][$c];
            if ($smooth) {
                [$x, $y, $z] = $this->splines[$c]->at($t)[0];
                $out[] = [$x, $y, $z];
            } else {
                // exact at both ends
                $out[] = $w >= 1 ? $q : [$p[0] + $w * ($q[0] - $p[0]), $p[1] + $w * ($q[1] - $p[1]), $p[2] + $w * ($q[2] - $p[2])];
            }
        }

        return $pulls === [] ? $out : (new GuidedRow($out))->pulled(array_map(static fn(callable $pull): array => $pull($t), $pulls));
    }

    /**
     * @param list<callable(float): array{float,float,float,float}> $pulls
     *
     * @throws Refused off-guide where two guides run along one line of the skin
     */
    private function distinct(array $pulls): void
    {
        foreach ([0.0, $this->knots[count($this->knots) - 1]] as $t) {
            $at = array_map(static fn(callable $pull): float => $pull($t)[3], $pulls);
            foreach ($at as $i => $a) {
                for ($j = 0; $j < $i; $j++) {
                    $apart = $a - $at[$j];
                    if (abs($apart - round($apart)) < self::APART) {
                        throw new Refused('off-guide', 'Two guides begin or end at the same place.');
                    }
                }
            }
        }
    }

    /**
     * @param list<V> $guide
     * @return callable(float): array{float,float,float,float} how far the guide lies off the skin, and where around it
     */
    private function pull(array $guide, bool $smooth): callable
    {
        if (count($guide) < 2) {
            throw new Refused('off-guide', 'A guide needs at least two points.');
        }
        $m = count($this->points[0]);
        $nearest = static function (array $row, array $p): array {
            $best = [INF, 0];
            foreach ($row as $c => $q) {
                $best = min($best, [Vector::distance($p, $q), $c]);
            }

            return $best;
        };
        [$off0, $c0] = $nearest($this->points[0], $guide[0]);
        [$off1, $c1] = $nearest($this->points[count($this->points) - 1], $guide[count($guide) - 1]);
        $size = $this->outlines[0]->length;
        if ($off0 > $size / 20 || $off1 > $size / 20) {
            throw new Refused('off-guide', 'The guide must begin on the first section and end on the last one.');
        }
        $turn = ($c1 - $c0) / $m;
        $turn -= round($turn);
        $spline = new CubicSpline($guide);
        $end = $spline->knots[count($spline->knots) - 1];
        $top = $this->knots[count($this->knots) - 1];

        return function (float $t) use ($spline, $end, $top, $c0, $turn, $m, $smooth): array {
            $share = $t / $top;
            $at = $c0 / $m + $turn * $share;
            $column = $at * $m;
            $row = $this->row($t, $smooth, []);
            $a = (((int) floor($column) % $m) + $m) % $m;
            $w = $column - floor($column);
            $p = Vector::add($row[$a], Vector::sub($row[($a + 1) % $m], $row[$a]), $w);
            $g = $spline->at($share * $end)[0];
            // the guide's ends rest on the nearest points of the outlines, which stay where they are
            $hold = $share <= 0.0 || $share >= 1.0 ? 0.0 : 1.0;

            return [$hold * ($g[0] - $p[0]), $hold * ($g[1] - $p[1]), $hold * ($g[2] - $p[2]), $at];
        };
    }

    /**
     * Rows that keep the skin near its chords where it waves.
     *
     * @param list<callable(float): array{float,float,float,float}> $pulls
     */
    private function rowsFor(int $span, bool $smooth, array $pulls): int
    {
        $most = 0.0;
        $a = $this->knots[$span];
        $b = $this->knots[$span + 1];
        $rows = array_map(fn(int $k): array => $this->row($a + (($b - $a) * $k) / 8, $smooth, $pulls), range(0, 8));
        foreach ($rows[0] as $c => $_) {
            $turn = $length = 0.0;
            for ($k = 1; $k < 8; $k++) {
                $d = Vector::sub($rows[$k][$c], $rows[$k - 1][$c]);
                $e = Vector::sub($rows[$k + 1][$c], $rows[$k][$c]);
                $turn += Path::turn($d, $e);
                $length += Vector::length($d);
            }
            if ($turn > 1e-9) {
                $most = max($most, ($turn / (2 * M_PI)) * Fineness::facets($length / $turn));
            }
        }

        return (int) max(4, ceil($most));
    }

    /** Rows that keep twisted quads near their bilinear surface. */
    private function twistRows(int $span): int
    {
        $most = 0.0;
        $m = count($this->points[0]);
        for ($c = 0; $c < $m; $c += self::SUB) {
            [$a, $b, $d, $e] = [
                $this->points[$span][$c],
                $this->points[$span][($c + self::SUB) % $m],
                $this->points[$span + 1][($c + self::SUB) % $m],
                $this->points[$span + 1][$c],
            ];
            $n = Vector::cross(Vector::sub($b, $a), Vector::sub($e, $a));
            $l = Vector::length($n);
            $most = max($most, $l > 0 ? abs(Vector::dot(Vector::sub($d, $a), $n)) / $l / 4 : 0.0);
        }

        return (int) max(1, min(16, ceil($most / Fineness::CHORD)));
    }

    /**
     * @param list<list<V>> $rows
     * @param list<float>|null $ts
     * @param list<int> $breaks
     * @param int|null $span of straight lines, null when they are waved
     */
    private function surface(string $name, int $stretch, array $rows, ?array $ts, array $breaks, ?int $span): Surface
    {
        $from = self::SUB * (int) array_sum(array_slice($this->chords, 0, $stretch));
        $count = self::SUB * $this->chords[$stretch];
        $m = count($rows[0]);
        $whole = $count === $m;
        $last = count($rows) - 1;
        if ($span !== null) {
            [$a, $b, $c, $d] = [$rows[0][$from], $rows[0][($from + $count) % $m], $rows[$last][($from + $count) % $m], $rows[$last][$from]];
            if (!$whole && $this->straight($span, $stretch) && $this->straight($span + 1, $stretch)) {
                $n = Vector::cross(Vector::sub($b, $a), Vector::sub($d, $a));
                $l = Vector::length($n);
                if ($l > 0 && abs(Vector::dot(Vector::sub($c, $a), $n)) / $l < 1e-9 * (1 + Vector::length(Vector::sub($c, $a)))) {
                    return Surface::plane($name);
                }
            }
            $rows = [$rows[0], $rows[$last]];
        }
        $x = $y = $z = [];
        foreach ($rows as $row) {
            for ($k = 0; $k <= ($whole ? $count - 1 : $count); $k++) {
                [$x[], $y[], $z[]] = $row[($from + $k) % $m];
            }
        }

        return Surface::free(
            $name,
            new GridPatch(
                $x,
                $y,
                $z,
                $whole ? $count : $count + 1,
                $whole,
                null,
                $span !== null ? null : $ts,
                $span !== null ? [] : $breaks,
            ),
        );
    }

    /** Between two circles around one axis: a cone or a cylinder. */
    private function cone(int $span, string $name): ?Surface
    {
        if (isset($this->cones[$name])) {
            return $this->cones[$name];
        }
        [$one, $two] = [$this->circle($span), $this->circle($span + 1)];
        if ($one === null || $two === null) {
            return null;
        }
        [[$a, $n, $r], [$b, $m, $q]] = [$one, $two];
        $way = Vector::sub($b, $a);
        $h = Vector::length($way);
        if (
            Vector::length(Vector::cross($n, $m)) > self::ALIKE ||
            Vector::length(Vector::cross($way, $n)) > self::ALIKE * (1 + $h) ||
            $h < 1e-9
        ) {
            return null;
        }
        $axis = Vector::unit($way);

        return $this->cones[$name] =
            abs($r - $q) < 1e-12 * $r ? Surface::cylinder($name, $a, $axis, $r) : Surface::cone($name, $a, $axis, $r, ($q - $r) / $h);
    }

    /**
     * A smooth skin through circles around one axis: the spline through their radii, turned about it.
     */
    private function revolved(string $name): ?Surface
    {
        if (isset($this->cones[$name])) {
            return $this->cones[$name];
        }
        $first = $this->circle(0);
        if ($first === null) {
            return null;
        }
        [$a, $axis] = $first;
        $points = [];
        foreach (array_keys($this->outlines) as $i) {
            $circle = $this->circle($i);
            $off = $circle === null ? null : Vector::sub($circle[0], $a);
            if (
                $circle === null ||
                $off === null ||
                Vector::length(Vector::cross($circle[1], $axis)) > self::ALIKE ||
                Vector::length(Vector::cross($off, $axis)) > self::ALIKE * (1 + Vector::length($off))
            ) {
                return null;
            }
            $h = Vector::dot($off, $axis);
            if ($points !== [] && $h <= $points[count($points) - 1][1]) {
                return null;
            }
            $points[] = [$circle[2], $h];
        }

        return $this->cones[$name] = Surface::free($name, new RevolvedSurface(PlaneCurve::spline($points, $this->knots), $a, $axis));
    }

    /** @return array{V, V, float}|null middle, normal and radius of a section that is a circle */
    private function circle(int $section): ?array
    {
        [$piece] = $this->outlines[$section]->pieces;
        if (count($this->outlines[$section]->pieces) !== 1 || $piece['circle'] === null) {
            return null;
        }

        return [
            $this->places[$section]->point([$piece['circle'][0], $piece['circle'][1], 0.0]),
            $this->places[$section]->direction([0.0, 0.0, 1.0]),
            $piece['circle'][2],
        ];
    }

    private function straight(int $section, int $stretch): bool
    {
        $o = $this->outlines[$section];
        $from = $this->joints[$section][$stretch];
        $to = $this->joints[$section][$stretch + 1] ?? $this->joints[$section][0] + $o->length;
        [$p, $q, $r] = [$o->at($from + 1e-9), $o->at(($from + $to) / 2), $o->at($to - 1e-9)];

        return abs(($q[0] - $p[0]) * ($r[1] - $p[1]) - ($q[1] - $p[1]) * ($r[0] - $p[0])) <
            1e-9 * (($r[0] - $p[0]) ** 2 + ($r[1] - $p[1]) ** 2);
    }
}
