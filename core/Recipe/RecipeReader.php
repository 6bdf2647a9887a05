<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Budget\Limits;
use Cubo\Measure\Material;
use Cubo\Quantity\DensityUnit;
use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Sketch\SketchFormat;
use InvalidArgumentException;

/** Reads recipes, and says in which step and value something is not as docs/recipe.md has it. */
final class RecipeReader
{
    /** @throws UnreadableRecipe */
    public static function fromJson(string $json): Recipe
    {
        $data = json_decode($json, true, Limits::DEPTH);
        if (!is_array($data)) {
            throw new UnreadableRecipe('This is not JSON: ' . json_last_error_msg() . '.');
        }

        return self::fromArray($data);
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws UnreadableRecipe
     */
    public static function fromArray(array $data): Recipe
    {
        if (($data['format'] ?? null) !== Recipe::FORMAT) {
            throw new UnreadableRecipe('"format" must be "' . Recipe::FORMAT . '".');
        }
        $unit =
            Unit::tryFrom(is_string($data['unit'] ?? null) ? $data['unit'] : '') ??
            throw new UnreadableRecipe('"unit" must be "mm" or "in".');
        if (!is_array($data['steps'] ?? null) || !array_is_list($data['steps'])) {
            throw new UnreadableRecipe('"steps" must be a list.');
        }
        if (count($data['steps']) > Limits::STEPS) {
            throw new UnreadableRecipe('A recipe has at most ' . Limits::STEPS . ' steps.');
        }
        $steps = $ids = [];
        foreach ($data['steps'] as $i => $raw) {
            $step = self::readStep($raw, $i + 1);
            if (isset($ids[$step->id])) {
                throw new UnreadableRecipe("Two steps have the id \"{$step->id}\".");
            }
            $ids[$step->id] = true;
            $steps[] = $step;
        }

        $spent = $data['spent'] ?? 0;
        if (!is_int($spent) || $spent < 0 || $spent > 1_000_000_000) {
            throw new UnreadableRecipe('"spent" must be a whole number.');
        }

        $groups = self::readGroups($data['groups'] ?? []);
        $open = $data['open'] ?? '';
        $ground = $data['ground'] ?? '';
        if (!is_string($open) || ($open !== '' && !isset($groups[$open]))) {
            throw new UnreadableRecipe('"open" must be the id of a group.');
        }
        if (!is_string($ground) || strlen($ground) > Limits::NAME) {
            throw new UnreadableRecipe('"ground" must be the name of a face.');
        }

        return new Recipe(
            $unit,
            $steps,
            is_string($data['title'] ?? null) ? mb_substr($data['title'], 0, Limits::TITLE) : '',
            $spent,
            self::readSizes($data['sizes'] ?? []),
            self::readMaterial($data['material'] ?? null),
            self::readPaint($data['paint'] ?? []),
            self::readPins($data['pins'] ?? []),
            $groups,
            $open,
            $ground,
        );
    }

    /** @return array<string, Group> */
    private static function readGroups(mixed $raw): array
    {
        if (!is_array($raw) || count($raw) > Limits::GROUPS) {
            throw new UnreadableRecipe('"groups" must be an object of at most ' . Limits::GROUPS . ' groups.');
        }
        $out = [];
        foreach ($raw as $id => $g) {
            if (!is_string($id) || !preg_match('/^g[0-9]{1,9}$/', $id) || !is_array($g) || isset($g['groups']) || isset($g['open'])) {
                throw new UnreadableRecipe('"groups": each is an object under an id such as g1, and holds no groups of its own.');
            }
            try {
                $recipe = self::fromArray(['format' => Recipe::FORMAT] + $g);
            } catch (UnreadableRecipe $e) {
                throw new UnreadableRecipe("Group $id: " . $e->getMessage());
            }
            $locked = $g['locked'] ?? [];
            if (
                !is_array($locked) ||
                !array_is_list($locked) ||
                array_filter($locked, static fn(mixed $n): bool => !is_string($n)) !== []
            ) {
                throw new UnreadableRecipe("Group $id: \"locked\" must be a list of names.");
            }
            $from = $g['from'] ?? null;
            if (
                $from !== null &&
                (!is_array($from) ||
                    !is_string($from['part'] ?? null) ||
                    !is_string($from['author'] ?? null) ||
                    !is_int($from['version'] ?? null))
            ) {
                throw new UnreadableRecipe("Group $id: \"from\" needs a part, an author and a version.");
            }
            $out[$id] = new Group(
                $id,
                $recipe->titled(trim(mb_substr($recipe->title, 0, Limits::WORD)) ?: 'Group'),
                array_values(array_intersect($locked, array_map(strval(...), array_keys($recipe->sizes)))),
                $from === null
                    ? null
                    : new GroupOrigin(mb_substr($from['part'], 0, Limits::WORD), mb_substr($from['author'], 0, 80), $from['version']),
            );
        }

        return $out;
    }

    private static function readMaterial(mixed $raw): ?Material
    {
        if ($raw === null) {
            return null;
        }
        $name = is_array($raw) ? $raw['name'] ?? null : null;
        if (!is_string($name) || ($name !== Material::OWN && !isset(Material::TABLE[$name]))) {
            throw new UnreadableRecipe(
                '"material" needs a "name": ' . implode(', ', [...array_keys(Material::TABLE), Material::OWN]) . '.',
            );
        }
        $density = $raw['density'] ?? '';
        $unit =
            DensityUnit::tryFrom(is_string($raw['unit'] ?? null) ? $raw['unit'] : 'g/cm3') ??
            throw new UnreadableRecipe('"material": the unit is kg/m3, g/cm3 or lb/in3.');

        return new Material($name, is_scalar($density) ? mb_substr((string) $density, 0, 40) : '', $unit);
    }

    /** @return array<string, string> */
    private static function readPaint(mixed $raw): array
    {
        if (!is_array($raw) || count($raw) > Limits::NAMES) {
            throw new UnreadableRecipe('"paint" must be an object of at most ' . Limits::NAMES . ' faces.');
        }
        foreach ($raw as $face => $colour) {
            if (
                !is_string($face) ||
                !str_contains($face, ':') ||
                strlen($face) > Limits::NAME ||
                !in_array($colour, Recipe::COLOURS, true)
            ) {
                throw new UnreadableRecipe('"paint": a colour is one of ' . implode(', ', Recipe::COLOURS) . '.');
            }
        }

        return $raw;
    }

    /** @return list<list<string>> */
    private static function readPins(mixed $raw): array
    {
        if (!is_array($raw) || !array_is_list($raw) || count($raw) > Limits::PINS) {
            throw new UnreadableRecipe('"pins" must be a list of at most ' . Limits::PINS . ' measurements.');
        }

        return array_map(
            static fn(mixed $of): array => is_array($of) &&
            array_is_list($of) &&
            count($of) > 0 &&
            count($of) < 4 &&
            array_filter($of, static fn(mixed $n): bool => !is_string($n) || $n === '' || strlen($n) > Limits::NAME) === []
                ? $of
                : throw new UnreadableRecipe('"pins": a measurement is of one to three names.'),
            $raw,
        );
    }

    /**
     * @return array<string, string>
     */
    private static function readSizes(mixed $raw): array
    {
        if (!is_array($raw) || count($raw) > Limits::SIZES) {
            throw new UnreadableRecipe('"sizes" must be an object of at most ' . Limits::SIZES . ' names.');
        }
        $out = [];
        foreach ($raw as $name => $value) {
            if (!is_string($name) || !preg_match(NamedSizes::NAME, $name) || isset(Expression::UNITS[$name])) {
                throw new UnreadableRecipe(
                    "\"sizes\": a name is a small letter with small letters, digits and _ after it and no unit, \"$name\" is not.",
                );
            }
            $out[$name] =
                is_string($value) || is_int($value) || is_float($value)
                    ? mb_substr((string) $value, 0, Limits::TYPED + 1)
                    : throw new UnreadableRecipe("\"sizes\": $name must be text or a number.");
        }

        return $out;
    }

    private static function readStep(mixed $raw, int $n): Step
    {
        if (!is_array($raw)) {
            throw new UnreadableRecipe("Step $n is not an object.");
        }
        $id = $raw['id'] ?? null;
        if (!is_string($id) || !preg_match('/^[a-z0-9]{1,12}$/', $id)) {
            throw new UnreadableRecipe("Step $n: \"id\" must be 1 to 12 small letters or digits.");
        }
        $kind =
            Kinds::find(is_string($raw['kind'] ?? null) ? $raw['kind'] : '') ??
            throw new UnreadableRecipe("Step $n: \"kind\" is none of " . implode(', ', array_keys(Kinds::all())) . '.');
        $values = [];
        foreach ($kind->fields() as $key => $field) {
            if (!array_key_exists($key, $raw)) {
                continue;
            }
            $v = $raw[$key];
            $values[$key] = match ($field->type) {
                FieldType::Shapes => self::readShapes($v, $n),
                FieldType::Drawing => self::readDrawing($v, $n),
                FieldType::Regions => $v === 'all'
                    ? 'all'
                    : (is_array($v)
                        ? array_values(
                            array_map(
                                static fn(mixed $r): int|string => is_int($r) || (is_string($r) && strlen($r) <= 4000)
                                    ? $r
                                    : throw new UnreadableRecipe("Step $n: \"regions\" are whole numbers and keys."),
                                $v,
                            ),
                        )
                        : throw new UnreadableRecipe("Step $n: \"regions\" must be \"all\" or a list of numbers and keys.")),
                FieldType::Sizes => $v === [] ? [] : self::readSizes($v),
                FieldType::Faces, FieldType::Edges, FieldType::Sketches => self::readNames($v, $key, $n),
                FieldType::Face, FieldType::Edge, FieldType::Spot => is_string($v)
                    ? mb_strcut($v, 0, Limits::NAME)
                    : throw new UnreadableRecipe("Step $n: \"$key\" must be text."),
                default => is_string($v) || is_int($v) || is_float($v)
                    ? mb_substr((string) $v, 0, Limits::TYPED + 1)
                    : throw new UnreadableRecipe("Step $n: \"$key\" must be text or a number."),
            };
            if ($field->type->isChoice() && !in_array($values[$key], $field->choices, true)) {
                throw new UnreadableRecipe("Step $n: \"$key\" is none of " . implode(', ', $field->choices) . '.');
            }
        }
        $unknown = array_diff(array_keys($raw), array_keys($kind->fields()), ['id', 'kind', 'name', 'off', 'note', 'heading']);
        if ($unknown !== []) {
            throw new UnreadableRecipe("Step $n: a {$kind->id()} has no \"" . reset($unknown) . '".');
        }

        return new Step(
            $id,
            $kind,
            is_string($raw['name'] ?? null) ? mb_substr($raw['name'], 0, Limits::WORD) : $kind->word(),
            $values,
            ($raw['off'] ?? false) === true,
            is_string($raw['note'] ?? null) ? mb_substr($raw['note'], 0, Limits::NOTE) : '',
            is_string($raw['heading'] ?? null) ? mb_substr($raw['heading'], 0, Limits::WORD) : '',
        );
    }

    /** @return list<string> */
    private static function readNames(mixed $v, string $key, int $n): array
    {
        if (!is_array($v) || !array_is_list($v) || count($v) > Limits::NAMES) {
            throw new UnreadableRecipe("Step $n: \"$key\" must be a list of at most " . Limits::NAMES . ' names.');
        }

        return array_map(
            static fn(mixed $name): string => is_string($name) && $name !== '' && strlen($name) <= Limits::NAME
                ? $name
                : throw new UnreadableRecipe("Step $n: \"$key\" must be a list of names."),
            $v,
        );
    }

    /** @return array<string, mixed> */
    private static function readDrawing(mixed $raw, int $n): array
    {
        try {
            return SketchFormat::write(SketchFormat::read($raw));
        } catch (InvalidArgumentException $e) {
            throw new UnreadableRecipe("Step $n: " . $e->getMessage() . '.');
        }
    }

    /** @return list<array<string, string>> */
    private static function readShapes(mixed $raw, int $n): array
    {
        if (!is_array($raw) || !array_is_list($raw) || count($raw) > Limits::OUTLINES) {
            throw new UnreadableRecipe("Step $n: \"shapes\" must be a list of at most " . Limits::OUTLINES . ' outlines.');
        }
        $out = $letters = [];
        foreach ($raw as $i => $s) {
            $kind = is_array($s) ? $s['kind'] ?? null : null;
            if ($kind !== 'rectangle' && $kind !== 'circle') {
                throw new UnreadableRecipe("Step $n, outline " . ($i + 1) . ': "kind" must be "rectangle" or "circle".');
            }
            $shape = ['kind' => $kind];
            foreach (
                $kind === 'rectangle'
                    ? ['u' => '0', 'v' => '0', 'width' => '20', 'height' => '10', 'from' => 'middle']
                    : ['u' => '0', 'v' => '0', 'by' => 'diameter', 'round' => '10']
                as $key => $default
            ) {
                $v = $s[$key] ?? $default;
                if (!is_string($v) && !is_int($v) && !is_float($v)) {
                    throw new UnreadableRecipe("Step $n, outline " . ($i + 1) . ": \"$key\" must be text or a number.");
                }
                $shape[$key] = mb_substr((string) $v, 0, Limits::TYPED + 1);
            }
            if (
                !in_array($shape['from'] ?? 'middle', Recipe::OUTLINE_CHOICES['from'], true) ||
                !in_array($shape['by'] ?? 'radius', Recipe::OUTLINE_CHOICES['by'], true)
            ) {
                throw new UnreadableRecipe("Step $n, outline " . ($i + 1) . ': "from" is middle or corner, "by" is diameter or radius.');
            }
            $letter = $s['letter'] ?? null;
            if ($letter !== null) {
                if (!is_string($letter) || preg_match('/^[a-z]{1,2}$/', $letter) !== 1) {
                    throw new UnreadableRecipe("Step $n, outline " . ($i + 1) . ': "letter" is one or two small letters.');
                }
                $shape['letter'] = $letter;
            }
            $letters[$letter ?? Letters::small($i)] = true;
            $out[] = $shape;
        }
        if (count($letters) < count($out)) {
            throw new UnreadableRecipe("Step $n: two outlines have the same letter.");
        }

        return $out;
    }
}
