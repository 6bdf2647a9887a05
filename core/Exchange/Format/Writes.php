<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

use Cubo\Solid\Solid;

/** A format that is written. */
interface Writes
{
    /** The bytes of a file; the same part and title give the same bytes. */
    public function write(Solid $s, string $title): string;
}
