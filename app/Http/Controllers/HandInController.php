<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\HandIn;
use App\Support\Marking;
use App\Support\ReportPages;
use App\Support\Workbench;
use Cubo\Check\Row;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

/** A part handed in, with its report: for the student who made it and the teachers of the class. */
final class HandInController extends Controller
{
    public function __construct(private readonly Workbench $bench, private readonly Marking $marking) {}

    public function show(Request $request, HandIn $handIn): View
    {
        $this->authorize('view', $handIn);
        $handIn->load(['work.assignment.exercise', 'work.assignment.schoolClass', 'work.student', 'work.handIns', 'file']);
        $exercise = $handIn->work->assignment->exercise;
        $judge = (bool) $request->user()?->can('judge', $handIn);
        $seen = $handIn->work->assignment->disclosure();
        if (!$handIn->isChecked() || (!$judge && !$seen->isOpen(now(), $handIn->work->assignment->due_on))) {
            return view('report-later', ['handIn' => $handIn, 'exercise' => $exercise, 'checked' => $handIn->isChecked()]);
        }
        $report = $judge ? $handIn->frozenReport() : $seen->applied($handIn->frozenReport());
        $states = self::states($handIn);

        $this->bench->waits(Workbench::PAGE);
        $reference = $this->bench->evaluate($exercise->reference->document());

        return view('report', [
            'handIn' => $handIn,
            'exercise' => $exercise,
            'report' => $report,
            'states' => $states,
            'unit' => $exercise->sheet()->unit,
            'judge' => $judge,
            'changes' => Marking::changes($handIn),
            'beside' => $judge ? self::beside($handIn) : [null, null],
            'drawing' => $this->bench->isDrawn($reference)
                ? $this->bench->sheetSvg($reference, $exercise->sheet(), 400, 300, $states, true)
                : '',
            'drawingFrom' => route('hand-ins.drawing', $handIn, false),
            'glb' => $handIn->isShown() ? route('hand-ins.part', [$handIn, 'glb'], false) : '',
            'marks' => array_values(
                array_map(
                    static fn(Row $r): array => [
                        'letter' => $r->letter,
                        'id' => $r->id,
                        'status' => $r->status,
                        'text' => $r->measured,
                        'place' => $r->place,
                    ],
                    array_filter($report->rows, static fn(Row $r): bool => $r->place !== null && $r->status !== 'met'),
                ),
            ),
        ]);
    }

    /** @return array{?int, ?int} the last hand-ins of those before and after in the class, in the order of its table */
    private static function beside(HandIn $handIn): array
    {
        $work = $handIn->work;
        $last = HandIn::query()
            ->join('works', 'works.id', '=', 'hand_ins.work_id')
            ->join('people', 'people.id', '=', 'works.student_id')
            ->where('works.assignment_id', $work->assignment_id)
            ->orderBy('people.bench')
            ->orderBy('people.id')
            ->groupBy('works.id', 'people.bench', 'people.id')
            ->selectRaw('works.id as work, max(hand_ins.id) as last')
            ->toBase()
            ->get();
        $at = $last->search(static fn(\stdClass $r): bool => $r->work === $work->id);

        return is_int($at) ? [$last[$at - 1]->last ?? null, $last[$at + 1]->last ?? null] : [null, null];
    }

    /** The drawing of a report, for when it was not there yet as the page was opened. */
    public function drawing(Request $request, HandIn $handIn): Response
    {
        $this->authorize('view', $handIn);
        $assignment = $handIn->work->assignment;
        abort_unless(
            $handIn->isChecked() &&
                ($request->user()?->can('judge', $handIn) || $assignment->disclosure()->isOpen(now(), $assignment->due_on)),
            404,
        );
        $this->bench->waits(Workbench::AGAIN);

        return response(
            $this->bench->sheetSvg(
                $this->bench->evaluate($assignment->exercise->reference->document()),
                $assignment->exercise->sheet(),
                400,
                300,
                self::states($handIn),
                true,
            ),
        );
    }

    /** @return array<string, string> how each row stands after the teacher's word, by id */
    private static function states(HandIn $handIn): array
    {
        $states = [];
        foreach ($handIn->report as $r) {
            $states[$r['id']] = $handIn->rowMet($r['id'], $r['status']) ? 'met' : $r['status'];
        }

        return $states;
    }

    public function part(HandIn $handIn, string $ending): Response
    {
        $this->authorize('view', $handIn);
        $this->bench->waits(Workbench::AGAIN);
        if ($ending === 'glb') {
            abort_unless($handIn->isShown(), 404);

            return PartController::file($this->marking->glb($handIn), 'model/gltf-binary')->header(
                'Cache-Control',
                'private, max-age=31536000, immutable',
            );
        }

        return PartController::export(
            $this->marking->part($handIn),
            $ending,
            Str::slug($handIn->work->assignment->exercise->title . ' ' . $handIn->work->student->name),
        );
    }

    /** The report as pages for a printer or a folder. */
    public function pdf(Request $request, HandIn $handIn): Response
    {
        $this->authorize('view', $handIn);
        $assignment = $handIn->work->assignment;
        $judge = (bool) $request->user()?->can('judge', $handIn);
        abort_unless($handIn->isChecked() && ($judge || $assignment->disclosure()->isOpen(now(), $assignment->due_on)), 404);
        $name = Str::slug($assignment->exercise->title . ' ' . $handIn->work->student->name . ' ' . $handIn->attempt);

        return PartController::file(
            ReportPages::pdf(
                $handIn,
                $judge ? $handIn->frozenReport() : $assignment->disclosure()->applied($handIn->frozenReport()),
                $this->bench,
            ),
            'application/pdf',
            "$name.pdf",
        );
    }

    public function overrule(Request $request, HandIn $handIn): RedirectResponse
    {
        $this->authorize('judge', $handIn);
        $row = $request->input('row');
        $bag = 'row-' . (is_string($row) ? $row : '');
        $input = $request->validateWithBag(
            $bag,
            [
                'row' => ['required', Rule::in(array_column($handIn->report, 'id'))],
                'met' => ['required', Rule::in(['1', '0', 'as measured'])],
                'reason' => ['required_unless:met,as measured', 'nullable', 'string', 'max:400'],
            ],
            [
                'reason.required_unless' => 'Say why, in a few words: the student reads it.',
                'reason.max' => 'The reason has at most 400 letters.',
            ],
        );
        DB::transaction(function () use ($handIn, $input): void {
            $fresh = HandIn::query()->lockForUpdate()->findOrFail($handIn->id);
            $all = $fresh->overrules;
            unset($all[$input['row']]);
            if ($input['met'] !== 'as measured') {
                $all[$input['row']] = ['met' => $input['met'] === '1', 'reason' => trim((string) $input['reason'])];
            }
            $fresh->update(['overrules' => $all]);
        });

        return redirect()
            ->route('hand-ins.show', $handIn)
            ->withFragment('row-' . $input['row']);
    }

    public function decide(Request $request, HandIn $handIn): RedirectResponse
    {
        $this->authorize('judge', $handIn);
        $input = $request->validate(
            [
                'comment' => ['nullable', 'string', 'max:4000'],
                'state' => ['required', Rule::in(['returned', 'accepted', 'waiting'])],
            ],
            ['comment.max' => 'The comment is longer than 4000 letters.', 'state.*' => 'Send it back or accept it.'],
        );
        $handIn->update([
            'comment' => trim((string) ($input['comment'] ?? '')),
            'state' => $input['state'],
            'decided_at' => $input['state'] === 'waiting' ? null : now(),
        ]);

        return redirect()->route('assignments.show', $handIn->work->assignment_id);
    }
}
