<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

/** The formats of files there are. Of those that are read, the surest to be told stands first. */
final class Formats
{
    /** @var list<class-string<Format>> */
    private const LIST = [ThreeMf::class, Ply::class, Obj::class, Stl::class, StlText::class, Glb::class];

    /** @var list<Format>|null */
    private static ?array $all = null;

    /** @return list<Format> */
    public static function all(): array
    {
        return self::$all ??= array_map(static fn(string $class): Format => new $class(), self::LIST);
    }

    /** @return list<Format&Reads> */
    public static function read(): array
    {
        return array_values(array_filter(self::all(), static fn(Format $f): bool => $f instanceof Reads));
    }

    /** @return list<Format&Writes> */
    public static function written(): array
    {
        return array_values(array_filter(self::all(), static fn(Format $f): bool => $f instanceof Writes));
    }

    /** @return list<Format&Writes> those that people are offered where a part is taken along */
    public static function offered(): array
    {
        return array_values(array_filter(self::written(), static fn(Format $f): bool => $f->isOffered()));
    }

    /**
     * The format a part is written in under a name, by how that ends; the longest ending counts.
     *
     * @return (Format&Writes)|null
     */
    public static function writtenAs(string $name): ?Writes
    {
        $best = null;
        $most = 0;
        foreach (self::written() as $f) {
            foreach ($f->endings() as $ending) {
                if (str_ends_with('.' . strtolower($name), ".$ending") && strlen($ending) > $most) {
                    [$best, $most] = [$f, strlen($ending)];
                }
            }
        }

        return $best;
    }

    /**
     * @param list<Format> $formats
     * @return list<string> all endings of them
     */
    public static function endings(array $formats): array
    {
        return array_values(array_unique(array_merge(...array_map(static fn(Format $f): array => $f->endings(), $formats))));
    }

    /**
     * Their names as words: "STL, OBJ or 3MF".
     *
     * @param list<Format> $formats
     */
    public static function names(array $formats, string $last = 'or'): string
    {
        $names = array_map(static fn(Format $f): string => $f->name(), $formats);
        $end = array_pop($names);

        return $names === [] ? (string) $end : implode(', ', $names) . " $last $end";
    }

    /** The page about formats with the table of those there are. */
    public static function page(string $markdown): string
    {
        return (string) preg_replace(
            '/(<!-- formats:.*?-->\n).*?(<!-- \/formats -->)/s',
            '${1}' . addcslashes(self::table(), '$\\') . '${2}',
            $markdown,
        );
    }

    private static function table(): string
    {
        $yes = static fn(bool $is): string => $is ? 'yes' : '';
        $rows = '';
        foreach (self::all() as $f) {
            $endings = implode(', ', array_map(static fn(string $e): string => "`.$e`", $f->endings()));
            $rows .=
                "| {$f->name()} | $endings | {$yes($f instanceof Reads)} | {$yes($f instanceof Writes)} | " .
                ($f->saysUnit() ? 'its own' : 'asked; mm where it is written') .
                " | {$yes($f->keepsBodies())} | {$yes($f->keepsLooks())} |\n";
        }

        return "| format | files | read | written | unit | bodies apart | faces by name, edges |\n|---|---|---|---|---|---|---|\n$rows";
    }
}
