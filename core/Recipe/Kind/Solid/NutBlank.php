<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\RegularPolygon;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Solid;

/** A hexagonal nut before its thread is cut: width across flats, thickness and a plain bore. */
final class NutBlank extends ReadySolid
{
    private const SIDES = 6;

    protected function sizes(): array
    {
        return [
            new Field('width', FieldType::Size, '20'),
            new Field('height', FieldType::Size, '10'),
            self::by(),
            new Field('bore', FieldType::Size, '10'),
        ];
    }

    protected function shape(Task $t): Solid
    {
        [$width, $height, $bore] = [$t->number('width'), $t->number('height'), $t->v->radius('bore')];
        if (2 * $bore >= $width) {
            throw new StepProblem(
                new Message(
                    'no-wall',
                    'This nut has no wall.',
                    'Its bore must be less than the width across its flats, ' . $t->unit->brief($width) . " {$t->unit->value}.",
                    'bore',
                ),
            );
        }
        $hexagon = RegularPolygon::acrossFlats(self::SIDES);
        $blank = $hexagon->turned(Shapes::prism($t->step->id, self::SIDES, $hexagon->radius($width), $height));

        $drill = Primitives::cylinder($t->step->id, $bore, $height)->renamed(static fn(): string => "{$t->step->id}:inside");

        return BooleanOperation::difference($blank, $drill, $t->budget);
    }
}
