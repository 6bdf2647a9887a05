<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Solid;

/** Half a ball on its flat. */
final class HalfBall extends ReadySolid
{
    protected function sizes(): array
    {
        return [self::by(), new Field('round', FieldType::Size, '20')];
    }

    protected function shape(Task $t): Solid
    {
        $radius = $t->v->radius('round');

        return Shapes::cap($t->step->id, $radius, $radius);
    }
}
