<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Lettering;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** Letters as a solid, upright or lying; their own frame is their middle. */
final class Letters extends ReadySolid
{
    protected function sizes(): array
    {
        return [
            new Field('text', FieldType::Text, 'GARDEN'),
            new Field('height', FieldType::Size, '20'),
            new Field('depth', FieldType::Size, '5'),
            Field::choice('lie', ['upright', 'flat']),
        ];
    }

    protected function shape(Task $t): Solid
    {
        try {
            $flat = Lettering::solid(
                $t->step->id,
                $t->text('text'),
                $t->number('height'),
                $t->number('depth'),
                Transform::identity(),
                $t->budget,
            );
        } catch (Refused $r) {
            throw $t->refused($r, 'This cannot be written.', 'text');
        }
        $box = $flat->vertexBox();
        [$u, $v] = [-($box[0] + $box[3]) / 2, -($box[1] + $box[4]) / 2];

        return $flat->moved(
            $t->text('lie') === 'flat'
                ? Transform::translation([$u, $v, 0.0])
                : // upright letters are read from the front
                Transform::rotation(0, 90.0)->then(Transform::translation([$u, ($box[2] + $box[5]) / 2, -$box[1]])),
        );
    }
}
