<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Cubo\Recipe\Make\Task;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** A kind that makes something of its own, which is then put together with the part. */
interface Makes
{
    /** @throws StepProblem */
    public function tool(Task $t): Solid;
}
