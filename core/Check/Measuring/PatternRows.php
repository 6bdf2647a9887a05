<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Axes;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Check\Subject;
use Cubo\Geometry\Vector;
use Cubo\Measure\Hole;
use Cubo\Measure\Recognition\FacetGraph;
use Cubo\Measure\RingPiece;
use Cubo\Measure\RoundPiece;

/** How many there are of something, and how they follow each other. */
final readonly class PatternRows
{
    public function __construct(private Subject $subject, private Rows $rows) {}

    public function count(Requirement $r): Row
    {
        $n = count($this->holes($r));
        $asked = (int) round($r->nominal);
        $off = $n - $asked;

        return $this->rows->row(
            $r,
            (string) $n,
            (float) $off,
            (string) $off,
            $off === 0,
            abs($off) . ($off < 0 ? ' missing' : ' too many'),
            "$n holes of ⌀ {$this->subject->unit->brief($r->number('diameter'))} run this way; $asked are asked." .
                ($n === 1 && $asked > 1 ? ' Was the repeat or the mirror left out?' : ''),
            null,
        );
    }

    public function circle(Requirement $r): Row
    {
        $holes = $this->holes($r);
        $circle = Patterns::circle($holes, $r->axis());
        if ($circle === null) {
            return $this->rows->missing(
                $r,
                count($holes) < 3
                    ? 'Fewer than three such holes are there, so they lie on no one circle.'
                    : 'The holes do not lie on one circle.',
            );
        }
        $unit = $this->subject->unit;
        $text = "The holes lie on a circle of ⌀ {$unit->show($circle[2])}; {$unit->brief($r->nominal)} is asked.";
        foreach ([[0.5, 'radius as the diameter'], [2.0, 'diameter as the radius']] as [$factor, $slip]) {
            if (abs($circle[2] - $factor * $r->nominal) < 0.01 * $r->nominal) {
                $text .= " Did you type the $slip?";
            }
        }
        [$a, $b] = Axes::others($r->axis());
        $at = $holes[0]->point;
        [$at[$a], $at[$b]] = [$circle[0], $circle[1]];

        return $this->rows->length(
            $r,
            $circle[2],
            $text,
            ['kind' => 'ring', 'centre' => $at, 'axis' => $r->axis(), 'radius' => $circle[2] / 2, 'asked' => $r->nominal / 2],
            '⌀ ',
        );
    }

    public function pitch(Requirement $r): Row
    {
        $holes = $this->holes($r);
        $row = Patterns::row($holes, $r->axis());
        if ($row === null) {
            return $this->rows->missing(
                $r,
                count($holes) < 3 ? 'Fewer than three such holes are there, so there is no row.' : 'The holes do not lie in one row.',
            );
        }
        $unit = $this->subject->unit;
        // the step that is farther off is the one that counts
        $got = abs($row[0] - $r->nominal) >= abs($row[1] - $r->nominal) ? $row[0] : $row[1];
        $text =
            $row[0] - $row[1] > 0.01
                ? "The steps differ: from {$unit->show($row[1])} to {$unit->show($row[0])}; {$unit->brief(
                    $r->nominal,
                )} is asked from one to the next."
                : "From one hole to the next it is {$unit->show($got)}; {$unit->brief($r->nominal)} is asked.";
        if (abs($got * (count($holes) - 1) - $r->nominal) < 0.01 * $r->nominal) {
            $text .= ' Was the step taken for the length of the whole row?';
        }

        return $this->rows->length($r, $got, $text, ['kind' => 'spot', 'at' => $holes[0]->point]);
    }

    public function rounds(Requirement $r): Row
    {
        $arcs = array_values(
            array_filter(
                $this->subject->part->features()->arcs,
                static fn(RoundPiece $p): bool => $p->turn < M_PI - 0.05 && $r->number('hollow') > 0 === $p->hollow,
            ),
        );

        $rings = array_values(
            array_filter(
                $this->subject->part->features()->rings,
                static fn(RingPiece $p): bool => $p->turn < M_PI - 0.05 && $r->number('hollow') > 0 === $p->hollow,
            ),
        );

        $found = [
            ...array_map(static fn(RoundPiece $p): array => [$p->low, $p->point], $arcs),
            // shown on the ring, not in the middle of it
            ...array_map(
                static fn(RingPiece $p): array => [$p->tube, Vector::add($p->centre, Vector::across($p->axis), $p->radius + $p->tube)],
                $rings,
            ),
        ];
        $limits = $r->limits($this->subject->unit);
        $right = count(array_filter($found, static fn(array $f): bool => $limits->holds($f[0] - $r->nominal)));
        // a round of three or four facets is not told from as many flats
        if ($right < (int) $r->number('count') && $this->subject->making === null && FacetGraph::bends($this->subject->part->solid)) {
            return $this->rows->unknown(
                $r,
                'The file has facets that follow each other smoothly, too few to tell of what round they are. Save it finer and hand it in again.',
            );
        }

        return $this->several($r, $found, 'rounded edge', 'R ');
    }

    public function chamfers(Requirement $r): Row
    {
        return $this->several(
            $r,
            array_map(static fn(array $c): array => [$c[0], $c[1]->centroid], Patterns::chamfers($this->subject->part)),
            'chamfer',
            '',
        );
    }

    /** @param list<array{float, array{float,float,float}}> $found sizes and places */
    private function several(Requirement $r, array $found, string $what, string $prefix): Row
    {
        $unit = $this->subject->unit;
        $asked = (int) $r->number('count');
        if ($found === []) {
            return $this->rows->missing($r, "There is no $what yet.");
        }
        $limits = $r->limits($unit);
        $right = array_filter($found, static fn(array $f): bool => $limits->holds($f[0] - $r->nominal));
        if (count($right) >= $asked) {
            return $this->rows->length(
                $r,
                $right[array_key_first($right)][0],
                '',
                ['kind' => 'spot', 'at' => $right[array_key_first($right)][1]],
                $prefix,
            );
        }
        $wrong = array_values(array_udiff($found, $right, static fn(array $a, array $b): int => $a <=> $b));
        usort($wrong, static fn(array $a, array $b): int => abs($a[0] - $r->nominal) <=> abs($b[0] - $r->nominal));
        if ($wrong === []) {
            return $this->rows->row(
                $r,
                count($right) . ' of ' . $asked,
                (float) (count($right) - $asked),
                '',
                false,
                $asked - count($right) . ' missing',
                count($right) . " of $asked are there with the right size.",
                ['kind' => 'spot', 'at' => $found[0][1]],
            );
        }

        return $this->rows->length(
            $r,
            $wrong[0][0],
            "A $what measures {$unit->show($wrong[0][0])}; {$unit->brief($r->nominal)} is asked." .
                ($right === [] ? '' : ' ' . count($right) . " of $asked have it."),
            ['kind' => 'spot', 'at' => $wrong[0][1]],
            $prefix,
        );
    }

    /** @return list<Hole> */
    private function holes(Requirement $r): array
    {
        $d = $r->number('diameter');

        // wide enough that a wrong diameter is told where the diameter is asked, not here; but not as far as the next ones the drawing has
        $within = max(0.05 * $d, 0.1);
        foreach ($this->subject->exercise->requirements as $q) {
            if (
                isset($q->where['axis'], $q->where['diameter'], $q->where['count']) &&
                $q->axis() === $r->axis() &&
                abs($q->number('diameter') - $d) > 1e-6
            ) {
                $within = min($within, 0.49 * abs($q->number('diameter') - $d));
            }
        }

        return Patterns::holes($this->subject->part, $r->axis(), $d, $within);
    }
}
