<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\SchoolClass;

final class SchoolClassPolicy
{
    /** Who is in it and how they sign in. */
    public function run(Person $person, SchoolClass $class): bool
    {
        return $person->runs($class);
    }

    /** What its students made, and their marks: its teachers alone. */
    public function mark(Person $person, SchoolClass $class): bool
    {
        return $person->teaches($class->id);
    }
}
