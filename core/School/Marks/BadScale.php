<?php

declare(strict_types=1);

namespace Cubo\School\Marks;

use InvalidArgumentException;

/** A scale that cannot be used; the message says why, the row is the one to look at. */
final class BadScale extends InvalidArgumentException
{
    public function __construct(string $message, public readonly int $row)
    {
        parent::__construct($message);
    }
}
