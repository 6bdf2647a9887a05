<?php

declare(strict_types=1);

namespace Cubo\Measure\Contact;

use Cubo\Budget\OverBudget;
use Cubo\Geometry\TriangleDistance;
use Cubo\Geometry\Vector;
use Cubo\Quantity\Unit;
use Cubo\Solid\SurfaceEquation;

/**
 * How two bodies lie to each other: the gap between their true faces where these are known, else between their facets; and
 * where they touch, whether in a point or along a line, and how long that is. Bodies that share a face are one body.
 *
 * @phpstan-import-type V from TriangleSet
 */
final readonly class Contact
{
    /** A line shorter than this, mm, is a point to everybody. */
    private const LINE = 0.05;

    /** Turns in which the ends of a way are moved. */
    private const TURNS = 30;

    /** Points where facets touch that are kept of one pair of faces. */
    private const SPOTS = 200;

    /**
     * @param float $gap mm; 0 where they touch, INF where they are farther apart than was looked for, below 0 where the true
     *     faces lie in each other although their facets do not
     * @param V $from the ends of the shortest way
     * @param V $to
     * @param float $length of the longest line along which they touch, mm; 0 for a point
     * @param string $face of the second body, where they are nearest
     */
    private function __construct(public float $gap, public array $from, public array $to, public float $length, public string $face) {}

    public function touches(): bool
    {
        return abs($this->gap) <= Rolling::TOUCH;
    }

    /** It looks as if they were one piece, and nothing holds them together. */
    public function seemsJoined(): bool
    {
        return $this->gap <= Rolling::TOUCH;
    }

    public function isLine(): bool
    {
        return $this->touches() && $this->length > 0.0;
    }

    /** How they lie to each other, as it follows on "They" or "This and that". */
    public function words(Unit $unit): string
    {
        $size = static fn(float $mm): string => $unit->brief(round($mm, 4)) . " {$unit->value}";

        return match (true) {
            $this->gap < -Rolling::TOUCH => 'overlap by only ' . $size(-$this->gap),
            $this->isLine() => 'touch only along a line of ' . $size($this->length),
            $this->touches() => 'touch only in a point',
            default => 'lie ' . $size($this->gap) . ' apart',
        };
    }

    /**
     * @param float $within mm; what is farther apart is not measured
     *
     * @throws OverBudget
     */
    public static function of(TriangleSet $a, TriangleSet $b, float $within = INF): self
    {
        $stray = $a->rise() + $b->rise();
        $near = Clearance::nearest($a, $b, $within + $stray + Rolling::TOUCH);
        if ($near === null) {
            return new self(
                INF,
                $a->corners($a->triangles[0])[0],
                $b->corners($b->triangles[0])[0],
                0.0,
                $b->surface($b->triangles[0])->name,
            );
        }
        $within = $near[0] + $stray + Rolling::TOUCH;
        $true = $facets = [];
        foreach (self::pairs($a, $b, $within, $near) as [$found, $t, $u]) {
            if ($found === null) {
                $rolled = Rolling::of($a, $t, $b, $u, $within);
                $true[] = $rolled === null ? null : $rolled + ['on' => $u];
            } elseif ($a->surface($t)->isFlat() && $b->surface($u)->isFlat()) {
                $true[] = $found;
            } else {
                $facets[] = $found;
            }
        }
        $best = self::least(array_filter($true));
        // what facets tell of a curved face is right but for what they stray from it
        $rough = self::least($facets);
        if ($rough !== null && ($best === null || $rough['gap'] < $best['gap'] - $stray)) {
            $best = $rough['gap'] <= Rolling::TOUCH ? $rough : null;
        }
        $best ??= self::atRim($a, $b, $near);
        $gap = abs($best['gap']) <= Rolling::TOUCH ? 0.0 : $best['gap'];

        return new self(
            $gap > $within ? INF : $gap,
            $best['from'],
            $best['to'],
            $best['length'] > self::LINE ? $best['length'] : 0.0,
            $b->surface($best['on'])->name,
        );
    }

    /**
     * The least gap, with the longest line of all those that touch.
     *
     * @param array<array{gap: float, from: V, to: V, length: float, on: int}> $found
     * @return array{gap: float, from: V, to: V, length: float, on: int}|null
     */
    private static function least(array $found): ?array
    {
        $best = null;
        $length = 0.0;
        foreach ($found as $f) {
            $best = $best === null || $f['gap'] < $best['gap'] ? $f : $best;
            $length = abs($f['gap']) <= Rolling::TOUCH ? max($length, $f['length']) : $length;
        }

        return $best === null ? null : ['length' => $length] + $best;
    }

    /**
     * Pairs of faces that come so near; with what their facets tell where the true faces are not rolled on each other.
     *
     * @param array{float, V, V, int, int} $near the nearest facets
     * @return list<array{array{gap: float, from: V, to: V, length: float, on: int}|null, int, int}>
     */
    private static function pairs(TriangleSet $a, TriangleSet $b, float $within, array $near): array
    {
        /** @var array<string, array{array{gap: float, from: V, to: V, length: float, on: int}|null, int, int}> $pairs */
        $pairs = [];
        $spots = [];
        [$least, $from, $to, $first, $second] = $near;
        $nearest = $a->solid->surfaceOf[$a->solid->facet[$first]] . ' ' . $b->solid->surfaceOf[$b->solid->facet[$second]];
        if (!Rolling::can($a, $first, $b, $second)) {
            $pairs[$nearest] = [['gap' => $least, 'from' => $from, 'to' => $to, 'length' => 0.0, 'on' => $second], $first, $second];
        }
        Clearance::each(
            $a,
            $b,
            $within,
            static function (int $t, int $u, float $apart2) use ($a, $b, $within, $least, &$pairs, &$spots): void {
                $key = $a->solid->surfaceOf[$a->solid->facet[$t]] . ' ' . $b->solid->surfaceOf[$b->solid->facet[$u]];
                if (isset($pairs[$key]) && $pairs[$key][0] === null) {
                    return;
                }
                // where nothing touches, no other facets are nearer than the nearest; of flats each pair is exact
                $flat = $a->surface($t)->isFlat() && $b->surface($u)->isFlat();
                if (
                    $least > Rolling::TOUCH &&
                    (isset($pairs[$key]) ? $apart2 >= $pairs[$key][0]['gap'] ** 2 : !$flat && !Rolling::can($a, $t, $b, $u))
                ) {
                    return;
                }
                if (!isset($pairs[$key]) && Rolling::can($a, $t, $b, $u)) {
                    $pairs[$key] = [null, $t, $u];

                    return;
                }
                $a->budget->spend(25);
                [$d, $p, $q] = TriangleDistance::between($a->corners($t), $b->corners($u));
                if ($d > $within) {
                    return;
                }
                if (!isset($pairs[$key]) || $d < $pairs[$key][0]['gap']) {
                    $pairs[$key] = [['gap' => $d, 'from' => $p, 'to' => $q, 'length' => 0.0, 'on' => $u], $t, $u];
                }
                if ($d <= Rolling::TOUCH && count($spots[$key] ?? []) < self::SPOTS) {
                    $spots[$key] = [...$spots[$key] ?? [], ...self::meetings($a->corners($t), $b->corners($u))];
                }
            },
            static function (int $i, int $j) use (&$pairs): bool {
                return array_key_exists("$i $j", $pairs) && $pairs["$i $j"][0] === null;
            },
        );
        foreach ($spots as $key => $points) {
            $pairs[$key][0]['length'] = self::span($points);
        }

        return array_values($pairs);
    }

    /**
     * Where two triangles that touch do so: ends of the line, if it is one.
     *
     * @param array{V, V, V} $s
     * @param array{V, V, V} $t
     * @return list<V>
     */
    private static function meetings(array $s, array $t): array
    {
        $out = [];
        for ($i = 0; $i < 3; $i++) {
            for ($j = 0; $j < 3; $j++) {
                [$p, $q] = TriangleDistance::sides($s[$i], $s[($i + 1) % 3], $t[$j], $t[($j + 1) % 3]);
                if (Vector::distance($p, $q) <= Rolling::TOUCH) {
                    $out[] = $p;
                }
            }
            foreach ([[$s[$i], $t], [$t[$i], $s]] as [$p, $other]) {
                if (TriangleDistance::fromPoint($p, $other)[0] <= Rolling::TOUCH) {
                    $out[] = $p;
                }
            }
        }

        return $out;
    }

    /**
     * How far points reach, mm: from the one farthest from the first to the one farthest from that.
     *
     * @param list<V> $points
     */
    private static function span(array $points): float
    {
        $from = $points[0] ?? [0.0, 0.0, 0.0];
        $far = 0.0;
        foreach ([0, 1] as $_) {
            $start = $from;
            $far = 0.0;
            foreach ($points as $p) {
                $d = Vector::distance($start, $p);
                if ($d > $far) {
                    [$far, $from] = [$d, $p];
                }
            }
        }

        return $far;
    }

    /**
     * Where rims are nearest: from what the facets tell each end goes in turn to its own true face's point nearest to the
     * other, as long as that lies where the facet is.
     *
     * @param array{float, V, V, int, int} $near
     * @return array{gap: float, from: V, to: V, length: float, on: int}
     */
    private static function atRim(TriangleSet $a, TriangleSet $b, array $near): array
    {
        [$d, $p, $q, , $u] = $near;
        // onto the true face where it lies there, else onto the facets
        $move = static function (TriangleSet $s, int $t, array $to): array {
            $face = $s->surface($t);
            $true = $face->isFlat() ? $to : SurfaceEquation::foot($face, $to);

            return !$face->isFlat() && $s->has($true, $face) ? [$true, $t] : $s->nearest($to);
        };
        // which end goes first tells which rim's chord is left first: the nearer one counts
        foreach ([true, false] as $first) {
            [$i, $j, $from, $to] = [$near[3], $near[4], $near[1], $near[2]];
            $last = INF;
            for ($k = 0; $k < self::TURNS && $near[0] > Rolling::TOUCH; $k++) {
                if ($first || $k > 0) {
                    [$from, $i] = $move($a, $i, $to);
                }
                [$to, $j] = $move($b, $j, $from);
                $now = Vector::distance($from, $to);
                if ($now < $d) {
                    [$p, $q, $u, $d] = [$from, $to, $j, $now];
                }
                if ($now > $last - Rolling::TOUCH * 1e-3) {
                    break;
                }
                $last = $now;
            }
        }

        return ['gap' => $d, 'from' => $p, 'to' => $q, 'length' => 0.0, 'on' => $u];
    }
}
