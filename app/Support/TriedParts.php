<?php

declare(strict_types=1);

namespace App\Support;

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
        $this->own = new MemoryCache;
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
}
