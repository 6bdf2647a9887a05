<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\HtmlString;

/** Small ink drawings of what a step does, read from files once. */
final class Icons
{
    /** @var array<string, HtmlString> */
    private static array $read = [];

    /** The drawing of a kind of step; nothing for one that has none. */
    public static function step(string $id): HtmlString
    {
        return self::$read[$id] ??= new HtmlString((string) @file_get_contents(resource_path("icons/steps/$id.svg")));
    }
}
