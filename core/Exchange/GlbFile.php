<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Drawing\FeatureEdges;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceEquation;

/**
 * glTF 2.0 binary (ISO/IEC 12113:2022) for the screen. Units are millimetres and z is up, as the stage expects.
 * Primitive 0: triangles with POSITION, NORMAL (of the true surface) and _FACE (index into extras.faces).
 * Primitive 1: sharp edges as lines, with _EDGE (index into extras.edges). Primitive 2: edges inside round faces with _NA and _NB, the normals on both
 * sides, from which the stage tells the outline.
 */
final class GlbFile
{
    public static function write(Solid $s): string
    {
        $position = $normal = $face = [];
        foreach ($s->facet as $t => $f) {
            $surface = $s->surfaces[$s->surfaceOf[$f]];
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            $flat = $surface->isFlat();
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $s->start[$h];
                $p = [$s->x[$v], $s->y[$v], $s->z[$v]];
                $position[] = $p[0];
                $position[] = $p[1];
                $position[] = $p[2];
                $o = $flat ? $n : SurfaceEquation::outward($surface, $p, $n);
                $normal[] = $o[0];
                $normal[] = $o[1];
                $normal[] = $o[2];
                $face[] = $s->surfaceOf[$f];
            }
        }
        $edges = FeatureEdges::of($s);
        $sharp = $round = $na = $nb = $edge = [];
        [$names, $edgeOf] = self::named($s);
        foreach ($edges->sharp as $h) {
            self::pushEdge($s, $h, $sharp);
            array_push($edge, $edgeOf[$h] ?? -1, $edgeOf[$h] ?? -1);
        }
        foreach ($edges->round as $h) {
            self::pushEdge($s, $h, $round);
            $f = $s->facet[intdiv($h, 3)];
            $g = $s->facet[intdiv($s->twin[$h], 3)];
            for ($k = 0; $k < 2; $k++) {
                array_push($na, $s->nx[$f], $s->ny[$f], $s->nz[$f]);
                array_push($nb, $s->nx[$g], $s->ny[$g], $s->nz[$g]);
            }
        }
        $json = [
            'asset' => ['version' => '2.0', 'generator' => 'Cubo'],
            'scene' => 0,
            'scenes' => [['nodes' => [0]]],
            'nodes' => [['mesh' => 0]],
            'buffers' => [],
            'bufferViews' => [],
            'accessors' => [],
            'meshes' => [['primitives' => []]],
        ];
        $bin = '';
        $accessor = static function (array $values, string $type) use (&$json, &$bin): int {
            $width = $type === 'VEC3' ? 3 : 1;
            $bytes = pack('g*', ...$values);
            $json['bufferViews'][] = ['buffer' => 0, 'byteOffset' => strlen($bin), 'byteLength' => strlen($bytes)];
            $a = [
                'bufferView' => count($json['bufferViews']) - 1,
                'componentType' => 5126,
                'count' => intdiv(count($values), $width),
                'type' => $type,
            ];
            if ($width === 3) {
                $low = $high = [$values[0] ?? 0.0, $values[1] ?? 0.0, $values[2] ?? 0.0];
                foreach ($values as $i => $v) {
                    $k = $i % 3;
                    if ($v < $low[$k]) {
                        $low[$k] = $v;
                    } elseif ($v > $high[$k]) {
                        $high[$k] = $v;
                    }
                }
                [$a['min'], $a['max']] = [$low, $high];
            }
            $json['accessors'][] = $a;
            $bin .= $bytes;

            return count($json['accessors']) - 1;
        };
        if ($position !== []) {
            $json['meshes'][0]['primitives'][] = [
                'mode' => 4,
                'attributes' => [
                    'POSITION' => $accessor($position, 'VEC3'),
                    'NORMAL' => $accessor($normal, 'VEC3'),
                    '_FACE' => $accessor($face, 'SCALAR'),
                ],
                'extras' => ['faces' => array_map(static fn($u): string => $u->name, $s->surfaces)],
            ];
        }
        if ($sharp !== []) {
            $json['meshes'][0]['primitives'][] = [
                'mode' => 1,
                'attributes' => ['POSITION' => $accessor($sharp, 'VEC3'), '_EDGE' => $accessor($edge, 'SCALAR')],
                'extras' => ['edges' => $names],
            ];
        }
        if ($round !== []) {
            $json['meshes'][0]['primitives'][] = [
                'mode' => 1,
                'attributes' => ['POSITION' => $accessor($round, 'VEC3'), '_NA' => $accessor($na, 'VEC3'), '_NB' => $accessor($nb, 'VEC3')],
            ];
        }
        if ($position === []) {
            // an empty scene: glTF allows no mesh without primitives
            unset($json['meshes'], $json['nodes'], $json['bufferViews'], $json['accessors'], $json['buffers']);
            $json['scenes'] = [new \stdClass()];
        } else {
            $json['buffers'][] = ['byteLength' => strlen($bin)];
        }
        $text = (string) json_encode($json, JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
        $text .= str_repeat(' ', (4 - (strlen($text) % 4)) % 4);
        $chunks = pack('VV', strlen($text), 0x4e4f534a) . $text;
        if ($bin !== '') {
            $chunks .= pack('VV', strlen($bin), 0x004e4942) . $bin;
        }

        return pack('VVV', 0x46546c67, 2, 12 + strlen($chunks)) . $chunks;
    }

    /** @return array{list<string>, array<int, int>} names of the edges, and which one a half-edge belongs to */
    private static function named(Solid $s): array
    {
        $names = $edgeOf = [];
        if (in_array(-1, $s->twin, true)) {
            return [[], []];
        }
        foreach (Topology::of($s)->edges as $name => $edge) {
            foreach ($edge->halfEdges as $h) {
                $edgeOf[$h] = $edgeOf[$s->twin[$h]] = count($names);
            }
            $names[] = $name;
        }

        return [$names, $edgeOf];
    }

    /** @param list<float> $out */
    private static function pushEdge(Solid $s, int $h, array &$out): void
    {
        foreach ([$s->start[$h], $s->start[$h % 3 === 2 ? $h - 2 : $h + 1]] as $v) {
            array_push($out, $s->x[$v], $s->y[$v], $s->z[$v]);
        }
    }
}
