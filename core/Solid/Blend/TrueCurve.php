<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Geometry\LeastStep;
use Cubo\Geometry\Vector;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;

/**
 * The curve in which two true faces meet, where it is no line or circle: an ellipse, the edge of a cross hole, the rim of a
 * loft. The corners of the mesh lie on chords beside it; here points are taken at even distances along them and brought onto
 * both faces by Newton's method. A station is a point, the unit tangent there, and the outward normals of the left and
 * the right face.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Side array{surface: Surface, normal: V, offset: float, sign: float}
 * @phpstan-type Station array{V, V, V, V}
 */
final class TrueCurve
{
    /** degrees the curve may turn from one station to the next */
    private const TURN = 5.0;

    private const LEAST = 6;

    private const MOST = 240;

    /** sine of the angle between faces that are too smooth to tell where they meet */
    private const SMOOTH = 1e-3;

    /** the same where no place on both is found */
    private const NEARLY_SMOOTH = 0.2;

    /** mm that a corner of the mesh may lie beside the curve */
    private const ASTRAY = 0.2;

    /** @var list<Station> */
    public readonly array $stations;

    /** @var array{Side, Side} */
    private array $sides;

    /** @throws Refused edge-shape, tangent-edge */
    public function __construct(private readonly Solid $solid, private readonly Edge $edge)
    {
        $this->sides = [$this->side(true), $this->side(false)];
        $this->stations = $this->resampled();
    }

    /**
     * Stations farther along the curve, from an end on, each the same step farther.
     *
     * @return list<Station>
     */
    public function beyond(bool $atEnd, float $step, int $count): array
    {
        [$p, $t] = $this->stations[$atEnd ? count($this->stations) - 1 : 0];
        $out = [];
        for ($i = 0; $i < $count; $i++) {
            $next = $this->onBoth(Vector::add($p, $t, $atEnd ? $step : -$step));
            if ($next === null || Vector::distance($p, $next) < 0.3 * $step) {
                break;
            }
            $station = $this->station($next, Vector::add([0.0, 0.0, 0.0], Vector::sub($next, $p), $atEnd ? 1.0 : -1.0));
            $out[] = $station;
            [$p, $t] = $station;
        }

        return $out;
    }

    /**
     * The station nearest to a point that lies near the curve, also past its ends.
     *
     * @param V $p
     * @param V $along the way the edge runs there, roughly
     * @return Station|null
     */
    public function near(array $p, array $along): ?array
    {
        $q = $this->onBoth($p);

        return $q === null ? null : $this->station($q, $along);
    }

    /** @return Side */
    private function side(bool $left): array
    {
        $s = $this->solid;
        $surface = $s->surfaceOfTriangle(intdiv($left ? $this->edge->halfEdges[0] : $s->twin[$this->edge->halfEdges[0]], 3));
        $normals = [];
        foreach ($this->edge->halfEdges as $h) {
            $f = $s->facet[intdiv($left ? $h : $s->twin[$h], 3)];
            $normals[] = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            if ($surface->isFlat() && Vector::dot($normals[0], end($normals)) < 1 - 1e-9) {
                throw new Refused('edge-shape', 'This edge runs along several flats that are taken for one face.');
            }
        }
        $h = $this->edge->halfEdges[0];
        $f = $s->facet[intdiv($left ? $h : $s->twin[$h], 3)];
        $v = $s->start[$h];
        $g = $surface->isFlat() ? $normals[0] : SurfaceEquation::outward($surface, [$s->x[$v], $s->y[$v], $s->z[$v]], [0.0, 0.0, 0.0]);

        return [
            'surface' => $surface,
            'normal' => $normals[0],
            'offset' => $s->offset[$f],
            'sign' => Vector::dot($g, $normals[0]) < 0 ? -1.0 : 1.0,
        ];
    }

    /**
     * @param Side $side
     * @param V $p
     * @return V
     */
    private static function normal(array $side, array $p): array
    {
        return $side['surface']->isFlat()
            ? $side['normal']
            : Vector::add([0.0, 0.0, 0.0], SurfaceEquation::outward($side['surface'], $p, [0.0, 0.0, 0.0]), $side['sign']);
    }

    /**
     * @param V $p
     * @return V|null null where the faces do not meet near it
     */
    private function onBoth(array $p): ?array
    {
        $q = $p;
        for ($i = 0; $i < 30; $i++) {
            $rows = array_map(
                static fn(array $s): array => [
                    $s['surface']->isFlat()
                        ? Vector::dot($s['normal'], $q) - $s['offset']
                        : $s['sign'] * SurfaceEquation::distance($s['surface'], $q),
                    self::normal($s, $q),
                ],
                $this->sides,
            );
            $step = LeastStep::of($rows);
            $q = Vector::add($q, $step);
            if (Vector::length($step) < 1e-12 * (1 + Vector::length($q))) {
                return $q;
            }
        }

        return null;
    }

    /**
     * @param V $p
     * @param V $along the way the edge runs, roughly
     * @param float $smooth sine of the angle between faces below which there is no edge
     * @return Station
     *
     * @throws Refused tangent-edge
     */
    private function station(array $p, array $along, float $smooth = self::SMOOTH): array
    {
        [$l, $r] = [self::normal($this->sides[0], $p), self::normal($this->sides[1], $p)];
        $t = Vector::cross($l, $r);
        if (Vector::length($t) < $smooth) {
            throw new Refused('tangent-edge', 'The two faces run smoothly into each other here: there is no edge to work on.');
        }
        $t = Vector::unit($t);

        return [$p, Vector::dot($t, $along) < 0 ? [-$t[0], -$t[1], -$t[2]] : $t, $l, $r];
    }

    /** @return list<Station> */
    private function resampled(): array
    {
        $s = $this->solid;
        $points = [];
        foreach ($this->edge->vertices as $v) {
            $p = [$s->x[$v], $s->y[$v], $s->z[$v]];
            $q = $this->onBoth($p);
            if ($q === null || Vector::distance($p, $q) > self::ASTRAY) {
                $this->station($p, [0.0, 0.0, 0.0], self::NEARLY_SMOOTH);
                throw new Refused('edge-shape', 'The faces do not meet along this edge in a way that can be followed.');
            }
            $points[] = $q;
        }
        if ($this->edge->closed) {
            $points[] = $points[0];
        }
        $way = [0.0];
        $turn = 0.0;
        for ($i = 1; $i < count($points); $i++) {
            $way[] = $way[$i - 1] + Vector::distance($points[$i - 1], $points[$i]);
        }
        $whole = $way[count($way) - 1];
        $last = null;
        foreach ($points as $i => $p) {
            // very short pieces turn anyhow
            if ($last !== null && Vector::distance($points[$last], $p) < 1e-3 * $whole) {
                continue;
            }
            $now = $this->station($p, Vector::sub($points[min($i + 1, count($points) - 1)], $points[max(0, $i - 1)]))[1];
            $turn += isset($before) ? rad2deg(acos(max(-1.0, min(1.0, Vector::dot($before, $now))))) : 0.0;
            $before = $now;
            $last = $i;
        }
        $n = max($this->edge->closed ? 4 * self::LEAST : self::LEAST, min(self::MOST, (int) ceil($turn / self::TURN)));
        $out = [];
        $k = 1;
        for ($i = 0; $i < ($this->edge->closed ? $n : $n + 1); $i++) {
            $at = ($whole * $i) / $n;
            while ($k < count($way) - 1 && $way[$k] < $at) {
                $k++;
            }
            $along = Vector::sub($points[$k], $points[$k - 1]);
            $share = $way[$k] > $way[$k - 1] ? ($at - $way[$k - 1]) / ($way[$k] - $way[$k - 1]) : 0.0;
            $p =
                $this->onBoth(Vector::add($points[$k - 1], $along, $share)) ??
                throw new Refused('edge-shape', 'The faces do not meet along this edge in a way that can be followed.');
            $out[] = $this->station($p, $along);
        }

        return $out;
    }
}
