<?php

declare(strict_types=1);

namespace Cubo\Drawing;

use Cubo\Check\Axes;
use Cubo\Check\Datum\Datum;
use Cubo\Check\Datum\Stretch;
use Cubo\Check\Exercise;
use Cubo\Check\Kind\Drawn;
use Cubo\Check\Requirement;
use Cubo\Measure\Bounds;

/** Decides in which view and on which side every asked size is written. */
final class DimensionPlan
{
    /** @return list<Dimension> */
    public static function of(Exercise $exercise, Bounds $b): array
    {
        $out = [];
        foreach ($exercise->asked() as $r) {
            array_push(
                $out,
                ...match ($r->kind->drawn()) {
                    Drawn::Overall => [self::size($r, $exercise, $b)],
                    Drawn::Step => [self::step($r, $exercise, $b)],
                    Drawn::Between => self::distance($r, $exercise, $b),
                    Drawn::Diameter => [self::diameter($r, $exercise, $b)],
                    Drawn::Place => self::place($r, $exercise, $b),
                    null => [],
                },
            );
        }

        return self::withoutRepeats($out);
    }

    /**
     * A size that several requirements share is written once, with all their letters (ISO 129-1:2018, 4.1: each
     * dimension appears only once).
     *
     * @param list<Dimension> $list
     * @return list<Dimension>
     */
    private static function withoutRepeats(array $list): array
    {
        $out = [];
        foreach ($list as $d) {
            foreach ($out as $i => $known) {
                if ($known->repeats($d)) {
                    $out[$i] = $known->joinedWith($d);

                    continue 2;
                }
            }
            $out[] = $d;
        }

        return $out;
    }

    private static function size(Requirement $r, Exercise $e, Bounds $b): Dimension
    {
        $text = $e->unit->brief($r->nominal);

        return match ($r->axis()) {
            0 => new Dimension(View::Front, 'below', [$b->min[0], $b->min[2]], [$b->max[0], $b->min[2]], [$r->letter], $text, [$r->id]),
            1 => new Dimension(View::Right, 'below', [$b->min[1], $b->min[2]], [$b->max[1], $b->min[2]], [$r->letter], $text, [$r->id]),
            default => new Dimension(View::Front, 'left', [$b->min[0], $b->min[2]], [$b->min[0], $b->max[2]], [$r->letter], $text, [
                $r->id,
            ]),
        };
    }

    private static function step(Requirement $r, Exercise $e, Bounds $b): Dimension
    {
        $text = $e->unit->brief($r->nominal);
        $axis = $r->axis();
        $to = $b->min[$axis] + $r->nominal;

        return match ($axis) {
            0 => new Dimension(View::Front, 'above', [$b->min[0], $b->max[2]], [$to, $b->max[2]], [$r->letter], $text, [$r->id]),
            1 => new Dimension(View::Right, 'above', [$b->min[1], $b->max[2]], [$to, $b->max[2]], [$r->letter], $text, [$r->id]),
            default => new Dimension(View::Right, 'right', [$b->max[1], $b->min[2]], [$b->max[1], $to], [$r->letter], $text, [$r->id]),
        };
    }

    /**
     * Only along an axis: what runs aslant has no true length in a view.
     *
     * @return list<Dimension>
     */
    private static function distance(Requirement $r, Exercise $e, Bounds $b): array
    {
        [$from, $to] = [Datum::fromWhere($r->where, 1), Datum::fromWhere($r->where, 2)];
        $s = $from === null || $to === null ? null : Stretch::between($from, $to);
        if ($s === null) {
            return [];
        }
        foreach (
            [[0, View::Front, 'above', 0, 2], [1, View::Right, 'above', 1, 2], [2, View::Front, 'right', 0, 2]]
            as [$axis, $view, $side, $i, $j]
        ) {
            if (abs($s->b[$axis] - $s->a[$axis]) > $s->length - 1e-6) {
                $at = static fn(array $p): array => [$b->min[$i] + $p[$i], $b->min[$j] + $p[$j]];

                return [new Dimension($view, $side, $at($s->a), $at($s->b), [$r->letter], $e->unit->brief($r->nominal), [$r->id])];
            }
        }

        return [];
    }

    /** @return array{View, array{float,float}, int, int} the view that shows the hole as a circle, its centre there, its axes */
    private static function centre(Requirement $r, Bounds $b): array
    {
        $axis = $r->axis();
        [$i, $j] = Axes::others($axis);

        return [[View::Right, View::Front, View::Top][$axis], [$b->min[$i] + $r->number('u'), $b->min[$j] + $r->number('v')], $i, $j];
    }

    private static function diameter(Requirement $r, Exercise $e, Bounds $b): Dimension
    {
        [$view, $c] = self::centre($r, $b);

        return new Dimension($view, 'leader', $c, $c, [$r->letter], '⌀' . $e->unit->brief($r->nominal), [$r->id], $r->nominal / 2);
    }

    /** @return list<Dimension> */
    private static function place(Requirement $r, Exercise $e, Bounds $b): array
    {
        [$view, $c, $i, $j] = self::centre($r, $b);
        $up = $view === View::Top ? 'left' : 'right';

        return [
            new Dimension($view, 'above', [$b->min[$i], $c[1]], $c, [$r->letter], $e->unit->brief($r->number('u')), [$r->id]),
            new Dimension($view, $up, [$c[0], $b->min[$j]], $c, [$r->letter], $e->unit->brief($r->number('v')), [$r->id]),
        ];
    }
}
