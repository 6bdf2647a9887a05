<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Face;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Picked;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Solid;

/** Edges rounded by a ball rolled along them. */
final class Round extends OnPicked
{
    protected function values(): array
    {
        return [new Field('edges', FieldType::Edges), new Field('faces', FieldType::Faces), new Field('radius', FieldType::Size, '2')];
    }

    protected function by(): string
    {
        return 'radius';
    }

    public function tooMuchAt(): string
    {
        return 'edges';
    }

    protected function done(Task $t, float $size): Solid
    {
        return Blending::round($t->step->id, $t->part, Picked::edges($t), $size, $t->budget);
    }
}
