<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Face;

use Cubo\Budget\OverBudget;
use Cubo\Recipe\Kind\Changes;
use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Need;
use Cubo\Recipe\Make\Joining;
use Cubo\Recipe\Make\Picked;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Words\Words;

/** Work on picked faces and edges of the part, by one size; body by body where bodies stay apart, each by what is picked of it. */
abstract class OnPicked extends Kind implements Changes
{
    /** of the largest size that seems to fit, in the order in which they are tried */
    private const SHARES = [1.0, 0.8, 0.5];

    /** mm or degrees: nobody is offered less */
    private const LEAST_OFFER = 0.05;

    /** degrees: what is offered is rounded down to this */
    private const DEGREES_STEP = 0.01;

    /** A largest size that is a whole number of steps but for rounding counts as that. */
    private const ROUNDING = 1e-9;

    /** Work limit for trying an offer. */
    private const MOST_WORK = 400_000;

    private const OF_EDGES = ['no-edge', 'edge-shape', 'tangent-edge', 'too-sharp'];

    private const OF_FACES = ['no-face', 'not-flat', 'parallel-face', 'free-face'];

    /** The key of the size it is done by. */
    abstract protected function by(): string;

    /**
     * The part by the size that is asked for.
     *
     * @throws Refused
     * @throws StepProblem
     */
    abstract protected function done(Task $t, float $size): Solid;

    /** Whether the size is an angle. */
    protected function isAngle(): bool
    {
        return false;
    }

    /** Whether nothing picked means all of it. */
    protected function meansAll(): bool
    {
        return false;
    }

    final public function family(): Family
    {
        return Family::Face;
    }

    final public function needs(): Need
    {
        return Need::Part;
    }

    final public function change(Task $t): Solid
    {
        $t->needsPart();
        if (!$t->apart || count($bodies = Joining::bodies($t->part)) === 1) {
            return $this->changed($t);
        }
        $out = [];
        $meant = false;
        foreach ($bodies as $body) {
            [$step, $of, $all] = Picked::ofBody($t->step, $body);
            $concerns = $of > 0 || ($all === 0 && $this->meansAll());
            $meant = $meant || $concerns;
            $out[] = $concerns ? $this->changed($t->on($body)->for($step)) : $body;
        }

        // what is picked of no body says so for the whole part
        return $meant ? Joining::beside($out) : $this->changed($t);
    }

    /** @throws StepProblem */
    private function changed(Task $t): Solid
    {
        $size = $t->number($this->by());
        try {
            return $this->done($t, $size);
        } catch (Refused $r) {
            $one = count($t->step->names('faces')) === 1 ? Words::maybe("steps/{$this->id()}.refused-one") : null;
            $field = match (true) {
                in_array($r->reason, self::OF_EDGES, true) => 'edges',
                in_array($r->reason, self::OF_FACES, true) => 'faces',
                default => $this->by(),
            };
            throw $t->refused($this->offering($t, $r, $size), $one ?? Words::of("steps/{$this->id()}.refused"), $field, $this->isAngle());
        }
    }

    /** The refusal with a size that was tried and works, as it will be shown, or without one. */
    private function offering(Task $t, Refused $r, float $size): Refused
    {
        $step = $this->isAngle() ? self::DEGREES_STEP : $t->unit->inMillimetres() / 10 ** $t->unit->decimals();
        foreach ($r->largest === null ? [] : self::SHARES as $share) {
            $offer = floor(($share * $r->largest) / $step + self::ROUNDING) * $step;
            if ($offer < self::LEAST_OFFER) {
                break;
            }
            try {
                $t->budget->within(self::MOST_WORK, fn(): Solid => $this->done($t, $size < 0 ? -$offer : $offer));

                return new Refused($r->reason, $r->getMessage(), $offer);
            } catch (Refused | OverBudget) {
                // a smaller one may do
            }
        }

        return new Refused($r->reason, $r->getMessage());
    }
}
