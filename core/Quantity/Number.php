<?php

declare(strict_types=1);

namespace Cubo\Quantity;

/** How numbers are written for people. */
final class Number
{
    public static function show(float $v, int $decimals = 2): string
    {
        $text = number_format(round($v, $decimals), $decimals, '.', '');
        if ((float) $text == 0.0) {
            $text = ltrim($text, '-');
        }

        return str_replace('-', "\u{2212}", $text);
    }

    public static function brief(float $v, int $decimals = 4): string
    {
        $text = self::show($v, $decimals);

        return str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;
    }

    /** As it could be typed: a plain minus, a point, no needless zeros. */
    public static function typed(float $v, int $decimals = 6): string
    {
        $text = number_format(round($v, $decimals), $decimals, '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return $text === '-0' ? '0' : $text;
    }

    /** With thin spaces between thousands, for volumes and areas. */
    public static function large(float $v): string
    {
        return number_format($v, abs($v) < 100 ? 2 : 0, '.', "\u{202F}");
    }
}
