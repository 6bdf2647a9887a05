<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use RuntimeException;

/** A typed line that does not say what to draw; the message says so in words. */
final class UnreadableLine extends RuntimeException {}
