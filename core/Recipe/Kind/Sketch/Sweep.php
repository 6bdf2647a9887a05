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
use Cubo\Recipe\Make\Sweeping;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Solid;

/** Areas of a sketch led along a path or around the edge of a face. */
final class Sweep extends Kind implements Makes
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
            Field::choice('along', ['sketch', 'face']),
            new Field('path', FieldType::Sketch, when: ['along' => ['sketch']]),
            new Field('face', FieldType::Face, when: ['along' => ['face']]),
            Effect::field(),
        ];
    }

    public function isTelling(): bool
    {
        return true;
    }

    public function begin(array $sketches): array
    {
        // what is swept was drawn before the path
        return ['sketch' => $sketches[max(0, count($sketches) - 2)] ?? ''];
    }

    public function tool(Task $t): Solid
    {
        return Sweeping::make($t);
    }
}
