<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Form;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Measure\Symmetry;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;

/** Comes to lie on itself when it is turned by the n-th part of a full turn. */
final class Rotation extends Kind implements Measured, Proposes
{
    /** More than so often alike is round. */
    private const MOST = 24;

    public function heading(): Heading
    {
        return Heading::Form;
    }

    public function sort(): Sort
    {
        return Sort::Off;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return (int) $where['order'] . ' alike';
    }

    public function needs(): array
    {
        return ['axis', 'order'];
    }

    public function mustHold(float $nominal): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        $out = [];
        foreach (
            [2 => ['', ''], 0 => ['-x', ' the line left to right'], 1 => ['-y', ' the line front to back']]
            as $axis => [$end, $words]
        ) {
            $order = self::order($p, $axis);
            // two alike about a level line is what two mirror planes say already
            if ($order > ($axis === 2 ? 1 : 2)) {
                $out[] = new Requirement("rotation-$order$end", $this, "Alike $order times round$words", 0.0, $p->tolerance, 2, false, [
                    'axis' => $axis,
                    'order' => $order,
                ]);
            }
        }

        return $out;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $n = max(2, (int) $r->number('order'));
        $s = Symmetry::turned($m->subject->part->solid, $r->axis(), $n, $m->subject->part->mass()->centroid, $m->subject->part->tree());

        return $m->rows->row(
            $r,
            $s->deviation <= $r->tolerance + Rows::SLACK ? "$n alike" : $unit->show($s->deviation) . ' apart',
            $s->deviation,
            $unit->show($s->deviation),
            $s->deviation <= $r->tolerance + Rows::SLACK,
            $unit->show($s->deviation) . ' apart',
            'Turned by ' .
                Number::brief(360 / $n, 2) .
                "° the part does not come to lie on itself: at the marked spot it differs by {$unit->show($s->deviation)} {$unit->word()}.",
            $s->worst === null ? null : ['kind' => 'spot', 'at' => $s->worst],
        );
    }

    /** How many times it comes to lie on itself round an axis through its centre of mass: as often as equal holes do at the most. */
    private static function order(Proposing $p, int $axis): int
    {
        $part = $p->part;
        $count = [];
        foreach ($part->features()->holes as $h) {
            if ($h->principal() === $axis) {
                $count[(string) round($h->radius, 3)] = ($count[(string) round($h->radius, 3)] ?? 0) + 1;
            }
        }
        foreach (array_unique([...array_values($count), 6, 5, 4, 3, 2]) as $n) {
            if (
                $n > 1 &&
                $n <= self::MOST &&
                Symmetry::turned($part->solid, $axis, $n, $part->mass()->centroid, $part->tree(), Proposing::ALIKE)->deviation <
                    Proposing::ALIKE
            ) {
                return $n;
            }
        }

        return 1;
    }
}
