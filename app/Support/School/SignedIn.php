<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\Person;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Where somebody is signed in. */
final class SignedIn
{
    /** @return list<array{here: bool, device: string, address: string, at: Carbon}> this one first, then by the last sign of life */
    public static function of(Person $person, string $here): array
    {
        $rows = DB::table('sessions')->where('user_id', $person->id)->orderByDesc('last_activity')->get();
        $out = $rows
            ->map(
                static fn(\stdClass $s): array => [
                    'here' => $s->id === $here,
                    'device' => self::device((string) $s->user_agent),
                    'address' => (string) $s->ip_address,
                    'at' => Carbon::createFromTimestamp($s->last_activity, date_default_timezone_get()),
                ],
            )
            ->all();
        usort($out, static fn(array $a, array $b): int => $b['here'] <=> $a['here']);

        return $out;
    }

    /** Also the signs by which browsers stay signed in. */
    public static function endOthers(Person $person, string $here): void
    {
        DB::table('sessions')->where('user_id', $person->id)->where('id', '<>', $here)->delete();
        $person->forceFill(['remember_token' => null])->save();
    }

    /** Browser and system in words, as far as the browser says. */
    private static function device(string $agent): string
    {
        $first = static function (array $signs) use ($agent): string {
            foreach ($signs as $sign => $name) {
                if (str_contains($agent, $sign)) {
                    return $name;
                }
            }

            return '';
        };
        $browser = $first(['Edg/' => 'Edge', 'Firefox/' => 'Firefox', 'Chrome/' => 'Chromium', 'Safari/' => 'Safari']);
        $system = $first([
            'Android' => 'Android',
            'iPad' => 'iPad',
            'iPhone' => 'iPhone',
            'CrOS' => 'ChromeOS',
            'Windows' => 'Windows',
            'Mac OS' => 'macOS',
            'Linux' => 'Linux',
        ]);

        return trim("$browser $system") ?: __('school.account.some_device');
    }
}
