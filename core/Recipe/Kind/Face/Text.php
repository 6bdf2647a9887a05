<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Face;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Makes;
use Cubo\Recipe\Kind\Need;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Maker\Lettering;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** Letters on a flat face, that stand out or are cut in. */
final class Text extends Kind implements Makes
{
    public function family(): Family
    {
        return Family::Face;
    }

    public function needs(): Need
    {
        return Need::Part;
    }

    protected function values(): array
    {
        return [
            new Field('text', FieldType::Text, 'NEST 4'),
            new Field('height', FieldType::Size, '8'),
            new Field('depth', FieldType::Size, '1'),
            new Field('face', FieldType::Face),
            new Field('u', FieldType::Length, '0'),
            new Field('v', FieldType::Length, '0'),
            new Field('angle', FieldType::Angle, '0'),
            Field::choice('effect', ['add', 'cut']),
        ];
    }

    public function framedBy(): string
    {
        return 'face';
    }

    public function turnedInFrameBy(): string
    {
        return 'angle';
    }

    public function tool(Task $t): Solid
    {
        $t->needsPart();
        $depth = $t->number('depth');
        $place = Transform::rotation(2, $t->number('angle'))
            ->then(Transform::translation([$t->number('u'), $t->number('v'), $t->text('effect') === 'cut' ? -$depth : 0.0]))
            ->then($t->flatFace('face'));
        try {
            return Lettering::solid($t->step->id, $t->text('text'), $t->number('height'), $depth, $place, $t->budget);
        } catch (Refused $r) {
            throw $t->refused($r, 'This cannot be written.', 'text');
        }
    }
}
