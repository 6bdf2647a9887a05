<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use RuntimeException;

/** Carries a message from inside a step to the evaluator, which turns it into the step's result. */
final class StepProblem extends RuntimeException
{
    /** The code of a message about work that took too long: in a quieter moment it may be done. */
    public const TOO_LONG = 'too-long';

    /** The code of a message about counted work that is too much, on every machine. */
    public const TOO_MUCH = 'too-much';

    public function __construct(public readonly Message $note)
    {
        parent::__construct($note->what . ' ' . $note->why);
    }
}
