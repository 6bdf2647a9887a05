<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * Faces of both operands that lie on one round surface: to a person they are the same, but their facets may be turned
 * against each other, and would cut each other into shreds. An operand that is the same however it is turned about that
 * surface's axis is turned until its facets lie on the other's.
 *
 * @phpstan-type V array{float,float,float}
 */
final class SameFaces
{
    /** Surfaces are about one axis when they differ by less, mm and as a sine. */
    private const SAME = 1e-7;

    /** Angles, radians, that are no turn. */
    private const NO_TURN = 1e-10;

    /** Facets that are turned by less against each other are in phase. */
    private const IN_PHASE = 1e-7;

    /** Facets whose normal leans less than this from the axis have no angle about it. */
    private const LEVEL = 1e-2;

    /** @var array<string, array{list<int>, list<int>}> surfaces of both operands by their common geometry */
    private array $shared = [];

    private function __construct(private readonly Solid $p, private readonly Solid $q)
    {
        $keys = [[], []];
        foreach ([$p, $q] as $side => $s) {
            foreach ($s->surfaces as $i => $u) {
                if (!$u->isFlat() && $u->patch === null) {
                    $keys[$side][$u->geometryKey()][] = $i;
                }
            }
        }
        foreach (array_intersect_key($keys[0], $keys[1]) as $key => $list) {
            $this->shared[$key] = [$list, $keys[1][$key]];
        }
    }

    /** @return array{Solid, Solid} both operands, one of them turned where that helps */
    public static function matched(Solid $p, Solid $q): array
    {
        $s = new self($p, $q);
        foreach ($s->shared as [$ofP, $ofQ]) {
            [$a, $b] = [$p->surfaces[$ofP[0]], $q->surfaces[$ofQ[0]]];
            foreach ([[$q, $b, $a, false], [$p, $a, $b, true]] as [$solid, $own, $other, $first]) {
                if (!self::isTurned($solid, $own)) {
                    continue;
                }
                $turn = $s->turn($first, $own, $other);
                if ($turn !== null) {
                    return $first ? [$p->moved($turn), $q] : [$p, $q->moved($turn)];
                }
            }
        }

        return [$p, $q];
    }

    /** Whether all of a solid stays the same when it is turned about a surface's axis; a ball about any axis through its middle. */
    private static function isTurned(Solid $s, Surface $about): bool
    {
        foreach (array_unique($s->facet) as $f) {
            $u = $s->surfaces[$s->surfaceOf[$f]];
            if (
                $u->isFlat()
                    ? Vector::length(Vector::cross([$s->nx[$f], $s->ny[$f], $s->nz[$f]], $about->axis)) > self::SAME
                    : !self::isAbout($u, $about)
            ) {
                return false;
            }
        }

        return true;
    }

    /** Whether a surface is one of revolution about another one's axis. */
    private static function isAbout(Surface $u, Surface $about): bool
    {
        if ($u->patch !== null) {
            return false;
        }
        $d = Vector::sub($u->point, $about->point);
        $off = Vector::length(Vector::cross($d, $about->axis));
        if ($about->kind === SurfaceKind::Sphere) {
            // only what is a ball about the same middle may be turned any way
            return $u->kind === SurfaceKind::Sphere && Vector::length($d) < self::SAME * (1 + $about->radius);
        }

        return $off < self::SAME * (1 + $u->radius) &&
            ($u->kind === SurfaceKind::Sphere || Vector::length(Vector::cross($u->axis, $about->axis)) < self::SAME);
    }

    /**
     * How one operand has to be turned for its facets to lie on the other's; null where they do, or no turn helps.
     *
     * @param bool $first whether it is the first operand that is turned
     */
    private function turn(bool $first, Surface $own, Surface $other): ?Transform
    {
        [$turned, $stays] = $first ? [$this->p, $this->q] : [$this->q, $this->p];
        $before = null;
        if ($own->kind === SurfaceKind::Sphere) {
            // first its poles onto the other's
            $across = Vector::cross($own->axis, $other->axis);
            $sine = Vector::length($across);
            if ($sine > self::SAME) {
                $before = Transform::turn($own->point, Vector::unit($across), rad2deg(atan2($sine, Vector::dot($own->axis, $other->axis))));
                $turned = $turned->moved($before);
            }
        }
        $u = Vector::across($other->axis);
        $w = Vector::cross($other->axis, $u);
        $phases = [];
        foreach ($this->shared as [$ofP, $ofQ]) {
            if (!self::isAbout($this->p->surfaces[$ofP[0]], $other)) {
                continue;
            }
            [$a, $b] = $first ? [$ofQ, $ofP] : [$ofP, $ofQ];
            [$there, $n] = self::phase($stays, $a, $u, $w);
            [$here, $m] = self::phase($turned, $b, $u, $w);
            if ($n === $m && $n > 0) {
                $phases[] = [$there - $here, (2 * M_PI) / $n];
            }
        }
        $angle = self::common($phases);
        if ($angle === null || abs($angle) < self::NO_TURN) {
            return $before;
        }
        $turn = Transform::turn($other->point, $other->axis, rad2deg($angle));

        return $before === null ? $turn : $before->then($turn);
    }

    /**
     * The least angle that brings most of the surfaces into phase; what the first one wants is kept to.
     *
     * @param list<array{float, float}> $phases difference and facet of each surface, radians
     */
    private static function common(array $phases): ?float
    {
        if ($phases === []) {
            return null;
        }
        [$first, $step] = $phases[0];
        $first -= $step * round($first / $step);
        $best = $first;
        $most = -1;
        $turns = count($phases) === 1 ? 1 : (int) round((2 * M_PI) / $step);
        for ($k = 0; $k < $turns; $k++) {
            $angle = $first + ($k % 2 === 0 ? 1 : -1) * intdiv($k + 1, 2) * $step;
            $met = 0;
            foreach ($phases as [$d, $w]) {
                $off = $angle - $d;
                $met += abs($off - $w * round($off / $w)) < self::IN_PHASE ? 1 : 0;
            }
            if ($met > $most) {
                [$most, $best] = [$met, $angle];
            }
            if ($met === count($phases)) {
                break;
            }
        }

        return $best;
    }

    /**
     * Where the facets of a surface stand about an axis.
     *
     * @param list<int> $surfaces
     * @param V $u across the axis
     * @param V $w
     * @return array{float, int} the angle of one of them, and how many there are in a full turn; 0 where that is not told
     */
    private static function phase(Solid $s, array $surfaces, array $u, array $w): array
    {
        $is = array_fill_keys($surfaces, true);
        $angles = [];
        foreach ($s->surfaceOf as $f => $i) {
            if (isset($is[$i])) {
                $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
                [$x, $y] = [Vector::dot($n, $u), Vector::dot($n, $w)];
                if (hypot($x, $y) > self::LEVEL) {
                    $angles[] = atan2($y, $x);
                }
            }
        }
        if (count($angles) < 2) {
            return [0.0, 0];
        }
        sort($angles);
        $least = INF;
        for ($i = 1; $i < count($angles); $i++) {
            $gap = $angles[$i] - $angles[$i - 1];
            $least = $gap > self::IN_PHASE * 1e3 ? min($least, $gap) : $least;
        }

        return [$angles[0], is_finite($least) ? (int) round((2 * M_PI) / $least) : 0];
    }

    /** Whether both have the same corners and the same facets, however these are divided into triangles. */
    public static function areOneSolid(Solid $p, Solid $q): bool
    {
        if (
            $p->triangleCount() !== $q->triangleCount() ||
            count($p->x) !== count($q->x) ||
            abs($p->facettedVolume() - $q->facettedVolume()) > 1e-9 * abs($p->facettedVolume())
        ) {
            return false;
        }
        $to = self::corners($p, $q);
        if ($to === null) {
            return false;
        }
        $n = count($p->x);
        $facet = [];
        foreach ($p->twin as $h => $o) {
            $facet[$p->start[$h] * $n + $p->start[$o]] = $p->facet[intdiv($h, 3)];
        }
        foreach ($q->twin as $h => $o) {
            $f = $q->facet[intdiv($h, 3)];
            if ($f === $q->facet[intdiv($o, 3)]) {
                continue;
            }
            $g = $facet[$to[$q->start[$h]] * $n + $to[$q->start[$o]]] ?? null;
            if ($g === null || $p->nx[$g] * $q->nx[$f] + $p->ny[$g] * $q->ny[$f] + $p->nz[$g] * $q->nz[$f] < 1 - 1e-9) {
                return false;
            }
        }

        return true;
    }

    /** @return array<int, int>|null the corner of the first where each of the second lies; null where one lies at none */
    private static function corners(Solid $p, Solid $q): ?array
    {
        $near = 1e-10 * (1 + max(array_map(abs(...), $p->vertexBox())));
        $cell = 1e3 * $near;
        $at = static fn(float $x, float $y, float $z): string => floor($x / $cell) . ' ' . floor($y / $cell) . ' ' . floor($z / $cell);
        $grid = [];
        foreach ($p->x as $i => $x) {
            $grid[$at($x, $p->y[$i], $p->z[$i])][] = $i;
        }
        $to = [];
        foreach ($q->x as $j => $x) {
            [$y, $z] = [$q->y[$j], $q->z[$j]];
            $found = null;
            // one near the border of its cell may lie in the next one
            $keys = [];
            for ($k = 0; $k < 8; $k++) {
                $keys[$at($x + ($k & 1 ? $near : -$near), $y + ($k & 2 ? $near : -$near), $z + ($k & 4 ? $near : -$near))] = true;
            }
            foreach (array_keys($keys) as $key) {
                foreach ($grid[$key] ?? [] as $i) {
                    if (abs($p->x[$i] - $x) <= $near && abs($p->y[$i] - $y) <= $near && abs($p->z[$i] - $z) <= $near) {
                        $found = $i;

                        break 2;
                    }
                }
            }
            if ($found === null) {
                return null;
            }
            $to[$j] = $found;
        }

        return $to;
    }
}
