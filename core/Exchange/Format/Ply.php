<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

use Cubo\Budget\Budget;
use Cubo\Exchange\PlyFile;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;

/** PLY: corners and faces after a header that says how they are written. */
final class Ply extends Format implements Reads
{
    public function name(): string
    {
        return 'PLY';
    }

    public function endings(): array
    {
        return ['ply'];
    }

    public function type(): string
    {
        return 'model/ply';
    }

    public function unit(): Unit
    {
        return Unit::Millimetre;
    }

    public function knows(string $bytes): bool
    {
        return preg_match('/^ply\s/', $bytes) === 1;
    }

    public function read(string $bytes, float $scale, ?Budget $budget): Solid
    {
        return PlyFile::read($bytes, $scale, $budget);
    }
}
