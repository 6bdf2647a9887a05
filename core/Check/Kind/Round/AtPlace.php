<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Round;

use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;

/** What is asked of one round feature, known by where its axis is. */
abstract class AtPlace extends Kind implements Measured
{
    final public function needs(): array
    {
        return ['axis', 'u', 'v'];
    }
}
