<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\Recipe;

/** A student sees only own parts; a teacher own reference parts and the parts of own classes. */
final class RecipePolicy
{
    public function view(Person $person, Recipe $recipe): bool
    {
        if ($recipe->owner_id === $person->id) {
            return true;
        }
        $work = $recipe->work;

        return $work !== null && $person->teaches($work->assignment->class_id);
    }

    public function edit(Person $person, Recipe $recipe): bool
    {
        return $recipe->owner_id === $person->id;
    }
}
