<?php

declare(strict_types=1);

namespace Cubo\Recipe\Arrange;

use Closure;
use Cubo\Quantity\Number;
use Cubo\Recipe\Editing;
use Cubo\Recipe\FacePlane;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;

/** Copies of what one step makes, as a step that repeats it and whose numbers can be changed. */
final class Copies
{
    /**
     * One more of it: the first time in a row with a gap of half its width, after that one more in the repeat there is.
     *
     * @param Closure(Recipe): PartState $evaluate
     */
    public static function oneMore(Recipe $r, string $id, Closure $evaluate): Recipe
    {
        foreach (array_reverse($r->steps) as $s) {
            if ($s->kind->has('count') && $s->text('of') === 'step' && in_array($id, [$s->text('source'), $s->id], true)) {
                return ctype_digit($s->text('count')) && (int) $s->text('count') < 50
                    ? $r->withStep($s->with('count', (string) ((int) $s->text('count') + 1)))
                    : $r;
            }
        }
        $box = Aligning::box($r, $id, $evaluate);
        $by = $box === null ? 20.0 * $r->unit->inMillimetres() : 1.5 * ($box[3] - $box[0]);

        return self::repeat($r, $id, [
            'way' => 'row',
            'count' => '2',
            'x' => Number::typed($by / $r->unit->inMillimetres(), 3),
            'y' => '0',
            'z' => '0',
        ]);
    }

    /**
     * So many evenly around the upright through the middle of what it stands on; on the ground, through the origin.
     *
     * @param Closure(Recipe): PartState $evaluate
     */
    public static function around(Recipe $r, string $id, int $count, Closure $evaluate): Recipe
    {
        $middle = [0.0, 0.0];
        $step = $r->step($id);
        if ($step !== null && $step->text('stand') === 'face') {
            $part = $evaluate($r->before($id))->part();
            $plane = FacePlane::placement($part, $step->text('on'));
            if ($plane !== null) {
                [$u, $v] = FacePlane::extent($part, $step->text('on'), $plane);
                $p = $plane->point([($u[0] + $u[1]) / 2, ($v[0] + $v[1]) / 2, 0.0]);
                $middle = [$p[0], $p[1]];
            }
        }
        [$x, $y] = array_map(static fn(float $mm): string => Number::typed($mm / $r->unit->inMillimetres()), $middle);

        return self::repeat($r, $id, [
            'way' => 'around',
            'count' => (string) max(2, min(50, $count)),
            'about' => 'z',
            'angle' => '360',
            'x' => $x,
            'y' => $y,
            'z' => '0',
        ]);
    }

    /** @param array<string, string> $values */
    private static function repeat(Recipe $r, string $id, array $values): Recipe
    {
        $source = $r->step($id);
        if ($source === null || !$source->kind->makes()) {
            return $r;
        }
        $added = Editing::add($r, Kinds::of('repeat'), $id);
        $new = array_values(array_diff(array_column($added->steps, 'id'), array_column($r->steps, 'id')))[0] ?? null;
        $step = $new === null ? null : $added->step($new);
        if ($step === null) {
            return $r;
        }
        foreach (['of' => 'step', 'source' => $id] + $values as $key => $v) {
            $step = $step->with($key, $v);
        }

        return $added->withStep($step->named(mb_substr("Copies of {$source->name}", 0, 60)));
    }
}
