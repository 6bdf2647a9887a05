<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\EditOutcome;

/** What became of an edit, and the recipe's version now. */
final readonly class TakenEdit
{
    /** @param bool $before whether it had arrived before, or could not be looked at yet */
    public function __construct(public EditOutcome $outcome, public int $version, public string $words = '', public bool $before = false) {}
}
