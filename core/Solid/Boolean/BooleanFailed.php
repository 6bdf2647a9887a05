<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use RuntimeException;

/** Two solids that could not be combined; whoever asked keeps what was there before. */
final class BooleanFailed extends RuntimeException {}
