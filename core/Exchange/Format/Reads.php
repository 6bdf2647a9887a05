<?php

declare(strict_types=1);

namespace Cubo\Exchange\Format;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Exchange\UnreadableFile;
use Cubo\Solid\Solid;

/** A format that is read. */
interface Reads
{
    /** Whether these bytes are of it, by what they hold and not by a name. */
    public function knows(string $bytes): bool;

    /**
     * @param float $scale millimetres per unit of the file, where it says none by itself
     *
     * @throws UnreadableFile
     * @throws OverBudget
     */
    public function read(string $bytes, float $scale, ?Budget $budget): Solid;
}
