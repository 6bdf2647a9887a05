<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/** A cone or the frustum of one, along one of the axes. */
final class Cone extends ReadySolid
{
    protected function sizes(): array
    {
        return [
            self::by(),
            new Field('round', FieldType::SizeOrZero, '20'),
            new Field('tip', FieldType::SizeOrZero, '0'),
            new Field('length', FieldType::Size, '20'),
            self::along(),
        ];
    }

    protected function shape(Task $t): Solid
    {
        $base = $t->v->radius('round');
        $tip = $t->v->radius('tip');
        if ($base == 0.0 && $tip == 0.0) {
            throw new StepProblem(
                new Message('not-positive', 'This cone has no width.', 'Both ends are 0. One of them must be more.', 'round'),
            );
        }

        return self::laid($t, Primitives::cone($t->step->id, $base, $tip, $t->number('length')));
    }
}
