<?php

declare(strict_types=1);

namespace App\Support\Bench;

/** One value as it stands in a sentence: what the view needs to draw it, and nothing it has to decide. */
final readonly class FieldForm
{
    /**
     * @param string $id of the field in the page
     * @param string $name of the value in what is sent
     * @param string $label what it is called there
     * @param string $value as typed, or the chosen option
     * @param array<string, string>|null $options value => words of a choice; null where it is typed
     * @param string $picks what a click on the part picks for it: body, edge, spot, face or sketch
     * @param bool $flat whether only flat faces can be picked
     * @param bool $faces whether faces can be picked for it too
     * @param list<array{id: string, value: string, words: string}>|null $picked what is in its list; null where it is no list
     * @param float|null $amount for a value such as 7/2 that stands for one number: that number, so that it can be slid
     * @param string $hint shown while nothing is typed
     * @param list<array{string, self}> $more values that belong to it, each with its words
     * @param string $after words behind those
     */
    public function __construct(
        public string $key,
        public string $id,
        public string $name,
        public string $label,
        public string $value,
        public bool $wrong = false,
        public ?array $options = null,
        public string $picks = '',
        public bool $flat = false,
        public bool $faces = false,
        public ?array $picked = null,
        public ?float $amount = null,
        public string $hint = '',
        public array $more = [],
        public string $after = '',
    ) {}

    /** Places for letters that the value needs. */
    public function size(): int
    {
        return max(2, min(18, mb_strlen($this->value) + 1));
    }

    /** As it is read. */
    public function words(): string
    {
        if ($this->picked !== null) {
            return implode(', ', array_column($this->picked, 'words')) ?: 'nothing';
        }

        return $this->options[$this->value] ?? $this->value;
    }
}
