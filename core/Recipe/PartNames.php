<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Solid;

/** Words for the faces and edges of a part: what a face is, and of which step. */
final class PartNames
{
    /** @return array<string, string> words by name; flat faces only, or all of them */
    public static function faces(Solid $part, Recipe $recipe, bool $flatOnly = false): array
    {
        $out = [];
        foreach ($part->surfaces as $s) {
            if (!$flatOnly || $s->isFlat()) {
                $out[$s->name] = self::face($s->name, $recipe);
            }
        }

        return $out;
    }

    /** @return array<string, string> */
    public static function edges(Solid $part, Recipe $recipe): array
    {
        $out = [];
        foreach (Topology::of($part)->edges as $name => $_) {
            $out[$name] = self::edge($name, $recipe);
        }

        return $out;
    }

    public static function face(string $name, Recipe $recipe): string
    {
        [$id, $role] = explode(':', $name, 2) + [1 => ''];
        $step = $recipe->step($id);
        // in a group it is called as it is there
        $group = $step === null || !str_starts_with($role, 'in/') ? null : $recipe->groups[$step->text('group')] ?? null;
        if ($step !== null && $group !== null) {
            return self::face(substr($role, 3), $group->within($recipe)) . ' in ' . $step->name;
        }
        // a face inside a hollow lies behind one that has a name of its own
        if (preg_match('/^inside of ([a-z0-9]+:.+)$/', $role, $m)) {
            return 'inside of ' . self::face($m[1], $recipe);
        }
        // of a copy or mirror image the face it was copied from says what it is
        if (preg_match('#^([^/]*)/([a-z0-9]+:(.+))$#', $role, $m)) {
            return (str_contains($m[3], '/') ? self::face($m[2], $recipe) : $m[3]) . ", $m[1] in " . ($step->name ?? $id);
        }

        // a face over a line of a sketch is known by that line
        if ($step !== null && $step->kind->has('regions') && !preg_match('/^(start|end)( |$)/', $role)) {
            $role = "side $role";
        }

        return trim($role . ' of ' . ($step->name ?? $id));
    }

    public static function edge(string $name, Recipe $recipe): string
    {
        $number =
            preg_match('/ (\d+)$/', $name, $m) &&
            str_contains(substr($name, 0, -strlen($m[0])), ' / ') &&
            !str_ends_with($name, ' side' . $m[0])
                ? $m[0]
                : '';
        [$a, $b] = array_map(
            static fn(string $f): string => self::face($f, $recipe),
            explode(' / ', $number === '' ? $name : substr($name, 0, -strlen($number)), 2) + [1 => ''],
        );
        // "top and front of Block" where both are of one step
        $of = substr($a, (int) strrpos($a, ' of '));
        if (str_ends_with($b, $of) && str_contains($a, ' of ')) {
            $a = substr($a, 0, -strlen($of));
        }

        return "$a and $b" . ($number === '' ? '' : ',' . $number);
    }

    /** @return array<string, string> words by the name of a corner */
    public static function corners(Solid $part, Recipe $recipe): array
    {
        $out = [];
        foreach (PartCorners::of($part) as $name => $_) {
            $out[$name] = self::corner($name, $recipe);
        }

        return $out;
    }

    public static function corner(string $name, Recipe $recipe): string
    {
        $number = preg_match('/ (\d+)$/', $name, $m) && !str_ends_with($name, ' side' . $m[0]) ? $m[0] : '';
        $faces = array_map(
            static fn(string $f): string => self::face($f, $recipe),
            explode(' / ', $number === '' ? $name : substr($name, 0, -strlen($number))),
        );
        $of = substr($faces[0], (int) strrpos($faces[0], ' of '));
        $last = count($faces) - 1;
        if (array_filter($faces, static fn(string $f): bool => !str_ends_with($f, $of) || !str_contains($f, ' of ')) === []) {
            $faces = array_map(static fn(string $f): string => substr($f, 0, -strlen($of)), $faces);
            $faces[$last] .= $of;
        }

        return 'corner of ' .
            implode(', ', array_slice($faces, 0, $last)) .
            ' and ' .
            $faces[$last] .
            ($number === '' ? '' : ',' . $number);
    }

    /** Words for a face, an edge or a corner. */
    public static function any(string $name, Recipe $recipe): string
    {
        return match (substr_count($name, ' / ')) {
            0 => self::face($name, $recipe),
            1 => self::edge($name, $recipe),
            default => self::corner($name, $recipe),
        };
    }
}
