<?php

declare(strict_types=1);

namespace Cubo\School\Marks;

/** A teacher's own table: from which share of the points on a mark is given. Marks are words; numbers are words, too. */
final readonly class Scale
{
    public const MOST_ROWS = 25;

    public const LONGEST = 20;

    /** Percent that a sum of points may miss a row by and still reach it: shares like 2/3 are no decimals. */
    private const ROUNDING = 1e-9;

    /** @param list<array{from: float, word: string}> $rows percent, highest first; the last one from 0 */
    private function __construct(public array $rows) {}

    /**
     * @param list<array{from: int|float, word: string}> $rows in any order
     *
     * @throws BadScale
     */
    public static function of(array $rows): self
    {
        if (count($rows) < 2 || count($rows) > self::MOST_ROWS) {
            throw new BadScale('A scale has from 2 to ' . self::MOST_ROWS . ' marks.', 0);
        }
        $seen = [];
        foreach ($rows as $i => $row) {
            if ($row['from'] < 0 || $row['from'] > 100) {
                throw new BadScale('A share lies between 0 and 100 percent.', $i);
            }
            if (trim($row['word']) === '' || mb_strlen($row['word']) > self::LONGEST) {
                throw new BadScale('A mark is a word of up to ' . self::LONGEST . ' letters.', $i);
            }
            if (isset($seen[(string) $row['from']])) {
                throw new BadScale('Two marks begin at the same share.', $i);
            }
            $seen[(string) $row['from']] = true;
        }
        usort($rows, static fn(array $a, array $b): int => $b['from'] <=> $a['from']);
        if ($rows[count($rows) - 1]['from'] > 0) {
            throw new BadScale('The lowest mark begins at 0 percent, so that every share has one.', count($rows) - 1);
        }

        return new self(array_map(static fn(array $r): array => ['from' => (float) $r['from'], 'word' => trim($r['word'])], $rows));
    }

    /** @param float $share 0 to 1 */
    public function mark(float $share): string
    {
        foreach ($this->rows as $row) {
            if (100 * $share >= $row['from'] - self::ROUNDING) {
                return $row['word'];
            }
        }

        return $this->rows[count($this->rows) - 1]['word'];
    }

    /**
     * The fewest points of each mark, for so many there are.
     *
     * @return list<array{points: int, word: string}>
     */
    public function inPoints(int $most): array
    {
        return array_map(
            static fn(array $r): array => ['points' => (int) ceil(($r['from'] / 100) * $most - self::ROUNDING), 'word' => $r['word']],
            $this->rows,
        );
    }

    /**
     * Scales to begin with. Where the shares are common practice and no rule they are so named.
     *
     * @return array<string, self> by name
     */
    public static function examples(): array
    {
        $rows = static fn(array $at): self => self::of(
            array_map(static fn(string|int $word, int $from): array => ['from' => $from, 'word' => (string) $word], array_keys($at), $at),
        );
        $even = static fn(int $most): self => self::of(
            array_map(static fn(int $n): array => ['from' => (100 * $n) / $most, 'word' => (string) $n], range(0, $most)),
        );

        return [
            'one-to-six' => $rows([1 => 92, 2 => 81, 3 => 67, 4 => 50, 5 => 30, 6 => 0]),
            'letters' => $rows(['A' => 90, 'B' => 80, 'C' => 70, 'D' => 60, 'F' => 0]),
            'out-of-twenty' => $even(20),
            'out-of-ten' => $even(10),
            'words' => $rows(['well met' => 90, 'met' => 70, 'partly met' => 40, 'not yet' => 0]),
        ];
    }
}
