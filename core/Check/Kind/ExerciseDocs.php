<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

use LogicException;

/** The parts of the documentation of exercises that follow from the kinds, put into what is written by hand. */
final class ExerciseDocs
{
    private const BEGIN = '<!-- kinds: written by ./cubo schema -->';

    private const END = '<!-- /kinds -->';

    /** The JSON Schema of exercises with the kinds there are. */
    public static function schema(string $json): string
    {
        $ids = implode(', ', array_map(static fn(string $id): string => "\"$id\"", array_keys(Kinds::all())));

        return self::replaced('/("kind": \{\s*"enum": )\[[^\]]*\]/', '${1}[' . $ids . ']', $json);
    }

    /** The page about checks with the list of what each kind needs to say of "where". */
    public static function page(string $markdown): string
    {
        $rows = '';
        foreach (Kinds::all() as $id => $kind) {
            $needs = implode(', ', array_map(static fn(string $key): string => "`$key`", $kind->needs()));
            $rows .= "| `$id` | $needs | {$kind->sort()->words()} |\n";
        }

        return self::replaced(
            '/' . preg_quote(self::BEGIN, '/') . '.*?' . preg_quote(self::END, '/') . '/s',
            addcslashes(self::BEGIN . "\n| kind | `where` | tolerance |\n|---|---|---|\n$rows" . self::END, '$\\'),
            $markdown,
        );
    }

    private static function replaced(string $pattern, string $with, string $text): string
    {
        $out = preg_replace($pattern, $with, $text, 1, $count);

        return $out !== null && $count === 1 ? $out : throw new LogicException("Nothing to replace by $pattern.");
    }
}
