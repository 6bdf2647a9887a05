<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\HandIn;
use App\Support\Workbench;
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
    public function __construct(private readonly Workbench $bench) {}

    public function show(Request $request, HandIn $handIn): View
    {
        $this->authorize('view', $handIn);
        $handIn->load(['work.assignment.exercise', 'work.assignment.schoolClass', 'work.student', 'work.handIns', 'revision']);
        $exercise = $handIn->work->assignment->exercise;
        $document = $handIn->revision->recipe();
        $state = $this->bench->evaluate($document);
        $states = [];
        foreach ($handIn->report as $r) {
            $states[$r['id']] = $handIn->rowMet($r['id'], $r['status']) ? 'met' : $r['status'];
        }

        return view('report', [
            'handIn' => $handIn, 'exercise' => $exercise, 'report' => $handIn->frozenReport(), 'states' => $states, 'unit' => $exercise->sheet()->unit,
            'state' => $state, 'document' => $document, 'judge' => (bool) $request->user()?->can('judge', $handIn),
            'drawing' => $this->bench->sheetSvg($this->bench->evaluate($exercise->reference->document()), $exercise->sheet(), 430, 300, $states),
            'glb' => $state->isEmpty() ? '' : route('hand-ins.part', [$handIn, 'glb'], false),
            'marks' => array_values(array_map(static fn (array $r): array => ['letter' => $r['letter'], 'id' => $r['id'], 'status' => $r['status'], 'text' => $r['measured'], 'place' => $r['place']],
                array_filter($handIn->report, static fn (array $r): bool => $r['place'] !== null && $r['status'] !== 'met'))),
        ]);
    }

    public function part(HandIn $handIn, string $ending): Response
    {
        $this->authorize('view', $handIn);
        $state = $this->bench->evaluate($handIn->revision->recipe());
        if ($ending === 'glb') {
            return PartController::file($this->bench->glb($state), 'model/gltf-binary')->header('Cache-Control', 'private, max-age=31536000, immutable');
        }

        return PartController::export($state->part(), $ending, Str::slug($handIn->work->assignment->exercise->title . ' ' . $handIn->work->student->name));
    }

    public function overrule(Request $request, HandIn $handIn): RedirectResponse
    {
        $this->authorize('judge', $handIn);
        $bag = 'row-' . $request->input('row');
        $input = $request->validateWithBag($bag, [
            'row' => ['required', Rule::in(array_column($handIn->report, 'id'))],
            'met' => ['required', Rule::in(['1', '0', 'as measured'])],
            'reason' => ['required_unless:met,as measured', 'nullable', 'string', 'max:400'],
        ], ['reason.required_unless' => 'Say why, in a few words: the student reads it.', 'reason.max' => 'The reason has at most 400 letters.']);
        DB::transaction(function () use ($handIn, $input): void {
            $fresh = HandIn::query()->lockForUpdate()->findOrFail($handIn->id);
            $all = $fresh->overrules;
            unset($all[$input['row']]);
            if ($input['met'] !== 'as measured') {
                $all[$input['row']] = ['met' => $input['met'] === '1', 'reason' => trim((string) $input['reason'])];
            }
            $fresh->update(['overrules' => $all]);
        });

        return redirect()->route('hand-ins.show', $handIn)->withFragment('row-' . $input['row']);
    }

    public function decide(Request $request, HandIn $handIn): RedirectResponse
    {
        $this->authorize('judge', $handIn);
        $input = $request->validate([
            'comment' => ['nullable', 'string', 'max:4000'],
            'state' => ['required', Rule::in(['returned', 'accepted', 'waiting'])],
        ], ['comment.max' => 'The comment is longer than 4000 letters.', 'state.*' => 'Send it back or accept it.']);
        $handIn->update(['comment' => trim((string) ($input['comment'] ?? '')), 'state' => $input['state'], 'decided_at' => $input['state'] === 'waiting' ? null : now()]);

        return redirect()->route('assignments.show', $handIn->work->assignment_id);
    }
}
