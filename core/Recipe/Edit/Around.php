<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Arrange\Copies;
use Cubo\Recipe\Recipe;

/** What a step makes, several times round the centre. */
final class Around extends Edit
{
    public function rules(): array
    {
        return ['count' => Rule::whole(1, 50)];
    }

    public function makesStep(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Copies::around($r, $in->text('step'), $in->whole('count', 6), $bench->evaluate);
    }
}
