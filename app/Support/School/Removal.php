<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\Exercise;
use App\Models\HandIn;
use App\Models\LibraryPart;
use App\Models\PartFile;
use App\Models\Person;
use App\Models\Recipe;
use App\Models\SchoolClass;
use App\Models\Work;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Removing people for good: what goes is said beforehand and counted in one place. */
final class Removal
{
    /** @return array{works: int, handIns: int, files: int, parts: int} what of a student would go */
    public static function of(Person $student): array
    {
        $works = Work::query()->where('student_id', $student->id)->select('id');

        return [
            'works' => $works->clone()->count(),
            'handIns' => HandIn::query()->whereIn('work_id', $works->clone())->count(),
            'files' => PartFile::query()->whereIn('work_id', $works->clone())->count(),
            'parts' => LibraryPart::query()->where('owner_id', $student->id)->count(),
        ];
    }

    /** A student with works, hand-ins, files and own parts; what others took of those parts stays, without the name. */
    public static function student(Person $student): void
    {
        $files = DB::transaction(static function () use ($student): array {
            $works = Work::query()->where('student_id', $student->id)->pluck('id');
            $shas = PartFile::query()->whereIn('work_id', $works)->pluck('sha')->unique();
            HandIn::query()->whereIn('work_id', $works)->delete();
            PartFile::query()->whereIn('work_id', $works)->delete();
            Work::query()->whereIn('id', $works)->delete();
            self::withoutName($student);
            // what was told of the classes keeps what was done, not to whom
            DB::table('happenings')
                ->where('school_id', $student->school_id)
                ->where('details->name', $student->name)
                ->update([
                    'details' => DB::raw("details || jsonb_build_object('name', " . DB::getPdo()->quote(__('school.somebody')) . '::text)'),
                ]);
            LibraryPart::query()->where('owner_id', $student->id)->delete();
            Recipe::query()->where('owner_id', $student->id)->delete();
            DB::table('sessions')->where('user_id', $student->id)->delete();
            $student->delete();

            // a file brought by two is kept for the other
            return $shas->diff(PartFile::query()->whereIn('sha', $shas)->pluck('sha'))->all();
        });
        foreach ($files as $sha) {
            Storage::disk('local')->delete("files/$sha");
        }
    }

    /** A whole class with its students; exercises and colleagues stay. */
    public static function schoolClass(SchoolClass $class): void
    {
        foreach ($class->students()->get() as $student) {
            self::student($student);
        }
        // works of students who moved away go with what was set here
        $works = Work::query()
            ->whereIn('assignment_id', $class->assignments()->reorder()->select('id'))
            ->pluck('id');
        HandIn::query()->whereIn('work_id', $works)->delete();
        PartFile::query()->whereIn('work_id', $works)->delete();
        $recipes = Work::query()->whereIn('id', $works)->pluck('recipe_id');
        Work::query()->whereIn('id', $works)->delete();
        Recipe::query()->whereIn('id', $recipes)->delete();
        $class->delete();
    }

    /** A teacher goes; exercises, parts and classes pass to a colleague. No student's work is touched. */
    public static function teacher(Person $teacher, Person $heir): void
    {
        DB::transaction(static function () use ($teacher, $heir): void {
            Exercise::query()
                ->where('teacher_id', $teacher->id)
                ->update(['teacher_id' => $heir->id]);
            Recipe::query()
                ->where('owner_id', $teacher->id)
                ->update(['owner_id' => $heir->id]);
            foreach (LibraryPart::query()->where('owner_id', $teacher->id)->get() as $part) {
                $name = $part->name;
                for ($n = 2; LibraryPart::query()->where('owner_id', $heir->id)->where('name', $name)->exists(); $n++) {
                    $name = "$part->name ($n)";
                }
                $part->update(['owner_id' => $heir->id, 'name' => $name]);
            }
            foreach ($teacher->classes()->get() as $class) {
                $class->teachers()->syncWithoutDetaching([$heir->id]);
            }
            DB::table('sessions')->where('user_id', $teacher->id)->delete();
            $teacher->delete();
        });
    }

    /** In parts that were taken over from a library the author's name stands beside the part's own. */
    private static function withoutName(Person $student): void
    {
        $parts = LibraryPart::query()->where('owner_id', $student->id)->get()->all();
        $parts = array_values(array_map(static fn(LibraryPart $p): string => $p->name, $parts));
        if ($parts === []) {
            return;
        }
        foreach (['revisions', 'library_versions'] as $table) {
            $taken = DB::table($table)->whereRaw("document::text like '%\"author\"%'")->select('id', 'document');
            $taken->chunkById(200, static function ($rows) use ($table, $parts, $student): void {
                foreach ($rows as $row) {
                    $document = json_decode($row->document, true);
                    $changed = self::unnamed($document, $parts, $student->name);
                    if ($changed !== $document) {
                        DB::table($table)
                            ->where('id', $row->id)
                            ->update(['document' => json_encode($changed, JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION)]);
                    }
                }
            });
        }
    }

    /**
     * @param array<array-key, mixed> $document
     * @param list<string> $parts
     * @return array<array-key, mixed>
     */
    private static function unnamed(array $document, array $parts, string $name): array
    {
        if (($document['author'] ?? null) === $name && in_array($document['part'] ?? null, $parts, true)) {
            $document['author'] = __('school.somebody');
        }

        return array_map(static fn(mixed $v): mixed => is_array($v) ? self::unnamed($v, $parts, $name) : $v, $document);
    }
}
