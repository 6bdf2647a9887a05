<?php

declare(strict_types=1);

namespace Cubo\Recipe\Arrange;

use Closure;
use Cubo\Quantity\Number;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepProblem;

/** A step's place moved by a way in space, and a shape turned about its middle: what is typed stays and gets a sum. */
final class Nudging
{
    /**
     * @param array{float,float,float} $by mm to the right, to the back and up
     * @param Closure(Recipe): PartState $evaluate
     */
    public static function by(Recipe $r, string $id, array $by, Closure $evaluate): Recipe
    {
        $step = $r->step($id);
        if ($step === null || !$step->kind->isPushed()) {
            return $r;
        }
        $along = ['x' => $by[0], 'y' => $by[1], 'z' => $by[2]];
        if ($step->text('stand') === 'face') {
            try {
                $plane = Task::inLog($r, $step, $evaluate)->flatFace('on');
            } catch (StepProblem) {
                return $r;
            }
            // along the face and out of it
            [$u, $v, $w] = $plane->local([$plane->t[0] + $by[0], $plane->t[1] + $by[1], $plane->t[2] + $by[2]]);
            $along = ['x' => $u, 'y' => $v, 'sink' => -$w];
        }
        foreach ($along as $key => $mm) {
            if (abs($mm) > 1e-9) {
                $step = $step->with($key, self::sum($step->text($key), $mm / $r->unit->inMillimetres()));
            }
        }

        return $r->withStep($step);
    }

    /**
     * Lets a shape stand at a corner, the middle of an edge or of a flat face, with the middle of its base.
     *
     * @param string $at name of what is there before the shape
     * @param Closure(Recipe): PartState $evaluate
     *
     * @throws StepProblem when it is not
     */
    public static function to(Recipe $r, string $id, string $at, Closure $evaluate): Recipe
    {
        $step = $r->step($id);
        if ($step === null || !$step->kind->has('at')) {
            return $r;
        }
        foreach (
            ['stand' => 'point', 'at' => $at, 'x' => '0', 'y' => '0', 'z' => '0', 'alignx' => 'origin', 'aligny' => 'origin']
            as $key => $v
        ) {
            $step = $step->with($key, $v);
        }
        try {
            Task::inLog($r, $step, $evaluate)->spot('at');
        } catch (StepProblem) {
            throw new StepProblem(
                new Message(
                    'no-spot',
                    "{$step->name} cannot be put there.",
                    'What you picked is its own, round, or made by a step that comes later in the log. Pick a corner, an edge or a flat face that is there before it.',
                    'at',
                ),
            );
        }

        return $r->withStep($step);
    }

    /** @param float $degrees about the upright, counter-clockwise from above */
    public static function turn(Recipe $r, string $id, float $degrees): Recipe
    {
        $step = $r->step($id);
        $key = $step?->kind->turnsBy();
        if ($step === null || $key === null) {
            return $r;
        }
        $typed = self::sum($step->text($key), $degrees);

        return $r->withStep($step->with($key, is_numeric($typed) ? Number::typed(fmod((float) $typed, 360.0)) : $typed));
    }

    /** What is typed with something added: a plain number becomes the sum, anything else keeps standing there. */
    public static function sum(string $typed, float $by): string
    {
        $typed = trim($typed);
        // what an earlier nudge added is added to
        if (preg_match('/^(.*\S) ([+-]) (\d+(?:\.\d+)?)$/', $typed, $m) && !is_numeric($m[1])) {
            [$typed, $by] = [$m[1], $by + ($m[2] === '-' ? -1.0 : 1.0) * (float) $m[3]];
        }
        $by = round($by, 9);
        if (preg_match('/^-?\d+(\.\d+)?$/', $typed)) {
            return Number::typed((float) $typed + $by, 9);
        }

        return $by == 0.0 ? $typed : $typed . ($by < 0 ? ' - ' : ' + ') . Number::typed(abs($by), 9);
    }
}
