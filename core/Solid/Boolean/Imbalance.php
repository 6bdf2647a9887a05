<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use RuntimeException;

/** The crossings along an edge do not add up; the boolean is then repeated without the filters. */
final class Imbalance extends RuntimeException {}
