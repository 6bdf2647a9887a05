<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Codes;
use App\Models\Person;
use App\Models\School;
use App\Models\SchoolClass;
use App\Support\School\Enrolment;
use App\Support\School\Pins;
use App\Support\School\PupilArchive;
use App\Support\School\Setup;
use Cubo\School\Roster\LineState;
use Cubo\School\Roster\NameList;
use Cubo\Tabular\Csv;
use Cubo\Tabular\UnreadableTable;
use Cubo\Tabular\XlsxReader;
use DomainException;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/** The school from the command line, for whoever looks after the machine. */
final class RunSchool extends Command
{
    private const PASSWORD = 14;

    protected $signature = 'cubo:school {do=list : list, setup, teacher, class, password, pins or export}
        {--name=} {--teacher=} {--email=} {--zone=UTC} {--language=en} {--class=} {--list=} {--administers} {--pupil=} {--out=} {--json}';

    protected $description = 'Sets a school up, lists it, adds teachers and classes';

    public function handle(): int
    {
        $do = (string) $this->argument('do');
        $known = [
            'list' => $this->all(...),
            'setup' => $this->setup(...),
            'teacher' => $this->teacher(...),
            'class' => $this->schoolClass(...),
            'password' => $this->password(...),
            'pins' => $this->pins(...),
            'export' => $this->export(...),
        ];
        if (!isset($known[$do])) {
            $this->error("school has no word \"$do\"; there are " . implode(', ', array_keys($known)) . '.');

            return 2;
        }
        try {
            $said = $known[$do]();
        } catch (DomainException | UnreadableTable $e) {
            $this->option('json')
                ? $this->line((string) json_encode(['problem' => $e->getMessage()], JSON_UNESCAPED_UNICODE))
                : $this->error($e->getMessage());

            return 1;
        }
        $this->option('json')
            ? $this->line((string) json_encode($said, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES))
            : $this->tell($said);

        return 0;
    }

    /** @param array<array-key, mixed> $said */
    private function tell(array $said, string $before = ''): void
    {
        foreach ($said as $key => $value) {
            if (is_array($value)) {
                $this->line($before . (is_int($key) ? '-' : "$key:"));
                $this->tell($value, "$before  ");
            } else {
                $this->line("$before$key: " . (is_bool($value) ? ($value ? 'yes' : 'no') : $value ?? '-'));
            }
        }
    }

    /** @return array<string, mixed> */
    private function all(): array
    {
        $school = $this->school();

        return [
            'school' => $school->name,
            'time zone' => $school->time_zone,
            'teachers' => $school
                ->teachers()
                ->get()
                ->map(
                    static fn(Person $t): array => [
                        'name' => $t->name,
                        'address' => $t->email,
                        'looks after the school' => $t->administers,
                    ],
                )
                ->all(),
            'classes' => $school
                ->classes()
                ->get()
                ->map(
                    static fn(SchoolClass $c): array => [
                        'name' => $c->name,
                        'code' => $c->code,
                        'put away' => $c->archived_at !== null,
                        'pupils' => $c
                            ->students()
                            ->get()
                            ->map(static fn(Person $p): array => ['id' => $p->id, 'name' => $p->name, 'own code' => $p->code])
                            ->all(),
                    ],
                )
                ->all(),
        ];
    }

    /** @return array<string, mixed> */
    private function setup(): array
    {
        if (!Setup::isOpen()) {
            throw new DomainException('There is a school already.');
        }
        $zone = (string) $this->option('zone');
        if (!in_array($zone, timezone_identifiers_list(), true)) {
            throw new DomainException("There is no time zone \"$zone\".");
        }
        $password = Str::password(self::PASSWORD, true, true, false);
        $teacher = Setup::begin(
            $this->needs('name'),
            (string) $this->option('language'),
            $zone,
            $this->needs('teacher'),
            $this->address(),
            $password,
        );

        return ['school' => $teacher->school->name, 'teacher' => $teacher->name, 'address' => $teacher->email, 'password' => $password];
    }

    /** @return array<string, mixed> */
    private function teacher(): array
    {
        $password = Str::password(self::PASSWORD, true, true, false);
        $class = $this->option('class') === null ? null : $this->class();
        $teacher = Person::create([
            'school_id' => $this->school()->id,
            'role' => 'teacher',
            'name' => $this->needs('name'),
            'email' => $this->address(),
            'password' => Hash::make($password),
            'administers' => (bool) $this->option('administers'),
        ]);
        $class?->teachers()->attach($teacher);

        return ['teacher' => $teacher->name, 'address' => $teacher->email, 'class' => $class?->name, 'password' => $password];
    }

    /** @return array<string, mixed> */
    private function schoolClass(): array
    {
        $school = $this->school();
        $name = $this->needs('name');
        if ($school->classes()->where('name', $name)->whereNull('archived_at')->exists()) {
            throw new DomainException("There is a class $name already.");
        }
        $address = (string) $this->option('teacher');
        $teacher =
            $address === ''
                ? null
                : $school->teachers()->where('email', strtolower($address))->first() ??
                    throw new DomainException("No teacher signs in as $address.");
        $names = $this->option('list') === null ? null : self::names($this->path((string) $this->option('list')));

        return DB::transaction(static function () use ($school, $name, $teacher, $names): array {
            $class = SchoolClass::create(['school_id' => $school->id, 'name' => $name, 'code' => Codes::forClass()]);
            $teacher === null || $class->teachers()->attach($teacher);
            $plan =
                $names === null
                    ? null
                    : Enrolment::take($class, $names) ?? throw new DomainException('A class has up to ' . Enrolment::MOST . ' pupils.');

            return [
                'class' => $class->name,
                'code' => $class->code,
                'pupils' => self::cards($class),
                'left out' => $plan === null ? 0 : count($plan->lines) - $plan->count(LineState::Added),
            ];
        });
    }

    /** @return array<string, mixed> */
    private function password(): array
    {
        $address = $this->address(false);
        $teacher =
            $this->school()->teachers()->where('email', $address)->first() ?? throw new DomainException("No teacher signs in as $address.");
        $password = Str::password(self::PASSWORD, true, true, false);
        $teacher->forceFill(['password' => Hash::make($password), 'remember_token' => null])->save();
        DB::table('sessions')->where('user_id', $teacher->id)->delete();

        return ['teacher' => $teacher->name, 'password' => $password];
    }

    /** @return array<string, mixed> */
    private function pins(): array
    {
        $class = $this->class();
        foreach ($class->students()->get() as $student) {
            Pins::give($student);
        }

        return ['class' => $class->name, 'code' => $class->code, 'pupils' => self::cards($class)];
    }

    /** @return array<string, mixed> */
    private function export(): array
    {
        $student =
            Person::query()->where('role', 'student')->where('school_id', $this->school()->id)->find((int) $this->needs('pupil')) ??
            throw new DomainException('There is no pupil of that id; ./cubo school lists them.');
        $out = $this->path($this->needs('out'));
        if (@file_put_contents($out, PupilArchive::of($student)) === false) {
            throw new DomainException("$out cannot be written.");
        }

        return ['pupil' => $student->name, 'file' => $out];
    }

    /** @return list<array<string, ?string>> */
    private static function cards(SchoolClass $class): array
    {
        return array_values(
            $class
                ->students()
                ->get()
                ->map(static fn(Person $p): array => ['name' => $p->name, 'own code' => $p->code, 'PIN' => $p->first_pin])
                ->all(),
        );
    }

    private function school(): School
    {
        return School::query()->orderBy('id')->first() ??
            throw new DomainException('There is no school yet: ./cubo school setup makes one.');
    }

    private function class(): SchoolClass
    {
        $name = $this->needs('class');

        return $this->school()->classes()->where('name', $name)->first() ?? throw new DomainException("There is no class $name.");
    }

    private function needs(string $option): string
    {
        $value = $this->option($option);

        return is_string($value) && trim($value) !== ''
            ? trim($value)
            : throw new DomainException("--$option is missing; ./cubo help school tells how.");
    }

    private function address(bool $new = true): string
    {
        $address = strtolower($this->needs('email'));
        if (filter_var($address, FILTER_VALIDATE_EMAIL) === false) {
            throw new DomainException("\"$address\" is no e-mail address.");
        }
        if ($new && Person::query()->where('email', $address)->exists()) {
            throw new DomainException("Somebody signs in as $address already.");
        }

        return $address;
    }

    /** Files are named from where the command was given. */
    private function path(string $name): string
    {
        return str_starts_with($name, '/') ? $name : rtrim((string) (getenv('CUBO_FROM') ?: getcwd()), '/') . "/$name";
    }

    /**
     * @return list<\Cubo\School\Roster\Line>
     *
     * @throws UnreadableTable
     */
    private static function names(string $path): array
    {
        $bytes = is_file($path) ? @file_get_contents($path) : false;
        if ($bytes === false) {
            throw new DomainException("$path cannot be read.");
        }

        return NameList::of(XlsxReader::knows($bytes) ? XlsxReader::read($bytes) : Csv::read($bytes))->lines;
    }
}
