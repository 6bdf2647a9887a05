<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use RuntimeException;

/** A change to a sketch that is not made: why, in words, and what stands against it. */
final class Refusal extends RuntimeException
{
    /** @param list<string> $clash relations that cannot hold together */
    public function __construct(string $message, public readonly array $clash = [])
    {
        parent::__construct($message);
    }
}
