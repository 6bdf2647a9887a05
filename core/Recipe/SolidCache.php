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

    /**
     * A sketch that took long to read, and what there was to say about it.
     *
     * @return array{PlacedSketch, list<Message>}|null
     */
    public function sketch(string $key): ?array;

    /** @param array{PlacedSketch, list<Message>} $read */
    public function putSketch(string $key, array $read): void;

    /** Units that a step cost when it was worked out; none for one that cost next to nothing. */
    public function cost(string $key): int;

    public function putCost(string $key, int $units): void;

    /**
     * Says that a step is being worked out, before it is.
     *
     * @return Attempt whether somebody else is at it, or work on it ended without a word before
     */
    public function begin(string $key): Attempt;

    /** Says that work on a step ended, whatever came of it. */
    public function end(string $key): void;
}
