<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Drawing\FeatureEdges;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Preview;
use Cubo\Solid\Solid;

/** A preview as numbers for the stage, thousandths of a millimetre at the finest. */
final class PreviewJson
{
    /** @return array{added: array<string, list<float>>|null, removed: array<string, list<float>>|null, arrows: list<Arrow>, areas: list<array<string, mixed>>, lies: string} */
    public static function of(Preview $p): array
    {
        return [
            'added' => self::mesh($p->added),
            'removed' => self::mesh($p->removed),
            'arrows' => $p->arrows,
            'areas' => $p->areas,
            'lies' => $p->lies,
        ];
    }

    /** @return array{triangles: list<float>, lines: list<float>}|null corners of triangles and ends of edges, x y z each */
    private static function mesh(?Solid $s): ?array
    {
        if ($s === null) {
            return null;
        }
        $triangles = $lines = [];
        foreach ($s->start as $v) {
            array_push($triangles, round($s->x[$v], 3), round($s->y[$v], 3), round($s->z[$v], 3));
        }
        foreach (FeatureEdges::of($s)->sharp as $h) {
            foreach ([$s->start[$h], $s->start[$s->twin[$h]]] as $v) {
                array_push($lines, round($s->x[$v], 3), round($s->y[$v], 3), round($s->z[$v], 3));
            }
        }

        return ['triangles' => $triangles, 'lines' => $lines];
    }
}
