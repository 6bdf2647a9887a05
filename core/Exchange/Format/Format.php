<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

use Cubo\Quantity\Unit;

/** A format of files of parts: all that is said of it in one place. What can be done with it it says by being Reads or Writes; Formats lists it. */
abstract class Format
{
    /** What it is called. */
    abstract public function name(): string;

    /**
     * How names of its files end, without the first dot, the usual ending first.
     *
     * @return non-empty-list<string>
     */
    abstract public function endings(): array;

    /** The media type of its files. */
    abstract public function type(): string;

    /** The unit of what is written, and of what is read where files have a unit of their own. */
    abstract public function unit(): Unit;

    /** Whether a file says its unit by itself. */
    public function saysUnit(): bool
    {
        return false;
    }

    /** Whether bodies stay apart in it. */
    public function keepsBodies(): bool
    {
        return false;
    }

    /** Whether it holds what is only seen: names of faces, edges, colours. */
    public function keepsLooks(): bool
    {
        return false;
    }

    /** Whether people are offered it where a part is taken along. */
    public function isOffered(): bool
    {
        return $this instanceof Writes;
    }

    final public function ending(): string
    {
        return $this->endings()[0];
    }
}
