<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\PartFile;
use App\Models\Person;

/** A file is its student's until it is handed in; what is handed in is looked at through the hand-in. */
final class PartFilePolicy
{
    public function use(Person $person, PartFile $file): bool
    {
        return $file->work->student_id === $person->id;
    }
}
