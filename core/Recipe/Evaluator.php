<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Quantity\Unit;
use Cubo\Recipe\Make\Arranging;
use Cubo\Recipe\Make\Extruding;
use Cubo\Recipe\Make\Holes;
use Cubo\Recipe\Make\Joining;
use Cubo\Recipe\Make\Lofting;
use Cubo\Recipe\Make\OnFaces;
use Cubo\Recipe\Make\ReadySolids;
use Cubo\Recipe\Make\Revolving;
use Cubo\Recipe\Make\Ribs;
use Cubo\Recipe\Make\Sweeping;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Make\Warnings;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\Area\Outline;
use Cubo\Sketch\Area\TooManyPieces;
use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\Solve\SketchSolver;
use Cubo\Sketch\Solve\SolvingTooLong;
use Cubo\Sketch\Solve\UnfitRelation;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Boolean\Operation;
use Cubo\Solid\Solid;

/**
 * Makes the part a recipe describes. A pure function of the recipe: each step's solid is cached under a hash of the
 * solid before it and all the step depends on, so an edit recomputes only what follows from it. A step that cannot be
 * done keeps the part as it was before, says why, and lets the steps after it go on.
 */
final class Evaluator
{
    /** Raise when the meaning of any step changes, so that no old solid is found. */
    private const VERSION = '9';

    private const MOST_TRIANGLES = 60000;

    private float $until = INF;

    /** @param float $seconds the most time one evaluation may take; steps that come after it are refused */
    public function __construct(private readonly SolidCache $cache = new MemoryCache, private readonly float $seconds = 12.0) {}

    public function evaluate(Recipe $recipe): PartState
    {
        $this->until = microtime(true) + $this->seconds;
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
                    [$sketches[$step->id], $notes] = $this->sketch($step, $drawn, $recipe->unit, $part, $named);
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
                        $part = $this->apply($part, $step, $recipe, $sketches, $named);
                    } catch (StepProblem $p) {
                        // what took too long in a busy moment may not the next time
                        if ($p->note->code !== 'too-long') {
                            $this->cache->putProblem($next, $p->note);
                        }
                        throw $p;
                    }
                    $this->cache->put($next, $part);
                    $known = Warnings::of($before, $part, new Task($before, $step, new StepValues($step, $recipe->unit, $named), $recipe->unit, $sketches));
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
        $steps = [];
        foreach ($recipe->steps as $s) {
            if ($s->id === $before) {
                break;
            }
            $steps[] = $s;
        }

        return (new self)->evaluate($recipe->withSteps($steps))->part();
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
            }
        }

        $all = [$recipe->unit->value, $values, $on];

        return $recipe->sizes === [] ? $all : [...$all, $named->in((string) json_encode($all))];
    }

    /** @param array<string, PlacedSketch> $sketches */
    private function apply(Solid $part, Step $step, Recipe $recipe, array $sketches, NamedSizes $named): Solid
    {
        $task = new Task($part, $step, new StepValues($step, $recipe->unit, $named), $recipe->unit, $sketches, $recipe->keepsBodiesApart());
        if ($step->text('of') === 'step') {
            return $this->again($task, $recipe);
        }
        $tool = self::tool($task);
        if ($tool !== null) {
            try {
                return $this->combine($task, $tool, self::effect($step));
            } catch (StepProblem $p) {
                throw $p->note->code === 'cuts-nothing' ? $this->orTheOtherWay($task, $p) : $p;
            }
        }
        $this->beforeItIsTooLate();

        return self::withinLimits(self::guarded(fn (): Solid => match ($step->kind) {
            StepKind::Round, StepKind::Chamfer, StepKind::Hollow, StepKind::Draft, StepKind::Pull => OnFaces::change($task),
            default => Arranging::change($task, $this->beforeItIsTooLate(...)),
        }));
    }

    /** A cut that misses the part: whether it would meet it in the other direction. */
    private function orTheOtherWay(Task $t, StepProblem $p): StepProblem
    {
        if (! isset($t->step->kind->fields()['direction'])) {
            return $p;
        }
        try {
            $turned = $t->step->with('direction', $t->text('direction') === 'down' ? 'up' : 'down');
            $this->combine($t, self::tool($t->for($turned)) ?? new Solid, 'cut');
        } catch (StepProblem) {
            return $p;
        }

        return new StepProblem(new Message('cuts-nothing', $p->note->what, 'In the other direction it would take something away. The part is shown without this step.', 'direction', false, ['words' => 'Turn it round', 'values' => ['direction' => $turned->text('direction')]]));
    }

    /** What a step makes of its own; null for one that only changes the part. @throws StepProblem */
    public static function tool(Task $t): ?Solid
    {
        return match ($t->step->kind) {
            StepKind::Block, StepKind::Cylinder, StepKind::Cone, StepKind::Ball => ReadySolids::make($t),
            StepKind::Extrude => self::guarded(static fn (): Solid => Extruding::make($t)),
            StepKind::Revolve => Revolving::make($t),
            StepKind::Sweep => Sweeping::make($t),
            StepKind::Loft => Lofting::make($t),
            StepKind::Rib => self::guarded(static fn (): Solid => Ribs::make($t)),
            StepKind::Hole => self::guarded(static fn (): Solid => Holes::make($t)),
            StepKind::Text => self::guarded(static fn (): Solid => OnFaces::text($t)),
            default => null,
        };
    }

    /** Whether what a step makes is added ("add"), taken away ("cut") or shared ("keep"). */
    public static function effect(Step $step): string
    {
        return match ($step->kind) {
            StepKind::Hole => 'cut',
            StepKind::Rib => 'add',
            default => $step->text('effect'),
        };
    }

    /** Mirrors or repeats what another step makes. */
    private function again(Task $t, Recipe $recipe): Solid
    {
        $source = $recipe->step($t->text('source'));
        $before = true;
        foreach ($recipe->steps as $s) {
            $before = $before && $s->id !== $t->step->id;
            if ($s->id === $source?->id && ! $before) {
                $source = null;
            }
        }
        if ($source === null || $source->off || ! $source->kind->makes()) {
            throw new StepProblem(new Message('no-step', 'There is no such step here.', 'Pick an earlier step that adds something or takes something away, and that is switched on.', 'source'));
        }
        $tool = self::tool($this->asItWas($source, $recipe)) ?? new Solid;
        $copies = Arranging::again($t, $tool);
        if (in_array(self::effect($source), ['keep', 'apart'], true)) {
            foreach ($copies as $one) {
                $this->beforeItIsTooLate();
                $t = $t->on($this->combine($t, $one, self::effect($source)));
            }

            return $t->part;
        }
        // all copies become one first, in pairs, so that the part is gone through once
        while (count($copies) > 1) {
            $this->beforeItIsTooLate();
            $copies = array_map(static fn (array $pair): Solid => isset($pair[1]) ? self::guarded(static fn (): Solid => BooleanOperation::union($pair[0], $pair[1])) : $pair[0], array_chunk($copies, 2));
        }

        return $copies === [] ? $t->part : $this->combine($t, $copies[0], self::effect($source));
    }

    /** A step as it was made: what goes up to a face or grows to a wall had the part before it, not the part there is now. */
    private function asItWas(Step $source, Recipe $recipe): Task
    {
        $steps = [];
        foreach ($recipe->steps as $s) {
            if ($s->id === $source->id) {
                break;
            }
            $steps[] = $s;
        }
        $before = (new self($this->cache, max(0.1, $this->until - microtime(true))))->evaluate($recipe->withSteps($steps));

        return new Task($before->part(), $source, new StepValues($source, $recipe->unit, $recipe->named()), $recipe->unit, $before->sketches, $recipe->keepsBodiesApart());
    }

    private function combine(Task $t, Solid $tool, string $effect): Solid
    {
        [$part, $id] = [$t->part, $t->step->id];
        if ($part->isEmpty()) {
            if ($effect === 'add' || $effect === 'apart') {
                return self::withinLimits($tool);
            }
            throw new StepProblem(new Message('nothing-there', 'There is nothing yet.', 'This step ' . StepKind::EFFECTS[$effect] . ', but no earlier step has made a part. Let it add, or put a step before it.', 'effect'));
        }
        $this->beforeItIsTooLate();
        if ($effect === 'apart') {
            return self::withinLimits(self::guarded(static fn (): Solid => Joining::apart($part, $tool)
                ?? throw new StepProblem(new Message('vanishes', 'Nothing of it would be seen.', 'All of it lies inside the part, and bodies do not overlap. Move it, or let it add.', 'effect'))));
        }
        $op = ['add' => Operation::Union, 'cut' => Operation::Difference, 'keep' => Operation::Intersection][$effect];
        $result = self::guarded(static fn (): Solid => match (true) {
            ! $t->apart => BooleanOperation::run($part, $tool, $op),
            $op === Operation::Union => Joining::added($part, $tool),
            default => Joining::each($part, $tool, $op),
        });
        if ($result->isEmpty()) {
            throw new StepProblem(new Message('vanishes', 'Nothing would be left.', $effect === 'cut'
                ? 'This cut takes the whole part away. The part is shown without this step.'
                : 'The part and this shape share nothing. The part is shown without this step.', 'effect'));
        }
        if ($effect === 'cut' && ! self::hasWallsOf($result, $id)) {
            $before = $part->facettedVolume();
            if ($before - $result->facettedVolume() < 1e-9 * $before) {
                throw new StepProblem(new Message('cuts-nothing', 'This cut touches nothing.', 'The shape lies beside the part or only against its surface. Look at its place and direction. The part is shown without this step.'));
            }
        }

        return self::withinLimits($result);
    }

    /** A cut that leaves a wall has taken something away; one that swallows a whole body leaves none. */
    private static function hasWallsOf(Solid $result, string $id): bool
    {
        foreach ($result->surfaces as $surface) {
            if (str_starts_with($surface->name, "$id:")) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param Solid $part as it is before the step; looked at only by sketches on its faces and with its edges
     * @return array{PlacedSketch, list<Message>}
     */
    private function sketch(Step $step, Sketch $drawn, Unit $unit, Solid $part, NamedSizes $named): array
    {
        $curves = [];
        $v = new StepValues($step, $unit, $named);
        foreach ($step->shapes() as $i => $s) {
            $letter = Letters::small($i);
            $get = static fn (string $key, FieldType $type): float => $v->length($s[$key], "shapes.$i.$key", "$key of outline $letter", $type);
            $at = [$get('u', FieldType::Length), $get('v', FieldType::Length)];
            if ($s['kind'] === 'circle') {
                $outline = Outline::circle($letter, $at[0], $at[1], $get('round', FieldType::Size) / ($s['by'] === 'radius' ? 1 : 2));
            } else {
                [$w, $h] = [$get('width', FieldType::Size), $get('height', FieldType::Size)];
                $outline = $s['from'] === 'middle'
                    ? Outline::rectangle($letter, $at[0] - $w / 2, $at[1] - $h / 2, $w, $h)
                    : Outline::rectangle($letter, $at[0], $at[1], $w, $h);
            }
            array_push($curves, ...$outline);
        }
        $up = SketchPlacement::of($step, $part, $v)
            ?? throw new StepProblem($step->text('face') === ''
                ? new Message('no-face', 'No face is picked yet.', 'Pick the flat face to sketch on, on the part or from the list.', 'face')
                : new Message('no-face', 'This face is not there.', 'The part has no flat face of that name before this step. Pick another one, or a plane.', 'face'));
        [$drawn, $gone] = EdgesTakenOver::any($drawn) ? EdgesTakenOver::renewed($drawn, PartEdges::seenOnto($part, $up)) : [$drawn, []];
        $notes = $gone === [] ? [] : [new Message('edge-gone', 'An edge of the part is gone.', implode(', ', array_slice($gone, 0, 6)) . (count($gone) === 1 ? ' was taken over from an edge that is' : ' were taken over from edges that are') . ' not there any more. The sketch keeps them where they last were.', 'drawn', true)];
        $drawn = self::settled($drawn, $unit, $named);
        try {
            return [new PlacedSketch($up, new Arrangement([...$curves, ...DrawnCurves::of($drawn)]), $drawn), $notes];
        } catch (TooManyPieces $e) {
            throw new StepProblem(new Message('too-complex', 'This sketch is too complex.', $e->getMessage(), 'drawn'));
        }
    }

    /** A sketch with its relations kept. */
    private static function settled(Sketch $sketch, Unit $unit, NamedSizes $named): Sketch
    {
        $read = new DimensionValues($sketch, $unit, $named);
        foreach ($read->problems as $id => $problem) {
            throw new StepProblem(new Message('unreadable', 'This size cannot be read.', "Dimension $id says “{$sketch->relations[$id]->value}”. $problem", "drawn.$id"));
        }
        try {
            $clash = SketchSolver::settle($sketch, $read->values);
        } catch (SolvingTooLong $e) {
            throw new StepProblem(new Message('too-long', 'This takes too long.', $e->getMessage(), 'drawn'));
        } catch (UnfitRelation $e) {
            throw new StepProblem(new Message('unfit', 'This relation does not fit.', "$e->relation: " . $e->getMessage(), "drawn.$e->relation"));
        }
        if ($clash !== []) {
            throw new StepProblem(new Message('clash', 'These relations contradict each other.', implode(', ', array_slice($clash, 0, 8)) . ' cannot all hold. Change one of them or take it out.', "drawn.$clash[0]"));
        }

        return $sketch;
    }

    /** @param callable(): Solid $work */
    private static function guarded(callable $work): Solid
    {
        try {
            return $work();
        } catch (BooleanFailed) {
            throw new StepProblem(new Message('too-complex', 'This could not be worked out.', 'The part and this shape are too fine to be combined. Use fewer copies or fewer round shapes. The part is shown without this step.'));
        }
    }

    private function beforeItIsTooLate(): void
    {
        if (microtime(true) > $this->until) {
            throw new StepProblem(new Message('too-long', 'This takes too long.', 'Cubo stopped working on this step after a while. Use fewer copies or simpler shapes. The part is shown without this step.'));
        }
    }

    private static function withinLimits(Solid $s): Solid
    {
        if ($s->triangleCount() > self::MOST_TRIANGLES) {
            throw new StepProblem(new Message('too-complex', 'This part becomes too fine.', 'More than ' . self::MOST_TRIANGLES . ' facets would be needed. Use fewer copies or fewer round shapes.'));
        }
        foreach ($s->vertexBox() as $v) {
            if (abs($v) > 2 * StepValues::MOST) {
                throw new StepProblem(new Message('too-far', 'This goes too far out.', 'The part would reach more than 20 metres away from the origin. The part is shown without this step.'));
            }
        }

        return $s;
    }
}
