<?php

declare(strict_types=1);

namespace Cubo\Budget;

/**
 * What a piece of work may cost. It is passed in and spent by the work itself, in counted units: what is too much is so
 * on every machine. A unit is about a microsecond of work; docs/architecture.md says how the limits were measured.
 *
 * Memory and time are looked at only now and then while units are spent. They are guards for what is not counted well;
 * time also ends work that somebody waits for and that goes on later.
 */
final class Budget
{
    /** Units between two looks at the clock and the memory. */
    private const LOOK_EVERY = 4000;

    /** What working on a facet takes at the most, seen in unions of many balls. */
    private const BYTES_OF_A_FACET = 1000;

    private int $spent = 0;

    private int $look = self::LOOK_EVERY;

    /**
     * @param int $most units
     * @param float $until moment as microtime(true) gives it
     * @param int $memory bytes of the process
     * @param int $facets of any solid on the way
     * @param self|null $whole what this is a share of
     */
    public function __construct(
        private int $most = PHP_INT_MAX,
        private readonly float $until = INF,
        private readonly int $memory = PHP_INT_MAX,
        private readonly int $facets = PHP_INT_MAX,
        private readonly ?self $whole = null,
    ) {}

    /** For work that nobody waits for and whose size is known. */
    public static function unlimited(): self
    {
        return new self();
    }

    /** Three quarters of what the process may use: what is made of the work needs the rest. */
    public static function ownMemory(): int
    {
        $limit = ini_parse_quantity((string) ini_get('memory_limit'));

        return $limit <= 0 ? PHP_INT_MAX : intdiv($limit * 3, 4);
    }

    /** @throws OverBudget */
    public function spend(int $units): void
    {
        $this->whole?->spend($units);
        $this->spent += $units;
        if ($this->spent > $this->most) {
            throw new OverBudget(Limit::Work);
        }
        if ($this->spent >= $this->look) {
            $this->look = $this->spent + self::LOOK_EVERY;
            $this->lookAround();
        }
    }

    /**
     * Says how many facets a solid has, or several that are held at once.
     *
     * @throws OverBudget
     */
    public function hold(int $facets): void
    {
        $this->room($facets);
        $this->spend($facets);
    }

    /**
     * Asks whether so many facets may be held at once, for what grows piece by piece and is spent piece by piece.
     *
     * @throws OverBudget
     */
    public function room(int $facets): void
    {
        if ($facets > $this->facets) {
            throw new OverBudget(Limit::Facets);
        }
        if (memory_get_usage() + $facets * self::BYTES_OF_A_FACET > $this->memory) {
            throw new OverBudget(Limit::Memory);
        }
    }

    /** @throws OverBudget */
    private function lookAround(): void
    {
        if (memory_get_usage() > $this->memory) {
            throw new OverBudget(Limit::Memory);
        }
        if (microtime(true) > $this->until) {
            throw new OverBudget(Limit::Time);
        }
    }

    /**
     * Does a piece of the work with so many units more at the most, and no more than are left; the rest is for what follows.
     *
     * @template T
     *
     * @param callable(): T $work
     * @return T
     *
     * @throws OverBudget
     */
    public function within(int $units, callable $work): mixed
    {
        $most = $this->most;
        $this->most = min($most, $this->spent > PHP_INT_MAX - $units ? PHP_INT_MAX : $this->spent + $units);
        try {
            return $work();
        } finally {
            $this->most = $most;
        }
    }

    /** A share of it: what is spent of that counts here too. @param int $most units */
    public function part(int $most): self
    {
        return new self($most, $this->until, $this->memory, $this->facets, $this);
    }

    /** Units that are left; below nothing where it is used up. */
    public function left(): int
    {
        return min($this->most - $this->spent, $this->whole?->left() ?? PHP_INT_MAX);
    }

    /** Units spent so far. */
    public function spent(): int
    {
        return $this->spent;
    }
}
