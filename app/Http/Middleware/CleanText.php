<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\TransformsRequest;

/** Takes out of all input what no text holds: broken UTF-8 and control characters other than line breaks and tabs. */
final class CleanText extends TransformsRequest
{
    /**
     * @param string $key
     * @param mixed $value
     */
    protected function transform($key, $value): mixed
    {
        return is_string($value) ? preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/', '', mb_scrub($value, 'UTF-8')) : $value;
    }
}
