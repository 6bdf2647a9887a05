<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use RuntimeException;

/** A relation that does not suit what it is asked of; the message is for the person who asked. */
final class UnfitRelation extends RuntimeException
{
    public function __construct(public readonly string $relation, string $message)
    {
        parent::__construct($message);
    }
}
