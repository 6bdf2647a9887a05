<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Diagnosis;
use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Check\Subject;
use Cubo\Geometry\Vector;
use Cubo\Measure\Flat;

/** Overall sizes, distances between faces, and angles of slanting faces. */
final readonly class SizeRows
{
    /** A slanting face that leans more than this against the asked one is another face: its cosine. */
    private const LIKE = 0.85;

    public function __construct(private Subject $subject, private Rows $rows) {}

    public function row(Requirement $r): ?Row
    {
        return match ($r->kind) {
            RequirementKind::Size => $this->size($r),
            RequirementKind::FaceDistance => $this->faceDistance($r),
            RequirementKind::Angle => $this->angle($r),
            default => null,
        };
    }

    private function size(Requirement $r): Row
    {
        $axis = $r->axis();
        $b = $this->subject->part->bounds();
        $got = $b->size()[$axis];
        $a = $b->middle();
        $z = $a;
        $a[$axis] = $b->min[$axis];
        $z[$axis] = $b->max[$axis];

        return $this->rows->length($r, $got, Diagnosis::size($got, $r, $this->subject->part, $this->subject->exercise), ['kind' => 'span', 'a' => $a, 'b' => $z, 'axis' => $axis]);
    }

    private function faceDistance(Requirement $r): Row
    {
        $axis = $r->axis();
        $b = $this->subject->part->bounds();
        $best = null;
        foreach ($this->subject->part->features()->flats as $f) {
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
            return $this->rows->missing($r, 'The part has no flat face between its outermost faces in this direction.');
        }
        $a = $z = $best->centroid;
        $a[$axis] = $b->min[$axis];
        $got = $best->centroid[$axis] - $b->min[$axis];

        return $this->rows->length($r, $got, Diagnosis::factor($got, $r->nominal, $this->subject->unit, 'face is'), ['kind' => 'span', 'a' => $a, 'b' => $z, 'axis' => $axis]);
    }

    private function angle(Requirement $r): Row
    {
        $axis = $r->axis();
        $asked = [$r->number('nx'), $r->number('ny'), $r->number('nz')];
        $like = array_values(array_filter($this->subject->part->features()->flats, static fn (Flat $f): bool => Vector::dot($f->normal, $asked) > self::LIKE && max(array_map(abs(...), $f->normal)) < 1 - 1e-6));
        if ($like === []) {
            return $this->rows->missing($r, 'No slanting face looks this way.');
        }
        usort($like, static fn (Flat $p, Flat $q): int => round(Vector::dot($q->normal, $asked), 6) <=> round(Vector::dot($p->normal, $asked), 6) ?: $q->area <=> $p->area);
        $got = self::against($like[0], $axis);
        $plane = ['the side plane', 'the front plane', 'the ground'][$axis];

        return $this->rows->angle($r, $got, 'The slanting face lies at ' . round($got, 1) . '° to ' . $plane . '; ' . round($r->nominal, 1) . '° is asked.'
            . (abs(90 - $got - $r->nominal) <= $r->tolerance + 0.5 ? ' It would fit if the angle were taken from the other side: 90° less it.' : ''), ['kind' => 'spot', 'at' => $like[0]->centroid]);
    }

    /** The angle of a face to the plane across an axis, degrees. */
    public static function against(Flat $f, int $axis): float
    {
        return rad2deg(acos(min(1.0, abs($f->normal[$axis]))));
    }
}
