<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

use RuntimeException;

/** The curves of a sketch cross in more places than Cubo looks at; the message says so in words. */
final class TooManyPieces extends RuntimeException {}
