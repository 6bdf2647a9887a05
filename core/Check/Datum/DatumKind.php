<?php

declare(strict_types=1);

namespace Cubo\Check\Datum;

/** What a distance may run from or to. */
enum DatumKind: string
{
    case Face = 'face';
    /** the axis of a hole, and of a round that stands out */
    case Hole = 'hole';
    case Pin = 'pin';
    case Corner = 'corner';

    public function noun(): string
    {
        return $this === self::Pin ? 'round' : $this->value;
    }

    public function isAxis(): bool
    {
        return $this === self::Hole || $this === self::Pin;
    }
}
