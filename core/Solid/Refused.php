<?php

declare(strict_types=1);

namespace Cubo\Solid;

use RuntimeException;

/**
 * A solid that cannot be made from the sizes asked for. Carries a code for the message a person gets, and where it can
 * be found the largest value that would work (mm or degrees).
 */
final class Refused extends RuntimeException
{
    public function __construct(public readonly string $reason, string $message, public readonly ?float $largest = null)
    {
        parent::__construct($message);
    }
}
