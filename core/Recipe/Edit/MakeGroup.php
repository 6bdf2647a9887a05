<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Groups\Grouping;
use Cubo\Recipe\Recipe;

/** Several steps taken together as one group. */
final class MakeGroup extends Edit
{
    public function id(): string
    {
        return 'group';
    }

    public function rules(): array
    {
        return ['steps' => Rule::several(Limits::SIZES), 'name' => Rule::text(Limits::WORD)];
    }

    public function makesStep(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Grouping::group($r, $in->steps($r), $in->text('name'), $bench->evaluate);
    }
}
