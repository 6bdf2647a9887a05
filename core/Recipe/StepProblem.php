<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use RuntimeException;

/** Carries a message from inside a step to the evaluator, which turns it into the step's result. */
final class StepProblem extends RuntimeException
{
    public function __construct(public readonly Message $note)
    {
        parent::__construct($note->what . ' ' . $note->why);
    }
}
