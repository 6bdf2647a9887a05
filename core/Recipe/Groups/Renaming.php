<?php

declare(strict_types=1);

namespace Cubo\Recipe\Groups;

use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Step;

/** What steps refer to, under new names: faces, edges and corners, bodies, sketches and steps. */
final class Renaming
{
    /** @param array<string, string> $ids what stands before the colon of a face's name, and what will: "s1" => "s9:in/s1" */
    public function __construct(private readonly array $ids) {}

    public function step(Step $s): Step
    {
        foreach ($s->kind->fields() as $key => $field) {
            $v = $s->values[$key] ?? null;
            if ($v === null) {
                continue;
            }
            $new = match ($field->type) {
                FieldType::Sketch, FieldType::MaybeSketch, FieldType::Step => is_string($v) ? $this->id($v) : $v,
                FieldType::Sketches => array_map($this->id(...), $s->names($key)),
                FieldType::Body => is_string($v) ? $this->body($v) : $v,
                FieldType::Face, FieldType::Edge, FieldType::Spot => is_string($v) ? $this->name($v) : $v,
                FieldType::Faces, FieldType::Edges => array_map($this->name(...), $s->names($key)),
                FieldType::Drawing => $this->drawing($v),
                default => $v,
            };
            $s = $new === $v ? $s : $s->with($key, $new);
        }

        return $s;
    }

    /**
     * @param array<string, string> $paint
     * @return array<string, string>
     */
    public function paint(array $paint): array
    {
        $out = [];
        foreach ($paint as $face => $colour) {
            $out[$this->name($face)] = $colour;
        }

        return $out;
    }

    /** A face, an edge or a corner. */
    public function name(string $name): string
    {
        if ($name === '') {
            return '';
        }
        // the names of edges and corners are in the order of the alphabet; a number after them tells equal ones apart
        $number =
            str_contains($name, ' / ') && preg_match('/ \d+$/', $name, $m) && !preg_match('/(?: side|copy) \d+$/', $name) ? $m[0] : '';
        $faces = array_map($this->face(...), explode(' / ', substr($name, 0, strlen($name) - strlen($number))));
        sort($faces, SORT_STRING);

        return implode(' / ', $faces) . $number;
    }

    private function face(string $face): string
    {
        [$id, $role] = explode(':', $face, 2) + [1 => ''];

        return isset($this->ids[$id]) ? $this->ids[$id] . ":$role" : $face;
    }

    private function id(string $id): string
    {
        return isset($this->ids[$id]) && !str_contains($this->ids[$id], ':') ? $this->ids[$id] : $id;
    }

    private function body(string $body): string
    {
        [$id, $piece] = explode('.', $body, 2) + [1 => ''];
        $new = explode(':', $this->ids[$id] ?? $id)[0];

        return $piece === '' ? $new : "$new.$piece";
    }

    private function drawing(mixed $drawn): mixed
    {
        if (is_array($drawn) && is_array($drawn['lines'] ?? null)) {
            foreach ($drawn['lines'] as $id => $line) {
                if (is_array($line) && is_string($line['edge'] ?? null)) {
                    $drawn['lines'][$id]['edge'] = $this->name($line['edge']);
                }
            }
        }

        return $drawn;
    }
}
