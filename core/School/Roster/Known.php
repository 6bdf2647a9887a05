<?php

declare(strict_types=1);

namespace Cubo\School\Roster;

/** A pupil who is in the class already. */
final readonly class Known
{
    public function __construct(public int $id, public string $name, public string $identifier = '') {}
}
