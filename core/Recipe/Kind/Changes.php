<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Cubo\Recipe\Make\Task;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** A kind that changes the part. */
interface Changes
{
    /** @throws StepProblem */
    public function change(Task $t): Solid;
}
