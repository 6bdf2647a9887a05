<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Measure\Material;
use Cubo\Quantity\Unit;

/** The document a student edits: a unit and an ordered list of steps. An immutable value; see docs/recipe.md. */
final readonly class Recipe
{
    public const FORMAT = 'cubo-recipe/1';

    /** colours that faces are painted in */
    public const COLOURS = ['white', 'graphite', 'red', 'orange', 'yellow', 'green', 'blue', 'violet'];

    /** What is chosen, not typed, about an outline of a sketch. */
    public const OUTLINE_CHOICES = ['from' => ['middle', 'corner'], 'by' => ['diameter', 'radius']];

    /**
     * @param list<Step> $steps
     * @param int $spent the highest number a step's id has had, deleted steps included
     * @param array<string, string> $sizes the table of named sizes, as typed
     * @param Material|null $material what it is thought to be made of
     * @param array<string, string> $paint colours of faces, by their names
     * @param list<list<string>> $pins measurements that stay in view: what each one is of, one name or two
     * @param array<string, Group> $groups that its steps place, by id
     * @param string $open id of the group whose steps are at hand, nothing for the recipe's own
     * @param string $ground name of the flat face new shapes stand on for a while, nothing for the ground
     * @param list<string> $within ids of the groups that are being made around this one
     */
    public function __construct(
        public Unit $unit,
        public array $steps = [],
        public string $title = '',
        private int $spent = 0,
        public array $sizes = [],
        public ?Material $material = null,
        public array $paint = [],
        public array $pins = [],
        public array $groups = [],
        public string $open = '',
        public string $ground = '',
        public array $within = [],
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['format' => self::FORMAT, 'title' => $this->title, 'unit' => $this->unit->value] +
            ($this->spent > 0 ? ['spent' => $this->spent] : []) +
            ($this->sizes !== [] ? ['sizes' => $this->sizes] : []) +
            ($this->material !== null
                ? [
                    'material' =>
                        ['name' => $this->material->name] +
                        ($this->material->name === Material::OWN
                            ? ['density' => $this->material->density, 'unit' => $this->material->unit->value]
                            : []),
                ]
                : []) +
            ($this->paint !== [] ? ['paint' => $this->paint] : []) +
            ($this->pins !== [] ? ['pins' => $this->pins] : []) +
            ($this->ground !== '' ? ['ground' => $this->ground] : []) +
            ($this->groups !== [] ? ['groups' => array_map(static fn($g): array => $g->toArray(), $this->groups)] : []) +
            ($this->open !== '' ? ['open' => $this->open] : []) + [
                'steps' => array_map(static fn(Step $s): array => $s->toArray(), $this->steps),
            ];
    }

    public function toJson(): string
    {
        return (string) json_encode($this->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function step(string $id): ?Step
    {
        foreach ($this->steps as $s) {
            if ($s->id === $id) {
                return $s;
            }
        }

        return null;
    }

    public function named(): NamedSizes
    {
        return new NamedSizes($this->sizes, $this->unit);
    }

    public function of(?Material $material): self
    {
        return $this->changed(['material' => $material]);
    }

    /** @param array<string, string> $sizes */
    public function withSizes(array $sizes): self
    {
        return $this->changed(['sizes' => $sizes]);
    }

    /** @param array<string, string> $paint */
    public function painted(array $paint): self
    {
        return $this->changed(['paint' => $paint]);
    }

    /** @param list<list<string>> $pins */
    public function pinned(array $pins): self
    {
        return $this->changed(['pins' => $pins]);
    }

    /** @param list<Step> $steps */
    public function withSteps(array $steps): self
    {
        return $this->changed(['steps' => $steps]);
    }

    public function titled(string $title): self
    {
        return $this->changed(['title' => $title]);
    }

    public function onGround(string $face): self
    {
        return $this->changed(['ground' => $face]);
    }

    /** @param array<string, Group> $groups */
    public function withGroups(array $groups): self
    {
        return $this->changed(['groups' => $groups, 'open' => isset($groups[$this->open]) ? $this->open : '']);
    }

    /** With the steps of a group at hand, or again its own. */
    public function opened(string $group): self
    {
        return $this->changed(['open' => isset($this->groups[$group]) ? $group : '']);
    }

    /** What is worked on: the group that is open, or all of it. */
    public function atHand(): self
    {
        $g = $this->groups[$this->open] ?? null;

        return $g === null ? $this : $g->recipe->changed(['groups' => $this->groups, 'within' => [$g->id]]);
    }

    /** The whole again after what is at hand was edited. */
    public function withAtHand(self $edited): self
    {
        $g = $this->groups[$this->open] ?? null;

        return $g === null
            ? $edited
            : $this->changed(['groups' => [...$edited->groups, $g->id => $g->with($edited->changed(['groups' => [], 'within' => []]))]]);
    }

    /** The steps of a group of another recipe, to be made inside that one. */
    public function placedIn(self $all, string $group): self
    {
        return $this->changed(['groups' => $all->groups, 'within' => [...$all->within, $group]]);
    }

    /** @return list<string> ids of a group and of all that it places, directly or not */
    public function reach(string $group): array
    {
        $out = [];
        $next = [$group];
        while ($next !== []) {
            $id = array_pop($next);
            if (isset($this->groups[$id]) && !in_array($id, $out, true)) {
                $out[] = $id;
                array_push($next, ...$this->groups[$id]->places());
            }
        }

        return $out;
    }

    /** Whether some step, here or in a group, makes a body that stays apart even where it touches others. */
    public function keepsBodiesApart(): bool
    {
        $steps = array_merge($this->steps, ...array_values(array_map(static fn($g): array => $g->recipe->steps, $this->groups)));
        foreach ($steps as $s) {
            if (!$s->off && $s->text('effect') === 'apart') {
                return true;
            }
        }

        return false;
    }

    /** The recipe before a step, that one left out; the whole of it for a step that is not there. */
    public function before(string $id): self
    {
        foreach ($this->steps as $i => $s) {
            if ($s->id === $id) {
                return $this->withSteps(array_slice($this->steps, 0, $i));
            }
        }

        return $this;
    }

    /** The recipe up to a step, that one included; the whole of it for a step that is not there. */
    public function upTo(string $id): self
    {
        foreach ($this->steps as $i => $s) {
            if ($s->id === $id) {
                return $this->withSteps(array_slice($this->steps, 0, $i + 1));
            }
        }

        return $this;
    }

    /** @param array<string, mixed> $new */
    private function changed(array $new): self
    {
        return new self(...[...get_object_vars($this), ...$new]);
    }

    /** An id no step has had: numbers only grow, so a name is never reused. */
    public function freshId(): string
    {
        return 's' . ($this->highest() + 1);
    }

    private function highest(): int
    {
        $most = $this->spent;
        foreach ($this->steps as $s) {
            if (preg_match('/^s(\d{1,9})$/', $s->id, $m)) {
                $most = max($most, (int) $m[1]);
            }
        }

        return $most;
    }

    /** @param string|null $after id of the step that a new one comes after; at the end without */
    public function withStep(Step $new, ?string $after = null): self
    {
        $steps = $this->steps;
        $place = count($steps);
        foreach ($steps as $i => $s) {
            if ($s->id === $new->id) {
                $steps[$i] = $new;

                return $this->withSteps($steps);
            }
            if ($s->id === $after) {
                $place = $i + 1;
            }
        }
        array_splice($steps, $place, 0, [$new]);

        return $this->withSteps($steps);
    }

    public function without(string $id): self
    {
        return $this->changed([
            'steps' => array_values(array_filter($this->steps, static fn(Step $s): bool => $s->id !== $id)),
            'spent' => $this->highest(),
        ]);
    }

    /** @param int $places up (negative) or down the log */
    public function shifted(string $id, int $places): self
    {
        $steps = $this->steps;
        foreach ($steps as $i => $s) {
            if ($s->id === $id) {
                array_splice($steps, $i, 1);
                array_splice($steps, max(0, min(count($steps), $i + $places)), 0, [$s]);
                break;
            }
        }

        return $this->withSteps($steps);
    }
}
