<?php

declare(strict_types=1);

namespace Cubo\School\Marks;

/** How a class is marked: which try counts, what a late one is worth, and the scale. */
final readonly class MarkingRules
{
    /** @param int $late percent of its points that a late try keeps */
    public function __construct(public Scale $scale, public Counts $counts = Counts::Last, public int $late = 100) {}

    public static function usual(): self
    {
        return new self(Scale::examples()['one-to-six']);
    }

    /** @param array<string, mixed> $a as kept; what is missing is as usual */
    public static function fromArray(array $a): self
    {
        try {
            $scale = Scale::of($a['scale'] ?? []);
        } catch (BadScale) {
            $scale = self::usual()->scale;
        }

        return new self(
            $scale,
            Counts::tryFrom((string) ($a['counts'] ?? '')) ?? Counts::Last,
            max(0, min(100, (int) ($a['late'] ?? 100))),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['scale' => $this->scale->rows, 'counts' => $this->counts->value, 'late' => $this->late];
    }

    /**
     * The try that counts, with what it is worth.
     *
     * @param list<TryHandedIn> $tries
     */
    public function counted(array $tries): ?TryHandedIn
    {
        $worth = array_map(
            fn(TryHandedIn $t): TryHandedIn => new TryHandedIn(
                $t->number,
                $t->late ? ($t->points * $this->late) / 100 : $t->points,
                $t->most,
                $t->late,
            ),
            $tries,
        );
        usort($worth, static fn(TryHandedIn $a, TryHandedIn $b): int => $a->number <=> $b->number);

        return match ($this->counts) {
            Counts::First => $worth[0] ?? null,
            Counts::Last => $worth[count($worth) - 1] ?? null,
            Counts::Best => array_reduce(
                $worth,
                static fn(?TryHandedIn $best, TryHandedIn $t): TryHandedIn => $best !== null && $best->share() >= $t->share() ? $best : $t,
            ),
        };
    }

    /**
     * The sum over what was handed in: shares are weighed by the points there are and by the weights of the exercises.
     *
     * @param list<array{TryHandedIn, float}> $counted tries that count, with the weight of their exercise
     * @return array{points: float, most: float, share: float, mark: string}|null null where nothing was handed in, or all weighs nothing
     */
    public function sum(array $counted): ?array
    {
        $points = $most = 0.0;
        foreach ($counted as [$try, $weight]) {
            $points += $weight * $try->points;
            $most += $weight * $try->most;
        }

        return $most > 0
            ? ['points' => $points, 'most' => $most, 'share' => $points / $most, 'mark' => $this->scale->mark($points / $most)]
            : null;
    }
}
