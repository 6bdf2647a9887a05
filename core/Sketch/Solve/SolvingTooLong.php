<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use RuntimeException;

/** A sketch was not settled within the time allowed; the message says so in words. */
final class SolvingTooLong extends RuntimeException
{
    public function __construct()
    {
        parent::__construct('Its relations are too tangled to be settled in time. Take the last one back, or settle it in smaller pieces.');
    }
}
