<?php

declare(strict_types=1);

namespace App\Support\Edits;

use App\Models\Person;
use App\Support\Library;
use Closure;
use Cubo\Budget\Limits;
use Cubo\Recipe\Edit\Bench;
use Cubo\Recipe\Edit\Edit;
use Cubo\Recipe\Edit\Input;
use Cubo\Recipe\Edit\Rule;
use Cubo\Recipe\Recipe;

/** A group from the library brought to its newest version. */
final class Renew extends Edit
{
    /** @param Closure(): Person $owner of the recipe */
    public function __construct(private readonly Library $library, private readonly Closure $owner) {}

    public function rules(): array
    {
        return ['group' => Rule::text(Limits::ID)];
    }

    public function isOfWhole(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return $this->library->renew($r, $in->text('group'), ($this->owner)());
    }
}
