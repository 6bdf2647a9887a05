<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

/** What a value that is sent with an edit may be. */
final readonly class Rule
{
    /** @param list<string> $choices */
    private function __construct(public RuleType $type, public float $least = 0.0, public float $most = 0.0, public array $choices = []) {}

    public static function text(int $longest): self
    {
        return new self(RuleType::Text, 0.0, $longest);
    }

    /** @param list<string> $choices */
    public static function choice(array $choices): self
    {
        return new self(RuleType::Choice, choices: $choices);
    }

    public static function whole(int $least, int $most): self
    {
        return new self(RuleType::Whole, $least, $most);
    }

    public static function real(float $least, float $most): self
    {
        return new self(RuleType::Real, $least, $most);
    }

    public static function flag(): self
    {
        return new self(RuleType::Flag);
    }

    /** @param int $most entries */
    public static function several(int $most): self
    {
        return new self(RuleType::Several, 0.0, $most);
    }

    /** One name, or a list of a few. */
    public static function names(int $longest): self
    {
        return new self(RuleType::Names, 0.0, $longest);
    }
}
