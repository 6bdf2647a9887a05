<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Solid;

/** Faces and edges of the part that a step picks. */
final class Picked
{
    /**
     * @return list<string> names
     *
     * @throws StepProblem
     */
    public static function faces(Task $t, string $key = 'faces'): array
    {
        return $t->picked($key, self::faceNames($t->part), 'face');
    }

    /**
     * Picked edges, and those around picked faces.
     *
     * @return list<string> names
     *
     * @throws StepProblem
     */
    public static function edges(Task $t): array
    {
        $topology = Topology::of($t->part);
        $around = [];
        if ($t->step->names('faces') !== []) {
            $faces = self::faces($t);
            foreach ($topology->edges as $name => $e) {
                if (array_intersect([$t->part->surfaces[$e->left]->name, $t->part->surfaces[$e->right]->name], $faces) !== []) {
                    $around[] = $name;
                }
            }
        }
        $edges = $t->step->names('edges') === [] && $around !== [] ? [] : $t->picked('edges', $topology->edges, 'edge');

        return array_values(array_unique([...$edges, ...$around]));
    }

    /**
     * A step with what it picks of one body only.
     *
     * @return array{Step, int, int} how much that is, and how much it picks in all
     */
    public static function ofBody(Step $step, Solid $body): array
    {
        $faces = self::faceNames($body);
        $edges = array_fill_keys(array_map(strval(...), array_keys(Topology::of($body)->edges)), true);
        $of = $all = 0;
        foreach (['faces' => $faces, 'others' => $faces, 'edges' => $edges] as $key => $names) {
            $picked = array_values(array_filter($step->names($key), static fn(string $n): bool => isset($names[$n])));
            $all += count($step->names($key));
            $of += count($picked);
            $step = $step->with($key, $picked);
        }

        return [$step, $of, $all];
    }

    /** @return array<string, true> */
    private static function faceNames(Solid $s): array
    {
        $out = [];
        // a body taken out of a part still knows surfaces it has no triangle of
        foreach (array_unique($s->facet) as $f) {
            $out[$s->surfaces[$s->surfaceOf[$f]]->name] = true;
        }

        return $out;
    }
}
