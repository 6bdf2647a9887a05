<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/** One value of a step: its key in the recipe, what it may be, its words, and what it is when left out. */
final readonly class Field
{
    /** @param array<string, string> $options choice => words */
    public function __construct(
        public string $key,
        public FieldType $type,
        public string $label,
        public string $default,
        public array $options = [],
    ) {}
}
