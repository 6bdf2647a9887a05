<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Solid;

/** A wedge that rises to the back. */
final class Wedge extends ReadySolid
{
    protected function sizes(): array
    {
        return [
            new Field('width', FieldType::Size, '40'),
            new Field('depth', FieldType::Size, '20'),
            new Field('height', FieldType::Size, '20'),
            new Field('low', FieldType::SizeOrZero, '0'),
        ];
    }

    protected function shape(Task $t): Solid
    {
        [$width, $depth] = [$t->number('width'), $t->number('depth')];

        return Shapes::wedge($t->step->id, $width, $depth, $t->number('low'), $t->number('height'))->moved(
            Transform::translation([-$width / 2, -$depth / 2, 0.0]),
        );
    }
}
