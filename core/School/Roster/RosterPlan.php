<?php

declare(strict_types=1);

namespace Cubo\School\Roster;

/**
 * What a list would do to a class, before anything is done: who is new, who is there already, who has another name, and who
 * of the class is not on the list. Pupils are known by the identifier of the school's register, or else by their name.
 */
final readonly class RosterPlan
{
    /** Letters of a name. */
    public const LONGEST = 60;

    /**
     * @param list<Planned> $lines
     * @param list<Known> $left of the class and not on the list
     */
    private function __construct(public array $lines, public array $left) {}

    /**
     * @param list<Line> $lines
     * @param list<Known> $known
     */
    public static function of(array $lines, array $known): self
    {
        $byIdentifier = $byName = [];
        foreach ($known as $k) {
            if ($k->identifier !== '') {
                $byIdentifier[$k->identifier] = $k;
            }
            $byName[self::key($k->name)] ??= $k;
        }
        $out = $seen = $named = $there = [];
        foreach ($lines as $line) {
            $key = self::key($line->name);
            $identified = $line->identifier === '' ? null : "#$line->identifier";
            // two of one name are two where the register tells them apart
            $like =
                ($identified === null ? null : $seen[$identified] ?? null) ??
                ($identified === null || ($named[$key] ?? '') === '' ? $seen[$key] ?? null : null);
            $k = ($identified === null ? null : $byIdentifier[$line->identifier] ?? null) ?? self::sameName($byName[$key] ?? null, $line);
            $state = match (true) {
                $key === '' => LineState::WithoutName,
                mb_strlen($line->name) > self::LONGEST => LineState::TooLong,
                $like !== null || ($k !== null && isset($there[$k->id])) => LineState::Twice,
                $k === null => LineState::Added,
                $k->name !== $line->name => LineState::Renamed,
                default => LineState::Kept,
            };
            if ($state === LineState::Added || $state === LineState::Kept || $state === LineState::Renamed) {
                $seen[$key] ??= $line->number;
                $named[$key] ??= $line->identifier;
                if ($identified !== null) {
                    $seen[$identified] = $line->number;
                }
                if ($k !== null) {
                    $there[$k->id] = $line->number;
                }
            }
            $out[] = new Planned($line, $state, $k, $state === LineState::Twice ? $like ?? ($there[$k->id ?? 0] ?? null) : null);
        }

        return new self($out, array_values(array_filter($known, static fn(Known $k): bool => !isset($there[$k->id]))));
    }

    public function count(LineState $state): int
    {
        return count($this->in($state));
    }

    /** @return list<Planned> */
    public function in(LineState $state): array
    {
        return array_values(array_filter($this->lines, static fn(Planned $p): bool => $p->state === $state));
    }

    /** Somebody of that name whom the register does not tell apart. */
    private static function sameName(?Known $k, Line $line): ?Known
    {
        return $k === null || ($k->identifier !== '' && $line->identifier !== '' && $k->identifier !== $line->identifier) ? null : $k;
    }

    private static function key(string $name): string
    {
        return mb_strtolower(trim((string) preg_replace('/\s+/u', ' ', \Normalizer::normalize($name) ?: $name)));
    }
}
