<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\Person;
use App\Models\School;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Hash;

/** The first start without demo: a school and its first teacher, who looks after it. */
final class Setup
{
    /** Letters of the key in the address that the start prints: whoever else comes first to the page cannot take the school. */
    private const KEY = 16;

    public const SHORTEST_PASSWORD = 10;

    public static function key(): string
    {
        return substr(hash_hmac('sha256', 'setup', (string) config('app.key')), 0, self::KEY);
    }

    public static function isOpen(): bool
    {
        return School::query()->doesntExist();
    }

    public static function begin(string $school, string $language, string $zone, string $name, string $email, string $password): Person
    {
        $teacher = DB::transaction(static function () use ($school, $language, $zone, $name, $email, $password): Person {
            // two at once make one school
            DB::statement('lock table schools in exclusive mode');
            abort_unless(self::isOpen(), 404);
            $made = School::create(['name' => $school, 'language' => $language, 'time_zone' => $zone]);

            return Person::create([
                'school_id' => $made->id,
                'role' => 'teacher',
                'name' => $name,
                'email' => strtolower($email),
                'password' => Hash::make($password),
                'administers' => true,
            ]);
        });
        self::keepZone($zone);

        return $teacher;
    }

    /** All times are shown and kept as the clock of the school shows them. */
    public static function keepZone(string $zone): void
    {
        File::ensureDirectoryExists(dirname(self::zoneFile()));
        File::put(self::zoneFile(), $zone);
        date_default_timezone_set($zone);
        // workers began with the old one
        Cache::forever('illuminate:queue:restart', time());
    }

    public static function zone(): ?string
    {
        $zone = @file_get_contents(self::zoneFile());

        return $zone !== false && in_array($zone, timezone_identifiers_list(), true) ? $zone : null;
    }

    /** Of each database one: it is read before anything is asked of the database. */
    private static function zoneFile(): string
    {
        return storage_path('app/time-zone-' . config('database.connections.pgsql.database'));
    }
}
