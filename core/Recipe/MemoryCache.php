<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Solid\Solid;

/** A cache for one process. */
final class MemoryCache implements SolidCache
{
    /** @var array<string, Solid> */
    private array $solids = [];

    public function get(string $key): ?Solid
    {
        return $this->solids[$key] ?? null;
    }

    public function put(string $key, Solid $solid): void
    {
        $this->solids[$key] = $solid;
    }
}
