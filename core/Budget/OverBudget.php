<?php

declare(strict_types=1);

namespace Cubo\Budget;

use RuntimeException;

/** Work that was given up because it would have cost more than it may. */
final class OverBudget extends RuntimeException
{
    public function __construct(public readonly Limit $limit)
    {
        parent::__construct("More than may be spent: {$limit->value}.");
    }
}
