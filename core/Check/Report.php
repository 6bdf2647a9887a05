<?php

declare(strict_types=1);

namespace Cubo\Check;

/** The result of checking one part against one list of requirements. */
final readonly class Report
{
    /** @param list<Row> $rows in the order of the requirements */
    public function __construct(public array $rows) {}

    public function met(): int
    {
        return count(array_filter($this->rows, static fn (Row $r): bool => $r->status === 'met'));
    }

    public function allMet(): bool
    {
        return $this->met() === count($this->rows);
    }

    public function points(): int
    {
        return array_sum(array_map(static fn (Row $r): int => $r->status === 'met' ? $r->points : 0, $this->rows));
    }

    public function mostPoints(): int
    {
        return array_sum(array_map(static fn (Row $r): int => $r->points, $this->rows));
    }

    /** @return list<array<string, mixed>> */
    public function toArray(): array
    {
        return array_map(static fn (Row $r): array => $r->toArray(), $this->rows);
    }

    /** @param list<array<string, mixed>> $rows */
    public static function fromArray(array $rows): self
    {
        return new self(array_map(Row::fromArray(...), $rows));
    }
}
