<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/**
 * The colours of a part's faces. A face has its own, or else that of its step (painted as "s1:*"); a face in a group has
 * the colour it has there, a face of a copy or mirror image that of the face it was copied from.
 */
final class Paint
{
    /** What stands for all faces of a step. */
    public const ALL = '*';

    /**
     * @param iterable<string> $faces names of faces
     * @return array<string, string> colours by name; bare faces are not in it
     */
    public static function of(Recipe $recipe, iterable $faces): array
    {
        $out = [];
        foreach ($faces as $face) {
            $colour = self::colour($recipe, $face);
            if ($colour !== null) {
                $out[$face] = $colour;
            }
        }

        return $out;
    }

    /** Whether there is any paint, so that looking is worth while. */
    public static function any(Recipe $recipe): bool
    {
        return $recipe->paint !== [] || array_filter($recipe->groups, static fn(Group $g): bool => $g->recipe->paint !== []) !== [];
    }

    public static function colour(Recipe $recipe, string $face): ?string
    {
        [$id, $role] = explode(':', $face, 2) + [1 => ''];
        $own = $recipe->paint[$face] ?? ($recipe->paint["$id:" . self::ALL] ?? null);
        if ($own !== null) {
            return $own;
        }
        $step = str_starts_with($role, 'in/') ? $recipe->step($id) : null;
        if ($step !== null) {
            $group = $recipe->groups[$step->text('group')] ?? null;

            return $group === null ? null : self::colour($group->within($recipe), substr($role, 3));
        }

        return preg_match('#^[^/]*/([a-z0-9]+:.+)$#', $role, $m) ? self::colour($recipe, $m[1]) : null;
    }
}
