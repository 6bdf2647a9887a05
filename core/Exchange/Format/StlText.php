<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;

/** STL as text, which people can read: written as 3D Systems, "StereoLithography Interface Specification", 1988, has it. */
final class StlText extends Format implements Writes
{
    /** Digits behind the point, so that a number of 32 bits is kept. */
    private const NUMBER = '%.8e';

    public function name(): string
    {
        return 'STL as text';
    }

    public function endings(): array
    {
        return ['text.stl'];
    }

    public function type(): string
    {
        return 'model/stl';
    }

    public function unit(): Unit
    {
        return Unit::Millimetre;
    }

    public function write(Solid $s, string $title): string
    {
        $name = trim((string) preg_replace('/[^A-Za-z0-9_-]+/', ' ', $title)) ?: 'part';
        $three = static fn(float $x, float $y, float $z): string => sprintf(
            self::NUMBER . ' ' . self::NUMBER . ' ' . self::NUMBER,
            $x,
            $y,
            $z,
        );
        $out = ["solid $name"];
        foreach ($s->facet as $t => $f) {
            $out[] = '  facet normal ' . $three($s->nx[$f], $s->ny[$f], $s->nz[$f]);
            $out[] = '    outer loop';
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $out[] = '      vertex ' . $three(...$s->vertex($s->start[$h]));
            }
            $out[] = '    endloop';
            $out[] = '  endfacet';
        }
        $out[] = "endsolid $name";

        return implode("\n", $out) . "\n";
    }
}
