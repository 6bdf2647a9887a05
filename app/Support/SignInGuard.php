<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Person;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Slows down who guesses, not who is guessed at. Wrong tries count against the device that made them, whoever they were
 * at; devices that have never signed in count together by their address; and a student is guarded only against devices
 * and addresses that are strange to them. So a class behind one address signs in at once, and nobody can shut somebody
 * else's own device out. A device is a random name in a cookie.
 */
final class SignInGuard
{
    /** Wrong tries of a device within a quarter of an hour before it has to wait, and how long at first and at most, s. */
    private const DEVICE = [5, 5, 600];

    /** The same for one student, by strange devices of one address: two classes do not come near it. */
    private const STRANGERS = [12, 30, 900];

    /** The same for all strange devices of one address together. */
    private const ADDRESS = [150, 10, 60];

    /** The same for one teacher by strange devices from everywhere, within an hour: a password is no PIN. */
    private const TEACHER = [600, 60, 600];

    private const WINDOW = 15;

    /** Seconds to wait before this device may try at this person; nobody for a code that nobody has. */
    public static function wait(string $device, string $address, ?Person $person): int
    {
        $since = now()->subMinutes(self::WINDOW);
        $tries = static fn() => DB::table('sign_in_tries');
        $waits = [self::rest(self::DEVICE, $tries()->where('device', $device)->where('created_at', '>', $since))];
        if (!DB::table('known_devices')->where('device', $device)->exists()) {
            $waits[] = self::rest(
                self::ADDRESS,
                $tries()
                    ->where('address', $address)
                    ->where('created_at', '>', $since)
                    ->whereNotIn('device', DB::table('known_devices')->select('device')),
            );
        }
        if ($person !== null && !DB::table('known_devices')->where('device', $device)->where('person_id', $person->id)->exists()) {
            $strange = static fn() => $tries()
                ->where('person_id', $person->id)
                ->whereNotIn('device', DB::table('known_devices')->where('person_id', $person->id)->select('device'));
            $waits[] = $person->isTeacher()
                ? self::rest(self::TEACHER, $strange()->where('created_at', '>', now()->subHour()))
                : self::rest(self::STRANGERS, $strange()->where('address', $address)->where('created_at', '>', $since));
        }

        return max($waits);
    }

    /** Notes a try before it is looked at, so that many at once count too; returns its id. */
    public static function begin(string $device, string $address, ?Person $person): int
    {
        // thrown away by the way, now and then
        if (random_int(1, 50) === 1) {
            DB::table('sign_in_tries')->where('created_at', '<', now()->subDay())->delete();
        }

        return DB::table('sign_in_tries')->insertGetId([
            'device' => $device,
            'address' => $address,
            'person_id' => $person?->id,
            'created_at' => now(),
        ]);
    }

    public static function succeeded(string $device, Person $person): void
    {
        DB::table('sign_in_tries')
            ->where('device', $device)
            ->where(static fn($q) => $q->where('person_id', $person->id)->orWhere('created_at', '>', now()->subMinutes(self::WINDOW)))
            ->delete();
        DB::table('known_devices')->upsert(
            ['person_id' => $person->id, 'device' => $device, 'seen_at' => now()],
            ['person_id', 'device'],
            ['seen_at'],
        );
    }

    /**
     * Students of a class whom somebody got wrong often lately, for their teacher to see.
     *
     * @return array<int, int> wrong tries within the last quarter of an hour, by student
     */
    public static function troubled(int $classId): array
    {
        return DB::table('sign_in_tries')
            ->join('people', 'people.id', '=', 'person_id')
            ->where('class_id', $classId)
            ->where('sign_in_tries.created_at', '>', now()->subMinutes(self::WINDOW))
            ->selectRaw('person_id, count(*) as n')
            ->groupBy('person_id')
            ->havingRaw('count(*) >= ?', [self::DEVICE[0]])
            ->pluck('n', 'person_id')
            ->map(static fn(mixed $n): int => (int) $n)
            ->all();
    }

    /** Lets a student try again at once, on the devices that were too quick too. */
    public static function lift(Person $student): void
    {
        $devices = DB::table('sign_in_tries')
            ->where('person_id', $student->id)
            ->where('created_at', '>', now()->subMinutes(self::WINDOW))
            ->distinct()
            ->pluck('device');
        DB::table('sign_in_tries')->where('person_id', $student->id)->orWhereIn('device', $devices)->delete();
    }

    /** @param array{int, int, int} $rule tries that are free, and the first and the longest wait in seconds */
    private static function rest(array $rule, \Illuminate\Database\Query\Builder $tries): int
    {
        [$free, $first, $most] = $rule;
        $row = $tries->selectRaw('count(*) as n, max(created_at) as last')->first();
        $n = (int) ($row->n ?? 0);
        if ($row === null || $n < $free) {
            return 0;
        }
        $wait = min($most, $first * 2 ** min(12, $n - $free));

        return max(0, (int) ceil(Carbon::parse($row->last)->addSeconds($wait)->getTimestamp() - now()->getTimestamp()));
    }
}
