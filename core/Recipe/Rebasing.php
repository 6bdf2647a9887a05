<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Angle;
use Cubo\Geometry\Transform;
use Cubo\Quantity\Expression;
use Cubo\Quantity\Number;
use Cubo\Quantity\UnreadableExpression;

/**
 * When a sketch moves to another plane, what was built on the faces made of it turns with it. Places on a face are seen
 * level, so a face that turns over with its part is seen from another side: sketches, holes and letters on it get the
 * turn that puts them back where they were on the part.
 */
final class Rebasing
{
    /**
     * @param Recipe $before with the sketch on its old plane
     * @param Recipe $after with the sketch on its new plane and nothing else changed
     * @param callable(Recipe): PartState $evaluate
     */
    public static function follow(Recipe $before, Recipe $after, string $sketch, callable $evaluate): Recipe
    {
        $was = self::place($before, $sketch, $evaluate);
        $is = self::place($after, $sketch, $evaluate);
        if ($was === null || $is === null) {
            return $after;
        }
        $with = [$sketch => true];
        $reliance = new Reliance($before);
        foreach ($before->steps as $s) {
            if (array_filter($reliance->of($s->id), static fn(string $id): bool => isset($with[$id])) === []) {
                continue;
            }
            $with[$s->id] = true;
            $key = $s->kind->framedBy();
            if ($key === null || !$s->uses($key) || !isset($with[explode(':', $s->text($key))[0]])) {
                continue;
            }
            $old = FacePlane::placement(self::partBefore($before, $s->id, $evaluate)->part(), $s->text($key));
            $new = FacePlane::placement(self::partBefore($after, $s->id, $evaluate)->part(), $s->text($key));
            if ($old !== null && $new !== null) {
                $after = $after->withStep(
                    $s->kind->stands()
                        ? self::stoodAnew($s, $old, $new, $was, $is, $after)
                        : self::turned($s, $old, $new, $was, $is, $after),
                );
            }
        }

        return $after;
    }

    /**
     * Whether a sketch lies anywhere: not so while its face is still to be picked.
     *
     * @param callable(Recipe): PartState $evaluate
     */
    public static function lies(Recipe $recipe, string $sketch, callable $evaluate): bool
    {
        return self::place($recipe, $sketch, $evaluate) !== null;
    }

    /** @param callable(Recipe): PartState $evaluate */
    private static function place(Recipe $recipe, string $id, callable $evaluate): ?Transform
    {
        $step = $recipe->step($id);
        try {
            return $step === null
                ? null
                : SketchPlacement::of(
                    $step,
                    self::partBefore($recipe, $id, $evaluate)->part(),
                    new StepValues($step, $recipe->unit, $recipe->named()),
                );
        } catch (StepProblem) {
            return null;
        }
    }

    /** @param callable(Recipe): PartState $evaluate */
    private static function partBefore(Recipe $recipe, string $id, callable $evaluate): PartState
    {
        return $evaluate($recipe->before($id));
    }

    /**
     * A ready solid on a face that is seen turned by quarter turns now: what it was aligned with to the right it is aligned
     * with upward, and so on. Placed by a corner, or at another angle, it keeps what is typed.
     */
    private static function stoodAnew(Step $s, Transform $old, Transform $new, Transform $was, Transform $is, Recipe $recipe): Step
    {
        $carried = static fn(array $p): array => $new->local($is->point($was->local($p)));
        [$u0, $v0] = $carried($old->t);
        [$u1, $v1] = $carried($old->point([1.0, 0.0, 0.0]));
        $quarters = rad2deg(atan2($v1 - $v0, $u1 - $u0)) / 90;
        $apart = hypot($u0, $v0) > 1e-9 && in_array('origin', [$s->text('alignx'), $s->text('aligny')], true);
        if (abs($quarters - round($quarters)) > 1e-9 || $apart || $s->text('from') === 'corner') {
            return $s;
        }
        $turns = (((int) round($quarters) % 4) + 4) % 4;
        $other = static fn(string $a): string => ['low' => 'high', 'high' => 'low'][$a] ?? $a;
        for ($i = 0; $i < $turns; $i++) {
            $s = $s
                ->with('alignx', $other($s->text('aligny')))
                ->with('aligny', $s->text('alignx'))
                ->with('x', self::sum([[-1.0, $s->text('y')]], 0.0, $recipe))
                ->with('y', $s->text('x'));
        }
        try {
            $facing = Expression::number($s->text('facing'), $recipe->named());
        } catch (UnreadableExpression) {
            return $s;
        }

        return $turns === 0 ? $s : $s->with('facing', Number::typed(self::within($facing + 90 * $turns)));
    }

    private static function turned(Step $s, Transform $old, Transform $new, Transform $was, Transform $is, Recipe $recipe): Step
    {
        // where the face's old frame has gone with the part, seen in its new frame
        $carried = static fn(array $p): array => $new->local($is->point($was->local($p)));
        [$u0, $v0] = $carried($old->t);
        [$u1, $v1] = $carried($old->point([1.0, 0.0, 0.0]));
        $angle = rad2deg(atan2($v1 - $v0, $u1 - $u0));
        if (abs($angle) < 1e-9 && hypot($u0, $v0) < 1e-9) {
            return $s;
        }
        [$c, $d] = Angle::cosSin($angle);
        [$u, $v] = [$s->text('u'), $s->text('v')];
        $s = $s->with('u', self::sum([[$c, $u], [-$d, $v]], $u0, $recipe))->with('v', self::sum([[$d, $u], [$c, $v]], $v0, $recipe));
        $key = $s->kind->turnedInFrameBy();
        if ($key === null) {
            return $s;
        }
        try {
            $turn = Expression::number($s->text($key), $recipe->named());
        } catch (UnreadableExpression) {
            return $s;
        }

        return $s->with($key, Number::typed(self::within($turn + $angle)));
    }

    /** The same angle between -180 (left out) and 180 degrees. */
    private static function within(float $degrees): float
    {
        $degrees = round(fmod($degrees, 360.0), 9);

        return match (true) {
            $degrees > 180 => $degrees - 360,
            $degrees <= -180 => $degrees + 360,
            default => $degrees,
        };
    }

    /**
     * What was typed is kept where a quarter turn allows it; otherwise it becomes a number.
     *
     * @param list<array{float, string}> $terms factors and typed lengths
     */
    private static function sum(array $terms, float $shift, Recipe $recipe): string
    {
        $kept = array_values(array_filter($terms, static fn(array $t): bool => abs($t[0]) > 1e-9));
        if (count($kept) === 1 && abs(abs($kept[0][0]) - 1) < 1e-9 && abs($shift) < 1e-9) {
            [$factor, $typed] = $kept[0];
            $typed = trim($typed);
            if ($factor > 0 || $typed === '0' || $typed === '') {
                return $typed === '' ? '0' : $typed;
            }
            // the minus that an earlier turn put there
            if (preg_match('/^-(\((?:[^()]|(?1))*\))$/', $typed, $m)) {
                return substr($m[1], 1, -1);
            }
            if (str_starts_with($typed, '-') && preg_match('/^-\s*[\w.\/" ]+$/', $typed)) {
                return ltrim(substr($typed, 1));
            }

            return preg_match('/^[\w.\/" ]+$/', $typed) ? "-$typed" : "-($typed)";
        }
        $mm = $shift;
        foreach ($kept as [$factor, $typed]) {
            try {
                $mm += $factor * Expression::length($typed === '' ? '0' : $typed, $recipe->unit, $recipe->named());
            } catch (UnreadableExpression) {
                return $typed;
            }
        }

        return Number::typed($mm / $recipe->unit->inMillimetres());
    }
}
