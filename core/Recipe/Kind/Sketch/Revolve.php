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
use Cubo\Recipe\Make\Revolving;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Solid;

/** Areas of a sketch turned about a line or an edge. */
final class Revolve extends Kind implements Makes
{
    public function family(): Family
    {
        return Family::Sketch;
    }

    public function needs(): Need
    {
        return Need::Sketch;
    }

    protected function values(): array
    {
        return [
            new Field('sketch', FieldType::Sketch),
            new Field('regions', FieldType::Regions, 'all'),
            Field::choice('about', ['line', 'edge']),
            new Field('axis', FieldType::Line, 'v-axis', when: ['about' => ['line']]),
            new Field('edge', FieldType::Edge, when: ['about' => ['edge']]),
            Field::choice('close', ['no', 'yes']),
            new Field('angle', FieldType::Angle, '360'),
            Field::choice('way', ['down', 'up', 'middle']),
            Effect::field(),
        ];
    }

    public function isTelling(): bool
    {
        return true;
    }

    public function tool(Task $t): Solid
    {
        return Revolving::make($t);
    }
}
