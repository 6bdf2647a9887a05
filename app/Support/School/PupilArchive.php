<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\HandIn;
use App\Models\LibraryPart;
use App\Models\Person;
use App\Models\Work;
use Cubo\Tabular\Csv;
use Cubo\Tabular\Zip;
use Illuminate\Support\Facades\Storage;

/** All that is kept of one student, in open formats: recipes and reports as JSON, files as they came, marks as CSV. */
final class PupilArchive
{
    public static function of(Person $student): string
    {
        $rows = [['exercise', 'class', 'try', 'handed in', 'state', 'points', 'of', 'comment']];
        $files = ['about.json' => self::json(self::about($student))];
        $works = $student
            ->works()
            ->with(['assignment.exercise', 'assignment.schoolClass', 'recipe'])
            ->orderBy('id')
            ->get();
        foreach ($works as $work) {
            array_push($rows, ...self::work($files, $work));
        }
        $files['marks.csv'] = Csv::write($rows);
        foreach (LibraryPart::query()->where('owner_id', $student->id)->with('newestVersion')->get() as $part) {
            $files['library/' . self::name($part->name, $part->id) . '.json'] = (string) $part->newestVersion?->getRawOriginal('document');
        }

        return Zip::of($files);
    }

    /** @return array<string, mixed> */
    private static function about(Person $student): array
    {
        return [
            'format' => 'cubo-pupil/1',
            'written' => now()->toIso8601String(),
            'name' => $student->name,
            'identifier' => $student->identifier,
            'class' => $student->schoolClass?->name,
            'own code' => $student->code,
            'begun' => $student->created_at?->toIso8601String(),
            'last seen' => $student->last_seen_at?->toIso8601String(),
        ];
    }

    /**
     * @param array<string, string> $files grows
     * @return list<list<string|int|float|null>> a row of marks.csv for each hand-in
     */
    private static function work(array &$files, Work $work): array
    {
        $exercise = $work->assignment->exercise;
        $folder = 'works/' . self::name($exercise->title, $work->id);
        $files["$folder/recipe.json"] = $work->recipe->document()->toJson();
        if ($work->last_check !== null) {
            $files["$folder/last-check.json"] = self::json($work->last_check);
        }
        $rows = [];
        foreach (
            $work
                ->handIns()
                ->with(['revision', 'file'])
                ->get()
            as $h
        ) {
            $files["$folder/try-$h->attempt-report.json"] = self::json(self::report($h));
            if ($h->revision !== null) {
                $files["$folder/try-$h->attempt-recipe.json"] = $h->recipe()->toJson();
            }
            $bytes = $h->file === null ? null : Storage::disk('local')->get("files/{$h->file->sha}");
            if ($h->file !== null && $bytes !== null) {
                $name = pathinfo($h->file->name);
                $files[
                    "$folder/try-$h->attempt-" . self::name($name['filename']) . '.' . self::name(strtolower($name['extension'] ?? 'file'))
                ] = $bytes;
            }
            $rows[] = [
                $exercise->title,
                $work->assignment->schoolClass->name,
                $h->attempt,
                $h->created_at?->format('Y-m-d H:i'),
                $h->state,
                $h->isChecked() ? $h->points() : null,
                $h->isChecked() ? $h->frozenReport()->mostPoints() : null,
                $h->comment,
            ];
        }

        return $rows;
    }

    /** @return array<string, mixed> */
    private static function report(HandIn $h): array
    {
        return [
            'handed in' => $h->created_at?->toIso8601String(),
            'state' => $h->state,
            'rows' => $h->report,
            'findings' => $h->findings,
            'overrules' => $h->overrules,
            'comment' => $h->comment,
            'earlier' => $h->earlier,
        ];
    }

    /** A name any file system takes; the number keeps two of one title apart. */
    private static function name(string $title, ?int $number = null): string
    {
        $plain = trim((string) preg_replace('/[^\pL\pN]+/u', '-', $title), '-');

        return mb_substr($plain === '' ? 'part' : $plain, 0, 60) . ($number === null ? '' : "-$number");
    }

    private static function json(mixed $value): string
    {
        return (string) json_encode($value, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
