<?php

declare(strict_types=1);

namespace Cubo\Words;

use LogicException;

/**
 * The words people read, by code: files of one folder per language, each an array (of arrays). "steps/block.label" is the
 * entry "label" of steps/block.php. A value ":name" in the words is put in. What a language lacks is said in English.
 */
final class Words
{
    public const ENGLISH = 'en';

    private const FOLDER = __DIR__ . '/../../lang';

    private static string $folder = self::FOLDER;

    private static string $language = self::ENGLISH;

    /** @var array<string, array<string, mixed>> by language and file */
    private static array $read = [];

    /** @var array<string, mixed> what stands at a code, by code: a page asks for the same words again and again */
    private static array $known = [];

    /**
     * Speaks another language from now on.
     *
     * @param string $folder that holds a folder per language
     */
    public static function speak(string $language, string $folder = self::FOLDER): void
    {
        [self::$language, self::$folder, self::$read, self::$known] = [$language, $folder, [], []];
    }

    /**
     * @param array<string, string|int|float> $values
     *
     * @throws LogicException where no language has them
     */
    public static function of(string $code, array $values = []): string
    {
        return self::maybe($code, $values) ?? throw new LogicException("There are no words for $code.");
    }

    /**
     * The same where there need not be any.
     *
     * @param array<string, string|int|float> $values
     */
    public static function maybe(string $code, array $values = []): ?string
    {
        $words = array_key_exists($code, self::$known) ? self::$known[$code] : (self::$known[$code] = self::entry($code));
        if (!is_string($words)) {
            return null;
        }
        $put = [];
        foreach ($values as $name => $value) {
            $put[":$name"] = (string) $value;
        }

        return $put === [] ? $words : strtr($words, $put);
    }

    /** What stands at a code: words, a list of entries, or null. */
    private static function entry(string $code): mixed
    {
        [$file, $path] = explode('.', $code, 2) + [1 => ''];
        foreach ([[self::$folder, self::$language], [self::FOLDER, self::ENGLISH]] as [$folder, $language]) {
            $at = self::file("$folder/$language/$file.php");
            foreach (explode('.', $path) as $key) {
                $at = is_array($at) ? $at[$key] ?? null : null;
            }
            if ($at !== null) {
                return $at;
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    private static function file(string $path): array
    {
        return self::$read[$path] ??= is_file($path) ? require $path : [];
    }
}
