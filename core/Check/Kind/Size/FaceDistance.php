<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Size;

use Cubo\Check\Diagnosis;
use Cubo\Check\Kind\Drawn;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\FaceProposals;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Unit;

/** Distance between two parallel flat faces. */
final class FaceDistance extends Kind implements Measured, Proposes
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
        return ['axis', 'highSign'];
    }

    public function tellsPose(): bool
    {
        return true;
    }

    public function drawn(): Drawn
    {
        return Drawn::Step;
    }

    public function proposals(Proposing $p): array
    {
        return FaceProposals::steps($p, $this);
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $axis = $r->axis();
        $b = $m->subject->part->bounds();
        $best = null;
        foreach ($m->subject->part->features()->flats as $f) {
            if (abs($f->normal[$axis] - $r->number('highSign')) > 1e-6) {
                continue;
            }
            $at = $f->centroid[$axis] - $b->min[$axis];
            // an outermost face is no step
            if ($at < 1e-6 || $at > $b->size()[$axis] - 1e-6) {
                continue;
            }
            if ($best === null || abs($at - $r->nominal) < abs($best->centroid[$axis] - $b->min[$axis] - $r->nominal)) {
                $best = $f;
            }
        }
        if ($best === null) {
            return $m->rows->missing($r, 'The part has no flat face between its outermost faces in this direction.');
        }
        $a = $z = $best->centroid;
        $a[$axis] = $b->min[$axis];
        $got = $best->centroid[$axis] - $b->min[$axis];

        return $m->rows->length($r, $got, Diagnosis::factor($got, $r->nominal, $m->subject->unit, 'face is'), [
            'kind' => 'span',
            'a' => $a,
            'b' => $z,
            'axis' => $axis,
        ]);
    }
}
