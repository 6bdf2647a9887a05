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
use Cubo\Recipe\Make\Lofting;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Solid;

/** A skin from sketch to sketch. */
final class Loft extends Kind implements Makes
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
            new Field('sketches', FieldType::Sketches),
            Field::choice('skin', ['straight', 'smooth']),
            new Field('guide', FieldType::MaybeSketch),
            new Field('across', FieldType::MaybeSketch),
            Effect::field(),
        ];
    }

    public function isTelling(): bool
    {
        return true;
    }

    public function tool(Task $t): Solid
    {
        return Lofting::make($t);
    }
}
