<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/**
 * Several steps under one name, in a frame of their own. What steps of kind "group" place are instances of it: they follow
 * when it changes. Its recipe's title is its name; which groups its steps place is looked up in the recipe it belongs to.
 */
final readonly class Group
{
    /**
     * @param list<string> $locked named sizes an instance may not set
     * @param GroupOrigin|null $from the library it was taken from
     */
    public function __construct(public string $id, public Recipe $recipe, public array $locked = [], public ?GroupOrigin $from = null) {}

    public function name(): string
    {
        return $this->recipe->title;
    }

    /** It as a recipe of its own, to be made inside the one it belongs to. */
    public function within(Recipe $all): Recipe
    {
        return $this->recipe->placedIn($all, $this->id);
    }

    public function with(Recipe $recipe): self
    {
        return new self($this->id, $recipe, $this->locked, $this->from);
    }

    /** @param list<string> $names of sizes no instance may set */
    public function locking(array $names): self
    {
        return new self(
            $this->id,
            $this->recipe,
            array_values(array_intersect(array_map(strval(...), array_keys($this->recipe->sizes)), $names)),
            $this->from,
        );
    }

    /**
     * Sizes an instance may set.
     *
     * @return array<string, string> as typed
     */
    public function settable(): array
    {
        return array_diff_key($this->recipe->sizes, array_flip($this->locked));
    }

    /** @return list<string> ids of the groups its steps place */
    public function places(): array
    {
        return array_values(
            array_unique(
                array_map(
                    static fn(Step $s): string => $s->text('group'),
                    array_filter($this->recipe->steps, static fn(Step $s): bool => $s->kind->placesGroup()),
                ),
            ),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $a = $this->recipe->toArray();
        unset($a['format']);

        return $a +
            ($this->locked !== [] ? ['locked' => $this->locked] : []) +
            ($this->from !== null
                ? ['from' => ['part' => $this->from->part, 'author' => $this->from->author, 'version' => $this->from->version]]
                : []);
    }
}
