<?php

declare(strict_types=1);

namespace App\Support;

/**
 * Which edit of which window this is, and what it stands on. One without a line has no id: it is done as often as it is
 * sent, and only on the very version it names.
 */
final readonly class SentEdit
{
    /** Letters of the name of a line, and how many lines a window may call its own. */
    public const LONGEST_LINE = 32;

    public const MOST_LINES = 20;

    /** @param list<string> $own lines that are this window's too, from before it was loaded anew */
    public function __construct(public string $line, public int $number, public int $version, public array $own = []) {}

    /**
     * @param array<array-key, mixed> $in "line", "number", "version" and "own", as they came
     */
    public static function of(array $in): self
    {
        $line = self::line($in['line'] ?? null);
        $number = filter_var($in['number'] ?? null, FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => 100_000_000]]);
        $own = array_filter(
            array_map(self::line(...), array_slice(array_values(is_array($in['own'] ?? null) ? $in['own'] : []), 0, self::MOST_LINES)),
        );
        $version = filter_var($in['version'] ?? null, FILTER_VALIDATE_INT, ['options' => ['min_range' => 0, 'max_range' => 2_000_000_000]]);

        return new self(
            $number === false ? '' : $line,
            $number === false ? 0 : $number,
            $version === false ? 0 : $version,
            array_values($own),
        );
    }

    public function hasId(): bool
    {
        return $this->line !== '';
    }

    private static function line(mixed $typed): string
    {
        return is_string($typed) && preg_match('/^[a-z0-9]{6,' . self::LONGEST_LINE . '}$/', $typed) === 1 ? $typed : '';
    }
}
