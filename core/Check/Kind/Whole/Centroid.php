<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Whole;

use Cubo\Check\Axes;
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
use Cubo\Geometry\Vector;
use Cubo\Quantity\Unit;

/** Where the centre of mass is, from the outermost faces. */
final class Centroid extends Kind implements Measured, Proposes
{
    /** mm: a centre of mass is not asked closer than this */
    private const LEAST = 0.5;

    public function heading(): Heading
    {
        return Heading::Whole;
    }

    public function sort(): Sort
    {
        return Sort::Off;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return implode(', ', array_map(static fn(string $k): string => $unit->show((float) $where[$k]), ['x', 'y', 'z']));
    }

    public function needs(): array
    {
        return ['x', 'y', 'z'];
    }

    public function needsClosed(): bool
    {
        return true;
    }

    public function isPlain(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        $c = Vector::sub($p->part->mass()->centroid, $p->part->bounds()->min);

        return [
            new Requirement('centroid', $this, 'Centre of mass', 0.0, max($p->tolerance, self::LEAST), 1, false, [
                'x' => Axes::clean($c[0]),
                'y' => Axes::clean($c[1]),
                'z' => Axes::clean($c[2]),
            ]),
        ];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $c = Vector::sub($m->subject->part->mass()->centroid, $m->subject->part->bounds()->min);
        $off = Vector::distance($c, [$r->number('x'), $r->number('y'), $r->number('z')]);

        return $m->rows->row(
            $r,
            implode(', ', array_map($unit->show(...), $c)),
            $off,
            $unit->show($off),
            $off <= $r->tolerance + Rows::SLACK,
            $unit->show($off) . ' off its place',
            'The centre of mass lies at ' .
                implode(', ', array_map($unit->show(...), $c)) .
                " from the outer faces; {$r->askedText($unit)} is asked. Material is missing on one side, or too much is there.",
            $m->centre(),
        );
    }
}
