<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Measure\Bodies;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;
use Cubo\Recipe\BodyNames;
use Cubo\Recipe\FacePlane;
use Cubo\Recipe\Message;
use Cubo\Recipe\NamedSizes;
use Cubo\Recipe\PartCorners;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\PartState;
use Cubo\Recipe\PlacedSketch;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\SketchPlane;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Recipe\StepValues;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** One step to be made: the part before it, its values, and what it refers to. Whatever is missing is a StepProblem. */
final readonly class Task
{
    /**
     * @param array<string, PlacedSketch> $sketches of the steps before, by id
     * @param bool $apart whether some bodies stay apart even where they touch
     * @param Closure(Recipe): PartState $evaluate for the groups it places
     * @param Budget $budget what the step may cost
     */
    private function __construct(
        public Solid $part,
        public Step $step,
        public StepValues $v,
        public Unit $unit,
        private array $sketches,
        public bool $apart,
        public Recipe $recipe,
        private Closure $evaluate,
        public Budget $budget,
    ) {}

    /**
     * @param Solid $part before the step
     * @param array<string, PlacedSketch> $sketches of the steps before, by id
     * @param Closure(Recipe): PartState $evaluate
     */
    public static function of(
        Recipe $recipe,
        Step $step,
        Solid $part,
        array $sketches,
        Closure $evaluate,
        ?NamedSizes $named = null,
        ?Budget $budget = null,
    ): self {
        return new self(
            $part,
            $step,
            new StepValues($step, $recipe->unit, $named ?? $recipe->named()),
            $recipe->unit,
            $sketches,
            $recipe->keepsBodiesApart(),
            $recipe,
            $evaluate,
            $budget ?? Budget::unlimited(),
        );
    }

    /**
     * A step as it stands in the log, on the part that the steps before it make.
     *
     * @param callable(Recipe): PartState $evaluate
     */
    public static function inLog(Recipe $recipe, Step $step, callable $evaluate): self
    {
        $before = $evaluate($recipe->before($step->id));

        return self::of($recipe, $step, $before->part(), $before->sketches, $evaluate(...), null, StepBudget::fresh());
    }

    /** What another recipe makes, a group of this one. */
    public function made(Recipe $group): PartState
    {
        return ($this->evaluate)($group);
    }

    /** The same step at work on another part. */
    public function on(Solid $part): self
    {
        return new self(
            $part,
            $this->step,
            $this->v,
            $this->unit,
            $this->sketches,
            $this->apart,
            $this->recipe,
            $this->evaluate,
            $this->budget,
        );
    }

    public function for(Step $other): self
    {
        return new self(
            $this->part,
            $other,
            $this->v->for($other),
            $this->unit,
            $this->sketches,
            $this->apart,
            $this->recipe,
            $this->evaluate,
            $this->budget,
        );
    }

    /** The same for the n-th copy of the step. */
    public function counting(int $n): self
    {
        return new self(
            $this->part,
            $this->step,
            $this->v->counting($n),
            $this->unit,
            $this->sketches,
            $this->apart,
            $this->recipe,
            $this->evaluate,
            $this->budget,
        );
    }

    public function text(string $key): string
    {
        return $this->step->text($key);
    }

    public function number(string $key): float
    {
        return $this->v->number($key);
    }

    public function needsPart(): void
    {
        if ($this->part->isEmpty()) {
            throw new StepProblem(new Message('nothing-there', 'There is nothing yet.', 'No earlier step has made a part.'));
        }
    }

    public function sketch(string $key = 'sketch'): PlacedSketch
    {
        return $this->sketches[$this->text($key)] ??
            throw new StepProblem(
                new Message(
                    'no-sketch',
                    'There is no sketch here.',
                    'This step needs a sketch that stands before it, is switched on and can be read.',
                    $key,
                ),
            );
    }

    /** A sketch by its id, where a step has a list of them. */
    public function named(string $id, string $key): PlacedSketch
    {
        return $this->sketches[$id] ??
            throw new StepProblem(
                new Message(
                    'no-sketch',
                    'A sketch is not here.',
                    'Each one must stand before this step, be switched on and be readable.',
                    $key,
                ),
            );
    }

    /** The picked regions of the step's sketch. @param PlacedSketch|null $sketch to take them of instead */
    public function profile(?PlacedSketch $sketch = null): Profile
    {
        $sketch ??= $this->sketch();
        $count = count($sketch->areas->regions);
        if ($count === 0) {
            throw new StepProblem(
                $sketch->drawn->entities === []
                    ? new Message('no-region', 'The sketch is empty.', 'Draw at least one closed outline in it first.', 'sketch')
                    : new Message(
                        'open-outline',
                        'No outline is closed.',
                        'The lines of the sketch do not close around any region. On the pad their loose ends are marked.',
                        'sketch',
                    ),
            );
        }
        $chosen = [];
        foreach ($this->step->regions() ?? range(1, $count) as $pick) {
            $chosen[] =
                $sketch->region($pick)->number ??
                throw new StepProblem(
                    new Message(
                        'no-region',
                        is_int($pick) ? "There is no region $pick." : 'A picked region is gone.',
                        (is_int($pick) ? '' : 'Its outline was changed too much to know it again. ') .
                            "The sketch has $count " .
                            ($count === 1 ? 'region' : 'regions') .
                            '.',
                        'regions',
                    ),
                );
        }
        if ($chosen === []) {
            throw new StepProblem(
                new Message('no-region', 'No region is picked.', "Pick at least one of the sketch's $count regions.", 'regions'),
            );
        }

        return $sketch->areas->profile(array_values(array_unique($chosen)));
    }

    /** A flat face as a plane: takes (u, v, height above it) to (x, y, z). */
    public function flatFace(string $key): Transform
    {
        $name = $this->text($key);

        return FacePlane::placement($this->part, $name) ??
            throw new StepProblem(
                $name === ''
                    ? new Message('no-face', 'No face is picked yet.', 'Pick a flat face on the part, or from the list.', $key)
                    : new Message(
                        'no-face',
                        'This face is not there.',
                        'The part has no flat face of that name before this step. Pick another one.',
                        $key,
                    ),
            );
    }

    /**
     * Both ends of a straight edge.
     *
     * @return array{array{float,float,float}, array{float,float,float}}
     */
    public function straightEdge(string $key): array
    {
        $name = $this->text($key);
        $edge = $name === '' ? null : Topology::of($this->part)->edges[$name] ?? null;
        if ($edge === null) {
            throw new StepProblem(
                new Message(
                    'no-edge',
                    'This edge is not there.',
                    $name === '' ? 'Pick a straight edge.' : 'The part has no edge of that name before this step. Pick another one.',
                    $key,
                ),
            );
        }
        $points = array_map(fn(int $v): array => [$this->part->x[$v], $this->part->y[$v], $this->part->z[$v]], $edge->vertices);
        [$a, $b] = [$points[0], $points[count($points) - 1]];
        $length = Vector::distance($a, $b);
        foreach ($edge->closed ? [] : $points as $p) {
            if (Vector::length(Vector::cross(Vector::sub($p, $a), Vector::sub($b, $a))) > 1e-6 * $length) {
                $length = 0.0;
            }
        }

        return $edge->closed || $length < 1e-9
            ? throw new StepProblem(new Message('no-edge', 'This edge is not straight.', 'Pick a straight one.', $key))
            : [$a, $b];
    }

    /**
     * A corner, the middle of an edge (of a closed one: the middle of what it runs around), or the middle of a flat face.
     *
     * @return array{float,float,float}
     */
    public function spot(string $key): array
    {
        $name = $this->text($key);
        $corner = $name === '' ? null : PartCorners::of($this->part)[$name] ?? null;
        if ($corner !== null) {
            return $corner;
        }
        $plane = $name === '' || str_contains($name, ' / ') ? null : FacePlane::placement($this->part, $name);
        if ($plane !== null) {
            [$u, $v] = FacePlane::extent($this->part, $name, $plane);

            return $plane->point([($u[0] + $u[1]) / 2, ($v[0] + $v[1]) / 2, 0.0]);
        }
        $edge = $name === '' ? null : Topology::of($this->part)->edges[$name] ?? null;
        if ($edge === null) {
            throw new StepProblem(
                new Message(
                    'no-spot',
                    $name === '' ? 'No corner is picked yet.' : 'What it stood at is not there.',
                    $name === ''
                        ? 'Pick a corner, an edge or a flat face on the part, or from the list.'
                        : 'The part has no corner, edge or flat face of that name before this step. Pick another one.',
                    $key,
                ),
            );
        }
        $points = array_map(fn(int $v): array => [$this->part->x[$v], $this->part->y[$v], $this->part->z[$v]], $edge->vertices);

        return $edge->closed ? Vector::middle($points) : Vector::halfway($points);
    }

    /** How high a corner, or an edge that runs level with it, lies above a plane, mm. */
    public function heightOf(string $key, Transform $plane): float
    {
        $name = $this->text($key);
        $corner = $name === '' ? null : PartCorners::of($this->part)[$name] ?? null;
        if ($corner !== null) {
            return $plane->local($corner)[2];
        }
        $edge = $name === '' ? null : Topology::of($this->part)->edges[$name] ?? null;
        if ($edge === null) {
            throw new StepProblem(
                new Message(
                    'no-spot',
                    'This corner is not there.',
                    $name === ''
                        ? 'Pick a corner or an edge.'
                        : 'The part has no corner or edge of that name before this step. Pick another one.',
                    $key,
                ),
            );
        }
        $heights = array_map(
            fn(int $v): float => $plane->local([$this->part->x[$v], $this->part->y[$v], $this->part->z[$v]])[2],
            $edge->vertices,
        );
        if (max($heights) - min($heights) > 1e-6) {
            throw new StepProblem(
                new Message(
                    'no-spot',
                    'This edge has no one height.',
                    'It does not run level with the sketch. Pick a corner instead.',
                    $key,
                ),
            );
        }

        return $heights[0];
    }

    /** The plane a step names: a principal one, or a flat face; at its distance. */
    public function plane(): Transform
    {
        $plane = SketchPlane::tryFrom($this->text('plane'))?->placement() ?? $this->flatFace('face');

        return Transform::translation([0.0, 0.0, $this->number('offset')])->then($plane);
    }

    /**
     * Names of picked faces or edges that the part has.
     *
     * @param array<string, mixed> $there by name
     * @param string $one what one of them is called
     * @return list<string>
     */
    public function picked(string $key, array $there, string $one): array
    {
        $names = $this->step->names($key);
        if ($names === []) {
            throw new StepProblem(new Message("no-$one", "No $one is picked.", "Pick at least one $one of the part.", $key));
        }
        $gone = array_values(array_filter($names, static fn(string $n): bool => !isset($there[$n])));
        if ($gone !== []) {
            throw new StepProblem(
                new Message(
                    "no-$one",
                    count($gone) === 1 ? "A picked $one is gone." : "Picked {$one}s are gone.",
                    'The part before this step has no ' .
                        implode(
                            ', ',
                            array_map(fn(string $n): string => '“' . PartNames::any($n, $this->recipe) . '”', array_slice($gone, 0, 3)),
                        ) .
                        '. Pick anew.',
                    $key,
                ),
            );
        }

        return $names;
    }

    /** @return array{Solid, Solid|null} the body a step names, and everything else */
    public function body(): array
    {
        $this->needsPart();
        $body = $this->text('body');
        if ($body === 'all') {
            return [$this->part, null];
        }
        $bodies = BodyNames::of($this->part);
        if (!isset($bodies[$body])) {
            $named = fn(string $of): string => $this->recipe->step(explode('.', $of)[0])->name ?? 'a step that is gone';
            $names = implode(', ', array_unique(array_map($named, array_map(strval(...), array_keys($bodies)))));
            throw new StepProblem(
                new Message(
                    'no-body',
                    'There is no such body.',
                    "No separate body begins at “{$named($body)}” here. The bodies now begin at: $names.",
                    'body',
                ),
            );
        }
        $others = array_merge(...array_values(array_diff_key($bodies, [$body => true])), ...[[]]);

        return [Bodies::extract($this->part, $bodies[$body]), $others === [] ? null : Bodies::extract($this->part, $others)];
    }

    /**
     * How far the part reaches along a plane's normal, from the plane: least and greatest height, mm.
     *
     * @return array{float,float}
     */
    public function heights(Transform $plane): array
    {
        $this->needsPart();
        [$low, $high] = [INF, -INF];
        foreach ($this->part->x as $v => $x) {
            $h = $plane->local([$x, $this->part->y[$v], $this->part->z[$v]])[2];
            $low = min($low, $h);
            $high = max($high, $h);
        }

        return [$low, $high];
    }

    /** What a maker refuses, as words at a field; with the largest value that would work, where it is known. */
    public function refused(Refused $r, string $what, ?string $field, bool $degrees = false): StepProblem
    {
        // rounded down: what is named must work
        $down = fn(float $v, int $decimals): string => Number::brief(floor($v * 10 ** $decimals + 1e-6) / 10 ** $decimals, $decimals);
        $most =
            $r->largest === null
                ? ''
                : ' Up to ' .
                    ($degrees
                        ? $down($r->largest, 2) . '°'
                        : $down($r->largest / $this->unit->inMillimetres(), $this->unit->decimals()) . ' ' . $this->unit->value) .
                    ' works.';

        return new StepProblem(new Message($r->reason, $what, $r->getMessage() . $most, $field));
    }
}
