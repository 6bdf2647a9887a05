<?php

declare(strict_types=1);

namespace App\Support\Pad;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Illuminate\Contracts\Session\Session;

/** The squares of the paper are as large as someone likes them, until they sign out. */
final class Squares
{
    /** mm */
    private const LEAST = 0.1;

    private const MOST = 200.0;

    private const LONGEST = 40;

    /** Where nobody said otherwise. */
    private const USUAL = ['mm' => '5', 'in' => '1/4'];

    /** @return array{float, string} their side in mm, and as it was typed */
    public static function of(Session $session, Unit $unit): array
    {
        $own = $session->get("squares.{$unit->value}");
        $usual = self::USUAL[$unit->value];

        return is_array($own) && is_float($own[0] ?? null) && is_string($own[1] ?? null)
            ? [$own[0], $own[1]]
            : [Expression::length($usual, $unit), $usual];
    }

    /** Takes another size as typed; says what is wrong with one that cannot be. */
    public static function take(Session $session, Unit $unit, mixed $typed): string
    {
        $typed = is_string($typed) ? mb_substr($typed, 0, self::LONGEST) : '';
        try {
            $size = Expression::length($typed, $unit);
        } catch (UnreadableExpression $e) {
            return $e->getMessage();
        }
        if ($size < self::LEAST || $size > self::MOST) {
            return 'The squares are 0.1 to 200 mm wide.';
        }
        $session->put("squares.{$unit->value}", [$size, trim($typed)]);

        return '';
    }
}
