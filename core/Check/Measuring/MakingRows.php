<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Checker;
use Cubo\Check\Making\Making;
use Cubo\Check\Making\WhatIf;
use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Check\Subject;
use Cubo\Measure\PartMeasures;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\SketchNotes;
use Cubo\Recipe\Step;

/** How a part was made, where the exercise asks it. */
final readonly class MakingRows
{
    /** What must still hold after a size was changed. */
    private const STILL = [RequirementKind::HoleDepth, RequirementKind::Symmetry, RequirementKind::Rotation, RequirementKind::Bodies, RequirementKind::Closed, RequirementKind::Standing, RequirementKind::HoleCount];

    public function __construct(private Subject $subject, private Rows $rows) {}

    public function row(Requirement $r): Row
    {
        $making = $this->subject->making;
        if ($making === null) {
            return $this->rows->unknown($r, 'A file does not tell how it was made.');
        }
        $steps = self::steps($making->recipe);

        return match ($r->kind) {
            RequirementKind::StepUsed => $this->used($r, $steps),
            RequirementKind::StepAvoided => $this->avoided($r, $steps),
            RequirementKind::StepsMost => $this->most($r, $steps),
            RequirementKind::SketchesSettled => $this->settled($r, $making->recipe, $steps),
            RequirementKind::SketchTied => $this->tied($r, $making->recipe, $steps),
            RequirementKind::WhatIf => $this->whatIf($r, $making),
            RequirementKind::TwoWays => (new TwoWays($this->subject, $this->rows))->row($r, $making),
            default => throw new \LogicException("{$r->kind->value} is not about making."),
        };
    }

    /** @return list<Step> steps that are switched on, those of groups included */
    private static function steps(Recipe $recipe): array
    {
        $out = array_values(array_filter($recipe->steps, static fn (Step $s): bool => ! $s->off));
        foreach ($recipe->groups as $g) {
            array_push($out, ...self::steps($g->recipe));
        }

        return $out;
    }

    /** @param list<Step> $steps */
    private function used(Requirement $r, array $steps): Row
    {
        $n = self::count($r, $steps);
        $least = max(1, (int) $r->nominal);

        return $this->rows->row($r, (string) $n, (float) ($n - $least), '', $n >= $least, $n === 0 ? 'Not used' : "Used $n times", 'The exercise asks to make it with a ' . self::word($r) . ' step' . ($least > 1 ? ", at least $least times" : '') . '.', null);
    }

    /** @param list<Step> $steps */
    private function avoided(Requirement $r, array $steps): Row
    {
        $n = self::count($r, $steps);

        return $this->rows->row($r, (string) $n, (float) $n, '', $n === 0, 'Used', 'The exercise asks to make it without a ' . self::word($r) . ' step.', null);
    }

    /** @param list<Step> $steps */
    private static function count(Requirement $r, array $steps): int
    {
        return count(array_filter($steps, static fn (Step $s): bool => $s->kind->id() === ($r->where['step'] ?? '')));
    }

    private static function word(Requirement $r): string
    {
        return '“' . (Kinds::find((string) $r->where['step'])?->label() ?? (string) $r->where['step']) . '”';
    }

    /** @param list<Step> $steps */
    private function most(Requirement $r, array $steps): Row
    {
        $n = count($steps);

        return $this->rows->row($r, (string) $n, $n - $r->nominal, (string) ($n - (int) $r->nominal), $n <= $r->nominal, ($n - (int) $r->nominal) . ' too many', "The part has $n steps; at most " . (int) $r->nominal . ' are asked. Can a mirror or a repeat take the place of some?', null);
    }

    /** @param list<Step> $steps */
    private function settled(Requirement $r, Recipe $recipe, array $steps): Row
    {
        $free = array_values(array_filter($steps, static fn (Step $s): bool => array_filter(SketchNotes::of($recipe, $s), static fn ($m): bool => $m->code === 'free') !== []));

        return $this->rows->row($r, $free === [] ? 'settled' : count($free) . ' not', (float) count($free), '', $free === [], 'Left free', 'The sketch “' . ($free[0]->name ?? '') . '” can still move: what is not dimensioned shifts when other sizes change.', null);
    }

    /** @param list<Step> $steps */
    private function tied(Requirement $r, Recipe $recipe, array $steps): Row
    {
        $loose = false;
        $any = false;
        foreach ($steps as $s) {
            if ($s->kind->draws()) {
                $any = true;
                $loose = array_filter(SketchNotes::of($recipe, $s), static fn ($m): bool => $m->code === 'not-tied') !== [];

                break;
            }
        }
        if (! $any) {
            return $this->rows->missing($r, 'There is no sketch.');
        }

        return $this->rows->row($r, $loose ? 'loose' : 'tied', null, '', ! $loose, 'Tied to nothing', 'Nothing ties the first sketch to the origin. Put a point of it there, or give its distance from there.', null);
    }

    private function whatIf(Requirement $r, Making $making): Row
    {
        $change = WhatIf::in($making->recipe, (string) $r->where['size'], (string) $r->where['becomes'], (string) ($r->where['was'] ?? ''));
        if (is_string($change)) {
            return $this->rows->unknown($r, $change);
        }
        $state = $making->made($change, $this->subject->part->budget);
        if (! $state->isSound()) {
            foreach ($state->results as $result) {
                foreach ($result->messages as $m) {
                    if (! $m->warning) {
                        return $this->rows->row($r, 'breaks', null, '', false, 'Breaks', "With {$r->where['size']} = {$r->where['becomes']} a step no longer works: {$m->what}", null);
                    }
                }
            }

            return $this->rows->row($r, 'breaks', null, '', false, 'Breaks', "With {$r->where['size']} = {$r->where['becomes']} the part is no longer made.", null);
        }
        $still = array_values(array_filter($this->subject->exercise->asked(), static fn (Requirement $q): bool => in_array($q->kind, self::STILL, true) && ($q->kind !== RequirementKind::HoleDepth || $q->goesThrough())));
        $after = Checker::rows(new Subject(new PartMeasures($state->part(), $this->subject->part->budget), $this->subject->exercise), $still);
        foreach ($after as $row) {
            if ($row->status !== 'met') {
                return $this->rows->row($r, "{$row->letter} fails", null, '', false, 'Does not hold', "With {$r->where['size']} = {$r->where['becomes']}, “{$row->label}” is no longer met: {$row->diagnosis}", $row->place);
            }
        }

        return $this->rows->row($r, 'holds', null, '', true, '', '', null);
    }
}
