<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;

/** What is different between two states of a recipe, in words: for saying what an undo took back. */
final class Difference
{
    /** Differences that are told one by one. */
    private const MOST = 2;

    /** As a sentence about what is so now, such as "The height of Post is 22 again, not 23."; nothing where nothing differs. */
    public static function words(Recipe $from, Recipe $to): string
    {
        if ($from->open !== $to->open) {
            $name = ($to->groups[$to->open] ?? ($from->groups[$from->open] ?? null))?->name() ?? 'the group';

            return $to->open === '' ? "$name is closed again." : "$name is open again.";
        }
        $all = self::steps($from->atHand(), $to->atHand());
        foreach (
            [
                'sizes' => 'The named sizes are',
                'paint' => 'The colours are',
                'pins' => 'What is kept in view is',
                'material' => 'The material is',
                'ground' => 'The ground is',
                'groups' => 'The groups are',
            ]
            as $key => $words
        ) {
            if ($from->{$key} != $to->{$key} && ($key !== 'groups' || $all === [])) {
                $all[] = $key === 'sizes' ? self::sizes($from->sizes, $to->sizes) : "$words as before.";
            }
        }
        $more = count($all) - self::MOST;

        return implode(' ', array_slice($all, 0, self::MOST)) .
            ($more > 0 ? " And $more more " . ($more === 1 ? 'thing is' : 'things are') . ' as before.' : '');
    }

    /** Whether two states differ in nothing but what is drawn in one sketch. */
    public static function onlyDrawing(Recipe $from, Recipe $to, string $step): bool
    {
        [$a, $b] = [$from->atHand()->step($step), $to->atHand()->step($step)];
        if ($a === null || $b === null || !$a->kind->draws() || $from->open !== $to->open) {
            return false;
        }
        $bare = static fn(Recipe $r, Step $s): string => $r
            ->withAtHand($r->atHand()->withStep($s->with('drawn', null)->with('shapes', [])))
            ->toJson();

        return $bare($from, $a) === $bare($to, $b);
    }

    /** @return list<string> */
    private static function steps(Recipe $from, Recipe $to): array
    {
        $out = [];
        foreach ($from->steps as $s) {
            if ($to->step($s->id) === null) {
                $out[] = "{$s->name} is gone again.";
            }
        }
        foreach ($to->steps as $s) {
            $was = $from->step($s->id);
            if ($was === null) {
                $out[] = "{$s->name} is there again.";
            } elseif ($was != $s) {
                array_push($out, ...self::step($was, $s));
            }
        }
        $common = static fn(Recipe $a, Recipe $b): array => array_values(
            array_filter(array_column($a->steps, 'id'), static fn(string $id): bool => $b->step($id) !== null),
        );
        if ($out === [] && $common($from, $to) !== $common($to, $from)) {
            $out[] = 'The steps are in their order again.';
        }

        return $out;
    }

    /** @return list<string> */
    private static function step(Step $was, Step $is): array
    {
        $out = [];
        if ($was->name !== $is->name) {
            $out[] = "{$was->name} is called {$is->name} again.";
        }
        if ($was->off !== $is->off) {
            $out[] = "{$is->name} is switched " . ($is->off ? 'off' : 'on') . ' again.';
        }
        if ($was->note !== $is->note || $was->heading !== $is->heading) {
            $out[] = "The words at {$is->name} are as before.";
        }
        foreach ($is->kind->fields() as $key => $f) {
            $a = $was->values[$key] ?? $f->default;
            $b = $is->values[$key] ?? $f->default;
            if ($a === $b) {
                continue;
            }
            $out[] =
                is_string($a) && is_string($b) && !$f->type->isName()
                    ? 'The ' . $f->label() . " of {$is->name} is " . self::shown($f, $b) . ' again, not ' . self::shown($f, $a) . '.'
                    : ($key === 'drawn' || $key === 'shapes'
                        ? "The drawing in {$is->name} is as before."
                        : "The {$f->label()} of {$is->name} " .
                            ($f->type->isList() || $f->type === FieldType::Regions ? 'are' : 'is') .
                            ' as before.');
        }

        return $out;
    }

    private static function shown(Field $f, string $value): string
    {
        return $value === '' ? 'empty' : '“' . mb_substr($f->options()[$value] ?? $value, 0, 40) . '”';
    }

    /**
     * @param array<string, string> $from
     * @param array<string, string> $to
     */
    private static function sizes(array $from, array $to): string
    {
        foreach ($to as $name => $value) {
            if (isset($from[$name]) && $from[$name] !== $value) {
                return "The size $name is “{$value}” again, not “{$from[$name]}”.";
            }
        }

        return 'The named sizes are as before.';
    }
}
