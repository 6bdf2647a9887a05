<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use RuntimeException;

/** The file is not what it says; the message names what is wrong. */
class UnreadableFile extends RuntimeException {}
