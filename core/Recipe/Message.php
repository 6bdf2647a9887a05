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

    /** As it is kept: what json_encode writes of one. */
    public function toJson(): string
    {
        return (string) json_encode($this, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /**
     * Read back; null for what is none.
     *
     * @param mixed $a what json_decode made of it, as an array
     */
    public static function read(mixed $a): ?self
    {
        if (!is_array($a) || !is_string($a['code'] ?? null) || !is_string($a['what'] ?? null) || !is_string($a['why'] ?? null)) {
            return null;
        }
        $offer = $a['offer'] ?? null;

        return new self(
            $a['code'],
            $a['what'],
            $a['why'],
            is_string($a['field'] ?? null) ? $a['field'] : null,
            ($a['warning'] ?? false) === true,
            is_array($offer) && is_string($offer['words'] ?? null) && is_array($offer['values'] ?? null)
                ? ['words' => $offer['words'], 'values' => array_filter($offer['values'], is_string(...))]
                : null,
        );
    }
}
