<?php

declare(strict_types=1);

namespace Cubo\Check;

use RuntimeException;

/** The document is not an exercise; the message says what is wrong. */
final class UnreadableExercise extends RuntimeException {}
