<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

use Cubo\Exchange\GlbFile;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;

/** glTF in one file: what the stage shows, with faces by name and edges. */
final class Glb extends Format implements Writes
{
    public function name(): string
    {
        return 'glTF';
    }

    public function endings(): array
    {
        return ['glb'];
    }

    public function type(): string
    {
        return 'model/gltf-binary';
    }

    public function unit(): Unit
    {
        return Unit::Millimetre;
    }

    public function keepsLooks(): bool
    {
        return true;
    }

    public function isOffered(): bool
    {
        return false;
    }

    public function write(Solid $s, string $title): string
    {
        return GlbFile::write($s);
    }
}
