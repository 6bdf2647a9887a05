<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Cubo\Budget\Limits;
use Cubo\Words\Words;

/** What a recipe may say of its steps, as JSON Schema (draft 2020-12) and as a table of the documentation: both follow from the kinds. */
final class StepSchema
{
    /** What every step may say of itself. */
    private const OWN = ['id', 'name', 'note', 'heading', 'off'];

    /**
     * One schema per kind.
     *
     * @return array<string, array<string, mixed>> by id
     */
    public static function kinds(): array
    {
        $out = [];
        foreach (Kinds::all() as $id => $kind) {
            $properties = ['kind' => ['const' => $id]] + array_fill_keys(self::OWN, true);
            foreach ($kind->fields() as $key => $field) {
                $properties[$key] = self::value($field);
            }
            $out[$id] = ['properties' => $properties, 'additionalProperties' => false];
        }

        return $out;
    }

    /** The rows of the table of kinds, in Markdown. */
    public static function table(): string
    {
        $rows = '';
        foreach (Kinds::all() as $id => $kind) {
            $rows .= "| `$id` | " . Words::of("steps/$id.about") . " |\n";
        }

        return "| kind | values |\n|---|---|\n$rows";
    }

    /** @return array<string, mixed> */
    private static function value(Field $field): array
    {
        return match ($field->type) {
            FieldType::Choice, FieldType::Direction => ['enum' => $field->choices],
            FieldType::Length, FieldType::Size, FieldType::SizeOrZero => ['$ref' => '#/$defs/size'],
            FieldType::Angle, FieldType::Count, FieldType::Factor => ['type' => ['string', 'number']],
            FieldType::Faces, FieldType::Edges, FieldType::Sketches => ['$ref' => '#/$defs/names'],
            FieldType::Regions => ['oneOf' => [['const' => 'all'], ['type' => 'array', 'items' => ['type' => ['integer', 'string']]]]],
            FieldType::Shapes => ['type' => 'array', 'maxItems' => Limits::OUTLINES, 'items' => ['$ref' => '#/$defs/outline']],
            FieldType::Drawing => ['$ref' => '#/$defs/drawing'],
            FieldType::Sizes => ['$ref' => '#/$defs/sizes'],
            default => ['type' => 'string'],
        };
    }
}
