<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/** Which part of a library a group was taken from: whose it is, and the version that was frozen there. */
final readonly class GroupOrigin
{
    public function __construct(public string $part, public string $author, public int $version) {}
}
