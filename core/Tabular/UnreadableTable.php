<?php

declare(strict_types=1);

namespace Cubo\Tabular;

use RuntimeException;

/** A file that is no table Cubo can read; the message is for the person who brought it. */
final class UnreadableTable extends RuntimeException {}
