<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\SoftBlock;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** A block, its edges sharp, rounded or chamfered. */
final class Block extends ReadySolid
{
    protected function sizes(): array
    {
        return [
            new Field('width', FieldType::Size, '40'),
            new Field('depth', FieldType::Size, '20'),
            new Field('height', FieldType::Size, '10'),
            Field::choice('from', ['middle', 'corner']),
            Field::choice('edges', ['sharp', 'round', 'upright', 'cut', 'uprightcut']),
            new Field('bevel', FieldType::Size, '2', when: ['edges' => ['round', 'upright', 'cut', 'uprightcut']]),
        ];
    }

    protected function shape(Task $t): Solid
    {
        $size = [$t->number('width'), $t->number('depth'), $t->number('height')];
        $edges = $t->text('edges');
        $solid = match ($edges) {
            'round', 'upright' => SoftBlock::rounded($t->step->id, $size, $t->number('bevel'), $edges === 'round'),
            'cut', 'uprightcut' => SoftBlock::chamfered($t->step->id, $size, $t->number('bevel'), $edges === 'cut'),
            default => Primitives::block($t->step->id, [0.0, 0.0, 0.0], $size),
        };

        return $t->text('from') === 'middle' ? $solid->moved(Transform::translation([-$size[0] / 2, -$size[1] / 2, 0.0])) : $solid;
    }

    protected function blamed(Refused $r): ?string
    {
        return $r->reason === 'too-wide' ? 'bevel' : null;
    }
}
