<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceKind;

/** What was found in the facets of a file: how many faces of each kind, how wide, and how far the facets' corners lie off them. */
final readonly class FoundFaces
{
    /**
     * @param array<string, int> $count faces by kind, as SurfaceKind calls them
     * @param list<float> $diameters of cylinders, mm, each once, widest first
     * @param float $residual the farthest corner, mm; 0 where nothing round was found
     */
    private function __construct(public array $count, public array $diameters, public float $residual) {}

    public static function in(Solid $known): self
    {
        $count = $wide = [];
        foreach (array_unique(array_intersect_key($known->surfaceOf, array_flip($known->facet))) as $i) {
            $s = $known->surfaces[$i];
            $count[$s->kind->value] = ($count[$s->kind->value] ?? 0) + 1;
            if ($s->kind === SurfaceKind::Cylinder) {
                $wide[(string) round(2 * $s->radius, 3)] = round(2 * $s->radius, 3);
            }
        }
        rsort($wide);
        $off = SurfaceRecognition::residuals($known);

        return new self($count, $wide, $off === [] ? 0.0 : max($off));
    }
}
