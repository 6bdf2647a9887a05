<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Sketch\Draw\Pen;
use Cubo\Sketch\Entity;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;
use InvalidArgumentException;

/** Lines of a sketch that are edges of the part, and stay with them when the part changes. */
final class EdgesTakenOver
{
    public static function any(Sketch $s): bool
    {
        return $s->followed() !== [];
    }

    /**
     * @param array<string, PartEdge> $edges
     * @param list<string> $keys
     *
     * @throws InvalidArgumentException
     */
    public static function take(Sketch $s, array $edges, array $keys, Role $role = Role::Outline): Sketch
    {
        $there = array_map(static fn(Entity $e): string => $e->edge, $s->entities);
        $pen = new Pen($s);
        $new = array_values(array_diff(array_unique($keys), $there));
        if ($new === []) {
            throw new InvalidArgumentException($keys === [] ? 'There is no edge to take over.' : 'This is taken over already.');
        }
        foreach ($new as $key) {
            $edge = $edges[$key] ?? throw new InvalidArgumentException('This edge is not there any more.');
            $points = array_map(static fn(array $p): string => $pen->at($p[0], $p[1]), $edge->points);
            $pen->draw($edge->kind, $points, $edge->size, $role, '', $key);
        }

        return $pen->sketch;
    }

    /**
     * The sketch with its taken edges where the part has them now; what the part does not have any more, or has in
     * another shape, stays where it was.
     *
     * @param array<string, PartEdge> $edges
     * @return array{Sketch, list<string>} and the ids of those that are gone
     */
    public static function renewed(Sketch $s, array $edges): array
    {
        $gone = [];
        foreach ($s->entities as $e) {
            if ($e->edge === '') {
                continue;
            }
            $edge = $edges[$e->edge] ?? null;
            if ($edge === null || $edge->kind !== $e->kind) {
                $gone[] = $e->id;

                continue;
            }
            foreach ($e->points as $i => $p) {
                $s = $s->withPoint($p, ...$edge->points[$i]);
            }
            $s = $s->withEntity($e->sized($edge->size));
        }

        return [$s, $gone];
    }
}
