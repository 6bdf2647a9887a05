<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Check\Slip\Finding;

/** The result of checking one part against one list of requirements. */
final readonly class Report
{
    /**
     * @param list<Row> $rows in the order of the requirements
     * @param list<Finding> $findings likely slips, surest first
     */
    public function __construct(public array $rows, public array $findings = []) {}

    /** Nothing of it could be measured, and why. */
    public static function unmeasured(Exercise $exercise, string $why): self
    {
        $rows = new Rows($exercise->unit);

        return new self(array_map(static fn(Requirement $r): Row => $rows->unknown($r, $why), $exercise->asked()));
    }

    public function met(): int
    {
        return count(array_filter($this->rows, static fn(Row $r): bool => $r->status === 'met'));
    }

    public function allMet(): bool
    {
        return $this->met() === count($this->rows);
    }

    public function points(): int
    {
        return array_sum(array_map(static fn(Row $r): int => $r->status === 'met' ? $r->points : 0, $this->rows));
    }

    public function mostPoints(): int
    {
        return array_sum(array_map(static fn(Row $r): int => $r->points, $this->rows));
    }

    /** @return list<array<string, mixed>> */
    public function toArray(): array
    {
        return array_map(static fn(Row $r): array => $r->toArray(), $this->rows);
    }

    /** @return list<array<string, mixed>> */
    public function findingsToArray(): array
    {
        return array_map(static fn(Finding $f): array => $f->toArray(), $this->findings);
    }

    /**
     * @param list<array<string, mixed>> $rows
     * @param list<array<string, mixed>> $findings
     */
    public static function fromArray(array $rows, array $findings = []): self
    {
        return new self(array_map(Row::fromArray(...), $rows), array_map(Finding::fromArray(...), $findings));
    }
}
