<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/** How a step went. */
enum StepStatus: string
{
    case Done = 'done';
    case Failed = 'failed';
    case Off = 'off';
    /** nobody has worked it out yet */
    case Waiting = 'waiting';
}
