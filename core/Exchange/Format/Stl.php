<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

use Cubo\Budget\Budget;
use Cubo\Exchange\StlFile;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;

/** STL: triangles and nothing else; written as numbers, read as numbers and as text. */
final class Stl extends Format implements Reads, Writes
{
    public function name(): string
    {
        return 'STL';
    }

    public function endings(): array
    {
        return ['stl'];
    }

    public function type(): string
    {
        return 'model/stl';
    }

    public function unit(): Unit
    {
        return Unit::Millimetre;
    }

    public function knows(string $bytes): bool
    {
        return StlFile::knows($bytes);
    }

    public function read(string $bytes, float $scale, ?Budget $budget): Solid
    {
        return StlFile::read($bytes, $scale, $budget);
    }

    public function write(Solid $s, string $title): string
    {
        return StlFile::write($s);
    }
}
