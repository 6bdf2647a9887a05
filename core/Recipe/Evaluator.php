<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Making;
use Cubo\Recipe\Make\StepBudget;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Make\Warnings;
use Cubo\Sketch\Sketch;
use Cubo\Solid\Solid;

/**
 * Makes the part a recipe describes. A pure function of the recipe: each step's solid is cached under a hash of the
 * solid before it and all the step depends on, so an edit recomputes only what follows from it. A step that cannot be
 * done keeps the part as it was before, says why, and lets the steps after it go on.
 */
final class Evaluator
{
    /** Raise when the meaning of any step changes, so that no old solid is found. */
    private const VERSION = '14';

    /** Reading a sketch that costs more units than this is kept, so that opening it again is quick. */
    private const WORTH_KEEPING = 5000;

    /** Units that reading a sketch counts for in a group that is placed. */
    private const SKETCH = 3000;

    /** Units that any step of a group counts for at least. */
    private const LEAST = 300;

    /**
     * @param float $until the moment, as microtime(true) gives it, up to which somebody waits; steps that are not worked out
     *     by then are left for another time
     */
    public function __construct(private readonly SolidCache $cache = new MemoryCache(), private readonly float $until = INF) {}

    public function evaluate(Recipe $recipe): PartState
    {
        return $this->run($recipe, null);
    }

    /** @param Budget|null $charge pays for all that the recipe costs, also for what is kept of it: else it would depend on that */
    private function run(Recipe $recipe, ?Budget $charge): PartState
    {
        $making = new Making($this->whole(...));
        $part = new Solid();
        // the solid itself is only read from the cache when a later step must be computed, or at the end
        $behind = false;
        $key = $nothing = sha1(self::VERSION);
        $named = $recipe->named();
        $results = $sketches = [];
        $waiting = false;
        foreach ($recipe->steps as $step) {
            if ($step->off) {
                $results[$step->id] = new StepResult($step->id, StepStatus::Off);

                continue;
            }
            if ($waiting) {
                $results[$step->id] = new StepResult($step->id, StepStatus::Waiting);

                continue;
            }
            $began = microtime(true);
            $next = '';
            $charge?->spend($step->kind->draws() ? self::SKETCH : self::LEAST);
            $budget = null;
            try {
                if ($step->kind->draws()) {
                    $drawn = $step->drawn();
                    $onPart = $step->text('plane') === 'face' || EdgesTakenOver::any($drawn);
                    if ($behind && $onPart) {
                        $part = $this->cache->get($key) ?? $this->anew($recipe, $step->id);
                        $behind = false;
                    }
                    $next = sha1(
                        'sketch' .
                            json_encode([
                                self::VERSION,
                                $onPart ? $key : '',
                                $step->id,
                                $step->values,
                                $recipe->unit->value,
                                $recipe->sizes,
                            ]),
                    );
                    [$sketches[$step->id], $notes] = $this->read($next, $step, $drawn, $recipe, $part, $named);
                    $results[$step->id] = new StepResult($step->id, StepStatus::Done, $notes, $sketches[$step->id]->areas->regions);

                    continue;
                }
                $next = sha1($key . json_encode($this->dependsOn($step, $recipe, $sketches, $named)));
                $known = $this->cache->problem($next);
                if ($known !== null && !$known->warning) {
                    throw new StepProblem($known);
                }
                if ($this->cache->has($next)) {
                    $behind = true;
                } else {
                    if ($behind) {
                        $part = $this->cache->get($key) ?? $this->anew($recipe, $step->id);
                        $behind = false;
                    }
                    $before = $part;
                    $began = microtime(true);
                    $budget = StepBudget::fresh($this->until);
                    $part = $this->worked(
                        $next,
                        $step,
                        fn(): Solid => $making->of(
                            Task::of($recipe, $step, $before, $sketches, $this->inside($budget), $named, $budget),
                            $recipe,
                        ),
                    );
                    $this->cache->put($next, $part);
                    $known = Warnings::of(
                        $before,
                        $part,
                        Task::of($recipe, $step, $before, $sketches, $this->whole(...), $named, StepBudget::aside()),
                    );
                    if ($known !== null) {
                        $this->cache->putProblem($next, $known);
                    }
                }
                $key = $next;
                $results[$step->id] = new StepResult($step->id, StepStatus::Done, $known === null ? [] : [$known]);
            } catch (StepProblem $p) {
                $results[$step->id] = new StepResult($step->id, StepStatus::Failed, [$p->note]);
            } catch (OverBudget $e) {
                if ($e->limit === Limit::Time && !StepBudget::hadAllTime($began)) {
                    $waiting = true;
                    $results[$step->id] = new StepResult($step->id, StepStatus::Waiting);

                    continue;
                }
                $problem = StepBudget::problem($step, $e)->note;
                $this->cache->putProblem($next, $problem);
                $results[$step->id] = new StepResult($step->id, StepStatus::Failed, [$problem]);
            }
            if ($budget !== null && $budget->spent() > self::LEAST) {
                $this->cache->putCost($next, $budget->spent());
            }
            $charge?->spend($this->cache->cost($next));
        }

        return new PartState(
            $behind ? fn(): Solid => $this->cache->get($key) ?? $this->anew($recipe, null) : $part,
            $key === $nothing,
            $results,
            $key,
            $sketches,
        );
    }

    /**
     * The same of another recipe, all of it.
     *
     * @throws OverBudget when nobody waits that long
     */
    private function whole(Recipe $recipe): PartState
    {
        $state = $this->evaluate($recipe);

        return $state->isFinished() ? $state : throw new OverBudget(Limit::Time);
    }

    /**
     * For the groups that a step places: what they cost is the step's own cost.
     *
     * @return Closure(Recipe): PartState
     */
    private function inside(Budget $budget): Closure
    {
        $within = new self($this->cache, min($this->until, microtime(true) + StepBudget::LAST_GUARD));

        return static function (Recipe $recipe) use ($within, $budget): PartState {
            $state = $within->run($recipe, $budget);

            return $state->isFinished() ? $state : throw new OverBudget(Limit::Time);
        };
    }

    /**
     * What work on a step gives; what comes of it is kept, a problem too.
     *
     * @param Closure(): Solid $work
     *
     * @throws StepProblem
     * @throws OverBudget
     */
    private function worked(string $key, Step $step, Closure $work): Solid
    {
        $attempt = $this->cache->begin($key);
        if ($attempt === Attempt::Fatal) {
            $problem = StepBudget::problem($step, new OverBudget(Limit::Memory));
            $this->cache->putProblem($key, $problem->note);
            throw $problem;
        }
        if ($attempt === Attempt::Elsewhere && $this->until < INF) {
            throw new OverBudget(Limit::Time);
        }
        try {
            return $work();
        } catch (StepProblem $p) {
            // what took too long in a busy moment may not the next time
            if ($p->note->code !== StepProblem::TOO_LONG) {
                $this->cache->putProblem($key, $p->note);
            }
            throw $p;
        } finally {
            $this->cache->end($key);
        }
    }

    /**
     * @return array{PlacedSketch, list<Message>}
     *
     * @throws StepProblem
     * @throws OverBudget
     */
    private function read(string $key, Step $step, Sketch $drawn, Recipe $recipe, Solid $part, NamedSizes $named): array
    {
        $known = $this->cache->problem($key);
        if ($known !== null) {
            throw new StepProblem($known);
        }
        $kept = $this->cache->sketch($key);
        if ($kept !== null) {
            return $kept;
        }
        $budget = StepBudget::fresh($this->until);
        try {
            $read = SketchReading::read($step, $drawn, $recipe->unit, $part, $named, $budget);
        } catch (StepProblem $p) {
            if ($budget->spent() > self::WORTH_KEEPING) {
                $this->cache->putProblem($key, $p->note);
            }
            throw $p;
        }
        if ($budget->spent() > self::WORTH_KEEPING) {
            $this->cache->putSketch($key, $read);
        }

        return $read;
    }

    /** The part before a step, for when a cached solid has gone: what else is kept of the way there is used. */
    private function anew(Recipe $recipe, ?string $before): Solid
    {
        $rest = $before === null ? $recipe : $recipe->before($before);
        // the cache has just said that it lost something; what is lost twice is made without it
        $state = (new self(new Refilled($this->cache), $this->until))->whole($rest);

        return $state->part();
    }

    /**
     * All that decides a step's outcome besides the solid before it.
     *
     * @param array<string, PlacedSketch> $sketches read so far
     * @return array<mixed>
     */
    private function dependsOn(Step $step, Recipe $recipe, array $sketches, NamedSizes $named): array
    {
        $values = $step->toArray();
        unset($values['name'], $values['note'], $values['heading']);
        $on = [];
        foreach ($step->kind->fields() as $key => $field) {
            if ($field->type === FieldType::Sketch || $field->type === FieldType::MaybeSketch) {
                $sketch = $recipe->step($step->text($key));
                $on[] = $sketch === null ? null : [isset($sketches[$sketch->id]), $sketch->values];
            } elseif ($field->type === FieldType::Sketches) {
                foreach ($step->names($key) as $id) {
                    $on[] = [isset($sketches[$id]), $recipe->step($id)?->values];
                }
            } elseif ($field->type === FieldType::Step && $step->text('of') === 'step') {
                $other = $recipe->step($step->text($key));
                // one step of another is not followed further: what repeats a repeat is refused
                $on[] =
                    $other === null
                        ? null
                        : [
                            ...$other->named('')->noted('')->headed('')->toArray(),
                            'sketches of' => array_map(static fn(string $id): mixed => $recipe->step($id)?->values, [
                                $other->text('sketch'),
                                $other->text('path'),
                                $other->text('guide'),
                                $other->text('across'),
                                ...$other->names('sketches'),
                            ]),
                        ];
                $on[] = $other?->kind->placesGroup() ? self::groups($recipe, $other->text('group')) : null;
            } elseif ($field->type === FieldType::Group) {
                $on[] = self::groups($recipe, $step->text($key));
            }
        }

        $all = [$recipe->unit->value, $values, $on];

        return $recipe->sizes === [] ? $all : [...$all, $named->in((string) json_encode($all))];
    }

    /**
     * All that a group is made of, and the groups in it.
     *
     * @return array<mixed>
     */
    private static function groups(Recipe $recipe, string $id): array
    {
        $steps = static fn(Recipe $r): array => array_map(
            static fn(Step $s): array => $s->named('')->noted('')->headed('')->toArray(),
            $r->steps,
        );

        return [
            $recipe->within,
            array_map(
                static fn(string $id): array => [
                    $id,
                    $recipe->groups[$id]->recipe->unit->value,
                    $recipe->groups[$id]->recipe->sizes,
                    $recipe->groups[$id]->locked,
                    $steps($recipe->groups[$id]->recipe),
                ],
                $recipe->reach($id),
            ),
        ];
    }
}
