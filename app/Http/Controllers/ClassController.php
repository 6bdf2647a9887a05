<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Codes;
use App\Models\Happening;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Support\School\ClassRoom;
use App\Support\School\PinCards;
use App\Support\School\Pins;
use App\Support\School\Removal;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

/** Classes and who is in them: made, named, shared with colleagues, put away. */
final class ClassController extends Controller
{
    public function index(Request $request): View|RedirectResponse
    {
        $first = ClassRoom::classesOf(self::teacher($request))->first();

        return $first === null
            ? view('school.classes', ClassRoom::empty(self::teacher($request)))
            : redirect()->route('classes.show', $first);
    }

    public function show(Request $request, SchoolClass $class): View
    {
        $this->authorize('run', $class);

        return view('school.classes', ClassRoom::of(self::teacher($request), $class));
    }

    public function store(Request $request): RedirectResponse
    {
        $teacher = self::teacher($request);
        $in = $request->validateWithBag('class', ['name' => $this->named($teacher->school_id)], __('school.problems'));
        $class = DB::transaction(static function () use ($teacher, $in): SchoolClass {
            $class = SchoolClass::create(['school_id' => $teacher->school_id, 'name' => trim($in['name']), 'code' => Codes::forClass()]);
            $class->teachers()->attach($teacher);
            Happening::tell($class->school_id, $class, 'made', ['class' => $class->name]);

            return $class;
        });

        return redirect()->route('classes.show', $class);
    }

    public function update(Request $request, SchoolClass $class): RedirectResponse
    {
        $this->authorize('run', $class);
        $in = $request->validateWithBag('class', ['name' => $this->named($class->school_id, $class)], __('school.problems'));
        $class->update(['name' => trim($in['name'])]);

        return self::back($class, __('school.classes.renamed', ['class' => $class->name]));
    }

    public function code(SchoolClass $class): RedirectResponse
    {
        $this->authorize('run', $class);
        $class->update(['code' => Codes::forClass()]);
        Happening::tell($class->school_id, $class, 'code');

        return self::back($class, __('school.classes.code_new', ['code' => $class->code]));
    }

    /** New PINs for all; those signed in are signed out. */
    public function pins(SchoolClass $class): RedirectResponse
    {
        $this->authorize('run', $class);
        foreach ($class->students()->get() as $student) {
            Pins::give($student);
        }
        Happening::tell($class->school_id, $class, 'pins');

        return self::back($class, __('school.classes.pins_new'));
    }

    public function cards(Request $request, SchoolClass $class): Response
    {
        $this->authorize('run', $class);
        $only = $request->integer('only');
        $students = $class
            ->students()
            ->when($only > 0, static fn($q) => $q->whereKey($only))
            ->get()
            ->all();

        return self::pdf(PinCards::pdf($class, array_values($students), route('login')), "cards-$class->name.pdf");
    }

    public static function pdf(string $bytes, string $name): Response
    {
        $plain = (string) preg_replace('/[^A-Za-z0-9._-]+/', '-', $name);

        return response($bytes, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"$plain\"",
            'Cache-Control' => 'no-store',
        ]);
    }

    public function archive(Request $request, SchoolClass $class): RedirectResponse
    {
        $this->authorize('run', $class);
        $class->update(['archived_at' => $request->boolean('open') ? null : now()]);
        if ($class->archived_at !== null) {
            DB::table('sessions')
                ->whereIn('user_id', $class->students()->reorder()->select('id'))
                ->delete();
        }
        Happening::tell($class->school_id, $class, $class->archived_at === null ? 'opened' : 'archived');

        return self::back(
            $class,
            __($class->archived_at === null ? 'school.classes.opened' : 'school.classes.archived', ['class' => $class->name]),
        );
    }

    public function share(Request $request, SchoolClass $class): RedirectResponse
    {
        $this->authorize('run', $class);
        $colleague = Person::query()
            ->where('school_id', $class->school_id)
            ->where('role', 'teacher')
            ->findOrFail($request->integer('teacher'));
        $class->teachers()->syncWithoutDetaching([$colleague->id]);
        Happening::tell($class->school_id, $class, 'shared', ['name' => $colleague->name]);

        return self::back($class, __('school.classes.shared', ['name' => $colleague->name]));
    }

    public function unshare(Request $request, SchoolClass $class, Person $teacher): RedirectResponse
    {
        $this->authorize('run', $class);
        if ($class->teachers()->count() < 2) {
            return redirect()
                ->route('classes.show', $class)
                ->withErrors(['teacher' => __('school.classes.last_teacher')], 'class');
        }
        $class->teachers()->detach($teacher->id);
        Happening::tell($class->school_id, $class, 'unshared', ['name' => $teacher->name]);

        return (self::teacher($request)->runs($class)
            ? redirect()->route('classes.show', $class)
            : redirect()->route('classes.index')
        )->with('said', __('school.classes.unshared', ['name' => $teacher->name]));
    }

    /** A class that is put away, for good: with its students and all they made. */
    public function destroy(Request $request, SchoolClass $class): RedirectResponse
    {
        $this->authorize('run', $class);
        abort_unless($class->archived_at !== null, 403);
        if (trim((string) $request->input('name')) !== $class->name) {
            return redirect()
                ->route('classes.show', $class)
                ->withErrors(['name' => __('school.classes.type_name', ['class' => $class->name])], 'remove');
        }
        Removal::schoolClass($class);
        Happening::tell($class->school_id, null, 'removed_class', ['class' => $class->name]);

        return redirect()->route('classes.index')->with('said', __('school.classes.removed', ['class' => $class->name]));
    }

    /** @return list<mixed> */
    private function named(int $school, ?SchoolClass $class = null): array
    {
        return [
            'required',
            'string',
            'max:30',
            Rule::unique('school_classes', 'name')->where('school_id', $school)->whereNull('archived_at')->ignore($class?->id),
        ];
    }

    private static function back(SchoolClass $class, string $said): RedirectResponse
    {
        return redirect()->route('classes.show', $class)->with('said', $said);
    }

    private static function teacher(Request $request): Person
    {
        /** @var Person $teacher */
        $teacher = $request->user();

        return $teacher;
    }
}
