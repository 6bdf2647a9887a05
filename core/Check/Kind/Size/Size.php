<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Size;

use Cubo\Check\Axes;
use Cubo\Check\Diagnosis;
use Cubo\Check\Kind\Drawn;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Unit;

/** Overall size along an axis. */
final class Size extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Sizes;
    }

    public function sort(): Sort
    {
        return Sort::Length;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return $unit->brief($nominal);
    }

    public function needs(): array
    {
        return ['axis'];
    }

    public function isPlain(): bool
    {
        return true;
    }

    public function tellsPose(): bool
    {
        return true;
    }

    public function drawn(): Drawn
    {
        return Drawn::Overall;
    }

    public function proposals(Proposing $p): array
    {
        $size = $p->part->bounds()->size();

        return array_map(
            fn(int $axis): Requirement => new Requirement(
                'size-' . Axes::LETTER[$axis],
                $this,
                Axes::SIZE[$axis],
                Axes::clean($size[$axis]),
                $p->tolerance,
                2,
                true,
                ['axis' => $axis],
            ),
            [0, 1, 2],
        );
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $axis = $r->axis();
        $b = $m->subject->part->bounds();
        $got = $b->size()[$axis];
        $a = $b->middle();
        $z = $a;
        $a[$axis] = $b->min[$axis];
        $z[$axis] = $b->max[$axis];

        return $m->rows->length($r, $got, Diagnosis::size($got, $r, $m->subject->part, $m->subject->exercise), [
            'kind' => 'span',
            'a' => $a,
            'b' => $z,
            'axis' => $axis,
        ]);
    }
}
