<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\Vector;
use Cubo\Solid\Refused;

/**
 * A path in space of lines, arcs and splines, each beginning where the last one ended. Instances are values.
 *
 * Segments: ['kind' => 'line', 'from', 'to'], ['kind' => 'arc', 'from', 'to', 'centre', 'axis' (unit, the turn is
 * counter-clockwise about it), 'angle' (degrees)], ['kind' => 'spline', 'from', 'to', 'points' (with both ends)].
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Segment array{kind: string, from: V, to: V, centre?: V, axis?: V, angle?: float, points?: list<V>}
 */
final readonly class Path
{
    /**
     * @param list<Segment> $segments
     * @param V $at where the path ends so far
     */
    private function __construct(public array $segments, private array $at) {}

    /** @param V $start */
    public static function from(array $start): self
    {
        return new self([], $start);
    }

    /** @param V $to */
    public function lineTo(array $to): self
    {
        $this->apart($this->at, $to);

        return $this->with(['kind' => 'line', 'from' => $this->at, 'to' => $to]);
    }

    /**
     * The arc through a point on the way.
     *
     * @param V $through
     * @param V $to
     *
     * @throws Refused no-arc when the three points lie on a line
     */
    public function arcTo(array $through, array $to): self
    {
        $a = Vector::sub($through, $this->at);
        $b = Vector::sub($to, $this->at);
        $n = Vector::cross($a, $b);
        $n2 = Vector::dot($n, $n);
        $aa = Vector::dot($a, $a);
        $bb = Vector::dot($b, $b);
        if (!is_finite($n2) || $n2 <= 1e-18 * $aa * $bb) {
            throw new Refused('no-arc', 'Three points on a line make no arc.');
        }
        // centre of the circle through three points
        $centre = Vector::add(
            $this->at,
            Vector::cross([$aa * $b[0] - $bb * $a[0], $aa * $b[1] - $bb * $a[1], $aa * $b[2] - $bb * $a[2]], $n),
            1 / (2 * $n2),
        );
        $axis = Vector::unit($n);
        $angle = self::angleAbout($centre, $axis, $this->at, $to);

        return $this->with(['kind' => 'arc', 'from' => $this->at, 'to' => $to, 'centre' => $centre, 'axis' => $axis, 'angle' => $angle]);
    }

    /**
     * The smooth curve through points: a cubic spline by chord length, its ends without curvature (C. de Boor, "A
     * Practical Guide to Splines", 1978, chapter IV).
     *
     * @param list<V> $points without the one where the path now ends
     */
    public function splineThrough(array $points): self
    {
        $all = [$this->at, ...$points];
        if (count($all) < 3) {
            throw new Refused('no-spline', 'A smooth curve needs at least three points.');
        }
        foreach ($points as $i => $p) {
            $this->apart($all[$i], $p);
        }

        return $this->with(['kind' => 'spline', 'from' => $this->at, 'to' => $all[count($all) - 1], 'points' => $all]);
    }

    /**
     * With an arc instead of every corner between two lines.
     *
     * @throws Refused too-round with the largest radius that fits
     */
    public function rounded(float $radius): self
    {
        if (!is_finite($radius) || $radius <= 0) {
            throw new Refused('no-size', 'The radius is not a number above zero.');
        }
        $cut = $half = [];
        $most = INF;
        $n = count($this->segments);
        for ($i = 0; $i + 1 < $n; $i++) {
            [$s, $t] = [$this->segments[$i], $this->segments[$i + 1]];
            if ($s['kind'] !== 'line' || $t['kind'] !== 'line') {
                continue;
            }
            $turn = self::turn(Vector::unit(Vector::sub($s['to'], $s['from'])), Vector::unit(Vector::sub($t['to'], $t['from'])));
            if ($turn > 1e-9) {
                $half[$i] = tan($turn / 2);
                $cut[$i] = $radius * $half[$i];
            }
        }
        foreach ($this->segments as $i => $s) {
            $need = ($half[$i] ?? 0.0) + ($half[$i - 1] ?? 0.0);
            if ($need > 0) {
                $most = min($most, Vector::distance($s['from'], $s['to']) / $need);
            }
        }
        if ($radius > $most * (1 - 1e-9)) {
            throw new Refused('too-round', 'The rounding is longer than the lines it joins.', $most);
        }
        $out = self::from($this->segments[0]['from']);
        foreach ($this->segments as $i => $s) {
            if (!isset($cut[$i])) {
                $out = $out->with(['from' => $out->at] + $s);

                continue;
            }
            $d = Vector::unit(Vector::sub($s['to'], $s['from']));
            $e = Vector::unit(Vector::sub($this->segments[$i + 1]['to'], $s['to']));
            $a = Vector::add($s['to'], $d, -$cut[$i]);
            $b = Vector::add($s['to'], $e, $cut[$i]);
            $axis = Vector::unit(Vector::cross($d, $e));
            $centre = Vector::add($a, Vector::cross($axis, $d), $radius);
            $out = $out->with(['kind' => 'line', 'from' => $out->at, 'to' => $a])->with([
                'kind' => 'arc',
                'from' => $a,
                'to' => $b,
                'centre' => $centre,
                'axis' => $axis,
                'angle' => rad2deg(self::turn($d, $e)),
            ]);
        }

        return $out;
    }

    /**
     * With a line before it and one after it.
     *
     * @param V $from where the first line begins
     * @param V $to where the last one ends
     */
    public function extended(array $from, array $to): self
    {
        $out = self::from($from)->lineTo($this->segments[0]['from']);
        foreach ($this->segments as $s) {
            $out = $out->with($s);
        }

        return $out->lineTo($to);
    }

    public function isClosed(): bool
    {
        return count($this->segments) > 1 &&
            Vector::distance($this->segments[0]['from'], $this->at) < 1e-9 * (1 + Vector::length($this->at));
    }

    /**
     * @param V $a unit
     * @param V $b unit
     * @return float radians
     */
    public static function turn(array $a, array $b): float
    {
        return atan2(Vector::length(Vector::cross($a, $b)), Vector::dot($a, $b));
    }

    /**
     * @param V $centre
     * @param V $axis
     * @param V $from
     * @param V $to
     */
    private static function angleAbout(array $centre, array $axis, array $from, array $to): float
    {
        $a = Vector::sub($from, $centre);
        $b = Vector::sub($to, $centre);
        $angle = rad2deg(atan2(Vector::dot(Vector::cross($a, $b), $axis), Vector::dot($a, $b)));

        return $angle <= 1e-9 ? $angle + 360 : $angle;
    }

    /** @param Segment $segment */
    private function with(array $segment): self
    {
        return new self([...$this->segments, $segment], $segment['to']);
    }

    /**
     * @param V $a
     * @param V $b
     */
    private function apart(array $a, array $b): void
    {
        $d = Vector::distance($a, $b);
        if (!is_finite($d) || $d < 1e-9) {
            throw new Refused('no-length', 'Two neighbouring points of the path are one.');
        }
    }
}
