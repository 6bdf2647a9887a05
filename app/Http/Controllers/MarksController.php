<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Assignment;
use App\Models\MarkNote;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Support\School\MarksBook;
use App\Support\School\MarksFiles;
use App\Support\School\MarksPages;
use App\Support\School\OneRosterFiles;
use Cubo\School\Marks\BadScale;
use Cubo\School\Marks\Counts;
use Cubo\School\Marks\MarkingRules;
use Cubo\School\Marks\Scale;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

/** The marks book of a class: its teachers see and set it, a student sees the own marks where the teacher shows them. */
final class MarksController extends Controller
{
    public function show(Request $request, SchoolClass $class): View
    {
        $this->authorize('mark', $class);

        return view('school.marks', [
            'book' => self::book($request, $class),
            'examples' => Scale::examples(),
            'opened' => $request->integer('pupil'),
        ]);
    }

    public function rules(Request $request, SchoolClass $class): RedirectResponse
    {
        $this->authorize('mark', $class);
        $back = redirect()->route('marks.show', $class);
        $example = Scale::examples()[(string) $request->input('example')] ?? null;
        $in = $request->validate([
            'late' => ['nullable', 'integer', 'between:0,100'],
            'counts' => ['nullable', Rule::enum(Counts::class)],
            'from' => ['nullable', 'array'],
            'word' => ['nullable', 'array'],
            'shows' => ['nullable', 'boolean'],
        ]);
        try {
            $scale = $example ?? Scale::of(self::typed($in['from'] ?? [], $in['word'] ?? []));
        } catch (BadScale $e) {
            return $back->withErrors(['scale' => $e->getMessage()])->withInput();
        }
        $rules = new MarkingRules($scale, Counts::tryFrom((string) ($in['counts'] ?? '')) ?? Counts::Last, (int) ($in['late'] ?? 100));
        $class->update(['marking' => $rules->toArray(), 'shows_marks' => (bool) ($in['shows'] ?? false)]);

        return $back->with('said', __('marks.kept'));
    }

    /**
     * @param array<array-key, mixed> $from
     * @param array<array-key, mixed> $words
     * @return list<array{from: float, word: string}> rows of which something was typed
     *
     * @throws BadScale
     */
    private static function typed(array $from, array $words): array
    {
        $rows = [];
        foreach (array_values($from) as $i => $f) {
            $word = array_values($words)[$i] ?? '';
            [$f, $word] = [is_string($f) ? trim(str_replace(',', '.', $f)) : '', is_string($word) ? trim($word) : ''];
            if ($f === '' && $word === '') {
                continue;
            }
            if (!is_numeric($f)) {
                throw new BadScale(__('marks.no_number', ['typed' => mb_substr($f, 0, 20)]), $i);
            }
            $rows[] = ['from' => (float) $f, 'word' => $word];
        }

        return $rows;
    }

    public function weight(Request $request, SchoolClass $class, Assignment $assignment): RedirectResponse
    {
        $this->authorize('mark', $class);
        abort_unless($assignment->class_id === $class->id, 404);
        $in = $request->validateWithBag('weight', ['weight' => ['required', 'numeric', 'between:0,100']], __('school.problems'));
        $assignment->update(['weight' => $in['weight']]);

        return redirect()->route('marks.show', $class);
    }

    public function note(Request $request, SchoolClass $class, Person $student): RedirectResponse
    {
        $this->authorize('mark', $class);
        abort_unless($student->class_id === $class->id, 404);
        $in = $request->validateWithBag('note', ['text' => ['nullable', 'string', 'max:500']], __('school.problems'));
        $key = ['class_id' => $class->id, 'student_id' => $student->id, 'assignment_id' => null];
        trim((string) ($in['text'] ?? '')) === ''
            ? MarkNote::query()->where($key)->delete()
            : MarkNote::query()->updateOrCreate($key, [
                'text' => trim((string) $in['text']),
                'by_id' => $request->user()?->getAuthIdentifier(),
            ]);

        return redirect()->route('marks.show', [$class, 'pupil' => $student->id]);
    }

    public function file(Request $request, SchoolClass $class, string $ending): Response
    {
        $this->authorize('mark', $class);
        $book = self::book($request, $class);
        [$bytes, $type] = match ($ending) {
            'csv' => [MarksFiles::csv($book), 'text/csv; charset=utf-8'],
            'xlsx' => [MarksFiles::xlsx($book), 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
            'pdf' => [MarksPages::of($book), 'application/pdf'],
            default => [OneRosterFiles::of($book), 'application/zip'],
        };
        $name = 'marks-' . trim((string) preg_replace('/[^A-Za-z0-9]+/', '-', $class->name), '-') . '-' . now()->format('Y-m-d');

        return response($bytes, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => "attachment; filename=\"$name.$ending\"",
            'Cache-Control' => 'no-store',
        ]);
    }

    public function pupil(SchoolClass $class, Person $student): Response
    {
        $this->authorize('mark', $class);
        abort_unless($student->class_id === $class->id, 404);

        return ClassController::pdf(MarksPages::pupil(new MarksBook($class, only: $student)), "marks-$student->id.pdf");
    }

    /** A student's own marks, as far as the teacher shows them. */
    public function own(Request $request): View
    {
        /** @var Person $student */
        $student = $request->user();
        $class = $student->schoolClass;
        abort_unless(!$student->isTeacher() && $class !== null && $class->shows_marks, 404);

        $book = new MarksBook($class, only: $student);
        $cells = $book->cells[$student->id];
        // what is kept back until a day is kept back in the sum, too
        $told = array_values(
            array_filter(
                $book->assignments,
                static fn(Assignment $a): bool => $cells[$a->id]->counted !== null && $a->disclosure()->isOpen(now(), $a->due_on),
            ),
        );
        $counted = [];
        foreach ($told as $a) {
            if ($cells[$a->id]->counted !== null) {
                $counted[] = [$cells[$a->id]->counted, (float) $a->weight];
            }
        }

        return view('school.own-marks', [
            'student' => $student,
            'book' => $book,
            'cells' => $cells,
            'told' => array_map(static fn(Assignment $a): int => $a->id, $told),
            'sum' => $book->rules->sum($counted),
        ]);
    }

    private static function book(Request $request, SchoolClass $class): MarksBook
    {
        $order = $request->query('order');
        $q = $request->query('q');

        return new MarksBook(
            $class,
            is_string($q) ? mb_substr(trim($q), 0, 60) : '',
            $order === 'name' || $order === 'sum' ? $order : 'list',
        );
    }
}
