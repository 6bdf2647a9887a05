<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Requirement;
use Cubo\Check\Row;

/** A kind that is measured of a part. */
interface Measured
{
    public function row(Requirement $r, Measuring $m): Row;
}
