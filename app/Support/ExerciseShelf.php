<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Exercise;
use App\Models\Person;
use App\Models\Recipe;
use App\Models\Work;
use Cubo\Check\Exercise as Sheet;
use Cubo\Check\Requirement;
use Cubo\Exchange\ExercisePackage;
use Cubo\Printing\PrintProfile;
use Cubo\Recipe\Recipe as Document;
use Illuminate\Support\Facades\DB;

/** Exercises as a whole: made again, taken along as a file, brought in, removed. */
final class ExerciseShelf
{
    public function __construct(private readonly RecipeBook $book, private readonly Workbench $bench) {}

    /** The same exercise once more, for this teacher to change; nothing that was made for the first goes along. */
    public function duplicate(Exercise $exercise, Person $teacher): Exercise
    {
        return $this->make($teacher, $exercise->reference->document(), [
            'title' => self::freeTitle($teacher, $exercise->title),
            ...$exercise->only(['brief', 'unit', 'requirements', 'aside', 'turned', 'printer', 'tolerance']),
        ]);
    }

    public function package(Exercise $exercise): ExercisePackage
    {
        $sheet = $exercise->sheet();
        $document = $exercise->reference->document();

        return new ExercisePackage(
            new Sheet($sheet->unit, $sheet->requirements, $exercise->title, $sheet->turned, $document),
            $exercise->brief,
            $exercise->printer ?? '',
            $exercise->tolerance ?? '',
            $this->bench->sheetSvg($this->bench->evaluate($document), $sheet, 1100, 640),
        );
    }

    public function bring(ExercisePackage $package, Person $teacher): Exercise
    {
        $exercise = $package->exercise;

        return $this->make($teacher, $exercise->reference ?? new Document($exercise->unit, [], $exercise->title), [
            'title' => self::freeTitle($teacher, $exercise->title),
            'brief' => $package->brief,
            'unit' => $exercise->unit->value,
            'requirements' => array_map(static fn(Requirement $r): array => $r->toArray(), $exercise->requirements),
            'turned' => $exercise->turned,
            'printer' => isset(PrintProfile::all()[$package->printer]) ? $package->printer : 'classroom',
            'tolerance' => $package->tolerance,
        ]);
    }

    /** Only where nobody made anything for it. @return bool whether it is gone */
    public function remove(Exercise $exercise): bool
    {
        return DB::transaction(static function () use ($exercise): bool {
            Exercise::query()->lockForUpdate()->findOrFail($exercise->id);
            if (self::isWorkedAt($exercise)) {
                return false;
            }
            $exercise->delete();
            Recipe::query()->whereKey($exercise->reference_id)->delete();

            return true;
        });
    }

    public static function isWorkedAt(Exercise $exercise): bool
    {
        return Work::query()->whereHas('assignment', static fn($a) => $a->where('exercise_id', $exercise->id))->exists();
    }

    /** @param array<string, mixed> $values */
    private function make(Person $teacher, Document $reference, array $values): Exercise
    {
        return DB::transaction(
            fn(): Exercise => Exercise::create(
                ['teacher_id' => $teacher->id, 'reference_id' => $this->book->begin($teacher, $reference)->id] + $values,
            ),
        );
    }

    private static function freeTitle(Person $teacher, string $title): string
    {
        $free = $title;
        for ($n = 2; $teacher->exercises()->where('title', $free)->exists(); $n++) {
            $free = mb_substr($title, 0, 74) . " ($n)";
        }

        return $free;
    }
}
