<?php

declare(strict_types=1);

namespace Cubo\School\Calendar;

use DateTimeImmutable;

/** A day on which something is due. */
final readonly class DueDay
{
    /**
     * @param string $id never given to another one
     * @param DateTimeImmutable $changed when it was set or moved last
     */
    public function __construct(
        public string $id,
        public string $title,
        public DateTimeImmutable $day,
        public DateTimeImmutable $changed,
        public string $about = '',
    ) {}
}
