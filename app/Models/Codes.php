<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Codes that are read off a board or a card and typed: words and digits that are not taken for each other (no 0 and O, 1 and I). */
final class Codes
{
    private const WORDS = [
        'ACORN',
        'AMBER',
        'ASPEN',
        'BEECH',
        'BIRCH',
        'BREEZE',
        'CEDAR',
        'CLOVER',
        'CRANE',
        'DAISY',
        'ELDER',
        'FERN',
        'FINCH',
        'FROST',
        'GROVE',
        'HAZEL',
        'HERON',
        'JUNIPER',
        'KESTREL',
        'LARCH',
        'LARK',
        'MAPLE',
        'MARTEN',
        'MEADOW',
        'NETTLE',
        'PEBBLE',
        'PLUM',
        'RAVEN',
        'REED',
        'ROWAN',
        'SEDGE',
        'SPRUCE',
        'STARLING',
        'SWALLOW',
        'TANSY',
        'THRUSH',
        'TULIP',
        'VETCH',
        'WAGTAIL',
        'WREN',
    ];

    private const DIGITS = '23456789';

    public static function forClass(): string
    {
        do {
            $code = self::WORDS[random_int(0, count(self::WORDS) - 1)] . self::digits(2);
        } while (DB::table('school_classes')->where('code', $code)->exists());

        return $code;
    }

    /** A student's own, unlike all others in the class: three letters of a word and two digits. */
    public static function own(int $classId): string
    {
        do {
            $word = strtr(self::WORDS[random_int(0, count(self::WORDS) - 1)], ['I' => '', 'O' => '']);
            $code = substr($word, 0, 3) . self::digits(2);
        } while (strlen($code) < 5 || DB::table('people')->where('class_id', $classId)->where('code', $code)->exists());

        return $code;
    }

    /**
     * A PIN for keeping. Four digits are guarded by how often somebody may try, not by how long a try takes: two classes
     * sign in at one bell.
     */
    public static function pin(string $pin): string
    {
        return Hash::make($pin, ['rounds' => min(10, (int) config('hashing.bcrypt.rounds', 12))]);
    }

    /** As it was meant: capitals, without spaces and dashes. */
    public static function read(mixed $typed): string
    {
        return is_string($typed) ? substr((string) preg_replace('/[^A-Z0-9]/', '', strtoupper($typed)), 0, 20) : '';
    }

    private static function digits(int $count): string
    {
        $out = '';
        for ($i = 0; $i < $count; $i++) {
            $out .= self::DIGITS[random_int(0, strlen(self::DIGITS) - 1)];
        }

        return $out;
    }
}
