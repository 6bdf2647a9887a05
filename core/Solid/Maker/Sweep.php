<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\CubicSpline;
use Cubo\Geometry\Vector;
use Cubo\Solid\GridPatch;
use Cubo\Solid\Refused;
use Cubo\Solid\RevolvedSurface;
use Cubo\Solid\SelfCrossing;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * A plane region carried along a path, always square to it. Where two lines meet at an angle the corner is mitred;
 * Path::rounded puts arcs there. The region does not twist about the path (rotation-minimising frame by double
 * reflection: W. Wang, B. Juettler, D. Zheng, Y. Liu, "Computation of Rotation Minimizing Frames", ACM Transactions on
 * Graphics 27(1), 2008).
 *
 * The profile's (0, 0) runs on the path. Its v points as nearly along +z as the path's beginning allows, its u to the
 * right of someone who sees the path come; where the path begins upright, u is x and v is y (downwards: -y).
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Station array{at: V, e1: V, e2: V, t: V, mitre: V|null, segment: int, p: float, knot: bool, fine: bool}
 */
final class Sweep
{
    /** Grid lines of a free surface for every station of the mesh. */
    private const SUB = 3;

    /** @var list<Station> every station */
    private array $all = [];

    /** @var list<Station> segment is the one that begins here, p the spline's parameter, knot one of its points; a fine one serves the true surface only */
    private array $stations = [];

    /** @var array<string, Surface> */
    private array $made = [];

    /**
     * @throws Refused no-path, too-tight (the path bends more tightly than its section is wide), crosses-itself,
     *     not-closed (a closed path that comes back twisted or with a bend at its beginning other than a corner)
     */
    public static function along(string $step, Profile $section, Path $path): Solid
    {
        if ($path->segments === []) {
            throw new Refused('no-path', 'The path has no length.');
        }
        $s = new self($section->checked(), $path);
        $solid = Skin::over(
            $s->rings(),
            fn(int $i, int $l, int $k): Surface => $s->surface($step, $i, $l, $k),
            $path->isClosed() ? null : "$step:start",
            $path->isClosed() ? null : "$step:end",
        );
        if ($solid->facettedVolume() <= 0 || SelfCrossing::found($solid)) {
            throw new Refused('crosses-itself', 'The section runs into itself on its way.');
        }

        return $solid;
    }

    /**
     * The direction in which a path begins.
     *
     * @return V
     */
    public static function begins(Path $path): array
    {
        return self::direction($path->segments[0], true);
    }

    /**
     * The direction in which a path ends.
     *
     * @return V
     */
    public static function ends(Path $path): array
    {
        return self::direction($path->segments[count($path->segments) - 1], false);
    }

    /**
     * Where the section's u and v point at the beginning of a path.
     *
     * @return array{V, V}
     */
    public static function frame(Path $path): array
    {
        return self::square(self::begins($path));
    }

    private function __construct(private readonly Profile $section, private readonly Path $path)
    {
        $first = $path->segments[0];
        $t = self::direction($first, true);
        [$e1, $e2] = self::square($t);
        $n = count($path->segments);
        foreach ($path->segments as $i => $segment) {
            $begin = self::direction($segment, true);
            $mitre = null;
            $at = $segment['from'];
            if ($i > 0) {
                [$e1, $e2, $mitre] = $this->corner(
                    $t,
                    $begin,
                    $e1,
                    $e2,
                    $path->segments[$i - 1]['kind'] === 'line' && $segment['kind'] === 'line',
                );
            }
            $this->stations[] = [
                'at' => $at,
                'e1' => $e1,
                'e2' => $e2,
                't' => $begin,
                'mitre' => $mitre,
                'segment' => $i,
                'p' => 0.0,
                'knot' => false,
                'fine' => false,
            ];
            [$e1, $e2, $t] = $this->through($segment, $i, $e1, $e2, $begin);
        }
        if ($path->isClosed()) {
            $this->close($t, $e1, $e2, $n);
        } else {
            $this->stations[] = [
                'at' => $path->segments[$n - 1]['to'],
                'e1' => $e1,
                'e2' => $e2,
                't' => $t,
                'mitre' => null,
                'segment' => $n,
                'p' => 0.0,
                'knot' => false,
                'fine' => false,
            ];
        }
        $this->all = $this->stations;
        $this->stations = array_values(array_filter($this->all, static fn(array $s): bool => !$s['fine']));
    }

    /**
     * @param V $t
     * @return array{V, V} u and v at the beginning
     */
    private static function square(array $t): array
    {
        if (abs($t[2]) > 1 - 1e-9) {
            return [[1.0, 0.0, 0.0], [0.0, $t[2] > 0 ? 1.0 : -1.0, 0.0]];
        }
        $u = Vector::unit(Vector::cross([0.0, 0.0, 1.0], $t));

        return [$u, Vector::cross($t, $u)];
    }

    /**
     * @param array{kind: string, from: V, to: V, centre?: V, axis?: V, angle?: float, points?: list<V>} $s
     * @return V
     */
    private static function direction(array $s, bool $begin): array
    {
        return match ($s['kind']) {
            'line' => Vector::unit(Vector::sub($s['to'], $s['from'])),
            'arc' => Vector::unit(
                Vector::cross($s['axis'] ?? [0.0, 0.0, 1.0], Vector::sub($begin ? $s['from'] : $s['to'], $s['centre'] ?? [0.0, 0.0, 0.0])),
            ),
            default => (static function () use ($s, $begin): array {
                $spline = new CubicSpline($s['points'] ?? []);
                [$x, $y, $z] = $spline->at($begin ? 0.0 : $spline->knots[count($spline->knots) - 1])[1];

                return Vector::unit([$x, $y, $z]);
            })(),
        };
    }

    /**
     * @param V $t
     * @param V $next
     * @param V $e1
     * @param V $e2
     * @return array{V, V, V|null} the frame after the corner and the normal of the mitre's plane
     */
    private function corner(array $t, array $next, array $e1, array $e2, bool $lines): array
    {
        $turn = Path::turn($t, $next);
        if ($turn < 1e-7) {
            return [$e1, $e2, null];
        }
        if (!$lines) {
            throw new Refused('too-tight', 'An arc or a spline must begin and end in the direction of its neighbours.');
        }
        if ($turn > M_PI - 1e-3) {
            throw new Refused('too-tight', 'The path turns right back.');
        }
        $axis = Vector::unit(Vector::cross($t, $next));

        return [
            Vector::turned($e1, $axis, rad2deg($turn)),
            Vector::turned($e2, $axis, rad2deg($turn)),
            Vector::unit(Vector::add($t, $next)),
        ];
    }

    /**
     * Stations inside a segment; returns the frame at its end.
     *
     * @param array{kind: string, from: V, to: V, centre?: V, axis?: V, angle?: float, points?: list<V>} $s
     * @param V $e1
     * @param V $e2
     * @param V $t
     * @return array{V, V, V}
     */
    private function through(array $s, int $i, array $e1, array $e2, array $t): array
    {
        if ($s['kind'] === 'line') {
            return [$e1, $e2, $t];
        }
        if ($s['kind'] === 'arc') {
            $axis = $s['axis'] ?? [0.0, 0.0, 1.0];
            $centre = $s['centre'] ?? [0.0, 0.0, 0.0];
            $angle = $s['angle'] ?? 0.0;
            $spoke = Vector::sub($s['from'], $centre);
            $widest = 0.0;
            foreach ($this->section->loops as $loop) {
                foreach ($loop as [$u, $v]) {
                    $p = Vector::add(Vector::add($spoke, $e1, $u), $e2, $v);
                    $out = Vector::sub($p, Vector::add([0.0, 0.0, 0.0], $axis, Vector::dot($p, $axis)));
                    if (Vector::dot($out, $spoke) <= 1e-9 * Vector::dot($spoke, $spoke)) {
                        throw new Refused('too-tight', 'The path bends more tightly than its section is wide.');
                    }
                    $widest = max($widest, Vector::length($out));
                }
            }
            $n = Fineness::facets($widest);
            for ($k = 1; (360.0 * $k) / $n < $angle - 1e-9; $k++) {
                $a = (360.0 * $k) / $n;
                $this->stations[] = [
                    'at' => Vector::add($centre, Vector::turned($spoke, $axis, $a)),
                    'e1' => Vector::turned($e1, $axis, $a),
                    'e2' => Vector::turned($e2, $axis, $a),
                    't' => Vector::turned($t, $axis, $a),
                    'mitre' => null,
                    'segment' => $i,
                    'p' => 0.0,
                    'knot' => false,
                    'fine' => false,
                ];
            }

            return [Vector::turned($e1, $axis, $angle), Vector::turned($e2, $axis, $angle), Vector::turned($t, $axis, $angle)];
        }

        return $this->throughSpline($s['points'] ?? [], $i, $e1, $e2, $t);
    }

    /**
     * @param list<V> $points
     * @param V $e1
     * @param V $e2
     * @param V $t
     * @return array{V, V, V}
     */
    private function throughSpline(array $points, int $segment, array $e1, array $e2, array $t): array
    {
        $spline = new CubicSpline($points);
        $reach = 0.0;
        foreach ($this->section->loops as $loop) {
            foreach ($loop as [$u, $v]) {
                $reach = max($reach, hypot($u, $v));
            }
        }
        $at = $points[0];
        $last = count($points) - 1;
        for ($k = 0; $k < $last; $k++) {
            // so many stations that the outermost line turns no further than a circle's facet
            $turn = 0.0;
            $most = 0.0;
            $before = $t;
            for ($j = 1; $j <= 16; $j++) {
                [, $d, $dd] = $spline->at($spline->knots[$k] + (($spline->knots[$k + 1] - $spline->knots[$k]) * $j) / 16);
                $now = Vector::unit([$d[0], $d[1], $d[2]]);
                $turn += Path::turn($before, $now);
                $before = $now;
                $bend =
                    Vector::length(Vector::cross([$d[0], $d[1], $d[2]], [$dd[0], $dd[1], $dd[2]])) /
                    Vector::length([$d[0], $d[1], $d[2]]) ** 3;
                $most = max($most, $bend);
            }
            $n = self::SUB * (int) max(4, ceil(($turn / (2 * M_PI)) * Fineness::facets(($most > 0 ? 1 / $most : 0.0) + $reach)));
            for ($j = 1; $j <= $n; $j++) {
                $at0 = $spline->knots[$k] + (($spline->knots[$k + 1] - $spline->knots[$k]) * $j) / $n;
                [$p, $d] = $spline->at($at0);
                $next = [$p[0], $p[1], $p[2]];
                $tangent = Vector::unit([$d[0], $d[1], $d[2]]);
                // double reflection: first in the plane between the two places, then in that between the two tangents
                $w = Vector::sub($next, $at);
                $c = Vector::dot($w, $w);
                $mirror = static fn(array $a, array $n, float $n2): array => Vector::add($a, $n, (-2 * Vector::dot($a, $n)) / $n2);
                $tl = $mirror($t, $w, $c);
                $w2 = Vector::sub($tangent, $tl);
                $c2 = Vector::dot($w2, $w2);
                $e1 = $mirror($e1, $w, $c);
                $e1 = $c2 > 1e-30 ? $mirror($e1, $w2, $c2) : $e1;
                $e1 = Vector::unit(Vector::add($e1, $tangent, -Vector::dot($e1, $tangent)));
                $e2 = Vector::cross($tangent, $e1);
                $t = $tangent;
                $at = $next;
                if ($k < $last - 1 || $j < $n) {
                    $this->stations[] = [
                        'at' => $at,
                        'e1' => $e1,
                        'e2' => $e2,
                        't' => $t,
                        'mitre' => null,
                        'segment' => $segment,
                        'p' => $at0,
                        'knot' => $j === $n,
                        'fine' => $j % self::SUB !== 0,
                    ];
                }
            }
        }

        return [$e1, $e2, $t];
    }

    /**
     * @param V $t
     * @param V $e1
     * @param V $e2
     */
    private function close(array $t, array $e1, array $e2, int $n): void
    {
        $first = $this->stations[0];
        [$e1, $e2, $mitre] = $this->corner(
            $t,
            $first['t'],
            $e1,
            $e2,
            $this->path->segments[0]['kind'] === 'line' && $this->path->segments[$n - 1]['kind'] === 'line',
        );
        if (Vector::distance($e1, $first['e1']) > 1e-6) {
            throw new Refused('not-closed', 'The section comes back turned about the path.');
        }
        $this->stations[0]['mitre'] = $mitre;
    }

    /** @return list<list<list<V>>> */
    private function rings(): array
    {
        $rings = [];
        foreach ($this->stations as $i => $s) {
            $loops = [];
            foreach ($this->section->loops as $loop) {
                $ring = [];
                foreach ($loop as [$u, $v]) {
                    $p = Vector::add(Vector::add($s['at'], $s['e1'], $u), $s['e2'], $v);
                    if ($s['mitre'] !== null) {
                        $p = Vector::add(
                            $p,
                            $s['t'],
                            -Vector::dot(Vector::sub($p, $s['at']), $s['mitre']) / Vector::dot($s['t'], $s['mitre']),
                        );
                    }
                    $ring[] = $p;
                }
                $loops[] = $ring;
            }
            $rings[] = $loops;
        }
        $n = count($rings);
        for ($i = 0; $i < ($this->path->isClosed() ? $n : $n - 1); $i++) {
            foreach ($rings[$i] as $l => $ring) {
                foreach ($ring as $k => $p) {
                    if (Vector::dot(Vector::sub($rings[($i + 1) % $n][$l][$k], $p), $this->stations[$i]['t']) <= 0) {
                        throw new Refused('too-tight', 'The path bends more tightly than its section is wide.');
                    }
                }
            }
        }

        return $rings;
    }

    private function surface(string $step, int $i, int $l, int $k): Surface
    {
        $s = $this->stations[$i];
        $segment = $this->path->segments[$s['segment']];
        $curve = $this->section->loops[$l][$k][2];
        $name = "$step:{$curve['name']}" . (count($this->path->segments) > 1 ? ' ' . ($s['segment'] + 1) : '');

        return $this->made[$name] ??= match ($segment['kind']) {
            'line' => Extrusion::side($name, $curve, $s['at'], $s['e1'], $s['e2']),
            'arc' => $this->turnedSurface($name, $s, $segment, $l, $k),
            default => Surface::free($name, $this->patch($s['segment'], $l, $k)),
        };
    }

    /**
     * @param Station $s
     * @param array{kind: string, from: V, to: V, centre?: V, axis?: V, angle?: float, points?: list<V>} $segment
     */
    private function turnedSurface(string $name, array $s, array $segment, int $l, int $k): Surface
    {
        $axis = $segment['axis'] ?? [0.0, 0.0, 1.0];
        $centre = $segment['centre'] ?? [0.0, 0.0, 0.0];
        $loop = $this->section->loops[$l];
        $place = static fn(float $u, float $v): array => Vector::sub(
            Vector::add(Vector::add($s['at'], $s['e1'], $u), $s['e2'], $v),
            $centre,
        );
        $polar = static function (array $p) use ($axis): array {
            $h = Vector::dot($p, $axis);

            return [Vector::length(Vector::add($p, $axis, -$h)), $h];
        };
        $curve = $loop[$k][2];
        if ($curve['circle'] !== null) {
            // the section's plane holds the axis, so its circles sweep rings; one on the axis itself would have been too tight
            [$r, $h] = $polar($place($curve['circle'][0], $curve['circle'][1]));

            return Surface::torus($name, Vector::add($centre, $axis, $h), $axis, $r, $curve['circle'][2]);
        }
        $drawn = $curve['drawn'] ?? null;
        if ($drawn !== null) {
            $out = Vector::sub($s['at'], $centre);
            $out = Vector::unit(Vector::add($out, $axis, -Vector::dot($out, $axis)));
            $turned = $drawn->mapped(
                static fn(float $u, float $v): array => [Vector::dot($place($u, $v), $out), Vector::dot($place($u, $v), $axis)],
            );

            return Surface::free($name, new RevolvedSurface($turned, $centre, $axis));
        }
        $next = $loop[($k + 1) % count($loop)];
        [$r, $h] = $polar($place($loop[$k][0], $loop[$k][1]));
        [$rq, $hq] = $polar($place($next[0], $next[1]));
        if (abs($h - $hq) < 1e-9 * (1 + $r)) {
            return Surface::plane($name);
        }

        return abs($r - $rq) < 1e-9 * (1 + $r)
            ? Surface::cylinder($name, $centre, $axis, $r)
            : Surface::cone($name, Vector::add($centre, $axis, $h), $axis, $r, ($rq - $r) / ($hq - $h));
    }

    /** The surface a curve of the section sweeps along a spline. */
    private function patch(int $segment, int $l, int $k): GridPatch
    {
        $loop = $this->section->loops[$l];
        $n = count($loop);
        $columns = [$k, ($k + 1) % $n];
        $curve = $loop[$k][2];
        if ($curve['circle'] !== null) {
            $first = $k;
            while ($loop[($first + $n - 1) % $n][2]['name'] === $curve['name'] && ($first + $n - 1) % $n !== $k) {
                $first = ($first + $n - 1) % $n;
            }
            $columns = [$first];
            for ($j = ($first + 1) % $n; $loop[($j + $n - 1) % $n][2]['name'] === $curve['name'] && $j !== $first; $j = ($j + 1) % $n) {
                $columns[] = $j;
            }
        }
        $rows = $vs = $breaks = [];
        $end = (new CubicSpline($this->path->segments[$segment]['points'] ?? []))->knots;
        foreach ($this->all as $s) {
            if ($s['segment'] === $segment) {
                if ($s['knot']) {
                    $breaks[] = count($rows);
                }
                $rows[] = $s;
                $vs[] = $s['p'];
            } elseif ($rows !== []) {
                $rows[] = $s;
                $vs[] = $end[count($end) - 1];
                break;
            }
        }
        $x = $y = $z = [];
        foreach ($rows as $s) {
            foreach ($columns as $c) {
                [$x[], $y[], $z[]] = Vector::add(Vector::add($s['at'], $s['e1'], $loop[$c][0]), $s['e2'], $loop[$c][1]);
            }
        }

        return new GridPatch($x, $y, $z, count($columns), $curve['circle'] !== null && count($columns) === $n, null, $vs, $breaks);
    }
}
