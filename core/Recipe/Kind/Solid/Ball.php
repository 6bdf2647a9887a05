<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/** A ball; its own frame is its middle. */
final class Ball extends ReadySolid
{
    protected function sizes(): array
    {
        return [self::by(), new Field('round', FieldType::Size, '20')];
    }

    protected function shape(Task $t): Solid
    {
        return Primitives::sphere($t->step->id, $t->v->radius('round'));
    }
}
