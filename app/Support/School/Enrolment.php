<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\Assignment;
use App\Models\Codes;
use App\Models\Happening;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Models\Work;
use Cubo\School\Roster\Known;
use Cubo\School\Roster\Line;
use Cubo\School\Roster\LineState;
use Cubo\School\Roster\RosterPlan;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Who is in a class: students are added, renamed and moved; what they made stays theirs. */
final class Enrolment
{
    /** Students of one class; a list that is longer was brought to the wrong place. */
    public const MOST = 200;

    /** @return list<Known> */
    public static function known(SchoolClass $class): array
    {
        /** @var Collection<int, Person> $students */
        $students = $class->students()->get();

        return array_values($students->map(static fn(Person $p): Known => new Known($p->id, $p->name, $p->identifier ?? ''))->all());
    }

    public static function add(SchoolClass $class, string $name, string $identifier = ''): Person
    {
        $pin = Pins::byChance();

        return Person::create([
            'school_id' => $class->school_id,
            'role' => 'student',
            'name' => $name,
            'class_id' => $class->id,
            'bench' => self::nextBench($class),
            'identifier' => $identifier === '' ? null : $identifier,
            'password' => Codes::pin($pin),
            'first_pin' => $pin,
        ]);
    }

    /**
     * Does what a list is found to do at this moment: a colleague may have taken the same one just now.
     *
     * @param list<Line> $lines
     * @return RosterPlan|null what was done; null where the class would have too many
     */
    public static function take(SchoolClass $class, array $lines): ?RosterPlan
    {
        return DB::transaction(static function () use ($class, $lines): ?RosterPlan {
            SchoolClass::query()->lockForUpdate()->findOrFail($class->id);
            $known = self::known($class);
            $plan = RosterPlan::of($lines, $known);
            if (count($known) + $plan->count(LineState::Added) > self::MOST) {
                return null;
            }
            foreach ($plan->in(LineState::Added) as $p) {
                self::add($class, $p->line->name, $p->line->identifier);
            }
            foreach ($plan->in(LineState::Renamed) as $p) {
                Person::query()
                    ->whereKey($p->known?->id)
                    ->update(['name' => $p->line->name]);
            }
            foreach ([...$plan->in(LineState::Kept), ...$plan->in(LineState::Renamed)] as $p) {
                // the register's name of somebody who was known by name alone
                if ($p->line->identifier !== '') {
                    Person::query()
                        ->whereKey($p->known?->id)
                        ->whereNull('identifier')
                        ->update(['identifier' => $p->line->identifier]);
                }
            }
            Happening::tell($class->school_id, $class, 'list', [
                'added' => $plan->count(LineState::Added),
                'renamed' => $plan->count(LineState::Renamed),
            ]);

            return $plan;
        });
    }

    /** To another class of the school. Work on an exercise that is set there, too, goes on there; all else stays to be seen. */
    public static function move(Person $student, SchoolClass $to): void
    {
        DB::transaction(static function () use ($student, $to): void {
            $from = $student->schoolClass;
            $taken = Person::query()->where('class_id', $to->id)->where('code', $student->code)->exists();
            $student->update([
                'class_id' => $to->id,
                'bench' => self::nextBench($to),
                'code' => $taken ? Codes::own($to->id) : $student->code,
            ]);
            foreach (Work::query()->where('student_id', $student->id)->with('assignment')->get() as $work) {
                $there = Assignment::query()->where('exercise_id', $work->assignment->exercise_id)->where('class_id', $to->id)->first();
                if (
                    $there !== null &&
                    Work::query()->where('assignment_id', $there->id)->where('student_id', $student->id)->doesntExist()
                ) {
                    $work->update(['assignment_id' => $there->id]);
                }
            }
            foreach ([$from, $to] as $class) {
                Happening::tell($to->school_id, $class, 'moved', ['name' => $student->name, 'class' => $to->name]);
            }
        });
    }

    private static function nextBench(SchoolClass $class): int
    {
        return (int) Person::query()->where('class_id', $class->id)->max('bench') + 1;
    }
}
