<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Person;
use App\Models\SchoolClass;
use App\Support\School\ClassRoom;
use App\Support\School\Enrolment;
use Cubo\School\Roster\Line;
use Cubo\School\Roster\LineState;
use Cubo\School\Roster\NameList;
use Cubo\School\Roster\RosterPlan;
use Cubo\Tabular\Csv;
use Cubo\Tabular\UnreadableTable;
use Cubo\Tabular\XlsxReader;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Lists of names: read and shown first, taken on the button only. */
final class RosterController extends Controller
{
    private const MOST_BYTES = 2_000_000;

    public function read(Request $request, SchoolClass $class): View|RedirectResponse
    {
        $this->authorize('run', $class);
        /** @var Person $teacher */
        $teacher = $request->user();
        try {
            $list = self::list($request);
        } catch (UnreadableTable $e) {
            return redirect()
                ->route('classes.show', $class)
                ->withErrors(['list' => $e->getMessage()], 'list')
                ->withInput($request->only('list'));
        }

        return view(
            'school.classes',
            ClassRoom::of($teacher, $class) + ['list' => $list, 'plan' => RosterPlan::of($list->lines, Enrolment::known($class))],
        );
    }

    /** Lines as they were shown, some of them mended in place. */
    public function take(Request $request, SchoolClass $class): RedirectResponse
    {
        $this->authorize('run', $class);
        $in = $request->validate([
            'lines' => ['required', 'array', 'max:' . Csv::MOST_ROWS],
            'lines.*.name' => ['nullable', 'string'],
            'lines.*.identifier' => ['nullable', 'string', 'max:80'],
        ]);
        $lines = [];
        foreach (array_values($in['lines']) as $i => $l) {
            $lines[] = new Line(
                $i + 1,
                trim((string) preg_replace('/\s+/u', ' ', (string) ($l['name'] ?? ''))),
                trim((string) ($l['identifier'] ?? '')),
            );
        }
        $plan = Enrolment::take($class, $lines);
        if ($plan === null) {
            return redirect()
                ->route('classes.show', $class)
                ->withErrors(['list' => __('school.list.too_many', ['most' => Enrolment::MOST])], 'list');
        }
        $left = $plan->count(LineState::WithoutName) + $plan->count(LineState::TooLong) + $plan->count(LineState::Twice);

        return redirect()->route('classes.show', $class)->with(
            'said',
            trans_choice('school.list.took', $plan->count(LineState::Added), [
                'renamed' => $plan->count(LineState::Renamed),
                'left' => $left,
            ]),
        );
    }

    /** @throws UnreadableTable */
    private static function list(Request $request): NameList
    {
        $file = $request->file('file');
        $bytes = is_string($request->input('list')) ? $request->input('list') : '';
        if ($file !== null && !is_array($file)) {
            if (!$file->isValid() || $file->getSize() > self::MOST_BYTES) {
                throw new UnreadableTable(__('school.list.too_large'));
            }
            $bytes = (string) $file->get();
        }
        if (trim($bytes) === '') {
            throw new UnreadableTable(__('school.list.nothing'));
        }
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new UnreadableTable(__('school.list.too_large'));
        }
        $list = NameList::of(XlsxReader::knows($bytes) ? XlsxReader::read($bytes) : Csv::read($bytes));

        return $list->lines === [] ? throw new UnreadableTable(__('school.list.nothing')) : $list;
    }
}
