<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Assignment;
use App\Models\Exercise;
use App\Models\Person;
use App\Models\Work;
use App\Support\ClassTable;
use App\Support\LiveClass;
use Cubo\Check\Disclosure;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

final class AssignmentController extends Controller
{
    /** For a request that only sets an exercise for a class; the editor saves what is asked with it (ExerciseController). */
    public function store(Request $request, Exercise $exercise): RedirectResponse
    {
        $this->authorize('edit', $exercise);

        return self::give($request, $exercise);
    }

    public static function give(Request $request, Exercise $exercise): RedirectResponse
    {
        /** @var Person $teacher */
        $teacher = $request->user();
        $input = $request->validateWithBag(
            'give',
            [
                'class_id' => ['required', 'integer', Rule::in($teacher->classes()->pluck('school_classes.id')->all())],
                'due_on' => ['required', 'date', 'after:2000-01-01', 'before:2100-01-01'],
                'checks_allowed' => ['nullable', 'integer', 'between:0,99'],
                'shows' => ['nullable', 'string', Rule::in(array_keys(Disclosure::SHOWS))],
                'shown_when' => ['nullable', 'string', Rule::in(array_keys(Disclosure::WHEN))],
                'past' => ['nullable', 'boolean'],
            ],
            [
                'class_id.*' => 'Choose one of your classes.',
                'due_on.*' => 'Choose the day it is due.',
                'checks_allowed.*' => 'A number from 0 to 99, or empty for as often as wanted.',
            ],
        );
        $back = redirect()->route('exercises.edit', $exercise);
        if ($exercise->sheet()->asked() === []) {
            return $back
                ->withErrors(['class_id' => 'Nothing is asked yet. Build the reference part and tick what is measured.'], 'give')
                ->withInput();
        }
        if (today()->gt($input['due_on']) && !($input['past'] ?? false)) {
            return $back->withErrors(['past' => 'That day is over. Is it meant so?'], 'give')->withInput();
        }
        $assignment = Assignment::query()->updateOrCreate(
            ['exercise_id' => $exercise->id, 'class_id' => (int) $input['class_id']],
            [
                'due_on' => $input['due_on'],
                'checks_allowed' => $input['checks_allowed'] ?? null,
                'shows' => $input['shows'] ?? 'hints',
                'shown_when' => $input['shown_when'] ?? 'check',
                'taken_back_at' => null,
            ],
        );

        return redirect()->route('assignments.show', $assignment);
    }

    /** Takes an exercise back from a class. What was made for it stays, and is there again when it is set again. */
    public function takeBack(Request $request, Assignment $assignment): RedirectResponse
    {
        $this->authorize('oversee', $assignment);
        $this->authorize('edit', $assignment->exercise);
        $assignment->update(['taken_back_at' => now()]);

        return redirect()
            ->route('exercises.edit', $assignment->exercise_id)
            ->with('said', "Taken back from class {$assignment->schoolClass->name}; set it again and all is there.");
    }

    public function show(Assignment $assignment): View
    {
        $this->authorize('oversee', $assignment);

        return view('teacher.class-table', self::table($assignment));
    }

    /** The table alone, where something has changed since it was asked for last. */
    public function live(Request $request, Assignment $assignment): View|Response
    {
        $this->authorize('oversee', $assignment);

        return $request->query('since') === LiveClass::stamp($assignment)
            ? response()->noContent()
            : view('teacher.board', self::table($assignment));
    }

    /** @return array<string, mixed> */
    private static function table(Assignment $assignment): array
    {
        // before the table is read: what changes meanwhile is told the next time
        $stamp = LiveClass::stamp($assignment);
        $assignment->load(['exercise', 'schoolClass.students', 'works.student', 'works.lastHandIn']);

        return [
            'assignment' => $assignment,
            'sheet' => $assignment->exercise->sheet(),
            'table' => new ClassTable($assignment),
            'stamp' => $stamp,
        ];
    }

    /** Accepts what waits and met everything. */
    public function acceptMet(Assignment $assignment): RedirectResponse
    {
        $this->authorize('oversee', $assignment);
        $n = 0;
        foreach ($assignment->works()->with('lastHandIn')->get() as $work) {
            $h = $work->lastHandIn;
            if ($h !== null && $h->state === 'waiting' && $h->isChecked() && $h->report !== [] && $h->metCount() === count($h->report)) {
                $h->update(['state' => 'accepted', 'decided_at' => now()]);
                $n++;
            }
        }

        return redirect()->route('assignments.show', $assignment)->with('said', trans_choice('lesson.accepted', $n, ['count' => $n]));
    }

    /** A student's part in the making, read only. */
    public function work(Work $work): RedirectResponse
    {
        $this->authorize('oversee', $work->assignment);
        $last = $work->handIns()->reorder()->orderByDesc('attempt')->first();

        return $last !== null ? redirect()->route('hand-ins.show', $last) : redirect()->route('assignments.show', $work->assignment_id);
    }
}
