<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Datum\Datum;
use Cubo\Check\Datum\Matching;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Check\Subject;
use Cubo\Measure\Symmetry;
use Cubo\Quantity\Number;

/** Symmetry, how the part lies, and its whole shape against the reference part's. */
final readonly class ShapeRows
{
    private const HALVES = [['left', 'right'], ['front', 'back'], ['bottom', 'top']];

    public function __construct(private Subject $subject, private Rows $rows) {}

    public function row(Requirement $r): ?Row
    {
        return match ($r->kind) {
            RequirementKind::Symmetry => $this->symmetry($r),
            RequirementKind::NotSymmetric => $this->notSymmetric($r),
            RequirementKind::Rotation => $this->rotation($r),
            RequirementKind::Centred => $this->centred($r),
            RequirementKind::Pose => $this->pose($r),
            RequirementKind::Shape => $this->shape($r),
            default => null,
        };
    }

    private function symmetry(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $about = (string) ($r->where['about'] ?? '');
        $at = match ($about) {
            'origin' => 0.0,
            'faces' => $this->midway($r),
            default => $this->subject->part->bounds()->middle()[$r->axis()],
        };
        if (is_string($at)) {
            return $this->rows->unknown($r, $at);
        }
        $s = $about === '' ? $this->subject->part->symmetry($r->axis()) : $this->subject->part->symmetryAt($r->axis(), $at);
        $halves = self::HALVES[$r->axis()];
        $plane = ['origin' => 'plane through the origin', 'faces' => 'middle between the two faces'][$about] ?? 'middle';

        return $this->rows->row($r, $s->deviation <= $r->tolerance + Rows::SLACK ? 'mirror' : $unit->show($s->deviation) . ' apart', $s->deviation, $unit->show($s->deviation), $s->deviation <= $r->tolerance + Rows::SLACK,
            $unit->show($s->deviation) . ' apart', "Folded over the $plane, the {$halves[0]} and {$halves[1]} halves differ most at the marked spot, by {$unit->show($s->deviation)} {$unit->word()}.",
            $this->plane($r->axis(), $at, $s->worst));
    }

    private function notSymmetric(Requirement $r): Row
    {
        $part = $this->subject->part;
        $halves = self::HALVES[$r->axis()];
        $least = max($r->nominal, Symmetry::ALIKE);
        // one place that differs is enough
        $differs = Symmetry::across($part->solid, $r->axis(), $part->bounds(), $part->tree(), null, $least)->deviation >= $least;

        return $this->rows->row($r, $differs ? 'they differ' : 'mirror', null, '', $differs,
            'Both halves are alike', "The {$halves[0]} and {$halves[1]} halves are mirror images; on the drawing they are not. Was one side mirrored that should differ?", $differs ? null : $this->plane($r->axis(), $part->bounds()->middle()[$r->axis()], null));
    }

    /** Where the plane midway between the two named faces is along the axis; a sentence when they are not there. */
    private function midway(Requirement $r): float|string
    {
        [$from, $to] = [Datum::fromWhere($r->where, 1), Datum::fromWhere($r->where, 2)];
        [$a, $b] = $from === null || $to === null ? [null, null] : (new Matching($this->subject->part, $this->subject->reference))->pair($from, $to);
        if ($a === null || $b === null) {
            return 'One of the two faces whose middle is meant is not there.';
        }
        if ($a[1] || $b[1]) {
            return 'Two faces are equally near to one of those whose middle is meant; which one it is cannot be told.';
        }

        return $this->subject->part->bounds()->min[$r->axis()] + ($a[0]->at[$r->axis()] + $b[0]->at[$r->axis()]) / 2;
    }

    /**
     * Evidence of a plane: where it cuts the part's box, and the worst spot.
     *
     * @param array{float,float,float}|null $spot
     * @return array<string, mixed>
     */
    private function plane(int $axis, float $at, ?array $spot): array
    {
        $b = $this->subject->part->bounds();
        [$i, $j] = Proposer::others($axis);
        $corners = [];
        foreach ([[$b->min[$i], $b->min[$j]], [$b->max[$i], $b->min[$j]], [$b->max[$i], $b->max[$j]], [$b->min[$i], $b->max[$j]]] as [$u, $v]) {
            $p = [0.0, 0.0, 0.0];
            [$p[$axis], $p[$i], $p[$j]] = [$at, $u, $v];
            $corners[] = $p;
        }

        return ['kind' => 'plane', 'corners' => $corners, 'at' => $spot ?? $b->middle()];
    }

    private function rotation(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $n = max(2, (int) $r->number('order'));
        $s = Symmetry::turned($this->subject->part->solid, $r->axis(), $n, $this->subject->part->mass()->centroid, $this->subject->part->tree());

        return $this->rows->row($r, $s->deviation <= $r->tolerance + Rows::SLACK ? "$n alike" : $unit->show($s->deviation) . ' apart', $s->deviation, $unit->show($s->deviation), $s->deviation <= $r->tolerance + Rows::SLACK,
            $unit->show($s->deviation) . ' apart', 'Turned by ' . Number::brief(360 / $n, 2) . "° the part does not come to lie on itself: at the marked spot it differs by {$unit->show($s->deviation)} {$unit->word()}.",
            $s->worst === null ? null : ['kind' => 'spot', 'at' => $s->worst]);
    }

    private function centred(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $m = $this->subject->part->bounds()->middle();
        $off = hypot($m[0], $m[1]);

        return $this->rows->row($r, "{$unit->show($m[0])}, {$unit->show($m[1])}", $off, $unit->show($off), $off <= $r->tolerance + Rows::SLACK, $unit->show($off) . ' off the origin',
            "The middle of the part lies {$unit->show($m[0])} and {$unit->show($m[1])} {$unit->word()} from the origin. Tie the first sketch to the origin, or place the first solid there.", ['kind' => 'spot', 'at' => [$m[0], $m[1], $this->subject->part->bounds()->min[2]]]);
    }

    private function pose(Requirement $r): Row
    {
        if ($this->subject->reference === null) {
            return $this->rows->unknown($r, 'There is no reference part to compare the pose with.');
        }
        $fit = $this->subject->fit();
        if ($fit === null || $fit->deviation() > 0.1 * max($this->subject->reference->bounds()->size())) {
            return $this->rows->unknown($r, 'The part differs too much from the drawing to tell how it should lie.');
        }

        return $this->rows->row($r, $fit->isStraight() ? 'as drawn' : $fit->words(), null, '', $fit->isStraight(), 'Lies another way', 'The part lies ' . $fit->words() . ' against the drawing.', null);
    }

    private function shape(Requirement $r): Row
    {
        if ($this->subject->reference === null) {
            return $this->rows->unknown($r, 'There is no reference part to compare the shape with.');
        }
        $unit = $this->subject->unit;
        $fit = $this->subject->fit();
        $common = $fit?->inCommon();
        if ($fit === null || $common === null) {
            return $this->rows->unknown($r, 'The two parts could not be laid over each other.');
        }
        $off = $common['share'] - $r->nominal;

        return $this->rows->row($r, Number::show($common['share'], 1) . ' %', $off, Number::show($off, 1) . ' %', $off >= -1e-6, Number::show(-$off, 1) . ' % too little',
            'Laid over the drawing’s part, ' . Requirement::volume($common['missing'], $unit) . ' are missing and ' . Requirement::volume($common['surplus'], $unit) . " too much; farthest off at the marked spot, by {$unit->show($fit->deviation())} {$unit->word()}.",
            $fit->worst() === null ? null : ['kind' => 'spot', 'at' => $fit->worst()]);
    }
}
