<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use LogicException;

/** The parts of the documentation that follow from the kinds, put into what is written by hand. */
final class RecipeDocs
{
    private const BEGIN = '<!-- kinds: written by ./cubo schema -->';

    private const END = '<!-- /kinds -->';

    private const FLAGS = JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR;

    /** The JSON Schema of recipes with the steps there are; a kind is a line. */
    public static function schema(string $json): string
    {
        $ids = json_encode(array_keys(Kinds::all()), self::FLAGS);
        $json = self::replaced('/("kind": \{ "enum": )\[[^\]]*\]/', '${1}' . self::spaced((string) $ids), $json);
        $lines = array_map(
            static fn(array $one): string => '        ' . self::spaced(json_encode($one, self::FLAGS)),
            array_values(StepSchema::kinds()),
        );

        return self::replaced(
            '/("step": \{.*?"oneOf": \[\n)(.*?)(\n      \])/s',
            '${1}' . addcslashes(implode(",\n", $lines), '$\\') . '${3}',
            $json,
        );
    }

    /** The page about recipes with the table of the kinds there are. */
    public static function page(string $markdown): string
    {
        return self::replaced(
            '/' . preg_quote(self::BEGIN, '/') . '.*?' . preg_quote(self::END, '/') . '/s',
            addcslashes(self::BEGIN . "\n" . StepSchema::table() . self::END, '$\\'),
            $markdown,
        );
    }

    private static function replaced(string $pattern, string $with, string $text): string
    {
        $out = preg_replace($pattern, $with, $text, 1, $count);

        return $out !== null && $count === 1 ? $out : throw new LogicException("Nothing to replace by $pattern.");
    }

    /** JSON on one line, with spaces where people expect them. */
    private static function spaced(string $json): string
    {
        // none of what is written has these characters in a text
        return str_replace([':', ',', '{', '}', '{  }'], [': ', ', ', '{ ', ' }', '{}'], $json);
    }
}
