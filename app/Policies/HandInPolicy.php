<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\HandIn;
use App\Models\Person;

final class HandInPolicy
{
    public function view(Person $person, HandIn $handIn): bool
    {
        return $handIn->work->student_id === $person->id || $this->judge($person, $handIn);
    }

    public function judge(Person $person, HandIn $handIn): bool
    {
        return $person->teaches($handIn->work->assignment->class_id);
    }
}
