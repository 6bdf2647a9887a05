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
}
