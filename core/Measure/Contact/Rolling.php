<?php

declare(strict_types=1);

namespace Cubo\Measure\Contact;

use Cubo\Budget\OverBudget;
use Cubo\Geometry\Vector;

/**
 * How near two true faces come. A ball, a cylinder or a ring seen from outside is all that lies at one distance from its
 * spine. Along that spine the gap is the distance of the other face less that radius; where it is least, and where it is
 * nothing over a stretch, is looked for among samples and by golden sections (R. P. Brent, "Algorithms for Minimization
 * without Derivatives", 1973).
 *
 * @phpstan-import-type V from TriangleSet
 *
 * @phpstan-type Found array{gap: float, from: V, to: V, length: float}
 */
final readonly class Rolling
{
    /** Gaps below this, mm, are none. */
    public const TOUCH = 1e-6;

    /** Samples along a spine. */
    private const SAMPLES = 64;

    private const GOLDEN = 0.6180339887498949;

    private const STEPS = 48;

    private const HALVINGS = 24;

    /**
     * @param TriangleSet $a what rolls
     * @param float $deep how deep true faces may lie in each other while their facets do not, mm
     */
    private function __construct(
        private TriangleSet $a,
        private TriangleSet $b,
        private Spine $spine,
        private Facing $other,
        private float $deep,
    ) {}

    /** Whether the gap between two faces can be told so. */
    public static function can(TriangleSet $a, int $t, TriangleSet $b, int $u): bool
    {
        return self::rolls($a, $t) || self::rolls($b, $u);
    }

    private static function rolls(TriangleSet $s, int $t): bool
    {
        return Spine::has($s->surface($t)) && Facing::isOuter($s, $t);
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
        if (!self::rolls($a, $t)) {
            $found = self::of($b, $u, $a, $t, $most);

            return $found === null ? null : ['from' => $found['to'], 'to' => $found['from']] + $found;
        }

        return (new self($a, $b, Spine::of($a, $a->surface($t)), Facing::of($b, $u), $a->rise() + $b->rise() + self::TOUCH))->found($most);
    }

    /** @return Found|null */
    private function found(float $most): ?array
    {
        $gaps = $this->sampled();
        $best = $this->least($gaps, $most);
        if ($best !== null && abs($best['gap']) <= self::TOUCH) {
            $best['length'] = $this->spine->isPoint() ? $this->aroundBall() : $this->longest($gaps);
        }

        return $best;
    }

    private function gap(float $t): float
    {
        return $this->other->distance($this->spine->at($t)) - $this->spine->radius;
    }

    /**
     * The ends of the way between both faces there; null where one of them is not on its face.
     *
     * @return array{V, V}|null
     */
    private function ends(float $t): ?array
    {
        foreach ($this->other->ways($this->spine->at($t)) as $way) {
            $ends = $this->onBoth($t, $way);
            if ($ends !== null) {
                return $ends;
            }
        }

        return null;
    }

    /**
     * @param array{V, V} $way to where, and the outward normal there
     * @return array{V, V}|null
     */
    private function onBoth(float $t, array $way): ?array
    {
        [$to, $normal] = $way;
        $from = Vector::add($this->spine->at($t), $normal, -$this->spine->radius);

        return $this->b->has($to, $this->other->surface) && $this->a->has($from, $this->spine->surface) ? [$from, $to] : null;
    }

    /** @return non-empty-list<array{float, float}> places on the spine, in order, and the gaps there */
    private function sampled(): array
    {
        $n = $this->spine->to > $this->spine->from ? self::SAMPLES : 0;
        $this->a->budget->spend(2 * ($n + 1));
        $out = [];
        for ($i = 0; $i <= $n; $i++) {
            $t = $n === 0 ? $this->spine->from : $this->spine->from + (($this->spine->to - $this->spine->from) * $i) / $n;
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
        $places = $gaps;
        $n = count($gaps);
        $round = $this->spine->isRound();
        for ($i = 0; $i < $n && $n > 1; $i++) {
            $before = $i > 0 ? $gaps[$i - 1][1] : ($round ? $gaps[$n - 2][1] : INF);
            $after = $i < $n - 1 ? $gaps[$i + 1][1] : ($round ? $gaps[1][1] : INF);
            [$t, $gap] = $gaps[$i];
            if ($gap <= $before && $gap <= $after && ($gap < $before || $gap < $after)) {
                $step = ($this->spine->to - $this->spine->from) / ($n - 1);
                $at = $this->golden(
                    $round ? $t - $step : max($this->spine->from, $t - $step),
                    $round ? $t + $step : min($this->spine->to, $t + $step),
                );
                $places[] = [$at, $this->gap($at)];
            }
        }
        usort($places, static fn(array $p, array $q): int => $p[1] <=> $q[1]);
        foreach ($places as [$t, $gap]) {
            if ($gap > $most) {
                return null;
            }
            // deeper in each other than that, the ends lie behind the part
            $ends = $gap < -$this->deep ? null : $this->ends($t);
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
        $before = $this->spine->from;
        foreach ($gaps as [$t, $gap]) {
            $ends = abs($gap) <= self::TOUCH ? $this->ends($t) : null;
            if ($ends !== null && $last === null) {
                $lines[] = $t > $before ? $this->reach($t, $before) : 0.0;
            } elseif ($ends !== null) {
                $lines[count($lines) - 1] += $this->spine->way($last[0], $ends[0], $t - $before);
            } elseif ($last !== null) {
                $lines[count($lines) - 1] += $this->reach($before, $t);
            }
            [$last, $before] = [$ends, $t];
        }
        $n = count($lines);
        // round a ring the last one goes on where the first one begins
        if (
            $n > 1 &&
            $last !== null &&
            $this->spine->isRound() &&
            abs($gaps[0][1]) <= self::TOUCH &&
            $this->ends($this->spine->from) !== null
        ) {
            $lines[0] += $lines[$n - 1];
        }

        return $lines === [] ? 0.0 : max($lines);
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

        return $start === null || $end === null ? 0.0 : $this->spine->way($start[0], $end[0], $in - $from);
    }

    /** A ball in a bore of its size touches it in a circle, as far as the bore goes round: its length, mm. */
    private function aroundBall(): float
    {
        $p = $this->spine->at(0.0);
        if (!$this->other->isBoreAround($p)) {
            return 0.0;
        }
        $there = array_filter($this->other->ways($p), fn(array $way): bool => $this->onBoth(0.0, $way) !== null);

        return (2 * M_PI * $this->spine->radius * count($there)) / Facing::ROUND;
    }
}
