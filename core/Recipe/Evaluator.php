<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;
use Cubo\Measure\Bodies;
use Cubo\Quantity\Unit;
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
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/**
 * Makes the part a recipe describes. A pure function of the recipe: each step's solid is cached under a hash of the
 * solid before it and all the step depends on, so an edit recomputes only what follows from it. A step that cannot be
 * done keeps the part as it was before, says why, and lets the steps after it go on.
 */
final class Evaluator
{
    /** Raise when the meaning of any step changes, so that no old solid is found. */
    private const VERSION = '4';

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
        $results = $sketches = [];
        foreach ($recipe->steps as $step) {
            if ($step->off) {
                $results[$step->id] = new StepResult($step->id, 'off');

                continue;
            }
            try {
                if ($step->kind === StepKind::Sketch) {
                    if ($behind && ($step->text('plane') === 'face' || EdgesTakenOver::any($step->drawn()))) {
                        $part = $this->cache->get($key) ?? $this->again($recipe, $step->id);
                        $behind = false;
                    }
                    [$sketches[$step->id], $notes] = $this->sketch($step, $recipe->unit, $part);
                    $results[$step->id] = new StepResult($step->id, 'done', $notes, $sketches[$step->id]->areas->regions);

                    continue;
                }
                $next = sha1($key . json_encode($this->dependsOn($step, $recipe, $sketches)));
                $known = $this->cache->problem($next);
                if ($known !== null) {
                    throw new StepProblem($known);
                }
                if ($this->cache->has($next)) {
                    $behind = true;
                } else {
                    if ($behind) {
                        $part = $this->cache->get($key) ?? $this->again($recipe, $step->id);
                        $behind = false;
                    }
                    try {
                        $part = $this->apply($part, $step, $recipe->unit, $sketches);
                    } catch (StepProblem $p) {
                        $this->cache->putProblem($next, $p->note);
                        throw $p;
                    }
                    $this->cache->put($next, $part);
                }
                $key = $next;
                $results[$step->id] = new StepResult($step->id, 'done');
            } catch (StepProblem $p) {
                $results[$step->id] = new StepResult($step->id, 'failed', [$p->note]);
            }
        }

        return new PartState(
            $behind ? fn (): Solid => $this->cache->get($key) ?? $this->again($recipe, null) : $part,
            $key === $nothing, $results, $key,
        );
    }

    /** The part before a step, computed without the cache, for when a cached solid has gone. */
    private function again(Recipe $recipe, ?string $before): Solid
    {
        $steps = [];
        foreach ($recipe->steps as $s) {
            if ($s->id === $before) {
                break;
            }
            $steps[] = $s;
        }

        return (new self)->evaluate(new Recipe($recipe->unit, $steps))->part();
    }

    /**
     * All that decides a step's outcome besides the solid before it.
     *
     * @param array<string, PlacedSketch> $sketches read so far
     * @return array<mixed>
     */
    private function dependsOn(Step $step, Recipe $recipe, array $sketches): array
    {
        $values = $step->toArray();
        unset($values['name']);
        $sketch = $step->kind === StepKind::Extrude ? $recipe->step($step->text('sketch')) : null;

        return [$recipe->unit->value, $values, $sketch === null ? null : isset($sketches[$sketch->id]), $sketch?->values];
    }

    /** @param array<string, PlacedSketch> $sketches */
    private function apply(Solid $part, Step $step, Unit $unit, array $sketches): Solid
    {
        $v = new StepValues($step, $unit);
        if (in_array($step->kind, [StepKind::Move, StepKind::Turn, StepKind::Copy], true)) {
            return $this->rearrange($part, $step, $v);
        }
        $tool = match ($step->kind) {
            StepKind::Block => $this->block($step, $v),
            StepKind::Cylinder => self::upright($step, $v, Primitives::cylinder($step->id, $v->radius('round'), $v->number('length'))),
            StepKind::Cone => $this->cone($step, $v),
            StepKind::Ball => Primitives::sphere($step->id, $v->radius('round'))->moved(Transform::translation($v->place())),
            StepKind::Extrude => $this->extrude($step, $v, $sketches),
            default => throw new \LogicException('No solid belongs to this step.'),
        };

        return $this->combine($part, $tool, $step);
    }

    private function combine(Solid $part, Solid $tool, Step $step): Solid
    {
        $effect = $step->text('effect');
        if ($part->isEmpty()) {
            if ($effect === 'add') {
                return self::withinLimits($tool);
            }
            throw new StepProblem(new Message('nothing-there', 'There is nothing yet.', 'This step ' . StepKind::EFFECTS[$effect] . ', but no earlier step has made a part. Let it add, or put a step before it.', 'effect'));
        }
        $this->beforeItIsTooLate();
        $op = ['add' => Operation::Union, 'cut' => Operation::Difference, 'keep' => Operation::Intersection][$effect];
        $result = self::guarded(static fn (): Solid => BooleanOperation::run($part, $tool, $op));
        if ($result->isEmpty()) {
            throw new StepProblem(new Message('vanishes', 'Nothing would be left.', $effect === 'cut'
                ? 'This cut takes the whole part away. The part is shown without this step.'
                : 'The part and this shape share nothing. The part is shown without this step.', 'effect'));
        }
        if ($effect === 'cut' && ! self::hasWallsOf($result, $step)) {
            $before = $part->facettedVolume();
            if ($before - $result->facettedVolume() < 1e-9 * $before) {
                throw new StepProblem(new Message('cuts-nothing', 'This cut touches nothing.', 'The shape lies beside the part or only against its surface. Look at its place and direction. The part is shown without this step.'));
            }
        }

        return self::withinLimits($result);
    }

    /** A cut that leaves a wall has taken something away; one that swallows a whole body leaves none. */
    private static function hasWallsOf(Solid $result, Step $step): bool
    {
        foreach ($result->surfaces as $surface) {
            if (str_starts_with($surface->name, "$step->id:")) {
                return true;
            }
        }

        return false;
    }

    private function block(Step $step, StepValues $v): Solid
    {
        $size = [$v->number('width'), $v->number('depth'), $v->number('height')];
        $at = $v->place();
        if ($step->text('from') === 'middle') {
            $at = [$at[0] - $size[0] / 2, $at[1] - $size[1] / 2, $at[2]];
        }

        return Primitives::block($step->id, $at, $size);
    }

    private function cone(Step $step, StepValues $v): Solid
    {
        $base = $v->radius('round');
        $tip = $v->radius('tip');
        if ($base == 0.0 && $tip == 0.0) {
            throw new StepProblem(new Message('not-positive', 'This cone has no width.', 'Both ends are 0. One of them must be more.', 'round'));
        }

        return self::upright($step, $v, Primitives::cone($step->id, $base, $tip, $v->number('length')));
    }

    /** Lays an upright solid along the step's axis and puts it in its place. */
    private static function upright(Step $step, StepValues $v, Solid $solid): Solid
    {
        $turn = match ($step->text('along')) {
            'x' => Transform::rotation(1, 90.0),
            'y' => Transform::rotation(0, -90.0),
            default => Transform::identity(),
        };

        return $solid->moved($turn->then(Transform::translation($v->place())));
    }

    /**
     * @param Solid $part as it is before the step; looked at only by sketches on its faces and with its edges
     * @return array{PlacedSketch, list<Message>}
     */
    private function sketch(Step $step, Unit $unit, Solid $part): array
    {
        $curves = [];
        $v = new StepValues($step, $unit);
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
        $plane = SketchPlane::tryFrom($step->text('plane'))?->placement() ?? FacePlane::placement($part, $step->text('face'))
            ?? throw new StepProblem(new Message('no-face', 'This face is not there.', $step->text('face') === '' ? 'Pick the flat face to sketch on.' : 'The part has no flat face of that name before this step. Pick another one, or a plane.', 'face'));
        $up = Transform::translation([0.0, 0.0, $v->number('offset')])->then($plane);
        [$drawn, $gone] = EdgesTakenOver::any($step->drawn()) ? EdgesTakenOver::renewed($step->drawn(), PartEdges::seenOnto($part, $up)) : [$step->drawn(), []];
        $notes = $gone === [] ? [] : [new Message('edge-gone', 'An edge of the part is gone.', implode(', ', array_slice($gone, 0, 6)) . (count($gone) === 1 ? ' was taken over from an edge that is' : ' were taken over from edges that are') . ' not there any more. The sketch keeps them where they last were.', 'drawn', true)];
        try {
            return [new PlacedSketch($up, new Arrangement([...$curves, ...DrawnCurves::of(self::settled($drawn, $unit))])), $notes];
        } catch (TooManyPieces $e) {
            throw new StepProblem(new Message('too-complex', 'This sketch is too complex.', $e->getMessage(), 'drawn'));
        }
    }

    /** A sketch with its relations kept. */
    private static function settled(Sketch $sketch, Unit $unit): Sketch
    {
        $read = new DimensionValues($sketch, $unit);
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

    /** @param array<string, PlacedSketch> $sketches */
    private function extrude(Step $step, StepValues $v, array $sketches): Solid
    {
        $id = $step->text('sketch');
        $sketch = $sketches[$id] ?? null;
        if ($sketch === null) {
            throw new StepProblem(new Message('no-sketch', 'There is no sketch here.', 'This step needs a sketch that stands before it, is switched on and can be read.', 'sketch'));
        }
        $count = count($sketch->areas->regions);
        if ($count === 0) {
            throw new StepProblem(new Message('no-region', 'The sketch is empty.', 'Draw at least one closed outline in it first.', 'sketch'));
        }
        $chosen = [];
        foreach ($step->regions() ?? range(1, $count) as $pick) {
            $chosen[] = $sketch->region($pick)->number
                ?? throw new StepProblem(new Message('no-region', is_int($pick) ? "There is no region $pick." : 'A picked region is gone.', (is_int($pick) ? '' : 'Its outline was changed too much to know it again. ') . "The sketch has $count " . ($count === 1 ? 'region' : 'regions') . '.', 'regions'));
        }
        if ($chosen === []) {
            throw new StepProblem(new Message('no-region', 'No region is picked.', "Pick at least one of the sketch's $count regions.", 'regions'));
        }
        $distance = $v->number('distance');
        $to = $step->text('direction') === 'down' ? -$distance : $distance;

        try {
            return Extrusion::straight($step->id, $sketch->areas->profile(array_values(array_unique($chosen))), 0.0, $to, $sketch->placement);
        } catch (Refused $r) {
            throw new StepProblem(new Message($r->reason, 'This cannot be drawn out.', $r->getMessage()));
        }
    }

    private function rearrange(Solid $part, Step $step, StepValues $v): Solid
    {
        if ($part->isEmpty()) {
            throw new StepProblem(new Message('nothing-there', 'There is nothing yet.', 'No earlier step has made a part.'));
        }
        [$chosen, $rest] = $this->pick($part, $step->text('body'));
        if ($step->kind === StepKind::Turn) {
            $axis = ['x' => 0, 'y' => 1, 'z' => 2][$step->text('about')];

            return $this->joined($rest, $chosen->moved(Transform::rotation($axis, $v->number('angle'), $v->place())));
        }
        $by = $v->place();
        if ($step->kind === StepKind::Move) {
            return $this->joined($rest, $chosen->moved(Transform::translation($by)));
        }
        if ($by === [0.0, 0.0, 0.0]) {
            throw new StepProblem(new Message('no-offset', 'The copy lies on itself.', 'Give it a way to go: to the right, to the back or up.', 'x'));
        }
        for ($i = 1, $n = (int) $v->number('times'); $i <= $n; $i++) {
            $this->beforeItIsTooLate();
            $copy = $chosen->moved(Transform::translation([$by[0] * $i, $by[1] * $i, $by[2] * $i]))->renamed(static fn (string $name): string => $step->id . ':copy ' . $i . '/' . $name);
            $part = $this->joined($part, $copy);
        }

        return $part;
    }

    private function joined(?Solid $rest, Solid $moved): Solid
    {
        return self::withinLimits($rest === null ? $moved : self::guarded(static fn (): Solid => BooleanOperation::union($rest, $moved)));
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

    /** @return array{Solid, Solid|null} the body of that name, and everything else */
    private function pick(Solid $part, string $body): array
    {
        if ($body === 'all') {
            return [$part, null];
        }
        $bodies = BodyNames::of($part);
        if (! isset($bodies[$body])) {
            $names = implode(', ', array_keys($bodies));
            throw new StepProblem(new Message('no-body', 'There is no such body.', "No separate body begins at “{$body}” here. The bodies now are: $names.", 'body'));
        }
        $others = array_merge(...array_values(array_diff_key($bodies, [$body => true])), ...[[]]);

        return [Bodies::extract($part, $bodies[$body]), $others === [] ? null : Bodies::extract($part, $others)];
    }
}
