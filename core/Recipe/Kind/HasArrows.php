<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\StepProblem;

/** A kind some of whose values can be taken hold of on the part. */
interface HasArrows
{
    /**
     * @return list<Arrow>
     *
     * @throws StepProblem
     */
    public function arrows(Task $t): array;
}
