<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Solid\Solid;

/** A cache for one process. */
final class MemoryCache implements SolidCache
{
    /** @var array<string, Solid> */
    private array $solids = [];

    /** @var array<string, Message> */
    private array $problems = [];

    /** @var array<string, int> */
    private array $costs = [];

    /** @var array<string, array{PlacedSketch, list<Message>}> */
    private array $sketches = [];

    public function has(string $key): bool
    {
        return isset($this->solids[$key]);
    }

    public function get(string $key): ?Solid
    {
        return $this->solids[$key] ?? null;
    }

    public function put(string $key, Solid $solid): void
    {
        $this->solids[$key] = $solid;
    }

    public function problem(string $key): ?Message
    {
        return $this->problems[$key] ?? null;
    }

    public function putProblem(string $key, Message $message): void
    {
        $this->problems[$key] = $message;
    }

    public function sketch(string $key): ?array
    {
        return $this->sketches[$key] ?? null;
    }

    public function putSketch(string $key, array $read): void
    {
        $this->sketches[$key] = $read;
    }

    public function cost(string $key): int
    {
        return $this->costs[$key] ?? 0;
    }

    public function putCost(string $key, int $units): void
    {
        $this->costs[$key] = $units;
    }

    public function begin(string $key): Attempt
    {
        return Attempt::First;
    }

    public function end(string $key): void {}
}
