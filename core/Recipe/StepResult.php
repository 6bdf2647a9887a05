<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Sketch\Area\Region;

/** How one step went. */
final readonly class StepResult
{
    /**
     * @param 'done'|'failed'|'off'|'waiting' $status waiting: nobody has worked it out yet
     * @param list<Message> $messages
     * @param list<Region> $regions of a sketch
     */
    public function __construct(public string $id, public string $status, public array $messages = [], public array $regions = []) {}
}
