<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Recipe\Make\Making;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Make\Warnings;
use Cubo\Solid\Solid;

/**
 * Makes the part a recipe describes. A pure function of the recipe: each step's solid is cached under a hash of the
 * solid before it and all the step depends on, so an edit recomputes only what follows from it. A step that cannot be
 * done keeps the part as it was before, says why, and lets the steps after it go on.
 */
final class Evaluator
{
    /** Raise when the meaning of any step changes, so that no old solid is found. */
    private const VERSION = '13';

    /** @param float $seconds the most time one evaluation may take; steps that come after it are refused */
    public function __construct(private readonly SolidCache $cache = new MemoryCache, private readonly float $seconds = 12.0) {}

    public function evaluate(Recipe $recipe): PartState
    {
        $until = microtime(true) + $this->seconds;
        $again = fn (Recipe $r): PartState => (new self($this->cache, $until - microtime(true)))->evaluate($r);
        $making = new Making($until, $again);
        $part = new Solid;
        // the solid itself is only read from the cache when a later step must be computed, or at the end
        $behind = false;
        $key = $nothing = sha1(self::VERSION);
        $named = $recipe->named();
        $results = $sketches = [];
        foreach ($recipe->steps as $step) {
            if ($step->off) {
                $results[$step->id] = new StepResult($step->id, 'off');

                continue;
            }
            try {
                if ($step->kind === StepKind::Sketch) {
                    $drawn = $step->drawn();
                    if ($behind && ($step->text('plane') === 'face' || EdgesTakenOver::any($drawn))) {
                        $part = $this->cache->get($key) ?? $this->anew($recipe, $step->id);
                        $behind = false;
                    }
                    [$sketches[$step->id], $notes] = SketchReading::read($step, $drawn, $recipe->unit, $part, $named);
                    $results[$step->id] = new StepResult($step->id, 'done', $notes, $sketches[$step->id]->areas->regions);

                    continue;
                }
                $next = sha1($key . json_encode($this->dependsOn($step, $recipe, $sketches, $named)));
                $known = $this->cache->problem($next);
                if ($known !== null && ! $known->warning) {
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
                    try {
                        $task = Task::of($recipe, $step, $before, $sketches, $again, $named);
                        $part = $making->of($task, $recipe);
                    } catch (StepProblem $p) {
                        // what took too long in a busy moment may not the next time
                        if ($p->note->code !== StepProblem::TOO_LONG) {
                            $this->cache->putProblem($next, $p->note);
                        }
                        throw $p;
                    }
                    $this->cache->put($next, $part);
                    $known = Warnings::of($before, $part, $task);
                    if ($known !== null) {
                        $this->cache->putProblem($next, $known);
                    }
                }
                $key = $next;
                $results[$step->id] = new StepResult($step->id, 'done', $known === null ? [] : [$known]);
            } catch (StepProblem $p) {
                $results[$step->id] = new StepResult($step->id, 'failed', [$p->note]);
            }
        }

        return new PartState(
            $behind ? fn (): Solid => $this->cache->get($key) ?? $this->anew($recipe, null) : $part,
            $key === $nothing, $results, $key, $sketches,
        );
    }

    /** The part before a step, computed without the cache, for when a cached solid has gone. */
    private function anew(Recipe $recipe, ?string $before): Solid
    {
        return (new self)->evaluate($before === null ? $recipe : $recipe->before($before))->part();
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
                $on[] = $other === null ? null : [...$other->named('')->noted('')->headed('')->toArray(), 'sketches of' => array_map(static fn (string $id): mixed => $recipe->step($id)?->values, [$other->text('sketch'), $other->text('path'), $other->text('guide'), ...$other->names('sketches')])];
                $on[] = $other?->kind === StepKind::Group ? self::groups($recipe, $other->text('group')) : null;
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
        $steps = static fn (Recipe $r): array => array_map(static fn (Step $s): array => $s->named('')->noted('')->headed('')->toArray(), $r->steps);

        return [$recipe->within, array_map(static fn (string $id): array => [$id, $recipe->groups[$id]->recipe->unit->value, $recipe->groups[$id]->recipe->sizes, $recipe->groups[$id]->locked, $steps($recipe->groups[$id]->recipe)], $recipe->reach($id))];
    }
}
