<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceKind;

/** Holes, bosses, slots, cones, partial rounds and flats recognised from the true surfaces of a solid, however it was made. */
final readonly class Features
{
    /** Looks at every triangle: round faces, rings, flats. */
    private const LOOKS = 4;

    /**
     * @param list<Hole> $holes
     * @param list<Flat> $flats
     * @param list<Hole> $bosses full-round cylinders that stand out
     * @param list<RoundPiece> $cones full-round ones, hollow or standing out
     * @param list<RoundPiece> $arcs cylinders that do not go all the way round and are no ends of slots
     * @param list<Slot> $slots
     * @param list<RingPiece> $rings whole ones, and rounds along circular edges
     */
    private function __construct(
        public array $holes,
        public array $flats,
        public array $bosses,
        public array $cones,
        public array $arcs,
        public array $slots,
        public array $rings,
    ) {}

    /** @throws OverBudget */
    public static function of(Solid $s, ?TriangleTree $tree = null, Budget $budget = new Budget()): self
    {
        $tree ??= new TriangleTree($s, $budget);
        $budget->spend(self::LOOKS * $s->triangleCount());
        $pieces = RoundPieces::of($s);
        $cylinders = array_values(array_filter($pieces, static fn(RoundPiece $p): bool => $p->kind === SurfaceKind::Cylinder));
        $slots = Slot::among($cylinders, $budget);
        $budget->spend(count($cylinders) * count($slots));

        return new self(
            self::full($cylinders, $s, $tree, true),
            self::flats($s),
            self::full($cylinders, $s, $tree, false),
            array_values(array_filter($pieces, static fn(RoundPiece $p): bool => $p->kind === SurfaceKind::Cone && $p->full())),
            array_values(
                array_filter(
                    $cylinders,
                    static fn(RoundPiece $p): bool => !$p->full() &&
                        !($p->hollow && abs($p->turn - M_PI) < 0.05 && self::endsSlot($p, $slots)),
                ),
            ),
            $slots,
            RingPieces::of($s),
        );
    }

    /** @param list<Slot> $slots */
    private static function endsSlot(RoundPiece $p, array $slots): bool
    {
        foreach ($slots as $slot) {
            $d = Vector::sub($p->point, $slot->middle);
            if (
                abs(2 * $p->low - $slot->width) < 1e-4 &&
                abs(Vector::length(Vector::add($d, $slot->axis, -Vector::dot($d, $slot->axis))) - ($slot->length - $slot->width) / 2) < 1e-4
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<RoundPiece> $cylinders
     * @return list<Hole> full-round cylinders, hollow ones or such that stand out
     */
    private static function full(array $cylinders, Solid $s, TriangleTree $tree, bool $hollow): array
    {
        $holes = [];
        foreach ($cylinders as $p) {
            if ($p->hollow === $hollow && $p->full()) {
                $open = $hollow && Through::is($tree, $p->point, $p->axis, $p->length() / 2, $p->low, 4 * self::reach($s));
                $holes[] = new Hole($p->axis, $p->point, $p->low, $p->from, $p->to, $open);
            }
        }
        usort(
            $holes,
            static fn(Hole $p, Hole $q): int => array_map(static fn(float $v): float => round($v, 6), $p->point) <=>
                array_map(static fn(float $v): float => round($v, 6), $q->point),
        );

        return $holes;
    }

    private static function reach(Solid $s): float
    {
        $b = $s->vertexBox();

        return $b[3] - $b[0] + $b[4] - $b[1] + $b[5] - $b[2];
    }

    /** @return list<Flat> flats, largest first; coplanar facets that face the same way count as one */
    private static function flats(Solid $s): array
    {
        $sum = [];
        foreach ($s->facet as $t => $f) {
            if (!$s->surfaces[$s->surfaceOf[$f]]->isFlat()) {
                continue;
            }
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $ux = $s->x[$b] - $s->x[$a];
            $uy = $s->y[$b] - $s->y[$a];
            $uz = $s->z[$b] - $s->z[$a];
            $wx = $s->x[$c] - $s->x[$a];
            $wy = $s->y[$c] - $s->y[$a];
            $wz = $s->z[$c] - $s->z[$a];
            $area = sqrt(($uy * $wz - $uz * $wy) ** 2 + ($uz * $wx - $ux * $wz) ** 2 + ($ux * $wy - $uy * $wx) ** 2) / 2;
            // coarse enough for files in single precision
            $key =
                round($s->nx[$f] * 1e4) . '|' . round($s->ny[$f] * 1e4) . '|' . round($s->nz[$f] * 1e4) . '|' . round($s->offset[$f] * 1e3);
            $key = str_replace('-0|', '0|', $key . '|');
            $sum[$key] ??= [
                [$s->nx[$f], $s->ny[$f], $s->nz[$f]],
                $s->offset[$f],
                0.0,
                [0.0, 0.0, 0.0],
                [INF, INF, INF],
                [-INF, -INF, -INF],
            ];
            $sum[$key][2] += $area;
            $sum[$key][3][0] += ($area * ($s->x[$a] + $s->x[$b] + $s->x[$c])) / 3;
            $sum[$key][3][1] += ($area * ($s->y[$a] + $s->y[$b] + $s->y[$c])) / 3;
            $sum[$key][3][2] += ($area * ($s->z[$a] + $s->z[$b] + $s->z[$c])) / 3;
            foreach ([$s->x, $s->y, $s->z] as $k => $at) {
                $sum[$key][4][$k] = min($sum[$key][4][$k], $at[$a], $at[$b], $at[$c]);
                $sum[$key][5][$k] = max($sum[$key][5][$k], $at[$a], $at[$b], $at[$c]);
            }
        }
        $flats = [];
        foreach ($sum as [$n, $d, $area, $m, $least, $most]) {
            if ($area > 1e-9) {
                $flats[] = new Flat($n, $d, $area, [$m[0] / $area, $m[1] / $area, $m[2] / $area], [$least, $most]);
            }
        }
        usort(
            $flats,
            static fn(Flat $p, Flat $q): int => round($q->area, 6) <=> round($p->area, 6) ?:
            [$p->normal, $p->offset] <=> [$q->normal, $q->offset],
        );

        return $flats;
    }
}
