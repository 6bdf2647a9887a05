<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

/** A likely slip: how sure it is, in words what speaks for it, and the rows it explains. */
final readonly class Finding
{
    /**
     * @param float $confidence 0 to 1
     * @param list<string> $rows ids of the requirements it explains; nothing for the whole part
     * @param array<string, mixed>|null $place as in Row
     */
    public function __construct(
        public Slip $slip,
        public float $confidence,
        public string $words,
        public array $rows = [],
        public ?array $place = null,
    ) {}

    public function sure(): string
    {
        return match (true) {
            $this->confidence >= 0.9 => 'very likely',
            $this->confidence >= 0.7 => 'likely',
            default => 'perhaps',
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'slip' => $this->slip->value,
            'confidence' => $this->confidence,
            'words' => $this->words,
            'rows' => $this->rows,
            'place' => $this->place,
        ];
    }

    /** @param array<string, mixed> $a */
    public static function fromArray(array $a): self
    {
        return new self(Slip::from($a['slip']), (float) $a['confidence'], $a['words'], $a['rows'], $a['place']);
    }
}
