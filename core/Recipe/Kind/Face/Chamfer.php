<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Face;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Picked;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Solid;

/** Edges cut off flat. */
final class Chamfer extends OnPicked
{
    protected function values(): array
    {
        return [
            new Field('edges', FieldType::Edges),
            new Field('faces', FieldType::Faces),
            Field::choice('by', ['one', 'two', 'angle']),
            new Field('distance', FieldType::Size, '1'),
            new Field('second', FieldType::Size, '2', when: ['by' => ['two']]),
            new Field('angle', FieldType::Angle, '30', when: ['by' => ['angle']]),
            Field::choice('side', ['first', 'second'], when: ['by' => ['two', 'angle']]),
        ];
    }

    protected function by(): string
    {
        return 'distance';
    }

    public function tooMuchAt(): string
    {
        return 'edges';
    }

    protected function done(Task $t, float $size): Solid
    {
        [$id, $edges, $swapped] = [$t->step->id, Picked::edges($t), $t->text('side') === 'second'];

        return match ($t->text('by')) {
            'two' => Blending::chamfer($id, $t->part, $edges, $size, $t->number('second'), $swapped, $t->budget),
            'angle' => Blending::chamferAtAngle($id, $t->part, $edges, $size, $t->number('angle'), $swapped, $t->budget),
            default => Blending::chamfer($id, $t->part, $edges, $size, budget: $t->budget),
        };
    }
}
