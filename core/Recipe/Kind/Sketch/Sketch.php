<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Sketch;

use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Need;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\SketchPlacement;

/** A sketch: lines on a plane, from which later steps take areas, lines and points. */
final class Sketch extends Kind implements HasArrows
{
    public function family(): Family
    {
        return Family::Sketch;
    }

    public function needs(): Need
    {
        return Need::Nothing;
    }

    protected function values(): array
    {
        return [
            Field::choice('plane', ['ground', 'front', 'side', 'face']),
            new Field('face', FieldType::Face, when: ['plane' => ['face']]),
            new Field('offset', FieldType::Length, '0'),
            new Field('turn', FieldType::Angle, '0'),
            new Field('u', FieldType::Length, '0'),
            new Field('v', FieldType::Length, '0'),
            new Field('shapes', FieldType::Shapes, '[]'),
            new Field('drawn', FieldType::Drawing),
        ];
    }

    public function draws(): bool
    {
        return true;
    }

    public function framedBy(): string
    {
        return 'face';
    }

    public function turnedInFrameBy(): string
    {
        return 'turn';
    }

    public function arrows(Task $t): array
    {
        $plane = $t->step->drawn()->entities === [] && $t->step->shapes() === [] ? null : SketchPlacement::of($t->step, $t->part, $t->v);

        return $plane === null ? [] : [Arrow::outOf($t, $plane)];
    }
}
