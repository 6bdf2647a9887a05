<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Recipe\Attempt;
use Cubo\Recipe\MemoryCache;
use Cubo\Recipe\Message;
use Cubo\Recipe\SolidCache;
use Cubo\Solid\Solid;

/** Solids of values that are only tried: what is kept already is read, what is new is forgotten after the request. */
final class TriedParts implements SolidCache
{
    private readonly MemoryCache $own;

    public function __construct(private readonly PartFiles $kept)
    {
        $this->own = new MemoryCache();
    }

    public function has(string $key): bool
    {
        return $this->own->has($key) || $this->kept->has($key);
    }

    public function get(string $key): ?Solid
    {
        return $this->own->get($key) ?? $this->kept->get($key);
    }

    public function put(string $key, Solid $solid): void
    {
        $this->own->put($key, $solid);
    }

    public function problem(string $key): ?Message
    {
        return $this->own->problem($key) ?? $this->kept->problem($key);
    }

    public function putProblem(string $key, Message $message): void
    {
        $this->own->putProblem($key, $message);
    }

    public function sketch(string $key): ?array
    {
        return $this->own->sketch($key) ?? $this->kept->sketch($key);
    }

    public function putSketch(string $key, array $read): void
    {
        $this->own->putSketch($key, $read);
    }

    public function cost(string $key): int
    {
        return $this->own->cost($key) ?: $this->kept->cost($key);
    }

    public function putCost(string $key, int $units): void
    {
        $this->own->putCost($key, $units);
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
