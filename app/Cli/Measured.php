<?php

declare(strict_types=1);

namespace App\Cli;

use Cubo\Measure\Features;
use Cubo\Measure\Hole;
use Cubo\Measure\MeshFaults;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\Standing;
use Cubo\Measure\Symmetry;
use Cubo\Printing\Islands;
use Cubo\Printing\Overhang;

/** What `cubo measure --json` tells beside the masses: features, symmetry, faults of the mesh, and how it would print. */
final class Measured
{
    /** @return array<string, mixed> */
    public static function of(PartMeasures $m): array
    {
        $s = $m->solid;
        if ($s->isEmpty()) {
            return [
                'holes' => [],
                'bosses' => [],
                'symmetry' => ['x' => true, 'y' => true, 'z' => true],
                'shells' => 0,
                'problems' => [],
                'print' => ['overhangArea' => 0.0, 'minWall' => null, 'baseArea' => 0.0, 'islands' => 0],
            ];
        }
        $bare = $s->surfaces !== [] && str_starts_with($s->surfaces[0]->name, 'file:');
        $features = Features::of($s, $m->tree());
        $alike = Symmetry::alike($m->bounds());
        $wall = $m->wall()->thinnest;

        return [
            'holes' => array_map(static fn(Hole $h): array => self::round($h) + ['through' => $h->through], $features->holes),
            'bosses' => array_map(self::round(...), $features->bosses),
            'symmetry' => array_combine(
                ['x', 'y', 'z'],
                array_map(static fn(int $k): bool => $m->symmetry($k)->deviation <= $alike, [0, 1, 2]),
            ),
            'shells' => MeshFaults::shells($s),
            'problems' => $bare ? MeshFaults::ofFile($s) : MeshFaults::of($s),
            'print' => [
                'overhangArea' => Overhang::area($s),
                'minWall' => is_finite($wall) ? $wall : null,
                'baseArea' => $bare ? Standing::of($m)->base : Standing::trueBase($m),
                'islands' => count(Islands::of($s)),
            ],
        ];
    }

    /** @return array{diameter: float, axis: array{point: array{float,float,float}, direction: array{float,float,float}}, depth: float} */
    private static function round(Hole $h): array
    {
        return ['diameter' => 2 * $h->radius, 'axis' => ['point' => $h->point, 'direction' => $h->axis], 'depth' => $h->depth()];
    }
}
