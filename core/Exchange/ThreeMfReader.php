<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Budget\Budget;
use Cubo\Solid\Solid;
use XMLReader;
use ZipArchive;

/**
 * Reads 3MF by the 3MF Consortium's Core Specification 1.3: meshes, components and build items with their transforms, in
 * the unit the file states. Extensions are passed over.
 */
final class ThreeMfReader
{
    /** millimetres per unit */
    private const UNITS = [
        'micron' => 0.001,
        'millimeter' => 1.0,
        'centimeter' => 10.0,
        'inch' => 25.4,
        'foot' => 304.8,
        'meter' => 1000.0,
    ];

    /** bytes a package may unpack to: what would be more is no part but an attack */
    private const MOST_BYTES = 80_000_000;

    private const MOST_NESTED = 16;

    /** objects in their places; empty ones inside each other would be very many */
    private const MOST_PLACED = 5000;

    private const NONE = [1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0];

    private int $placed = 0;

    private int $corners = 0;

    private float $scale = 1.0;

    /** @var array<string, array{points: list<float>, triangles: list<int>, components: list<array{string, list<float>}>}> */
    private array $objects = [];

    /** @var list<array{string, list<float>}> */
    private array $items = [];

    private readonly MeshWelding $mesh;

    private function __construct(private readonly Budget $budget)
    {
        $this->mesh = new MeshWelding($budget);
    }

    /** @throws UnreadableFile */
    public static function read(string $bytes, ?Budget $budget = null): Solid
    {
        $r = new self($budget ?? Budget::unlimited());
        $r->model(self::unzipped($bytes));
        foreach (
            $r->items === []
                ? array_map(static fn(string $id): array => [$id, self::NONE], array_map(strval(...), array_keys($r->objects)))
                : $r->items
            as [$id, $transform]
        ) {
            $r->place($id, [$transform], 0);
        }
        // given back before the solid is made
        $r->objects = [];

        return $r->mesh->solid($r->scale);
    }

    private static function unzipped(string $bytes): string
    {
        $path = tempnam(sys_get_temp_dir(), 'cubo');
        if ($path === false || file_put_contents($path, $bytes) === false) {
            throw new UnreadableFile('The 3MF package could not be opened.');
        }
        $zip = new ZipArchive();
        $open = false;
        try {
            $open = $zip->open($path, ZipArchive::RDONLY) === true;
            if (!$open) {
                throw new UnknownFile('This is no 3MF package.');
            }
            $rels = self::file($zip, '_rels/.rels');
            $name =
                $rels !== null &&
                preg_match('#<Relationship\b[^>]*Type="[^"]*/3dmodel"[^>]*>#', $rels, $m) &&
                preg_match('#Target="/?([^"]+)"#', $m[0], $t)
                    ? $t[1]
                    : '3D/3dmodel.model';

            return self::file($zip, $name) ?? throw new UnknownFile('This is no 3MF package.');
        } finally {
            if ($open) {
                $zip->close();
            }
            @unlink($path);
        }
    }

    private static function file(ZipArchive $zip, string $name): ?string
    {
        $stat = $zip->statName($name);
        if ($stat === false) {
            return null;
        }
        if ($stat['size'] > self::MOST_BYTES) {
            throw new UnreadableFile('The 3MF package unpacks to more than a part can be.');
        }
        // room is taken for as much as is asked for; what the package says of its size need not be true
        $text = $zip->getFromName($name, (int) $stat['size'] + 1);
        if ($text !== false && strlen($text) > $stat['size']) {
            throw new UnreadableFile('The 3MF package is damaged: it holds more than it says.');
        }

        return $text === false || $text === '' ? null : $text;
    }

    private function model(string $xml): void
    {
        // a document type is where entities come from; a model needs none
        if (preg_match('/<!DOCTYPE|<!ENTITY/i', substr($xml, 0, 4096)) || str_contains($xml, '<!ENTITY')) {
            throw new UnreadableFile('The 3MF model holds a document type, which no part needs.');
        }
        $x = new XMLReader();
        $before = libxml_use_internal_errors(true);
        try {
            if (!$x->XML($xml, null, LIBXML_NONET | LIBXML_COMPACT)) {
                throw new UnreadableFile('The 3MF model cannot be read.');
            }
            $id = null;
            while (@$x->read()) {
                $this->budget->spend(1);
                if ($x->nodeType !== XMLReader::ELEMENT) {
                    continue;
                }
                $a = static fn(string $key): string => (string) $x->getAttribute($key);
                switch ($x->localName) {
                    case 'model':
                        $this->scale =
                            self::UNITS[$a('unit') ?: 'millimeter'] ??
                            throw new UnreadableFile("The 3MF model is in a unit that is not known: “{$a('unit')}”.");
                        break;
                    case 'object':
                        if (count($this->objects) >= self::MOST_PLACED) {
                            throw new UnreadableFile('The 3MF model holds more than ' . self::MOST_PLACED . ' objects.');
                        }
                        $id = $a('id');
                        $this->objects[$id] = ['points' => [], 'triangles' => [], 'components' => []];
                        break;
                    case 'vertex':
                        if ($id !== null) {
                            if (++$this->corners > MeshWelding::MOST_POINTS) {
                                throw new UnreadableFile('The 3MF model holds more than ' . MeshWelding::MOST_POINTS . ' corners.');
                            }
                            array_push($this->objects[$id]['points'], self::number($a('x')), self::number($a('y')), self::number($a('z')));
                        }
                        break;
                    case 'triangle':
                        if ($id !== null) {
                            array_push(
                                $this->objects[$id]['triangles'],
                                self::whole($a('v1')),
                                self::whole($a('v2')),
                                self::whole($a('v3')),
                            );
                            if (count($this->objects[$id]['triangles']) > 3 * MeshWelding::MOST_TRIANGLES) {
                                throw new UnreadableFile('The 3MF model holds more than ' . MeshWelding::MOST_TRIANGLES . ' triangles.');
                            }
                        }
                        break;
                    case 'component':
                        if ($id !== null) {
                            $this->objects[$id]['components'][] = [$a('objectid'), self::transform($a('transform'))];
                        }
                        break;
                    case 'item':
                        $this->items[] = [$a('objectid'), self::transform($a('transform'))];
                        break;
                }
            }
            if (libxml_get_errors() !== []) {
                throw new UnreadableFile('The 3MF model is damaged: its XML does not end as it should.');
            }
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
            $x->close();
        }
    }

    /** @param list<list<float>> $transforms the innermost first */
    private function place(string $id, array $transforms, int $depth): void
    {
        $object = $this->objects[$id] ?? throw new UnreadableFile('The 3MF model places an object that is not there.');
        if ($depth > self::MOST_NESTED) {
            throw new UnreadableFile('The 3MF model holds objects inside each other without end.');
        }
        if (++$this->placed > self::MOST_PLACED) {
            throw new UnreadableFile('The 3MF model places more than ' . self::MOST_PLACED . ' objects.');
        }
        $this->budget->spend(100);
        $first = $this->mesh->points();
        $points = $object['points'];
        for ($i = 0, $n = count($points); $i < $n; $i += 3) {
            $p = [$points[$i], $points[$i + 1], $points[$i + 2]];
            foreach ($transforms as $t) {
                // row vectors, as the specification has them
                $p = [
                    $p[0] * $t[0] + $p[1] * $t[3] + $p[2] * $t[6] + $t[9],
                    $p[0] * $t[1] + $p[1] * $t[4] + $p[2] * $t[7] + $t[10],
                    $p[0] * $t[2] + $p[1] * $t[5] + $p[2] * $t[8] + $t[11],
                ];
            }
            $this->mesh->point($p[0], $p[1], $p[2]);
        }
        $corners = $object['triangles'];
        for ($i = 0, $n = count($corners); $i < $n; $i += 3) {
            if (3 * max($corners[$i], $corners[$i + 1], $corners[$i + 2]) >= count($points)) {
                throw new UnreadableFile('A triangle names a corner that is not there.');
            }
            $this->mesh->triangle($first + $corners[$i], $first + $corners[$i + 1], $first + $corners[$i + 2]);
        }
        foreach ($object['components'] as [$part, $t]) {
            $this->place($part, [$t, ...$transforms], $depth + 1);
        }
    }

    /** @return list<float> twelve numbers */
    private static function transform(string $text): array
    {
        if (trim($text) === '') {
            return self::NONE;
        }
        $t = array_map(self::number(...), preg_split('/\s+/', trim($text)) ?: []);

        return count($t) === 12 ? $t : throw new UnreadableFile('The 3MF model holds a transform that is none.');
    }

    private static function number(string $text): float
    {
        return is_numeric($text) ? (float) $text : throw new UnreadableFile('The 3MF model holds a corner that is no number.');
    }

    private static function whole(string $text): int
    {
        return preg_match('/^\d{1,9}$/', $text)
            ? (int) $text
            : throw new UnreadableFile('The 3MF model holds a triangle that names no corner.');
    }
}
