<?php

declare(strict_types=1);

namespace Cubo\Quantity;

use RuntimeException;

/** What was typed is not a number; the message says why in words for the person who typed it. */
final class UnreadableExpression extends RuntimeException {}
