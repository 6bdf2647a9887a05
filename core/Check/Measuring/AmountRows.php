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

/** How much there is of a part: volume, area, mass, where its centre is, of how many bodies, and whether it is closed. */
final readonly class AmountRows
{
    public function __construct(private Subject $subject, private Rows $rows) {}

    public function row(Requirement $r): ?Row
    {
        return match ($r->kind) {
            RequirementKind::Volume => $this->volume($r),
            RequirementKind::Area => $this->area($r),
            RequirementKind::Mass => $this->mass($r),
            RequirementKind::Centroid => $this->centroid($r),
            RequirementKind::Bodies => $this->bodies($r),
            RequirementKind::Closed => $this->closed($r),
            default => null,
        };
    }

    private function volume(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $got = $this->subject->part->mass()->volume;

        return $this->rows->share($r, $got, Requirement::volume($got, $unit), Requirement::volume(abs($got - $r->nominal), $unit), Diagnosis::volume($got, $r, $unit), $this->centre());
    }

    private function area(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $got = $this->subject->part->mass()->area;

        return $this->rows->share($r, $got, Requirement::area($got, $unit), Requirement::area(abs($got - $r->nominal), $unit), 'The surface of the part is ' . Requirement::area($got, $unit) . '; ' . Requirement::area($r->nominal, $unit) . ' is asked.', null);
    }

    private function mass(Requirement $r): Row
    {
        // mm3 times g/cm3
        $got = $this->subject->part->mass()->volume * $r->number('density') / 1000;
        $text = 'The part weighs ' . Requirement::grams($got, $this->subject->unit) . '; ' . Requirement::grams($r->nominal, $this->subject->unit) . ' is asked.';

        return $this->rows->share($r, $got, Requirement::grams($got, $this->subject->unit), Requirement::grams(abs($got - $r->nominal), $this->subject->unit), $text . ' Is something missing or too much?', $this->centre());
    }

    private function centroid(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $c = Vector::sub($this->subject->part->mass()->centroid, $this->subject->part->bounds()->min);
        $off = Vector::distance($c, [$r->number('x'), $r->number('y'), $r->number('z')]);

        return $this->rows->row($r, implode(', ', array_map($unit->show(...), $c)), $off, $unit->show($off), $off <= $r->tolerance + Rows::SLACK, $unit->show($off) . ' off its place',
            'The centre of mass lies at ' . implode(', ', array_map($unit->show(...), $c)) . " from the outer faces; {$r->askedText($unit)} is asked. Material is missing on one side, or too much is there.", $this->centre());
    }

    private function bodies(Requirement $r): Row
    {
        $n = $this->subject->part->bodyCount();
        $asked = (int) $r->nominal;

        return $this->rows->row($r, (string) $n, (float) ($n - $asked), (string) ($n - $asked), $n === $asked, $n === 1 ? '1 piece' : "$n loose pieces",
            $n > $asked ? "The part is $n loose pieces. Do all of them touch over a face, not only along an edge or not at all?" : "The part is $n " . ($n === 1 ? 'piece' : 'pieces') . ", $asked are asked.", null);
    }

    private function closed(Requirement $r): Row
    {
        $met = $this->subject->part->isClosed();
        $fault = $met ? null : ($this->subject->part->faults()[0] ?? null);

        return $this->rows->row($r, $met ? 'closed' : ($fault['kind'] ?? 'open'), null, '', $met, $fault !== null && $fault['kind'] !== 'open' ? ucfirst(str_replace('-', ' ', $fault['kind'])) : 'Not closed',
            $fault['words'] ?? 'The surface has a gap, so it encloses no solid.', $fault === null ? null : ['kind' => 'spot', 'at' => $fault['at']]);
    }

    /** @return array<string, mixed> */
    private function centre(): array
    {
        return ['kind' => 'spot', 'at' => $this->subject->part->mass()->centroid];
    }
}
