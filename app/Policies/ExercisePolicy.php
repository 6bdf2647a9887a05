<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Exercise;
use App\Models\Person;

final class ExercisePolicy
{
    public function edit(Person $person, Exercise $exercise): bool
    {
        return $person->isTeacher() && $exercise->teacher_id === $person->id;
    }
}
