<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;

/** A kind that says what of it can be asked of a part. Where several kinds are asked of one feature, the first of them speaks for all. */
interface Proposes
{
    /** @return list<Requirement> */
    public function proposals(Proposing $p): array;
}
