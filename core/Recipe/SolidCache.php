<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Solid\Solid;

/** Keeps the solid after a step under a hash of all it depends on. */
interface SolidCache
{
    public function get(string $key): ?Solid;

    public function put(string $key, Solid $solid): void;
}
