<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** What a dimension measures in the drawing as it is now, mm or degrees. */
final class Measured
{
    public static function value(Sketch $s, Relation $r): ?float
    {
        [$a, $b] = [$r->of[0], $r->of[1] ?? ''];
        [$p, $q] = [self::place($s, $a), self::place($s, $b)];
        [$l, $m] = [self::line($s, $a), self::line($s, $b)];
        $apart = static fn(array $x, array $y): float => hypot($y[0] - $x[0], $y[1] - $x[1]);
        $off = static fn(array $line, array $x): float => abs(
            ($line[1][0] - $line[0][0]) * ($x[1] - $line[0][1]) - ($line[1][1] - $line[0][1]) * ($x[0] - $line[0][0]),
        ) / max(1e-12, hypot($line[1][0] - $line[0][0], $line[1][1] - $line[0][1]));
        switch ($r->kind) {
            case RelationKind::Length:
                return $l === null ? null : $apart(...$l);
            case RelationKind::Radius:
                return $s->entities[$a]->size ?? null;
            case RelationKind::Diameter:
                return isset($s->entities[$a]) ? 2 * $s->entities[$a]->size : null;
            case RelationKind::HorizontalDistance:
            case RelationKind::VerticalDistance:
                [$p, $q] = $l !== null && $b === '' ? $l : [$p, $q];
                $axis = $r->kind === RelationKind::HorizontalDistance ? 0 : 1;

                return $p === null || $q === null ? null : abs($q[$axis] - $p[$axis]);
            case RelationKind::Angle:
                return $l === null || $m === null ? null : self::angle($l, $m, isset($r->of[2]) ? self::place($s, $r->of[2]) : null);
            case RelationKind::Distance:
                return match (true) {
                    $p !== null && $q !== null => $apart($p, $q),
                    $l !== null && ($q ?? ($m[0] ?? null)) !== null => $off($l, $q ?? $m[0]),
                    $m !== null && $p !== null => $off($m, $p),
                    default => null,
                };
            case RelationKind::DiameterAcross:
                return $m !== null && ($p ?? ($l[0] ?? null)) !== null ? 2 * $off($m, $p ?? $l[0]) : null;
            default:
                return null;
        }
    }

    /** @return array{float,float}|null a point, or the middle of what is round */
    public static function place(Sketch $s, string $id): ?array
    {
        if ($id === Sketch::ORIGIN || isset($s->points[$id])) {
            return $s->point($id);
        }
        $e = $s->entities[$id] ?? null;

        return $e !== null && ($e->kind->round() || $e->kind === EntityKind::Ellipse) ? $s->point($e->points[0]) : null;
    }

    /** @return array{array{float,float}, array{float,float}}|null */
    public static function line(Sketch $s, string $id): ?array
    {
        if (isset(Sketch::AXES[$id])) {
            return [[0.0, 0.0], Sketch::AXES[$id]];
        }
        $e = $s->entities[$id] ?? null;

        return $e?->kind === EntityKind::Line ? [$s->point($e->points[0]), $s->point($e->points[1])] : null;
    }

    /**
     * Degrees between two lines, seen from the end they share.
     *
     * @param array{array{float,float}, array{float,float}} $l
     * @param array{array{float,float}, array{float,float}} $m
     * @param array{float,float}|null $from where they met before their corner was rounded
     */
    private static function angle(array $l, array $m, ?array $from): float
    {
        if ($from !== null) {
            $away = static fn(array $x): array => hypot($x[0][0] - $from[0], $x[0][1] - $from[1]) <=
            hypot($x[1][0] - $from[0], $x[1][1] - $from[1])
                ? $x
                : [$x[1], $x[0]];
            [$l, $m] = [$away($l), $away($m)];
        }
        foreach ($from !== null ? [] : [$l, [$l[1], $l[0]]] as $p) {
            foreach ([$m, [$m[1], $m[0]]] as $q) {
                if (hypot($p[0][0] - $q[0][0], $p[0][1] - $q[0][1]) < 1e-6) {
                    [$l, $m] = [$p, $q];
                    break 2;
                }
            }
        }
        [$au, $av] = [$l[1][0] - $l[0][0], $l[1][1] - $l[0][1]];
        [$bu, $bv] = [$m[1][0] - $m[0][0], $m[1][1] - $m[0][1]];

        return rad2deg(abs(atan2($au * $bv - $av * $bu, $au * $bu + $av * $bv)));
    }
}
