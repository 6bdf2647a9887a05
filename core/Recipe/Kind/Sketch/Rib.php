<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Sketch;

use Cubo\Recipe\Kind\Effect;
use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Makes;
use Cubo\Recipe\Kind\Need;
use Cubo\Recipe\Make\Ribs;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Solid;

/** A wall from an open line to the faces around it. */
final class Rib extends Kind implements Makes
{
    public function family(): Family
    {
        return Family::Sketch;
    }

    public function needs(): Need
    {
        return Need::SketchAndPart;
    }

    protected function values(): array
    {
        return [
            new Field('sketch', FieldType::Sketch),
            Field::choice('lie', ['flat', 'upright']),
            new Field('thickness', FieldType::Size, '4'),
            Field::choice('side', ['near', 'other'], when: ['lie' => ['flat']]),
            new Field('direction', FieldType::Direction, 'down', ['up', 'down'], ['lie' => ['upright']]),
        ];
    }

    public function always(): Effect
    {
        return Effect::Add;
    }

    public function tool(Task $t): Solid
    {
        return Ribs::make($t);
    }
}
