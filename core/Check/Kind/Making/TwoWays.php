<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Making;

use Cubo\Check\Comparing\Alignment;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Making\MainStep;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Subject;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\Symmetry;
use Cubo\Quantity\Amount;
use Cubo\Quantity\Unit;

/** Handed in before with another main step, and still the same part. */
final class TwoWays extends Kind implements Measured, Proposes
{
    /** Volumes that differ by no more than this share are of the same part. */
    private const SAME = 1e-3;

    public function heading(): Heading
    {
        return Heading::Making;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return 'two ways';
    }

    public function asksForAnotherWay(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        return $p->recipe === null ? [] : [new Requirement('two-ways', $this, 'Made in two ways', 0.0, 0.0, 2, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $making = $m->subject->making;
        if ($making === null) {
            return $m->untoldMaking($r);
        }
        $main = MainStep::of($making, $m->subject->part->budget);
        if ($main === null) {
            return $m->rows->missing($r, 'There is no part yet.');
        }
        $unlike = $alike = null;
        foreach ($making->others as $other) {
            $state = $making->made($other, $m->subject->part->budget);
            // what was handed in and is still on the bench is no other way
            if ($state->isEmpty() || $other->toArray()['steps'] === $making->recipe->toArray()['steps']) {
                continue;
            }
            $its = MainStep::of($making->with($other), $m->subject->part->budget);
            if ($its === null || $its->manner === $main->manner) {
                $alike ??= $its;

                continue;
            }
            $off = self::off($m->subject, new PartMeasures($state->part(), $m->subject->part->budget));
            if ($off === null) {
                return $m->rows->row($r, "$main->manner and $its->manner", null, '', true, '', '', null);
            }
            $unlike ??= "The way handed in before, with $its->manner as its main step, makes another part: $off Both ways must end in the same part.";
        }

        return match (true) {
            $unlike !== null => $m->rows->row($r, 'two parts', null, '', false, 'Not the same part', $unlike, null),
            $alike !== null => $m->rows->row(
                $r,
                'one way',
                null,
                '',
                false,
                'The same way again',
                "Both times most of the part comes from $main->manner. Begin the second way with another kind of step, or with the profile of another view.",
                null,
            ),
            default => $m->rows->row(
                $r,
                'one way',
                null,
                '',
                false,
                'One way so far',
                "This way has $main->manner as its main step. Hand it in, then make the same part another way and hand that in too.",
                null,
            ),
        };
    }

    /** How the other part differs, as a sentence; null when it does not. */
    private static function off(Subject $subject, PartMeasures $other): ?string
    {
        $part = $subject->part;
        $unit = $subject->unit;
        [$a, $b] = [$part->mass()->volume, $other->mass()->volume];
        if (abs($a - $b) > self::SAME * max($a, $b)) {
            return Amount::volume($b, $unit) . ' there, ' . Amount::volume($a, $unit) . ' here.';
        }
        $most = Symmetry::alike($part->bounds());
        // where a part may lie in any way, its two ways may lie differently too
        $fit = $subject->exercise->turned ? Alignment::best($other, $part) : Alignment::asItLies($other, $part);
        if ($fit === null || !$fit->within($most)) {
            return $fit === null ? '' : "their surfaces are {$unit->show($fit->deviation())} {$unit->word()} apart at the worst spot.";
        }

        return null;
    }
}
