<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Face;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Picked;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Solid;

/** Faces tilted about the line in which they meet a plane. */
final class Draft extends OnPicked
{
    protected function values(): array
    {
        return [
            new Field('faces', FieldType::Faces),
            new Field('angle', FieldType::Angle, '3'),
            Field::choice('plane', ['ground', 'front', 'side', 'face']),
            new Field('face', FieldType::Face, when: ['plane' => ['face']]),
            new Field('offset', FieldType::Length, '0'),
        ];
    }

    protected function by(): string
    {
        return 'angle';
    }

    protected function isAngle(): bool
    {
        return true;
    }

    protected function done(Task $t, float $size): Solid
    {
        $plane = $t->plane();

        return FaceWork::draft($t->part, Picked::faces($t), $plane->t, [$plane->r[2], $plane->r[5], $plane->r[8]], $size, $t->budget);
    }
}
