<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Recipe\Kind\FieldType;

/** Which steps rest on which: through a sketch, a face, an edge, a body or a step they name. */
final class Reliance
{
    /** @var array<string, list<string>> by step: the steps it rests on */
    private array $on = [];

    /** @var list<Step> */
    private array $steps;

    public function __construct(Recipe $recipe)
    {
        $this->steps = $recipe->steps;
        $known = [];
        foreach ($recipe->steps as $s) {
            $known[$s->id] = true;
        }
        foreach ($recipe->steps as $s) {
            $named = [];
            foreach ($s->kind->fields() as $key => $field) {
                if (!$s->uses($key)) {
                    continue;
                }
                $text = $s->text($key);
                array_push(
                    $named,
                    ...match ($field->type) {
                        FieldType::Sketch, FieldType::MaybeSketch, FieldType::Step => [$text],
                        FieldType::Body => $text === 'all' ? [] : [explode('.', $text)[0]],
                        FieldType::Face, FieldType::Edge, FieldType::Spot => self::steps([$text]),
                        FieldType::Sketches => $s->names($key),
                        FieldType::Faces, FieldType::Edges => self::steps($s->names($key)),
                        FieldType::Drawing => self::steps(
                            array_map(static fn($e): string => $e->edge, array_values($s->drawn()->entities)),
                        ),
                        default => [],
                    },
                );
            }
            $this->on[$s->id] = array_values(
                array_unique(array_filter($named, static fn(string $id): bool => isset($known[$id]) && $id !== $s->id)),
            );
        }
    }

    /**
     * @param list<string> $names of faces or edges
     * @return list<string>
     */
    private static function steps(array $names): array
    {
        $out = [];
        foreach ($names as $name) {
            foreach (explode(' / ', $name) as $face) {
                $out[] = explode(':', $face)[0];
            }
        }

        return $out;
    }

    /** @return list<string> ids of the steps a step rests on */
    public function of(string $id): array
    {
        return $this->on[$id] ?? [];
    }

    /** @return list<string> ids of the steps that rest on it */
    public function on(string $id): array
    {
        return array_map(strval(...), array_keys(array_filter($this->on, static fn(array $list): bool => in_array($id, $list, true))));
    }

    /**
     * What keeps a step from going to another place in the log: the nearest step in the way that it rests on, or that
     * rests on it; null when it may go there.
     *
     * @param int $places up (negative) or down the log
     */
    public function inTheWay(string $id, int $places): ?Step
    {
        $at = null;
        foreach ($this->steps as $i => $s) {
            if ($s->id === $id) {
                $at = $i;
            }
        }
        if ($at === null) {
            return null;
        }
        $ties = $places < 0 ? $this->of($id) : $this->on($id);
        for ($k = 1; $k <= abs($places); $k++) {
            $s = $this->steps[$at + ($places < 0 ? -$k : $k)] ?? null;
            if ($s !== null && in_array($s->id, $ties, true)) {
                return $s;
            }
        }

        return null;
    }
}
