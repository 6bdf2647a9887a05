<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/**
 * What a step has to say to the person who made it: a code, up to five words, why, and what the part shows. Where the
 * step itself knows what would help, it offers it: words for a button, and the values that would be set.
 *
 * @phpstan-type Offer array{words: string, values: array<string, string>}
 */
final readonly class Message
{
    /** @param Offer|null $offer */
    public function __construct(
        public string $code,
        public string $what,
        public string $why,
        public ?string $field = null,
        public bool $warning = false,
        public ?array $offer = null,
    ) {}
}
