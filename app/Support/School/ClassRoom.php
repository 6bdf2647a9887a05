<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\Happening;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Support\SignInGuard;
use Illuminate\Database\Eloquent\Collection;

/** What the page of classes and people shows. */
final class ClassRoom
{
    private const MOST_HAPPENINGS = 6;

    /** @return Collection<int, SchoolClass> one's own, and all of the school for who looks after it; archived ones last */
    public static function classesOf(Person $teacher): Collection
    {
        $classes = $teacher->administers ? SchoolClass::query()->where('school_id', $teacher->school_id) : $teacher->classes();

        return $classes->withCount('students')->orderByRaw('archived_at is not null')->orderBy('name')->get();
    }

    /** @return array<string, mixed> for who has no class yet */
    public static function empty(Person $teacher): array
    {
        return ['me' => $teacher, 'class' => null, 'classes' => self::classesOf($teacher)];
    }

    /** @return array<string, mixed> */
    public static function of(Person $teacher, SchoolClass $class): array
    {
        $colleagues = $class->teachers()->orderBy('name')->get();

        return [
            'me' => $teacher,
            'class' => $class,
            'classes' => self::classesOf($teacher),
            'students' => $class->students()->withCount('works')->get(),
            'troubled' => SignInGuard::troubled($class->id),
            'colleagues' => $colleagues,
            'others' => Person::query()
                ->where('school_id', $class->school_id)
                ->where('role', 'teacher')
                ->whereKeyNot($colleagues->modelKeys())
                ->orderBy('name')
                ->get(),
            'happenings' => Happening::query()
                ->where('class_id', $class->id)
                ->with('by')
                ->latest('id')
                ->limit(self::MOST_HAPPENINGS)
                ->get(),
        ];
    }
}
