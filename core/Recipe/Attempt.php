<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/** What is known of work on a step when it is begun. */
enum Attempt
{
    /** Nobody is at it. */
    case First;

    /** Another process works on it at this moment. */
    case Elsewhere;

    /** Processes that worked on it ended without a word, more than once: it is not tried again. */
    case Fatal;
}
