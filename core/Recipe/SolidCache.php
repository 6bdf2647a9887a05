<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Solid\Solid;

/** Keeps the outcome of a step, a solid or a message, under a hash of all it depends on. */
interface SolidCache
{
    public function has(string $key): bool;

    public function get(string $key): ?Solid;

    public function put(string $key, Solid $solid): void;

    public function problem(string $key): ?Message;

    public function putProblem(string $key, Message $message): void;
}
