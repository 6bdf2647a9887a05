<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

/** A place in a sentence where a value stands: its key, what it is called there, and in which of several ways its choices are told. */
final readonly class Piece
{
    public function __construct(public string $key, public string $label = '', public string $variant = '') {}
}
