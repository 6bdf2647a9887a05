<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Check\Axes;
use Cubo\Check\Datum\Datum;
use Cubo\Check\Datum\DatumKind;
use Cubo\Check\Datum\Matching;
use Cubo\Check\Datum\Stretch;
use Cubo\Check\Kind\Form\Symmetry;
use Cubo\Check\Kind\Size\Distance;
use Cubo\Check\Requirement;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;

/** What a teacher asks beside what is proposed: between two data of the reference part that they name themselves. */
final class OwnRequirements
{
    public const BEGINS = 'own-';

    public const WHAT = ['distance' => 'the distance', 'mirror' => 'mirror images on both sides of the middle'];

    /** How many of its own an exercise may have. */
    public const MOST = 40;

    public static function isOwn(Requirement $r): bool
    {
        return str_starts_with($r->id, self::BEGINS);
    }

    /**
     * @param string $what a key of WHAT
     * @param string $from key of a datum of the part
     * @return Requirement|string the requirement, or why it cannot be asked
     */
    public static function between(PartMeasures $part, Unit $unit, string $what, string $from, string $to): Requirement|string
    {
        $data = [];
        foreach (Datum::all($part) as $d) {
            $data[$d->key()] ??= $d;
        }
        $a = $data[$from] ?? null;
        $b = $data[$to] ?? null;
        if ($a === null || $b === null || !isset(self::WHAT[$what])) {
            return 'Choose between what.';
        }
        $id = self::BEGINS . "$what-$from-$to";
        $where = $a->toWhere(1) + $b->toWhere(2);
        $tolerance = $unit === Unit::Inch ? 0.254 : 0.2;
        if ($what === 'mirror') {
            $problem = self::unmirrored($a, $b);

            return $problem ??
                new Requirement(
                    $id,
                    new Symmetry(),
                    'Alike on both sides of the middle',
                    0.0,
                    $tolerance,
                    2,
                    true,
                    ['axis' => (int) $a->axis(), 'about' => 'faces'] + $where,
                );
        }
        $stretch = Stretch::between($a, $b);
        if ($stretch === null || $stretch->length < 1e-6) {
            return $stretch === null
                ? 'These two are not parallel, so they have no distance.'
                : 'These two are at the same place: their distance is 0.';
        }

        return new Requirement(
            $id,
            new Distance(),
            ucfirst($a->name($unit)) . ' to ' . $b->name($unit),
            Axes::clean($stretch->length),
            $tolerance,
            2,
            true,
            $where,
        );
    }

    /** Measured anew on the reference part as it is now; as it was where that does not have it any more. */
    public static function renewed(Requirement $r, PartMeasures $part): Requirement
    {
        $matching = new Matching($part);
        [$from, $to] = [Datum::fromWhere($r->where, 1), Datum::fromWhere($r->where, 2)];
        [$a, $b] = $from === null || $to === null ? [null, null] : $matching->pair($from, $to);
        if ($a === null || $b === null || $a[1] || $b[1]) {
            return $r;
        }
        $where = [...$r->where, ...$a[0]->toWhere(1), ...$b[0]->toWhere(2)];
        if ($r->kind instanceof Symmetry) {
            return $r->placed($r->nominal, $where);
        }
        $stretch = Stretch::between($a[0], $b[0]);

        return $stretch === null ? $r : $r->placed(Axes::clean($stretch->length), $where);
    }

    private static function unmirrored(Datum $a, Datum $b): ?string
    {
        if ($a->kind !== DatumKind::Face || $b->kind !== DatumKind::Face) {
            return 'The middle is taken between two flat faces.';
        }
        if ($a->axis() === null || $a->axis() !== $b->axis()) {
            return 'The middle is taken between two parallel faces, upright or level.';
        }

        return null;
    }
}
