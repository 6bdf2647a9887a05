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

/** A ring that lies flat, given by its outside and its thickness. */
final class Ring extends ReadySolid
{
    protected function sizes(): array
    {
        return [self::by(), new Field('round', FieldType::Size, '40'), new Field('thick', FieldType::Size, '8')];
    }

    protected function shape(Task $t): Solid
    {
        $tube = $t->number('thick') / 2;
        $outer = $t->v->radius('round');
        if (2 * $tube >= $outer) {
            throw new StepProblem(
                new Message(
                    'no-hole',
                    'This ring has no hole.',
                    'Its thickness must be less than ' . $t->unit->brief($outer) . " {$t->unit->value}.",
                    'thick',
                ),
            );
        }

        return Shapes::torus($t->step->id, $outer - $tube, $tube);
    }

    protected function blamed(Refused $r): ?string
    {
        return $r->reason === 'no-hole' ? 'thick' : null;
    }
}
