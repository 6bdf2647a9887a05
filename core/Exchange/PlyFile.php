<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Budget\Budget;
use Cubo\Solid\Solid;

/**
 * PLY 1.0 as described by G. Turk, "The PLY Polygon File Format", 1994 (from memory): ASCII and binary in both orders of
 * bytes. Of its elements the corners and the faces are read. A face with more than three corners is cut into a fan.
 */
final class PlyFile
{
    /** bytes and the letter of unpack, little and big endian */
    private const TYPES = [
        'char' => [1, 'c', 'c'],
        'int8' => [1, 'c', 'c'],
        'uchar' => [1, 'C', 'C'],
        'uint8' => [1, 'C', 'C'],
        'short' => [2, 'v', 'n'],
        'int16' => [2, 'v', 'n'],
        'ushort' => [2, 'v', 'n'],
        'uint16' => [2, 'v', 'n'],
        'int' => [4, 'V', 'N'],
        'int32' => [4, 'V', 'N'],
        'uint' => [4, 'V', 'N'],
        'uint32' => [4, 'V', 'N'],
        'float' => [4, 'g', 'G'],
        'float32' => [4, 'g', 'G'],
        'double' => [8, 'e', 'E'],
        'float64' => [8, 'e', 'E'],
    ];

    private const SIGNED = ['short' => 16, 'int16' => 16, 'int' => 32, 'int32' => 32];

    /** list properties a face's corners may be called */
    private const CORNERS = ['vertex_indices', 'vertex_index'];

    private int $at;

    private string $format = '';

    private function __construct(private readonly string $bytes) {}

    /**
     * @param float $scale millimetres per unit of the file
     *
     * @throws UnreadableFile
     */
    public static function read(string $bytes, float $scale = 1.0, ?Budget $budget = null): Solid
    {
        $w = new MeshWelding($budget);
        (new self($bytes))->body($w, $budget);

        return $w->solid($scale);
    }

    private function body(MeshWelding $w, ?Budget $budget): void
    {
        $elements = $this->header();
        if ($this->format === 'ascii') {
            $this->at += strspn($this->bytes, " \t\r\n", $this->at);
        }
        foreach ($elements as [$name, $count, $properties]) {
            // also what is passed over is gone through, and may have no bytes of its own
            for ($i = 0; $i < $count; $i++) {
                $budget?->spend(1);
                $row = [];
                foreach ($properties as [$key, $type, $listed]) {
                    if ($listed === null) {
                        $row[$key] = $this->value($type);

                        continue;
                    }
                    $n = (int) $this->value($listed);
                    if ($n < 0 || $n > 10_000) {
                        throw new UnreadableFile('The PLY file holds a list that is too long.');
                    }
                    $budget?->spend($n);
                    $list = [];
                    for ($k = 0; $k < $n; $k++) {
                        $list[] = $this->value($type);
                    }
                    $row[$key] = $list;
                }
                if ($name === 'vertex') {
                    $point = array_map(static fn(string $k): mixed => $row[$k] ?? null, ['x', 'y', 'z']);
                    if (!is_float($point[0]) || !is_float($point[1]) || !is_float($point[2])) {
                        throw new UnreadableFile('The PLY file has corners without x, y and z.');
                    }
                    $w->point($point[0], $point[1], $point[2]);
                } elseif ($name === 'face') {
                    $corners = $row[self::CORNERS[0]] ?? ($row[self::CORNERS[1]] ?? null);
                    if (!is_array($corners) || count($corners) < 3) {
                        throw new UnreadableFile('The PLY file holds a face with fewer than three corners.');
                    }
                    for ($k = 2; $k < count($corners); $k++) {
                        $w->triangle((int) $corners[0], (int) $corners[$k - 1], (int) $corners[$k]);
                    }
                }
            }
        }
    }

    /** @return list<array{string, int, list<array{string, string, string|null}>}> elements with their count and properties: name, type, type of a list's length */
    private function header(): array
    {
        $end = preg_match('/^ply\r?\n.*?\nend_header\r?\n/s', $this->bytes, $m) ? strlen($m[0]) : 0;
        if ($end === 0) {
            throw new UnreadableFile('This is not a PLY file, or its header does not end.');
        }
        $this->at = $end;
        $elements = [];
        $properties = [];
        foreach (preg_split('/\r?\n/', $m[0]) ?: [] as $line) {
            $w = preg_split('/\s+/', trim($line), -1, PREG_SPLIT_NO_EMPTY) ?: [];
            if (($w[0] ?? '') === 'format') {
                $this->format = $w[1] ?? '';
            } elseif (($w[0] ?? '') === 'element') {
                if (!ctype_digit($w[2] ?? '') || strlen($w[2]) > 8) {
                    throw new UnreadableFile('The PLY file does not say how many there are of something.');
                }
                $elements[] = [$w[1], (int) $w[2]];
                $properties[] = [];
            } elseif (($w[0] ?? '') === 'property' && $elements !== []) {
                $list = ($w[1] ?? '') === 'list';
                [$type, $name, $listed] = $list ? [$w[3] ?? '', $w[4] ?? '', $w[2] ?? ''] : [$w[1] ?? '', $w[2] ?? '', null];
                if (!isset(self::TYPES[$type]) || ($listed !== null && !isset(self::TYPES[$listed]))) {
                    throw new UnreadableFile("The PLY file has a property of a type that is not known: “{$type}”.");
                }
                $properties[count($elements) - 1][] = [$name, $type, $listed];
            }
        }
        if (!in_array($this->format, ['ascii', 'binary_little_endian', 'binary_big_endian'], true)) {
            throw new UnreadableFile('The PLY file is in no format that is known.');
        }

        return array_map(static fn(array $e, array $p): array => [$e[0], $e[1], $p], $elements, $properties);
    }

    private function value(string $type): float
    {
        if ($this->format === 'ascii') {
            $long = strcspn($this->bytes, " \t\r\n", $this->at);
            $w = $long > 0 ? substr($this->bytes, $this->at, $long) : throw new UnreadableFile('The PLY file ends too early.');
            $this->at += $long;
            $this->at += strspn($this->bytes, " \t\r\n", $this->at);

            return is_numeric($w) ? (float) $w : throw new UnreadableFile('The PLY file holds something that is no number.');
        }
        [$size, $little, $big] = self::TYPES[$type];
        if ($this->at + $size > strlen($this->bytes)) {
            throw new UnreadableFile('The PLY file ends too early.');
        }
        $v = unpack($this->format === 'binary_little_endian' ? $little : $big, $this->bytes, $this->at);
        $this->at += $size;
        $n = (float) ($v === false ? 0 : $v[1]);
        $bits = self::SIGNED[$type] ?? 0;

        return $bits > 0 && $n >= 2 ** ($bits - 1) ? $n - 2 ** $bits : $n;
    }
}
