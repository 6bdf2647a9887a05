<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Face;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Picked;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Solid;

/** The part hollowed out to a wall, or a wall laid around it. */
final class Hollow extends OnPicked
{
    protected function values(): array
    {
        return [
            new Field('wall', FieldType::Size, '2'),
            Field::choice('side', ['inside', 'outside']),
            new Field('faces', FieldType::Faces),
            new Field('others', FieldType::Faces),
            new Field('second', FieldType::Size, '4'),
        ];
    }

    protected function by(): string
    {
        return 'wall';
    }

    public function isTelling(): bool
    {
        return true;
    }

    protected function meansAll(): bool
    {
        return true;
    }

    protected function done(Task $t, float $size): Solid
    {
        $open = $t->step->names('faces') === [] ? [] : Picked::faces($t);
        $others =
            $t->step->names('others') === [] ? [] : array_fill_keys(array_diff(Picked::faces($t, 'others'), $open), $t->number('second'));

        return $t->text('side') === 'outside'
            ? FaceWork::shellAround($t->step->id, $t->part, $size, $open, $others, $t->budget)
            : FaceWork::shell($t->step->id, $t->part, $size, $open, $others, $t->budget);
    }
}
