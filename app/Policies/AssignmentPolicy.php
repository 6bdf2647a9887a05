<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Assignment;
use App\Models\Person;

final class AssignmentPolicy
{
    /** A student works on what the own class was given, as long as it was not taken back and the class not put away. */
    public function work(Person $person, Assignment $assignment): bool
    {
        return !$person->isTeacher() &&
            $person->class_id === $assignment->class_id &&
            $assignment->taken_back_at === null &&
            $assignment->schoolClass->archived_at === null;
    }

    public function oversee(Person $person, Assignment $assignment): bool
    {
        return $person->teaches($assignment->class_id);
    }
}
