<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Happening;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Support\School\ClassRoom;
use App\Support\School\Enrolment;
use App\Support\School\Pins;
use App\Support\School\PupilArchive;
use App\Support\School\Removal;
use App\Support\SignInGuard;
use Cubo\School\Roster\RosterPlan;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;

/** One student of a class: PIN, name, class, all that is kept, and the way out. */
final class PupilController extends Controller
{
    /** The class with this student's row opened. */
    public function show(Request $request, SchoolClass $class, Person $student): View
    {
        $this->of($class, $student);
        /** @var Person $teacher */
        $teacher = $request->user();

        return view('school.classes', ClassRoom::of($teacher, $class) + ['opened' => $student, 'goes' => Removal::of($student)]);
    }

    public function update(Request $request, SchoolClass $class, Person $student): RedirectResponse
    {
        $this->of($class, $student);
        $in = $request->validateWithBag('pupil', ['name' => ['required', 'string', 'max:' . RosterPlan::LONGEST]], __('school.problems'));
        $student->update(['name' => trim($in['name'])]);

        return self::opened($class, $student, __('school.pupil.renamed', ['name' => $student->name]));
    }

    public function pin(SchoolClass $class, Person $student): RedirectResponse
    {
        $this->of($class, $student);
        Pins::give($student);
        SignInGuard::lift($student);
        Happening::tell($class->school_id, $class, 'pin', ['name' => $student->name]);

        return self::opened($class, $student, __('school.pupil.pin_new', ['name' => $student->name]));
    }

    public function lift(SchoolClass $class, Person $student): RedirectResponse
    {
        $this->of($class, $student);
        SignInGuard::lift($student);

        return redirect()->route('classes.show', $class)->with('said', __('school.pupil.lifted', ['name' => $student->name]));
    }

    public function move(Request $request, SchoolClass $class, Person $student): RedirectResponse
    {
        $this->of($class, $student);
        $to = SchoolClass::query()->where('school_id', $class->school_id)->whereNull('archived_at')->findOrFail($request->integer('class'));
        // a student is not handed to a class that one has nothing to do with
        $this->authorize('run', $to);
        Enrolment::move($student, $to);

        return redirect()
            ->route('classes.show', $class)
            ->with('said', __('school.pupil.moved', ['name' => $student->name, 'class' => $to->name]));
    }

    public function export(SchoolClass $class, Person $student): Response
    {
        $this->of($class, $student);

        return response(PupilArchive::of($student), 200, [
            'Content-Type' => 'application/zip',
            'Content-Disposition' => "attachment; filename=\"pupil-$student->id.zip\"",
            'Cache-Control' => 'no-store',
        ]);
    }

    public function destroy(SchoolClass $class, Person $student): RedirectResponse
    {
        $this->of($class, $student);
        Removal::student($student);
        Happening::tell($class->school_id, $class, 'removed');

        return redirect()->route('classes.show', $class)->with('said', __('school.pupil.removed', ['name' => $student->name]));
    }

    private function of(SchoolClass $class, Person $student): void
    {
        $this->authorize('run', $class);
        abort_unless($student->class_id === $class->id, 404);
    }

    private static function opened(SchoolClass $class, Person $student, string $said): RedirectResponse
    {
        return redirect()
            ->route('pupils.show', [$class, $student])
            ->with('said', $said);
    }
}
