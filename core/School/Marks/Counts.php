<?php

declare(strict_types=1);

namespace Cubo\School\Marks;

/** Which of several tries counts. */
enum Counts: string
{
    case Last = 'last';
    case Best = 'best';
    case First = 'first';
}
