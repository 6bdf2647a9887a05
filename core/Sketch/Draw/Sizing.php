<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Measured;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;
use InvalidArgumentException;

/** Which dimension suits what is picked. */
final class Sizing
{
    /**
     * @param list<string> $of ids of one or two things
     *
     * @throws InvalidArgumentException when none does
     */
    public static function kindFor(Sketch $s, array $of): RelationKind
    {
        $kinds = array_map(static fn(string $id): string => self::sort($s, $id), $of);
        sort($kinds);
        $both = implode(' ', $kinds);
        if ($both === 'line line') {
            return self::parallel($s, $of[0], $of[1]) ? RelationKind::Distance : RelationKind::Angle;
        }

        return match ($both) {
            'line' => RelationKind::Length,
            'circle' => RelationKind::Diameter,
            'arc' => RelationKind::Radius,
            'line point', 'arc line', 'circle line' => self::centreLine($s, $of) ? RelationKind::DiameterAcross : RelationKind::Distance,
            'point point', 'circle point', 'arc point', 'circle circle', 'arc circle', 'arc arc' => RelationKind::Distance,
            default => throw new InvalidArgumentException('Pick one line, circle or arc, or two points or lines, and size them then.'),
        };
    }

    private static function sort(Sketch $s, string $id): string
    {
        return match (true) {
            $id === Sketch::ORIGIN || isset($s->points[$id]) => 'point',
            isset(Sketch::AXES[$id]) => 'line',
            default => $s->entities[$id]->kind->value ?? 'nothing',
        };
    }

    private static function parallel(Sketch $s, string $a, string $b): bool
    {
        [$l, $m] = [Measured::line($s, $a), Measured::line($s, $b)];
        if ($l === null || $m === null) {
            return false;
        }
        [$au, $av, $bu, $bv] = [$l[1][0] - $l[0][0], $l[1][1] - $l[0][1], $m[1][0] - $m[0][0], $m[1][1] - $m[0][1]];

        return abs($au * $bv - $av * $bu) <= 1e-6 * hypot($au, $av) * hypot($bu, $bv);
    }

    /** @param list<string> $of */
    private static function centreLine(Sketch $s, array $of): bool
    {
        foreach ($of as $id) {
            $e = $s->entities[$id] ?? null;
            if ($e?->kind === EntityKind::Line && $e->role === Role::Centre) {
                return true;
            }
        }

        return false;
    }
}
