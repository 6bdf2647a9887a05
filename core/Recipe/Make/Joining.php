<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Measure\Bodies;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Boolean\Operation;
use Cubo\Solid\Solid;

/**
 * Solids put together while some bodies are to stay apart even where they touch. A boolean over all of a part would join
 * bodies that share a face; so every body is worked on by itself, and what comes out stands side by side. Bodies never
 * overlap: where they would, the newer one gives way.
 */
final class Joining
{
    /**
     * A solid as a body of its own beside the part; several bodies, such as those of a group, stay several.
     *
     * @return Solid|null null when all of it lies inside the part
     */
    public static function apart(Solid $part, Solid $tool, ?Budget $budget = null): ?Solid
    {
        $left = self::each($tool, $part, Operation::Difference, $budget);

        return $left->isEmpty() ? null : $part->beside($left);
    }

    /** What a step adds becomes one with every body it touches, and with no other. */
    public static function added(Solid $part, Solid $tool, ?Budget $budget = null): Solid
    {
        $bodies = self::bodies($part);
        $pieces = self::bodies($tool);
        // which of several pieces touches which of several bodies is told piece by piece
        if (count($pieces) > 1 && count($bodies) > 1) {
            return array_reduce($pieces, static fn(Solid $all, Solid $piece): Solid => self::added($all, $piece, $budget), $part);
        }
        $others = [];
        $joined = $tool;
        foreach ($bodies as $body) {
            $budget?->spend($tool->triangleCount());
            $both = self::near($body, $tool) ? BooleanOperation::union($tool, $body, $budget) : null;
            if ($both === null || count(Bodies::of($both)) >= count($pieces) + 1) {
                $others[] = $body;
            } else {
                // only what touches the step itself: bodies that touch each other stay apart
                $joined = $joined === $tool ? $both : BooleanOperation::union($joined, $body, $budget);
            }
        }

        return self::beside([...$others, $joined]);
    }

    /** A cut, or what both share, body by body. */
    public static function each(Solid $part, Solid $tool, Operation $op, ?Budget $budget = null): Solid
    {
        return self::changed(
            $part,
            static fn(Solid $body): Solid => self::near($body, $tool)
                ? BooleanOperation::run($body, $tool, $op, $budget)
                : ($op === Operation::Intersection
                    ? new Solid()
                    : $body),
        );
    }

    /** @param Closure(Solid): Solid $change */
    public static function changed(Solid $part, Closure $change): Solid
    {
        return self::beside(array_map($change, self::bodies($part)));
    }

    /** @return list<Solid> */
    public static function bodies(Solid $part): array
    {
        $all = Bodies::of($part);

        return count($all) === 1 ? [$part] : array_map(static fn(array $triangles): Solid => Bodies::extract($part, $triangles), $all);
    }

    /** @param list<Solid> $solids */
    public static function beside(array $solids): Solid
    {
        return Solid::sideBySide(array_values(array_filter($solids, static fn(Solid $s): bool => !$s->isEmpty())));
    }

    /** Whether the boxes around both touch. */
    public static function near(Solid $a, Solid $b): bool
    {
        [$p, $q] = [$a->vertexBox(), $b->vertexBox()];
        for ($k = 0; $k < 3; $k++) {
            if ($p[$k] > $q[$k + 3] + 1e-9 || $q[$k] > $p[$k + 3] + 1e-9) {
                return false;
            }
        }

        return true;
    }
}
