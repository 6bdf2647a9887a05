<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** A kind that has something to say of a step that works and might still not be meant so. */
interface Warns
{
    /** @throws StepProblem where it cannot be told */
    public function warning(Solid $after, Task $t): ?Message;
}
