<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Measure\Recognition\Balls;
use Cubo\Measure\Recognition\Cones;
use Cubo\Measure\Recognition\Cylinders;
use Cubo\Measure\Recognition\FacetGraph;
use Cubo\Measure\Recognition\Plausible;
use Cubo\Measure\Recognition\Rings;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;

/**
 * Finds flat, cylindrical, conical, spherical and ring-shaped faces in a bare mesh, so that a part from elsewhere can be checked like
 * one built here. What is none of them stays facets, and so does all of a mesh that is too fine (PartMeasures::FINE).
 */
final class SurfaceRecognition
{
    /** Times that facets are set aside and looked through again. */
    private const MOST_TURNS = 4;

    /** Units, several times what parts of a lesson need. */
    private const MOST_WORK = 100_000_000;

    /** @param Budget|null $budget what looking may cost; where that does not do, all of it stays facets */
    public static function of(Solid $mesh, ?Budget $budget = null): Solid
    {
        if ($mesh->triangleCount() > PartMeasures::FINE) {
            return $mesh;
        }
        try {
            return self::known($mesh, $budget ?? new Budget(self::MOST_WORK, memory: Budget::ownMemory()));
        } catch (OverBudget $e) {
            return $e->limit->isOfThePart() ? $mesh : throw $e;
        }
    }

    /** @throws OverBudget */
    private static function known(Solid $mesh, Budget $budget): Solid
    {
        $graph = new FacetGraph($mesh, $budget);
        $aside = [];
        for ($turn = 0; ; $turn++) {
            $found = self::found($graph, $aside);
            $strange = [];
            foreach ($found as [$surface, $facets]) {
                $budget->spend(count($facets));
                $strange += array_fill_keys(Plausible::strangers($graph, $surface, $facets), true);
            }
            if ($strange === [] || $turn === self::MOST_TURNS) {
                break;
            }
            $aside += $strange;
        }
        // where a facet that cannot be its is left, the face is none
        $found = array_values(array_filter($found, static fn(array $f): bool => Plausible::strangers($graph, $f[0], $f[1]) === []));
        $known = self::solid($graph, $found);

        // nothing is measured worse than its facets
        return $found === [] || Plausible::holds($mesh, $known, $budget) ? $known : self::solid($graph, []);
    }

    /**
     * @param array<int, true> $aside facets that are flat for sure
     * @return list<array{Surface, list<int>}>
     */
    private static function found(FacetGraph $graph, array $aside): array
    {
        // what bends two ways comes first: every belt of it would pass for a cylinder or a cone
        $found = Balls::in($graph, $aside);
        array_push($found, ...Rings::in($graph, $aside + self::facets($found)));
        array_push($found, ...Cylinders::in($graph, $aside + self::facets($found)));
        array_push($found, ...Cones::in($graph, $aside + self::facets($found)));

        return $found;
    }

    /** @param list<array{Surface, list<int>}> $found */
    private static function solid(FacetGraph $graph, array $found): Solid
    {
        $mesh = $graph->mesh;
        $surfaces = $surfaceOf = [];
        foreach ($found as [$surface, $facets]) {
            foreach ($facets as $f) {
                $surfaceOf[$f] = count($surfaces);
            }
            $surfaces[] = $surface->renamed('file:round ' . (count($surfaces) + 1));
        }
        $round = count($surfaces);
        foreach ($graph->normal as $f => $_) {
            if (!isset($surfaceOf[$f])) {
                $surfaceOf[$f] = count($surfaces);
                $surfaces[] = Surface::plane('file:flat ' . (count($surfaces) - $round + 1));
            }
        }
        ksort($surfaceOf);

        return new Solid(
            $mesh->x,
            $mesh->y,
            $mesh->z,
            $mesh->start,
            $mesh->twin,
            $graph->facetOf,
            array_column($graph->normal, 0),
            array_column($graph->normal, 1),
            array_column($graph->normal, 2),
            $graph->offset,
            $surfaceOf,
            $surfaces,
        );
    }

    /**
     * How far the corners of the round faces lie off them at the most, mm: what the fit has left.
     *
     * @return array<string, float> by face
     */
    public static function residuals(Solid $known): array
    {
        $out = [];
        foreach ($known->facet as $t => $f) {
            $surface = $known->surfaces[$known->surfaceOf[$f]];
            if ($surface->isFlat()) {
                continue;
            }
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $known->start[$h];
                $out[$surface->name] = max(
                    $out[$surface->name] ?? 0.0,
                    abs(SurfaceEquation::distance($surface, [$known->x[$v], $known->y[$v], $known->z[$v]])),
                );
            }
        }

        return $out;
    }

    /**
     * @param list<array{Surface, list<int>}> $found
     * @return array<int, true>
     */
    private static function facets(array $found): array
    {
        $out = [];
        foreach ($found as [, $facets]) {
            $out += array_fill_keys($facets, true);
        }

        return $out;
    }
}
