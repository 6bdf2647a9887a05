<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Budget\OverBudget;
use Cubo\Measure\Bodies;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepKind;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** What a step that works might still not be meant to do. */
final class Warnings
{
    /** A skin thinner than this, mm, or than this share of the depth, is taken for one that was not meant. */
    private const SKIN = 1.0;

    private const SHARE = 0.1;

    /** @param Solid $before the part before the step */
    public static function of(Solid $before, Solid $after, Task $t): ?Message
    {
        if ($before->isEmpty()) {
            return null;
        }

        try {
            return self::skin($after, $t) ?? self::apart($before, $after, $t);
        } catch (OverBudget) {
            // only a hint: where looking for it would cost too much, there is none
            return null;
        }
    }

    /** A cut that stops just short of going through. */
    private static function skin(Solid $after, Task $t): ?Message
    {
        $extrude = $t->step->kind === StepKind::Extrude && $t->text('effect') === 'cut' && $t->text('extent') === 'distance';
        $hole = $t->step->kind === StepKind::Hole && $t->text('extent') === 'depth';
        $bottom = $hole ? ($t->text('bottom') === 'flat' ? 'bottom' : 'point') : 'end';
        if (! $extrude && ! $hole || ! self::has($after, $t->step->id, $extrude && $t->text('direction') === 'down' ? 'start' : $bottom)) {
            return null;
        }
        try {
            $sign = $t->text('direction') === 'down' ? -1.0 : 1.0;
            $place = $hole && $t->text('where') === 'face' ? $t->flatFace('face') : $t->sketch()->placement;
            if ($hole) {
                $sign = $t->text('where') === 'face' ? -1.0 : $sign;
                $depth = $t->number('depth');
            } else {
                $depth = $t->number('distance') + $t->number('start');
            }
            [$low, $high] = $t->heights($place);
        } catch (StepProblem) {
            return null;
        }
        $left = ($sign > 0 ? $high : -$low) - $depth;
        if ($left < 1e-6 || $left > max(self::SKIN, self::SHARE * $depth)) {
            return null;
        }

        return new Message('skin-left', 'This does not go through.', $t->unit->brief($left) . " {$t->unit->value} is left. " . ($hole ? '“through” keeps it through' : '“through everything” keeps it through') . ' whatever the part’s thickness is.', 'extent', true, ['words' => 'Make it go through', 'values' => ['extent' => 'through']]);
    }

    private static function has(Solid $s, string $id, string $role): bool
    {
        foreach ($s->surfaces as $surface) {
            if ($surface->name === "$id:$role" || str_starts_with($surface->name, "$id:$role ")) {
                return true;
            }
        }

        return false;
    }

    /** Something that is added and does not touch the part, or only along an edge or in a point. */
    private static function apart(Solid $before, Solid $after, Task $t): ?Message
    {
        $adds = $t->text('effect') === 'add' && $t->text('of') !== 'step';
        if (! $adds || count($bodies = Bodies::of($after)) <= count(Bodies::of($before))) {
            return null;
        }
        foreach (self::boxesMeet($after, $bodies) ? Bodies::contacts($after, $t->budget, 0.0) : [] as [$i, $j, , $how]) {
            if ($how !== 'apart' && (self::ofStep($after, $bodies[$i], $t->step->id) || self::ofStep($after, $bodies[$j], $t->step->id))) {
                return new Message('touches-edge', $how === 'edge' ? 'This only touches along an edge.' : 'This only touches in a point.', 'Both look joined, but nothing holds them together: there is one piece more now. Let it overlap the part or share a face with it.', null, true);
            }
        }

        return new Message('stands-apart', 'This stands clear of the part.', 'It does not touch the part anywhere, so there is one piece more now. If that is meant, all is well.', null, true);
    }

    /** @param list<int> $triangles */
    private static function ofStep(Solid $s, array $triangles, string $id): bool
    {
        foreach ($triangles as $f) {
            if (str_starts_with($s->surfaceOfTriangle($f)->name, "$id:")) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether the boxes around any two bodies touch.
     *
     * @param list<list<int>> $bodies
     */
    private static function boxesMeet(Solid $s, array $bodies): bool
    {
        $boxes = [];
        foreach ($bodies as $triangles) {
            $lo = [INF, INF, INF];
            $hi = [-INF, -INF, -INF];
            foreach ($triangles as $f) {
                for ($h = 3 * $f; $h < 3 * $f + 3; $h++) {
                    $v = $s->start[$h];
                    foreach ([$s->x[$v], $s->y[$v], $s->z[$v]] as $k => $c) {
                        $lo[$k] = min($lo[$k], $c);
                        $hi[$k] = max($hi[$k], $c);
                    }
                }
            }
            foreach ($boxes as [$l, $h]) {
                if (max($l[0] - $hi[0], $lo[0] - $h[0], $l[1] - $hi[1], $lo[1] - $h[1], $l[2] - $hi[2], $lo[2] - $h[2]) < 1e-6) {
                    return true;
                }
            }
            $boxes[] = [$lo, $hi];
        }

        return false;
    }
}
