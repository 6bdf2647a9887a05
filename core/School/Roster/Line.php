<?php

declare(strict_types=1);

namespace Cubo\School\Roster;

/** One line of a list of names. */
final readonly class Line
{
    /**
     * @param int $number as the file counts, from 1
     * @param string $identifier of the school's own register, or nothing
     */
    public function __construct(public int $number, public string $name, public string $identifier = '') {}
}
