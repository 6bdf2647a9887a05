<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Printing;

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
use Cubo\Printing\BestPose;
use Cubo\Quantity\Unit;

/** Fits the bed of the printer. */
final class FitsBed extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Printing;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return implode(' × ', array_map(static fn(string $k): string => $unit->brief((float) $where[$k]), ['x', 'y', 'z']));
    }

    public function needs(): array
    {
        return ['x', 'y', 'z'];
    }

    public function isPlain(): bool
    {
        return true;
    }

    public function isStated(): bool
    {
        return true;
    }

    public function typed(): array
    {
        return ['x', 'y', 'z'];
    }

    public function proposals(Proposing $p): array
    {
        [$x, $y, $z] = array_map($p->neat(...), $p->profile->bed);

        return [new Requirement('fits-bed', $this, 'Fits the printer', 0.0, 0.0, 1, false, ['x' => $x, 'y' => $y, 'z' => $z])];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $size = $m->subject->part->bounds()->size();
        $bed = [$r->number('x'), $r->number('y'), $r->number('z')];
        $over = max($size[0] - $bed[0], $size[1] - $bed[1], $size[2] - $bed[2]);
        $met = $over <= Rows::SLACK;
        $text = implode(' × ', array_map($unit->show(...), $size));
        $else = $met
            ? ''
            : match (BestPose::on($m->subject->part->solid, $bed)) {
                'turned' => 'It would fit if it were turned on the bed.',
                'laid' => 'It would fit if it were laid on another side.',
                default => 'It does not fit in any pose. Was a size typed in the wrong unit?',
            };

        return $m->rows->row(
            $r,
            $text,
            $over,
            $met ? '' : $unit->show($over),
            $met,
            $unit->show($over) . ' too large',
            "The part is larger than the printer’s bed. $else",
            null,
        );
    }
}
