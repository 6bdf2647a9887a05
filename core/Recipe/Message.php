<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/** What a step has to say to the person who made it: a code, up to five words, why, and what the part shows. */
final readonly class Message
{
    public function __construct(
        public string $code,
        public string $what,
        public string $why,
        public ?string $field = null,
        public bool $warning = false,
    ) {}
}
