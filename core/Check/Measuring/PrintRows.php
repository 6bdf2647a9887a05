<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Diagnosis;
use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Check\Subject;
use Cubo\Measure\Bodies;
use Cubo\Measure\Contact\Contacts;
use Cubo\Measure\WallThickness;
use Cubo\Printing\BestPose;
use Cubo\Printing\Bridges;
use Cubo\Printing\HollowSpaces;
use Cubo\Printing\Islands;
use Cubo\Printing\Overhang;
use Cubo\Printing\Tipping;
use Cubo\Quantity\Number;

/** Whether a part can be printed as it stands. */
final readonly class PrintRows
{
    public function __construct(private Subject $subject, private Rows $rows) {}

    public function row(Requirement $r): Row
    {
        return match ($r->kind) {
            RequirementKind::FitsBed => $this->fitsBed($r),
            RequirementKind::Standing => $this->standing($r),
            RequirementKind::Wall => $this->thin($r, $this->subject->part->wall(), 'wall'),
            RequirementKind::Gap => $this->thin($r, $this->subject->part->gap(), 'gap'),
            RequirementKind::Overhang => $this->overhang($r),
            RequirementKind::Bridge => $this->bridge($r),
            RequirementKind::Islands => $this->islands($r),
            RequirementKind::Tips => $this->tips($r),
            RequirementKind::Hollow => $this->hollow($r),
            RequirementKind::EdgeContact => $this->edgeContact($r),
            default => throw new \LogicException("{$r->kind->value} is not about printing."),
        };
    }

    private function fitsBed(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $size = $this->subject->part->bounds()->size();
        $bed = [$r->number('x'), $r->number('y'), $r->number('z')];
        $over = max($size[0] - $bed[0], $size[1] - $bed[1], $size[2] - $bed[2]);
        $met = $over <= Rows::SLACK;
        $text = implode(' × ', array_map($unit->show(...), $size));
        $else = $met ? '' : match (BestPose::on($this->subject->part->solid, $bed)) {
            'turned' => 'It would fit if it were turned on the bed.',
            'laid' => 'It would fit if it were laid on another side.',
            default => 'It does not fit in any pose. Was a size typed in the wrong unit?',
        };

        return $this->rows->row($r, $text, $over, $met ? '' : $unit->show($over), $met, $unit->show($over) . ' too large', "The part is larger than the printer’s bed. $else", null);
    }

    private function standing(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $b = $this->subject->part->bounds();
        $low = $b->min[2];
        $spot = ['kind' => 'spot', 'at' => [$b->middle()[0], $b->middle()[1], $low]];
        if (abs($low) > 1e-4) {
            $below = $low < 0;

            return $this->rows->row($r, $unit->show(abs($low)) . ($below ? ' below' : ' above'), $low, $unit->show($low), false, $below ? 'Below the ground' : 'Floats above the ground', Diagnosis::ground($low, $this->subject->part, $unit), $spot);
        }
        $area = $this->subject->part->standingArea();

        return $this->rows->row($r, Requirement::area($area, $unit), $area - $r->nominal, '', $area >= $r->nominal - 1e-6, 'Stands on too little', 'Too little of the part lies flat on the ground. Does another side make a better base?', $spot);
    }

    private function thin(Requirement $r, WallThickness $w, string $what): Row
    {
        $unit = $this->subject->unit;
        if ($w->thinnest === INF) {
            return $what === 'gap' ? $this->rows->row($r, 'none', null, '', true, '', '', null) : $this->rows->unknown($r, 'No wall could be measured.');
        }

        return $this->rows->row($r, $unit->show($w->thinnest), $w->thinnest - $r->nominal, $unit->show($w->thinnest - $r->nominal), $w->thinnest >= $r->nominal - 1e-4,
            $unit->show($r->nominal - $w->thinnest) . ($what === 'wall' ? ' too thin' : ' too narrow'),
            $what === 'wall' ? 'The wall at the marked spot is ' . $unit->show($w->thinnest) . ' ' . $unit->word() . ' thick. It may not print.' : 'The gap at the marked spot is ' . $unit->show($w->thinnest) . ' ' . $unit->word() . ' wide. It may grow together in print.',
            ['kind' => 'spot', 'at' => $w->spot]);
    }

    private function overhang(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $s = $this->subject->part->solid;
        $degrees = isset($r->where['degrees']) ? $r->number('degrees') : 45.0;
        $longest = isset($r->where['bridge']) ? $r->number('bridge') : 0.0;
        $budget = $this->subject->part->budget;
        $area = Overhang::area($s, $degrees, $budget);
        $at = null;
        foreach (Bridges::of($s, $budget) as $b) {
            // what can be bridged hangs on both its ends
            if (! $b['free'] && $b['span'] <= $longest + Rows::SLACK) {
                $area -= $b['area'];
            } else {
                $at ??= $b['at'];
            }
        }
        $area = max(0.0, $area);

        return $this->rows->row($r, Requirement::area($area, $unit), $area - $r->nominal, '', $area <= $r->nominal + 0.01, 'Hangs over', Requirement::area($area, $unit) . ' look down at less than ' . Number::brief($degrees, 1) . '° to the level and need support. Would the part print on another side, or with slanting instead of level undersides?',
            ['kind' => 'spot', 'at' => $at ?? Overhang::spot($s, $degrees) ?? $this->subject->part->mass()->centroid]);
    }

    private function bridge(Requirement $r): Row
    {
        $unit = $this->subject->unit;
        $widest = null;
        foreach (Bridges::of($this->subject->part->solid, $this->subject->part->budget) as $b) {
            $widest = $widest === null || ($b['free'] ? INF : $b['span']) > ($widest['free'] ? INF : $widest['span']) ? $b : $widest;
        }
        if ($widest === null) {
            return $this->rows->row($r, 'none', null, '', true, '', '', null);
        }
        $place = ['kind' => 'spot', 'at' => $widest['at']];

        return $widest['free']
            ? $this->rows->row($r, 'hangs free', null, '', false, 'Hangs free', 'A level underside is held on one side only or not at all: no thread can be laid across it.', $place)
            : $this->rows->row($r, $unit->show($widest['span']), $widest['span'] - $r->nominal, $unit->show($widest['span'] - $r->nominal), $widest['span'] <= $r->nominal + Rows::SLACK, $unit->show($widest['span'] - $r->nominal) . ' too far', "A level underside is laid {$unit->show($widest['span'])} {$unit->word()} over air.", $place);
    }

    private function islands(Requirement $r): Row
    {
        $this->subject->part->spend(3);
        $spots = Islands::of($this->subject->part->solid);
        $n = count($spots);

        return $this->rows->row($r, (string) $n, (float) $n, (string) $n, $n === 0, $n === 1 ? '1 begins in the air' : "$n begin in the air", 'At the marked spot a layer begins with nothing below it, and would fall. Join it to what is below, or turn the part.', $n === 0 ? null : ['kind' => 'spot', 'at' => $spots[0]]);
    }

    private function tips(Requirement $r): Row
    {
        $this->subject->part->spend();
        $t = Tipping::of($this->subject->part);

        return $this->rows->row($r, Number::show($t->angle, 1) . '°', $t->angle - $r->nominal, '', $t->angle >= $r->nominal - 1e-6, $t->angle <= 0 ? 'Falls over' : 'Tips easily',
            $t->angle <= 0 ? 'The centre of mass is not above what the part stands on: it falls over.' : 'Leaned by ' . Number::show($t->angle, 1) . '° it falls over the marked side. A wider base or less height helps.', $t->over === null ? null : ['kind' => 'spot', 'at' => $t->over]);
    }

    private function hollow(Requirement $r): Row
    {
        $this->subject->part->spend(2);
        $spaces = HollowSpaces::of($this->subject->part->solid);
        $n = count($spaces);

        return $this->rows->row($r, (string) $n, (float) $n, (string) $n, $n === 0, $n === 1 ? '1 closed space' : "$n closed spaces", 'There is a closed space inside: ' . Requirement::volume($spaces[0]['volume'] ?? 0.0, $this->subject->unit) . '. Nothing comes out of it, support neither.', $n === 0 ? null : ['kind' => 'spot', 'at' => $spaces[0]['at']]);
    }

    private function edgeContact(Requirement $r): Row
    {
        $part = $this->subject->part;
        $touching = array_values(array_filter(Contacts::among($part->solid, Bodies::of($part->solid, $part->budget), 0.0, $part->budget), static fn (array $c): bool => $c[2]->seemsJoined()));
        $first = $touching[0][2] ?? null;

        return $this->rows->row($r, (string) count($touching), (float) count($touching), '', $first === null, 'Only touch', $first === null ? '' : 'Two pieces ' . $first->words($this->subject->unit) . ': they look joined and fall apart in print. Let them overlap more.', $first === null ? null : ['kind' => 'spot', 'at' => $first->from]);
    }
}
