<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Solid;

/** Half a cylinder that lies on its flat, its length to the right. */
final class HalfCylinder extends ReadySolid
{
    protected function sizes(): array
    {
        return [self::by(), new Field('round', FieldType::Size, '20'), new Field('length', FieldType::Size, '40')];
    }

    protected function shape(Task $t): Solid
    {
        return Shapes::halfCylinder($t->step->id, $t->v->radius('round'), $t->number('length'));
    }

    protected function axis(Task $t): int
    {
        return 0;
    }
}
