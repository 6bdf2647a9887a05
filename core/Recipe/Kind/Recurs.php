<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Closure;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** A kind that can do once more what another step did. */
interface Recurs
{
    /**
     * @param Closure(int): Solid $make what the other step makes as its n-th copy
     * @return list<Solid> in their places
     *
     * @throws StepProblem
     */
    public function again(Task $t, Closure $make): array;
}
