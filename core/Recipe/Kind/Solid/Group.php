<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Groups;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Solid;

/** One of a group of the recipe; its own frame is the one the group was made in. */
final class Group extends ReadySolid
{
    protected function sizes(): array
    {
        return [new Field('group', FieldType::Group), new Field('set', FieldType::Sizes)];
    }

    protected function shape(Task $t): Solid
    {
        return Groups::solid($t);
    }
}
