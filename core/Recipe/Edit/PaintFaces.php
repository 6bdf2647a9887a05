<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Paint;
use Cubo\Recipe\Recipe;

/** Faces painted, or all of the shape or body they are of. */
final class PaintFaces extends Edit
{
    public function id(): string
    {
        return 'paint';
    }

    public function rules(): array
    {
        return ['of' => Rule::names(Limits::NAME), 'what' => Rule::text(10), 'colour' => Rule::text(20)];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Editing::paint($r, self::faces($r, $in->names(), $in->text('what'), $bench), $in->text('colour'));
    }

    /**
     * @param list<string> $faces
     * @return list<string>
     */
    private static function faces(Recipe $r, array $faces, string $what, Bench $bench): array
    {
        if ($what === 'shape') {
            return array_map(static fn(string $face): string => explode(':', $face)[0] . ':' . Paint::ALL, $faces);
        }
        $state = $bench->made($r);
        if ($what !== 'body' || $state->isEmpty()) {
            return $faces;
        }
        $of = $bench->bodies($state);
        $bodies = array_map(static fn(string $f): string => $of[$f] ?? '', $faces);

        return [
            ...$faces,
            ...array_map(strval(...), array_keys(array_filter($of, static fn(string $b): bool => in_array($b, $bodies, true)))),
        ];
    }
}
