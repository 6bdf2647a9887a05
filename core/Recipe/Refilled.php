<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Solid\Solid;

/** A cache that has lost some of its solids: only what can really be read counts as kept, and what is made anew is kept again. */
final class Refilled implements SolidCache
{
    private readonly MemoryCache $own;

    public function __construct(private readonly SolidCache $kept)
    {
        $this->own = new MemoryCache();
    }

    public function has(string $key): bool
    {
        return $this->get($key) !== null;
    }

    public function get(string $key): ?Solid
    {
        return $this->own->get($key) ?? $this->kept->get($key);
    }

    public function put(string $key, Solid $solid): void
    {
        $this->own->put($key, $solid);
        $this->kept->put($key, $solid);
    }

    public function problem(string $key): ?Message
    {
        return $this->kept->problem($key);
    }

    public function putProblem(string $key, Message $message): void
    {
        $this->kept->putProblem($key, $message);
    }

    public function sketch(string $key): ?array
    {
        return $this->kept->sketch($key);
    }

    public function putSketch(string $key, array $read): void
    {
        $this->kept->putSketch($key, $read);
    }

    public function cost(string $key): int
    {
        return $this->kept->cost($key);
    }

    public function putCost(string $key, int $units): void
    {
        $this->kept->putCost($key, $units);
    }

    public function begin(string $key): Attempt
    {
        return $this->kept->begin($key);
    }

    public function end(string $key): void
    {
        $this->kept->end($key);
    }
}
