<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Face;

use Cubo\Recipe\Kind\Effect;
use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Makes;
use Cubo\Recipe\Kind\Need;
use Cubo\Recipe\Kind\Warns;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Holes;
use Cubo\Recipe\Make\Skin;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\ScrewSizes;
use Cubo\Solid\Solid;

/** Holes at points of a sketch or at a place on a face. */
final class Hole extends Kind implements HasArrows, Makes, Warns
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
            Field::choice('where', ['points', 'face']),
            new Field('sketch', FieldType::Sketch, when: ['where' => ['points']]),
            new Field('face', FieldType::Face, when: ['where' => ['face']]),
            new Field('u', FieldType::Length, '0', when: ['where' => ['face']]),
            new Field('v', FieldType::Length, '0', when: ['where' => ['face']]),
            Field::choice('by', ['diameter', 'radius', 'screw']),
            new Field('round', FieldType::Size, '5', when: ['by' => ['diameter', 'radius']]),
            Field::choice('screw', array_keys(ScrewSizes::CLEARANCE), 'M4', ['by' => ['screw']]),
            Field::choice('fit', ['fine', 'medium', 'coarse'], 'medium', ['by' => ['screw']]),
            Field::choice('extent', ['through', 'depth']),
            new Field('depth', FieldType::Size, '10', when: ['extent' => ['depth']]),
            Field::choice('bottom', ['point', 'flat'], when: ['extent' => ['depth']]),
            Field::choice('head', ['plain', 'bore', 'sink']),
            new Field('wide', FieldType::Size, '10', when: ['head' => ['bore', 'sink']]),
            new Field('deep', FieldType::Size, '4', when: ['head' => ['bore']]),
            new Field('angle', FieldType::Angle, '90', when: ['head' => ['sink']]),
            new Field('direction', FieldType::Direction, 'down', ['up', 'down'], ['where' => ['points']]),
        ];
    }

    public function always(): Effect
    {
        return Effect::Cut;
    }

    public function framedBy(): string
    {
        return 'face';
    }

    public function begin(array $sketches): array
    {
        // without a sketch there are no points to drill at
        return $sketches === [] ? ['where' => 'face'] : [];
    }

    public function tool(Task $t): Solid
    {
        return Holes::make($t);
    }

    public function warning(Solid $after, Task $t): ?Message
    {
        if ($t->text('extent') !== 'depth') {
            return null;
        }
        $onFace = $t->text('where') === 'face';

        return Skin::left(
            $after,
            $t,
            $t->text('bottom') === 'flat' ? 'bottom' : 'point',
            $onFace ? $t->flatFace('face') : $t->sketch()->placement,
            self::sign($t),
            $t->number('depth'),
        );
    }

    public function arrows(Task $t): array
    {
        if ($t->text('extent') !== 'depth') {
            return [];
        }
        [$place, $spots] = Holes::spots($t);

        return [Arrow::from($t, 'depth', $place->point([$spots[0][0], $spots[0][1], 0.0]), $place->direction([0.0, 0.0, self::sign($t)]))];
    }

    /** Into the part, along the normal of what it is drilled from. */
    private static function sign(Task $t): float
    {
        return $t->text('where') === 'points' && $t->text('direction') === 'up' ? 1.0 : -1.0;
    }
}
