<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/** Somebody, or another window, has changed the recipe since this one was shown. */
final class StaleVersion extends RuntimeException {}
