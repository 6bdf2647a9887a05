<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Budget\Limits;
use Cubo\Measure\Material;
use Cubo\Quantity\DensityUnit;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\Kind;

/** The edits a person makes to a recipe, each giving a new recipe. Unknown steps and keys change nothing. */
final class Editing
{
    /** All steps out, to make the same part another way: title, unit, material and named sizes stay. */
    public static function anew(Recipe $r): Recipe
    {
        return $r->withSteps([])->withGroups([])->painted([])->pinned([])->onGround('')->opened('');
    }

    /**
     * A new step with sizes that suit the unit.
     *
     * @param string|null $after id of the step it comes after; at the end without
     */
    public static function add(Recipe $r, Kind $kind, ?string $after = null): Recipe
    {
        if (count($r->steps) >= Limits::STEPS) {
            return $r;
        }
        $all = $r;
        // only what stands before it can be rested on
        $r = $after === null ? $r : $r->upTo($after);
        $sketches = self::sketches($r);
        $values = [];
        foreach ($kind->fields() as $key => $f) {
            if ($f->type === FieldType::Drawing) {
                continue;
            }
            $values[$key] = match ($f->type) {
                FieldType::Shapes, FieldType::Faces, FieldType::Edges, FieldType::Sizes => [],
                FieldType::Sketches => array_slice($sketches, -2),
                FieldType::MaybeSketch => '',
                FieldType::Step => self::lastMade($r),
                FieldType::Sketch => $sketches[count($sketches) - 1] ?? '',
                FieldType::Length, FieldType::Size, FieldType::SizeOrZero => self::inUnit($f->default, $r->unit),
                default => $f->default,
            };
        }
        // a new solid stands on the ground, whatever it is; where the ground was moved to a face, on that
        if (isset($values['stand'])) {
            $onFace = $r->ground !== '' && $r->step(explode(':', $r->ground)[0]) !== null;
            $values = [
                ...$values,
                'stand' => $onFace ? 'face' : 'ground',
                'on' => $onFace ? $r->ground : '',
                'alignx' => $onFace ? 'middle' : 'origin',
                'aligny' => $onFace ? 'middle' : 'origin',
            ];
        }
        $values = [...$values, ...$kind->begin($sketches)];
        $same = count(array_filter($all->steps, static fn(Step $s): bool => $s->kind === $kind));

        return $all->withStep(new Step($all->freshId(), $kind, $kind->word() . ($same > 0 ? ' ' . ($same + 1) : ''), $values), $after);
    }

    /** What the part is thought to be made of; nothing for an empty name, and no change for one that is not known. */
    public static function material(Recipe $r, string $name, ?string $density, ?DensityUnit $unit): Recipe
    {
        if ($name === '') {
            return $r->of(null);
        }
        if ($name !== Material::OWN && !isset(Material::TABLE[$name])) {
            return $r;
        }

        return $r->of(
            new Material(
                $name,
                self::typed($density ?? ($r->material->density ?? '')),
                $unit ?? ($r->material->unit ?? DensityUnit::GramPerCubicCentimetre),
            ),
        );
    }

    /**
     * Paints faces; a colour that is none takes the paint off.
     *
     * @param list<string> $faces or "s1:*" for all of a step's, whatever single ones were painted
     */
    public static function paint(Recipe $r, array $faces, string $colour): Recipe
    {
        $paint = $r->paint;
        foreach ($faces as $face) {
            unset($paint[$face]);
            if (str_ends_with($face, ':' . Paint::ALL)) {
                $paint = array_filter(
                    $paint,
                    static fn(string $one): bool => !str_starts_with($one, substr($face, 0, -1)),
                    ARRAY_FILTER_USE_KEY,
                );
            }
            if (
                in_array($colour, Recipe::COLOURS, true) &&
                strlen($face) <= Limits::NAME &&
                str_contains($face, ':') &&
                count($paint) < Limits::NAMES
            ) {
                $paint[$face] = $colour;
            }
        }

        return $r->painted($paint);
    }

    /**
     * Keeps a measurement in view, or takes it out of it when it is there.
     *
     * @param list<string> $of
     */
    public static function pin(Recipe $r, array $of): Recipe
    {
        if ($of === [] || count($of) > 3) {
            return $r;
        }
        $others = array_values(array_filter($r->pins, static fn(array $pin): bool => $pin !== $of));

        return count($others) < count($r->pins)
            ? $r->pinned($others)
            : (count($others) < Limits::PINS
                ? $r->pinned([...$others, $of])
                : $r);
    }

    /** @return array<string, string> a new outline for a sketch */
    public static function shape(string $kind, Unit $unit): array
    {
        $size = static fn(string $mm): string => self::inUnit($mm, $unit);

        return $kind === 'circle'
            ? ['kind' => 'circle', 'u' => '0', 'v' => '0', 'by' => 'diameter', 'round' => $size('10')]
            : ['kind' => 'rectangle', 'u' => '0', 'v' => '0', 'width' => $size('40'), 'height' => $size('20'), 'from' => 'middle'];
    }

    public static function addShape(Recipe $r, string $step, string $kind): Recipe
    {
        $s = $r->step($step);
        if ($s === null || !$s->kind->draws() || count($s->shapes()) >= Limits::OUTLINES) {
            return $r;
        }

        $outlines = $s->outlines();
        for ($i = count($outlines); isset($outlines[Letters::small($i)]); $i++);

        return $r->withStep($s->withOutlines([...$outlines, Letters::small($i) => self::shape($kind, $r->unit)]));
    }

    /** Takes an outline out of a sketch; the others keep their letters. */
    public static function dropShape(Recipe $r, string $step, string $letter): Recipe
    {
        $s = $r->step($step);
        $outlines = $s?->outlines() ?? [];

        return $s === null || !isset($outlines[$letter])
            ? $r
            : $r->withStep($s->withOutlines(array_diff_key($outlines, [$letter => true])));
    }

    /**
     * Takes one thing into a list of a step, or out of it; the others stay as they are.
     *
     * @param string $key of the list: edges, faces or sketches
     */
    public static function pick(Recipe $r, string $step, string $key, string $name, bool $in): Recipe
    {
        $s = $r->step($step);
        $type = $s?->kind->field($key)?->type;
        if ($s === null || $name === '' || $type?->isList() !== true) {
            return $r;
        }
        $others = array_values(array_filter($s->names($key), static fn(string $n): bool => $n !== $name));
        if ($in && (strlen($name) > Limits::NAME || count($others) >= Limits::NAMES)) {
            throw new StepProblem(
                new Message(
                    'too-many',
                    'No more can be picked here.',
                    'One step takes at most ' . Limits::NAMES . '. Pick the others in another step.',
                    $key,
                ),
            );
        }
        if ($in && in_array($name, $s->names($key), true)) {
            return $r;
        }

        return $r->withStep($s->with($key, $in ? [...$others, $name] : $others));
    }

    /**
     * Takes over the values a person typed, as typed.
     *
     * @param array<string, mixed> $typed by key; "shapes" as values by letter or place, "regions" as "all" or a list of numbers
     * @param ?string $name the step's name; an empty one leaves the old one
     * @param ?string $note its remark, null leaves the old one
     * @param ?string $heading the heading before it, null leaves the old one
     */
    public static function set(
        Recipe $r,
        string $step,
        array $typed,
        ?string $name = null,
        ?string $note = null,
        ?string $heading = null,
    ): Recipe {
        $s = $r->step($step);
        if ($s === null) {
            return $r;
        }
        $name = self::typed($name ?? '');
        if ($name !== '') {
            $s = $s->named(mb_substr($name, 0, Limits::WORD));
        }
        $s =
            $note === null
                ? $s
                : $s->noted(trim(mb_substr((string) preg_replace('/[\x00-\x1F\x7F]+/', ' ', mb_scrub($note, 'UTF-8')), 0, Limits::NOTE)));
        $s = $heading === null ? $s : $s->headed(mb_substr(self::typed($heading), 0, Limits::WORD));
        foreach ($s->kind->fields() as $key => $field) {
            // a drawing is not typed
            if (!array_key_exists($key, $typed) || $field->type === FieldType::Drawing) {
                continue;
            }
            $v = $typed[$key];
            if ($field->type === FieldType::Shapes) {
                $outlines = $s->outlines();
                foreach (is_array($v) ? $v : [] as $letter => $changes) {
                    $letter = is_int($letter) ? (string) (array_keys($outlines)[$letter] ?? '') : $letter;
                    foreach (is_array($changes) ? $changes : [] as $k => $value) {
                        $choices = Recipe::OUTLINE_CHOICES[$k] ?? null;
                        if (
                            isset($outlines[$letter][$k]) &&
                            $k !== 'kind' &&
                            is_string($value) &&
                            ($choices === null || in_array($value, $choices, true))
                        ) {
                            $outlines[$letter][$k] = self::typed($value);
                        }
                    }
                }
                $s = $s->withOutlines($outlines);
            } elseif ($field->type === FieldType::Sizes) {
                $set = $s->sizes($key);
                foreach (is_array($v) ? array_slice($v, 0, Limits::SIZES) : [] as $name => $value) {
                    if (is_string($name) && preg_match(NamedSizes::NAME, $name) && is_string($value)) {
                        $set[$name] = self::typed($value);
                    }
                }
                $s = $s->with($key, array_filter($set, static fn(string $t): bool => $t !== ''));
            } elseif ($field->type === FieldType::Regions) {
                $s = $s->with($key, self::regions($v));
            } elseif ($field->type->isList()) {
                $s = $s->with(
                    $key,
                    array_values(
                        array_unique(
                            array_map(
                                static fn(string $name): string => mb_strcut($name, 0, Limits::NAME),
                                array_filter(
                                    is_array($v) ? array_slice($v, 0, Limits::NAMES) : [],
                                    static fn(mixed $name): bool => is_string($name) && $name !== '',
                                ),
                            ),
                        ),
                    ),
                );
            } elseif ($field->type->isName() && is_string($v)) {
                $s = $s->with($key, mb_strcut(mb_scrub($v, 'UTF-8'), 0, Limits::NAME));
            } elseif (is_string($v) && (!$field->type->isChoice() || in_array($v, $field->choices, true))) {
                $s = $s->with($key, self::typed($v));
            }
        }

        return $r->withStep($s);
    }

    /**
     * "all", a list, or text such as "1, 3".
     *
     * @return 'all'|list<int>
     */
    private static function regions(mixed $v): string|array
    {
        if (is_string($v)) {
            $v = strtolower(trim($v)) === 'all' || trim($v) === '' ? 'all' : preg_split('/[^0-9]+/', $v, -1, PREG_SPLIT_NO_EMPTY);
        }

        return is_array($v) && $v !== []
            ? array_values(array_map(static fn(mixed $n): int => min(9999, (int) $n), array_slice($v, 0, 200)))
            : 'all';
    }

    /** What was typed, without the characters that no text holds, and a little longer at most than any size may be. */
    public static function typed(string $v): string
    {
        return mb_substr(trim((string) preg_replace('/[\x00-\x1F\x7F]/', '', mb_scrub($v, 'UTF-8'))), 0, Limits::TYPED + 1);
    }

    /** @return list<string> ids of the sketches, in order */
    private static function sketches(Recipe $r): array
    {
        return array_map(
            static fn(Step $s): string => $s->id,
            array_values(array_filter($r->steps, static fn(Step $s): bool => $s->kind->draws())),
        );
    }

    /** The last step that adds or takes away something. */
    private static function lastMade(Recipe $r): string
    {
        $id = '';
        foreach ($r->steps as $s) {
            if ($s->kind->makes()) {
                $id = $s->id;
            }
        }

        return $id;
    }

    private static function inUnit(string $mm, Unit $unit): string
    {
        return $unit === Unit::Inch
            ? ['40' => '2', '20' => '1', '10' => '1/2', '8' => '3/8', '5' => '1/4', '4' => '3/16', '2' => '1/8', '1' => '1/16'][$mm] ?? $mm
            : $mm;
    }
}
