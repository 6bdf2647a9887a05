<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\Codes;
use App\Models\Person;
use Illuminate\Support\Facades\DB;

/** PINs of students: made by chance, readable for the card until they are used once. */
final class Pins
{
    public const DIGITS = 4;

    /** A new one for a student; who is signed in with the old one is signed out. */
    public static function give(Person $student): string
    {
        $pin = self::byChance();
        // the hash is made here: a PIN has a cost of its own
        $student->forceFill(['password' => Codes::pin($pin), 'first_pin' => $pin, 'remember_token' => null])->save();
        DB::table('sessions')->where('user_id', $student->id)->delete();

        return $pin;
    }

    /** Not one that everybody tries first: no digit three times, no row up or down. */
    public static function byChance(): string
    {
        do {
            $pin = str_pad((string) random_int(0, 10 ** self::DIGITS - 1), self::DIGITS, '0', STR_PAD_LEFT);
        } while (self::isEasy($pin));

        return $pin;
    }

    public static function isEasy(string $pin): bool
    {
        $steps = [];
        for ($i = 1; $i < strlen($pin); $i++) {
            $steps[] = (int) $pin[$i] - (int) $pin[$i - 1];
        }

        return max(0, ...array_values(array_count_values(str_split($pin)))) > 2 ||
            $steps === array_fill(0, count($steps), 1) ||
            $steps === array_fill(0, count($steps), -1);
    }
}
