<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Comparing\Alignment;
use Cubo\Check\Making\MainStep;
use Cubo\Check\Making\Making;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Check\Subject;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\Symmetry;

/** Whether the same part was handed in before, made with another main step. */
final readonly class TwoWays
{
    /** Volumes that differ by no more than this share are of the same part. */
    private const SAME = 1e-3;

    public function __construct(private Subject $subject, private Rows $rows) {}

    public function row(Requirement $r, Making $making): Row
    {
        $main = MainStep::of($making, $this->subject->part->budget);
        if ($main === null) {
            return $this->rows->missing($r, 'There is no part yet.');
        }
        $unlike = $alike = null;
        foreach ($making->others as $other) {
            $state = $making->made($other, $this->subject->part->budget);
            // what was handed in and is still on the bench is no other way
            if ($state->isEmpty() || $other->toArray()['steps'] === $making->recipe->toArray()['steps']) {
                continue;
            }
            $its = MainStep::of($making->with($other), $this->subject->part->budget);
            if ($its === null || $its->manner === $main->manner) {
                $alike ??= $its;

                continue;
            }
            $off = $this->off(new PartMeasures($state->part(), $this->subject->part->budget));
            if ($off === null) {
                return $this->rows->row($r, "$main->manner and $its->manner", null, '', true, '', '', null);
            }
            $unlike ??= "The way handed in before, with $its->manner as its main step, makes another part: $off Both ways must end in the same part.";
        }

        return match (true) {
            $unlike !== null => $this->rows->row($r, 'two parts', null, '', false, 'Not the same part', $unlike, null),
            $alike !== null => $this->rows->row($r, 'one way', null, '', false, 'The same way again', "Both times most of the part comes from $main->manner. Begin the second way with another kind of step, or with the profile of another view.", null),
            default => $this->rows->row($r, 'one way', null, '', false, 'One way so far', "This way has $main->manner as its main step. Hand it in, then make the same part another way and hand that in too.", null),
        };
    }

    /** How the other part differs, as a sentence; null when it does not. */
    private function off(PartMeasures $other): ?string
    {
        $part = $this->subject->part;
        $unit = $this->subject->unit;
        [$a, $b] = [$part->mass()->volume, $other->mass()->volume];
        if (abs($a - $b) > self::SAME * max($a, $b)) {
            return Requirement::volume($b, $unit) . ' there, ' . Requirement::volume($a, $unit) . ' here.';
        }
        $most = Symmetry::alike($part->bounds());
        // where a part may lie in any way, its two ways may lie differently too
        $fit = $this->subject->exercise->turned ? Alignment::best($other, $part) : Alignment::asItLies($other, $part);
        if ($fit === null || ! $fit->within($most)) {
            return ($fit === null ? '' : "their surfaces are {$unit->show($fit->deviation())} {$unit->word()} apart at the worst spot.");
        }

        return null;
    }
}
