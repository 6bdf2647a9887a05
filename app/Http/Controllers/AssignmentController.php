<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Assignment;
use App\Models\Exercise;
use App\Models\Person;
use App\Models\Work;
use App\Support\ClassTable;
use Cubo\Check\Disclosure;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

final class AssignmentController extends Controller
{
    public function store(Request $request, Exercise $exercise): RedirectResponse
    {
        $this->authorize('edit', $exercise);
        /** @var Person $teacher */
        $teacher = $request->user();
        $input = $request->validateWithBag('give', [
            'class_id' => ['required', 'integer', Rule::in($teacher->classes()->pluck('school_classes.id')->all())],
            'due_on' => ['required', 'date', 'after:2000-01-01', 'before:2100-01-01'],
            'checks_allowed' => ['nullable', 'integer', 'between:0,99'],
            'shows' => ['nullable', Rule::in(array_keys(Disclosure::SHOWS))],
            'shown_when' => ['nullable', Rule::in(array_keys(Disclosure::WHEN))],
        ], ['class_id.*' => 'Choose one of your classes.', 'due_on.*' => 'Choose the day it is due.', 'checks_allowed.*' => 'A number from 0 to 99, or empty for as often as wanted.']);
        if ($exercise->sheet()->asked() === []) {
            return redirect()->route('exercises.edit', $exercise)->withErrors(['class_id' => 'Nothing is asked yet. Build the reference part and tick what is measured.'], 'give')->withInput();
        }
        $assignment = Assignment::query()->updateOrCreate(['exercise_id' => $exercise->id, 'class_id' => (int) $input['class_id']], ['due_on' => $input['due_on'], 'checks_allowed' => $input['checks_allowed'] ?? null, 'shows' => $input['shows'] ?? 'hints', 'shown_when' => $input['shown_when'] ?? 'check']);

        return redirect()->route('assignments.show', $assignment);
    }

    public function show(Assignment $assignment): View
    {
        $this->authorize('oversee', $assignment);
        $assignment->load(['exercise', 'schoolClass.students', 'works.student', 'works.lastHandIn']);

        return view('teacher.class-table', ['assignment' => $assignment, 'sheet' => $assignment->exercise->sheet(), 'table' => new ClassTable($assignment)]);
    }

    /** A student's part in the making, read only. */
    public function work(Work $work): RedirectResponse|View
    {
        $this->authorize('oversee', $work->assignment);
        $last = $work->handIns()->reorder()->orderByDesc('attempt')->first();

        return $last !== null ? redirect()->route('hand-ins.show', $last) : redirect()->route('assignments.show', $work->assignment_id);
    }
}
