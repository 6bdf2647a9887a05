<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

use Cubo\Budget\Budget;
use Cubo\Exchange\ObjFile;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;

/** OBJ: corners and faces as lines of text. */
final class Obj extends Format implements Reads
{
    /** Bytes that are looked at for the first corner: comments may stand before it. */
    private const HEAD = 200_000;

    /** Bytes in which a text has no zero. */
    private const TEXT = 4096;

    public function name(): string
    {
        return 'OBJ';
    }

    public function endings(): array
    {
        return ['obj'];
    }

    public function type(): string
    {
        return 'model/obj';
    }

    public function unit(): Unit
    {
        return Unit::Millimetre;
    }

    /** Text whose lines begin as those of an OBJ file do, and that is no STL. */
    public function knows(string $bytes): bool
    {
        $head = substr($bytes, 0, self::HEAD);

        return !preg_match('/^\s*solid\b/i', $head) &&
            !str_contains(substr($head, 0, self::TEXT), "\0") &&
            preg_match('/^\s*v\s+[-+.\d]/m', $head) === 1;
    }

    public function read(string $bytes, float $scale, ?Budget $budget): Solid
    {
        return ObjFile::read($bytes, $scale, $budget);
    }
}
