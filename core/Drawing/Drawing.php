<?php

declare(strict_types=1);

namespace Cubo\Drawing;

use Cubo\Measure\Bounds;
use Cubo\Measure\PartMeasures;

/** The views of one part, ready to be laid on a sheet. A value that caches may keep. */
final readonly class Drawing
{
    /** @param array<string, ViewLines> $views by view name */
    public function __construct(public array $views, public Bounds $bounds) {}

    public static function of(PartMeasures $part): self
    {
        $edges = FeatureEdges::of($part->solid);
        $views = [];
        foreach (View::cases() as $view) {
            $views[$view->value] = HiddenLines::draw($part->solid, $view, $part->tree(), $edges);
        }

        return new self($views, $part->bounds());
    }
}
