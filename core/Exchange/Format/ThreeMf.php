<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

use Cubo\Budget\Budget;
use Cubo\Exchange\ThreeMfFile;
use Cubo\Exchange\ThreeMfReader;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;

/** 3MF: a package with a model that says its unit, an object per body. */
final class ThreeMf extends Format implements Reads, Writes
{
    /** How a ZIP archive begins (APPNOTE.TXT, 4.3.7). */
    private const PACKAGE = "PK\x03\x04";

    public function name(): string
    {
        return '3MF';
    }

    public function endings(): array
    {
        return ['3mf'];
    }

    public function type(): string
    {
        return 'model/3mf';
    }

    public function unit(): Unit
    {
        return Unit::Millimetre;
    }

    public function saysUnit(): bool
    {
        return true;
    }

    public function keepsBodies(): bool
    {
        return true;
    }

    public function knows(string $bytes): bool
    {
        return str_starts_with($bytes, self::PACKAGE);
    }

    public function read(string $bytes, float $scale, ?Budget $budget): Solid
    {
        return ThreeMfReader::read($bytes, $budget);
    }

    public function write(Solid $s, string $title): string
    {
        return ThreeMfFile::write($s, $title);
    }
}
