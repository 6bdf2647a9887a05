<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Cubo\Words\Words;

/** One value of a step: its key in the recipe, what it may be, what it is when left out, and when it matters at all. */
final readonly class Field
{
    /**
     * @param list<string> $choices
     * @param array<string, list<string>> $when other fields and the choices of theirs with which this one matters; all must hold
     * @param string $kind the kind whose words it is called by
     */
    public function __construct(
        public string $key,
        public FieldType $type,
        public string $default = '',
        public array $choices = [],
        public array $when = [],
        private string $kind = '',
    ) {}

    /**
     * A choice, the first one unless another is said.
     *
     * @param non-empty-list<string> $choices
     * @param array<string, list<string>> $when
     */
    public static function choice(string $key, array $choices, ?string $default = null, array $when = []): self
    {
        return new self($key, FieldType::Choice, $default ?? $choices[0], $choices, $when);
    }

    /** The same as a field of a kind. */
    public function of(string $kind): self
    {
        return new self($this->key, $this->type, $this->default, $this->choices, $this->when, $kind);
    }

    public function label(): string
    {
        return $this->words("fields.$this->key") ?? $this->key;
    }

    /**
     * @param string $variant another way to say them, where there is one
     * @return array<string, string> choice => words
     */
    public function options(string $variant = ''): array
    {
        $out = [];
        foreach ($this->choices as $choice) {
            $words = $this->words('choices.' . ($variant === '' ? $this->key : "$this->key@$variant") . ".$choice");
            if ($words !== null || $variant === '') {
                $out[$choice] = $words ?? $choice;
            }
        }

        return $out;
    }

    private function words(string $code): ?string
    {
        return Words::maybe("steps/$this->kind.$code") ?? Words::maybe("steps/shared.$code");
    }
}
