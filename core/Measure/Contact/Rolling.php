<?php

declare(strict_types=1);

namespace Cubo\Measure\Contact;

use Cubo\Budget\OverBudget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * How near two true faces come. A ball, a cylinder or a ring seen from outside is all that lies at one distance from its
 * spine: a point, a line or a circle. Along that spine the gap is the distance of the other face less that radius; where it
 * is least, and where it is nothing over a stretch, is looked for among samples and by golden sections (R. P. Brent,
 * "Algorithms for Minimization without Derivatives", 1973).
 *
 * @phpstan-import-type V from TriangleSet
 * @phpstan-type Found array{gap: float, from: V, to: V, length: float}
 */
final class Rolling
{
    /** Gaps below this, mm, are none. */
    public const TOUCH = 1e-6;

    /** Samples along a spine. */
    private const SAMPLES = 64;

    private const GOLDEN = 0.6180339887498949;

    private const STEPS = 48;

    private const HALVINGS = 24;

    /** Directions tried from the axis of a bore, and how near to it, mm, all of them are alike. */
    private const ROUND = 8;

    private const ON_AXIS = 1e-9;

    private Surface $rolls;

    private Surface $other;

    /** Whether the other one's outward normal looks along its gradient. */
    private float $sign = 1.0;

    /** @var V of the other one, where it is flat */
    private array $normal = [0.0, 0.0, 0.0];

    private float $offset = 0.0;

    private float $radius = 0.0;

    /** @var array{float, float} where the spine begins and ends */
    private array $range = [0.0, 0.0];

    /** @var V across the axis of a ring, where its spine begins */
    private array $u = [0.0, 0.0, 0.0];

    /** @var V */
    private array $w = [0.0, 0.0, 0.0];

    private function __construct(private readonly TriangleSet $a, private readonly TriangleSet $b) {}

    /** Whether the gap between two faces can be told so. */
    public static function can(TriangleSet $a, int $t, TriangleSet $b, int $u): bool
    {
        return self::rolls($a, $t) || self::rolls($b, $u);
    }

    /**
     * @param int $t a triangle of the one face
     * @param int $u of the other
     * @param float $most mm; faces that are farther apart, or deeper in each other than their facets allow, are not told
     * @return Found|null from the first to the second; null where they are nearest at a rim
     *
     * @throws OverBudget
     */
    public static function of(TriangleSet $a, int $t, TriangleSet $b, int $u, float $most): ?array
    {
        if (self::rolls($a, $t)) {
            return (new self($a, $b))->between($t, $u, $most);
        }
        $found = (new self($b, $a))->between($u, $t, $most);

        return $found === null ? null : ['from' => $found['to'], 'to' => $found['from']] + $found;
    }

    private static function rolls(TriangleSet $s, int $t): bool
    {
        return in_array($s->surface($t)->kind, [SurfaceKind::Sphere, SurfaceKind::Cylinder, SurfaceKind::Torus], true) && self::isOuter($s, $t);
    }

    /** Whether a facet looks away from the inside of its curved surface. */
    private static function isOuter(TriangleSet $s, int $t): bool
    {
        $f = $s->solid->facet[$t];
        $middle = Vector::middle($s->corners($t));
        $out = SurfaceEquation::outward($s->surface($t), $middle, [$s->solid->nx[$f], $s->solid->ny[$f], $s->solid->nz[$f]]);
        $before = SurfaceEquation::distance($s->surface($t), Vector::add($middle, $out, -1e-3));

        return SurfaceEquation::distance($s->surface($t), Vector::add($middle, $out, 1e-3)) > $before;
    }

    /** @return Found|null */
    private function between(int $t, int $u, float $most): ?array
    {
        $this->rolls = $this->a->surface($t);
        $this->other = $this->b->surface($u);
        $this->radius = $this->rolls->kind === SurfaceKind::Torus ? $this->rolls->tube : $this->rolls->radius;
        if ($this->other->isFlat()) {
            $f = $this->b->solid->facet[$u];
            $this->normal = [$this->b->solid->nx[$f], $this->b->solid->ny[$f], $this->b->solid->nz[$f]];
            $this->offset = $this->b->solid->offset[$f];
        } else {
            $this->sign = self::isOuter($this->b, $u) ? 1.0 : -1.0;
        }
        $this->measureSpine();
        $filled = $this->filled($most);
        if ($filled !== null) {
            return $filled;
        }
        $gaps = $this->sampled();
        $best = $this->least($gaps, $most);
        if ($best !== null && abs($best['gap']) <= self::TOUCH) {
            $best['length'] = $this->longest($gaps);
        }

        return $best;
    }

    /** Where the spine runs: as far as the face does, or all round. */
    private function measureSpine(): void
    {
        $s = $this->rolls;
        if ($s->kind === SurfaceKind::Torus) {
            $this->u = Vector::across($s->axis);
            $this->w = Vector::cross($s->axis, $this->u);
            $this->range = [0.0, 2 * M_PI];
        } elseif ($s->kind === SurfaceKind::Cylinder) {
            [$lo, $hi] = [INF, -INF];
            foreach ($this->a->triangles as $t) {
                if ($this->a->surface($t) === $s) {
                    foreach ($this->a->corners($t) as $p) {
                        $h = Vector::dot(Vector::sub($p, $s->point), $s->axis);
                        [$lo, $hi] = [min($lo, $h), max($hi, $h)];
                    }
                }
            }
            $this->range = [$lo, $hi];
        }
    }

    /** @return V */
    private function spine(float $t): array
    {
        $s = $this->rolls;

        return match ($s->kind) {
            SurfaceKind::Torus => Vector::add(Vector::add($s->point, $this->u, $s->radius * cos($t)), $this->w, $s->radius * sin($t)),
            SurfaceKind::Cylinder => Vector::add($s->point, $s->axis, $t),
            default => $s->point,
        };
    }

    private function gap(float $t): float
    {
        $p = $this->spine($t);
        $d = $this->other->isFlat() ? Vector::dot($this->normal, $p) - $this->offset : $this->sign * SurfaceEquation::distance($this->other, $p);

        return $d - $this->radius;
    }

    /**
     * The ends of the way between both faces there; null where one of them is not on its face.
     *
     * @return array{V, V}|null
     */
    private function ends(float $t): ?array
    {
        $p = $this->spine($t);
        $o = $this->other;
        foreach ($this->ways($p) as [$to, $n]) {
            $from = Vector::add($p, $n, -$this->radius);
            if ($this->b->has($to, $o) && $this->a->has($from, $this->rolls)) {
                return [$from, $to];
            }
        }

        return null;
    }

    /**
     * The points of the other face nearest to a point, with its outward normals there: on the axis of a bore all round are.
     *
     * @param V $p
     * @return list<array{V, V}>
     */
    private function ways(array $p): array
    {
        $o = $this->other;
        if ($o->isFlat()) {
            return [[Vector::add($p, $this->normal, $this->offset - Vector::dot($this->normal, $p)), $this->normal]];
        }
        if ($o->kind === SurfaceKind::Cylinder && Vector::length(Vector::cross(Vector::sub($p, $o->point), $o->axis)) < self::ON_AXIS) {
            return array_map(fn (array $way): array => [Vector::add($p, $way, $o->radius), Vector::add([0.0, 0.0, 0.0], $way, $this->sign)], self::round($o->axis));
        }
        $to = SurfaceEquation::foot($o, $p);

        return [[$to, Vector::add([0.0, 0.0, 0.0], SurfaceEquation::outward($o, $to, [0.0, 0.0, 0.0]), $this->sign)]];
    }

    /**
     * @param V $axis unit
     * @return list<V> directions across it
     */
    private static function round(array $axis): array
    {
        $u = Vector::across($axis);
        $w = Vector::cross($axis, $u);

        return array_map(static fn (int $i): array => Vector::add(Vector::add([0.0, 0.0, 0.0], $u, cos(2 * M_PI * $i / self::ROUND)), $w, sin(2 * M_PI * $i / self::ROUND)), range(0, self::ROUND - 1));
    }

    /** @return non-empty-list<array{float, float}> places on the spine, in order, and the gaps there */
    private function sampled(): array
    {
        [$lo, $hi] = $this->range;
        $n = $hi > $lo ? self::SAMPLES : 0;
        $this->a->budget->spend(2 * ($n + 1));
        $out = [];
        for ($i = 0; $i <= $n; $i++) {
            $t = $n === 0 ? $lo : $lo + ($hi - $lo) * $i / $n;
            $out[] = [$t, $this->gap($t)];
        }

        return $out;
    }

    /**
     * The least gap whose ends lie on both faces.
     *
     * @param non-empty-list<array{float, float}> $gaps
     * @return Found|null
     */
    private function least(array $gaps, float $most): ?array
    {
        $at = array_column($gaps, 0);
        $value = array_column($gaps, 1);
        $n = count($at);
        $round = $this->rolls->kind === SurfaceKind::Torus;
        $places = [];
        for ($i = 0; $i < $n; $i++) {
            $before = $i > 0 ? $value[$i - 1] : ($round ? $value[max(0, $n - 2)] : INF);
            $after = $i < $n - 1 ? $value[$i + 1] : ($round ? $value[min(1, $n - 1)] : INF);
            $places[] = [$value[$i], $at[$i]];
            if ($n > 2 && $value[$i] <= $before && $value[$i] <= $after && ! ($value[$i] === $before && $value[$i] === $after)) {
                $step = ($this->range[1] - $this->range[0]) / ($n - 1);
                $t = $this->golden(max($round ? -INF : $this->range[0], $at[$i] - $step), min($round ? INF : $this->range[1], $at[$i] + $step));
                $places[] = [$this->gap($t), $t];
            }
        }
        sort($places);
        foreach ($places as [$gap, $t]) {
            if ($gap > $most) {
                return null;
            }
            // deeper in each other than that, the ends lie behind the part
            $ends = $gap < -$this->deep() ? null : $this->ends($t);
            if ($ends !== null) {
                return ['gap' => $gap, 'from' => $ends[0], 'to' => $ends[1], 'length' => 0.0];
            }
        }

        return null;
    }

    private function golden(float $lo, float $hi): float
    {
        $this->a->budget->spend(self::STEPS);
        [$x, $y] = [$hi - self::GOLDEN * ($hi - $lo), $lo + self::GOLDEN * ($hi - $lo)];
        [$f, $g] = [$this->gap($x), $this->gap($y)];
        for ($k = 0; $k < self::STEPS && $hi - $lo > 1e-12; $k++) {
            if ($f <= $g) {
                [$hi, $y, $g] = [$y, $x, $f];
                $x = $hi - self::GOLDEN * ($hi - $lo);
                $f = $this->gap($x);
            } else {
                [$lo, $x, $f] = [$x, $y, $g];
                $y = $lo + self::GOLDEN * ($hi - $lo);
                $g = $this->gap($y);
            }
        }

        return ($lo + $hi) / 2;
    }

    /**
     * The longest line along which they touch, mm.
     *
     * @param non-empty-list<array{float, float}> $gaps
     */
    private function longest(array $gaps): float
    {
        $lines = [];
        $last = null;
        $before = $this->range[0];
        foreach ($gaps as [$t, $gap]) {
            $ends = abs($gap) <= self::TOUCH ? $this->ends($t) : null;
            if ($ends !== null && $last === null) {
                $lines[] = $t > $before ? $this->reach($t, $before) : 0.0;
            } elseif ($ends !== null) {
                $lines[count($lines) - 1] += $this->way($last[0], $ends[0], $t - $before);
            } elseif ($last !== null) {
                $lines[count($lines) - 1] += $this->reach($before, $t);
            }
            [$last, $before] = [$ends, $t];
        }
        $n = count($lines);
        // round a ring the last one goes on where the first one begins
        if ($n > 1 && $last !== null && $this->rolls->kind === SurfaceKind::Torus && abs($gaps[0][1]) <= self::TOUCH && $this->ends($this->range[0]) !== null) {
            $lines[0] += $lines[$n - 1];
        }

        return $lines === [] ? 0.0 : max($lines);
    }

    /**
     * The way along the line between two of its points: a ring's is an arc.
     *
     * @param V $p
     * @param V $q
     * @param float $turn of the spine between them
     */
    private function way(array $p, array $q, float $turn): float
    {
        $half = abs($turn) / 2;

        return Vector::distance($p, $q) * ($this->rolls->kind === SurfaceKind::Torus && $half > 1e-9 ? $half / sin($half) : 1.0);
    }

    /** How far they still touch on the way from a place where they do to one where they do not, mm. */
    private function reach(float $in, float $out): float
    {
        $from = $in;
        $start = $end = $this->ends($in);
        for ($k = 0; $k < self::HALVINGS && $start !== null; $k++) {
            $t = ($in + $out) / 2;
            $ends = abs($this->gap($t)) <= self::TOUCH ? $this->ends($t) : null;
            [$in, $out, $end] = $ends !== null ? [$t, $out, $ends] : [$in, $t, $end];
        }

        return $start === null || $end === null ? 0.0 : $this->way($start[0], $end[0], $in - $from);
    }

    /**
     * A ball in a round bore of its size touches it in a circle: seen from its middle all directions are alike.
     *
     * @return Found|null
     */
    private function filled(float $most): ?array
    {
        $o = $this->other;
        $p = $this->rolls->point;
        if ($this->rolls->kind !== SurfaceKind::Sphere || $o->kind !== SurfaceKind::Cylinder || $this->sign > 0 || Vector::length(Vector::cross(Vector::sub($p, $o->point), $o->axis)) > self::ON_AXIS) {
            return null;
        }
        $gap = $o->radius - $this->radius;
        $there = array_values(array_filter($this->ways($p), fn (array $way): bool => $this->b->has($way[0], $o) && $this->a->has(Vector::add($p, $way[1], -$this->radius), $this->rolls)));
        if ($there === [] || $gap > $most || $gap < -$this->deep()) {
            return null;
        }

        return ['gap' => $gap, 'from' => Vector::add($p, $there[0][1], -$this->radius), 'to' => $there[0][0], 'length' => abs($gap) <= self::TOUCH ? 2 * M_PI * $this->radius * count($there) / self::ROUND : 0.0];
    }

    /** How deep true faces may lie in each other while their facets do not, mm. */
    private function deep(): float
    {
        return $this->a->rise() + $this->b->rise() + self::TOUCH;
    }
}
