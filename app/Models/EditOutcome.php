<?php

declare(strict_types=1);

namespace App\Models;

/** What became of an edit. */
enum EditOutcome: string
{
    /** The part has it. */
    case Kept = 'kept';

    /** It asked for nothing new. */
    case Same = 'same';

    /** It cannot be done; words say why. */
    case Refused = 'refused';

    /** Another window changed the part in between. */
    case Elsewhere = 'elsewhere';

    /** An edit before it is missing; nothing was done. The only outcome that is not written down. */
    case Early = 'early';
}
