<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** A tube along one of the axes, by its outside and its wall. */
final class Tube extends ReadySolid
{
    protected function sizes(): array
    {
        return [
            self::by(),
            new Field('round', FieldType::Size, '20'),
            new Field('wall', FieldType::Size, '2'),
            new Field('length', FieldType::Size, '20'),
            self::along(),
        ];
    }

    protected function shape(Task $t): Solid
    {
        $outer = $t->v->radius('round');
        $wall = $t->number('wall');
        if ($wall >= $outer) {
            throw new StepProblem(
                new Message(
                    'no-wall',
                    'This tube has no hole.',
                    'Its wall must be less than ' . $t->unit->brief($outer) . " {$t->unit->value}.",
                    'wall',
                ),
            );
        }

        return self::laid($t, Shapes::tube($t->step->id, $outer, $outer - $wall, $t->number('length')));
    }

    protected function blamed(Refused $r): ?string
    {
        return $r->reason === 'no-wall' ? 'wall' : null;
    }
}
