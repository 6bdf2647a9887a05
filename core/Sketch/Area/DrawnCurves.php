<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

use Cubo\Geometry\PlaneCurve;
use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;
use Cubo\Solid\Maker\Lettering;
use Cubo\Solid\Refused;

/** The outlines of a sketch as curves that bound areas; what has no size bounds nothing. */
final class DrawnCurves
{
    /** mm */
    private const NO_SIZE = 1e-6;

    /** @return list<Curve> */
    public static function of(Sketch $s): array
    {
        $out = [];
        foreach ($s->entities as $e) {
            if ($e->role === Role::Outline) {
                array_push($out, ...self::curves($s, $e));
            }
        }

        return $out;
    }

    /** @return list<Curve> */
    public static function curves(Sketch $s, Entity $e): array
    {
        $p = array_map($s->point(...), $e->points);
        $apart = static fn(array $a, array $b): bool => hypot($b[0] - $a[0], $b[1] - $a[1]) > self::NO_SIZE;

        return match ($e->kind) {
            EntityKind::Line => $apart($p[0], $p[1]) ? [new Straight($e->id, $p[0], $p[1])] : [],
            EntityKind::Circle => $e->size > self::NO_SIZE ? [new Round($e->id, $p[0], $e->size)] : [],
            EntityKind::Arc => $e->size > self::NO_SIZE ? [Round::arc($e->id, $p[0], $e->size, $p[1], $p[2])] : [],
            EntityKind::Ellipse => $apart($p[0], $p[1]) && $e->size > self::NO_SIZE
                ? [Smooth::ellipse($e->id, $p[0], $p[1], $e->size)]
                : [],
            EntityKind::Text => self::letters($e, $p[0], isset($p[1]) ? atan2($p[1][1] - $p[0][1], $p[1][0] - $p[0][0]) : 0.0),
            EntityKind::Curve => self::spline(
                $e->id,
                array_values(
                    array_filter($p, static fn(array $q, int $i): bool => $i === 0 || $apart($p[$i - 1], $q), ARRAY_FILTER_USE_BOTH),
                ),
            ),
        };
    }

    /**
     * The outlines of letters; those of one letter's contour bear one name.
     *
     * @param array{float,float} $at
     * @param float $turn radians
     * @return list<Curve>
     */
    private static function letters(Entity $e, array $at, float $turn): array
    {
        [$c, $s] = [cos($turn), sin($turn)];
        $placed = static fn(float $u, float $v): array => [$at[0] + $c * $u - $s * $v, $at[1] + $s * $u + $c * $v];
        try {
            $profiles = Lettering::profiles($e->text, $e->size);
        } catch (Refused) {
            return [];
        }
        $out = [];
        foreach ($profiles as $profile) {
            foreach ($profile->loops as $loop) {
                foreach ($loop as $i => [$u, $v, $side]) {
                    [$nextU, $nextV] = $loop[($i + 1) % count($loop)];
                    $out[] = new Straight(
                        "$e->id " . implode(' ', array_slice(explode(' ', $side['name']), 0, 2)),
                        $placed($u, $v),
                        $placed($nextU, $nextV),
                    );
                }
            }
        }

        return $out;
    }

    /**
     * One curve for every stretch between two points, so that those of one spline can cross each other.
     *
     * @param list<array{float,float}> $points
     * @return list<Curve>
     */
    private static function spline(string $name, array $points): array
    {
        if (count($points) < 2) {
            return [];
        }
        $spline = PlaneCurve::spline($points);
        $knots = $spline->knots();
        $out = [];
        for ($i = 1; $i < count($points); $i++) {
            $out[] = new Smooth($name, $spline->at(...), Smooth::even($knots[$i - 1], $knots[$i], 8), $spline);
        }

        return $out;
    }
}
