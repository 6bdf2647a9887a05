<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Carbon;

/** Days and times as people say them, in the language of the school: the one place that knows how. */
final class Moments
{
    public static function ago(Carbon $at): string
    {
        return match (true) {
            $at->isToday() => (string) __('moments.today', ['time' => $at->format('H:i')]),
            $at->isYesterday() => (string) __('moments.yesterday', ['time' => $at->format('H:i')]),
            $at->gt(now()->subMonths(6)) => $at->isoFormat('ddd D MMM'),
            default => $at->isoFormat('D MMM YYYY'),
        };
    }

    public static function word(string $key): string
    {
        return (string) __("moments.$key");
    }

    public static function day(Carbon $at): string
    {
        return $at->isoFormat('ddd D MMM');
    }

    public static function full(Carbon $at): string
    {
        return $at->isoFormat('ddd D MMM, HH:mm');
    }
}
