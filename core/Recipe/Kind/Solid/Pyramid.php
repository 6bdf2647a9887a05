<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\RegularPolygon;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Solid;

/** A regular pyramid or the frustum of one, upright. */
final class Pyramid extends ReadySolid
{
    protected function sizes(): array
    {
        return [
            new Field('sides', FieldType::Count, '4'),
            Field::choice('across', ['corners', 'flats'], 'flats'),
            new Field('round', FieldType::Size, '20'),
            new Field('tip', FieldType::SizeOrZero, '0'),
            new Field('height', FieldType::Size, '20'),
        ];
    }

    protected function shape(Task $t): Solid
    {
        $of = RegularPolygon::of($t);

        return $of->turned(
            Shapes::pyramid(
                $t->step->id,
                $of->sides,
                $of->radius($t->number('round')),
                $of->radius($t->number('tip')),
                $t->number('height'),
            ),
        );
    }
}
