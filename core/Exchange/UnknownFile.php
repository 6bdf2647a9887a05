<?php

declare(strict_types=1);

namespace Cubo\Exchange;

/** A file that is of another format than it was taken for. */
final class UnknownFile extends UnreadableFile {}
