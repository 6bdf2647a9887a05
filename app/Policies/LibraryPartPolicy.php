<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\LibraryPart;
use App\Models\Person;

/** Its author may do everything; the class it is shared with, and that class's teachers, may see and take it. */
final class LibraryPartPolicy
{
    public function view(Person $person, LibraryPart $part): bool
    {
        return $part->owner_id === $person->id ||
            ($part->class_id !== null && ($part->class_id === $person->class_id || $person->teaches($part->class_id)));
    }

    public function edit(Person $person, LibraryPart $part): bool
    {
        return $part->owner_id === $person->id;
    }
}
