<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Recipe\Recipe as Document;

/** Where an edit takes a recipe: to a new state, back, forth again, or nowhere. */
final readonly class Move
{
    /**
     * @param 'to'|'back'|'forth'|'nowhere' $way
     * @param string $said what to tell about it
     */
    private function __construct(public string $way, public ?Document $document = null, public string $said = '') {}

    public static function to(Document $document): self
    {
        return new self('to', $document);
    }

    public static function back(string $said = ''): self
    {
        return new self('back', null, $said);
    }

    public static function forth(string $said = ''): self
    {
        return new self('forth', null, $said);
    }

    public static function nowhere(string $said = ''): self
    {
        return new self('nowhere', null, $said);
    }

    public function isNothing(): bool
    {
        return $this->way === 'nowhere';
    }
}
