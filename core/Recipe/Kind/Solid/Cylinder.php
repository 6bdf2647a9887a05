<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/** A cylinder along one of the axes. */
final class Cylinder extends ReadySolid
{
    protected function sizes(): array
    {
        return [self::by(), new Field('round', FieldType::Size, '10'), new Field('length', FieldType::Size, '20'), self::along()];
    }

    protected function shape(Task $t): Solid
    {
        return self::laid($t, Primitives::cylinder($t->step->id, $t->v->radius('round'), $t->number('length')));
    }
}
