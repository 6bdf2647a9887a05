<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Sketch\Area\Region;

/** How one step went. */
final readonly class StepResult
{
    /**
     * @param list<Message> $messages
     * @param list<Region> $regions of a sketch
     */
    public function __construct(public string $id, public StepStatus $status, public array $messages = [], public array $regions = []) {}
}
