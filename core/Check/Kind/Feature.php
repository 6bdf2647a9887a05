<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

/** Round features that are asked for one by one. */
enum Feature: string
{
    case Hole = 'hole';
    case Pin = 'pin';

    /** What one is called. */
    public function noun(): string
    {
        return $this === self::Pin ? 'round' : 'hole';
    }
}
