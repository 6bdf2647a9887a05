<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Form;

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
use Cubo\Measure\Symmetry;
use Cubo\Quantity\Unit;

/** No mirror symmetry in a plane through the middle of the part. */
final class NotSymmetric extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Form;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return 'no mirror';
    }

    public function needs(): array
    {
        return ['axis'];
    }

    public function isStated(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        $out = [];
        foreach ([0 => 'Left and right differ', 1 => 'Front and back differ'] as $axis => $label) {
            if (!$p->isSymmetric($axis)) {
                $out[] = new Requirement(
                    'differs-' . Axes::LETTER[$axis],
                    $this,
                    $label,
                    Symmetry::alike($p->part->bounds()),
                    0.0,
                    1,
                    false,
                    ['axis' => $axis],
                );
            }
        }

        return $out;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $part = $m->subject->part;
        $halves = Axes::HALVES[$r->axis()];
        $least = max($r->nominal, Symmetry::ALIKE);
        // one place that differs is enough
        $differs = Symmetry::across($part->solid, $r->axis(), $part->bounds(), $part->tree(), null, $least)->deviation >= $least;

        return $m->rows->row(
            $r,
            $differs ? 'they differ' : 'mirror',
            null,
            '',
            $differs,
            'Both halves are alike',
            "The {$halves[0]} and {$halves[1]} halves are mirror images; on the drawing they are not. Was one side mirrored that should differ?",
            $differs ? null : $m->plane($r->axis(), $part->bounds()->middle()[$r->axis()], null),
        );
    }
}
