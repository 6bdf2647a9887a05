<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Solid;

/** A roof whose ridge runs to the back. */
final class Roof extends ReadySolid
{
    protected function sizes(): array
    {
        return [
            new Field('width', FieldType::Size, '40'),
            new Field('depth', FieldType::Size, '40'),
            new Field('height', FieldType::Size, '20'),
        ];
    }

    protected function shape(Task $t): Solid
    {
        return Shapes::roof($t->step->id, $t->number('width'), $t->number('depth'), $t->number('height'));
    }
}
