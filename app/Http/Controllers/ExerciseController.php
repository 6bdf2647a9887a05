<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\CheckHandIn;
use App\Jobs\ReadReference;
use App\Models\Exercise;
use App\Models\HandIn;
use App\Models\Person;
use App\Support\AskedSizes;
use App\Support\ExerciseForm;
use App\Support\Marking;
use App\Support\RecipeBook;
use App\Support\Workbench;
use Cubo\Budget\OverBudget;
use Cubo\Check\ExerciseReader;
use Cubo\Check\Requirement;
use Cubo\Measure\PartMeasures;
use Cubo\Printing\PrintProfile;
use Cubo\Quantity\Unit;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe as Document;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

final class ExerciseController extends Controller
{
    public function __construct(private readonly Workbench $bench, private readonly RecipeBook $book, private readonly AskedSizes $asked) {}

    public function create(): View
    {
        return view('teacher.new-exercise');
    }

    public function store(Request $request): RedirectResponse
    {
        $input = $request->validate(self::rules() + ['unit' => ['required', Rule::in(['mm', 'in'])]], self::words());
        /** @var Person $teacher */
        $teacher = $request->user();
        $exercise = DB::transaction(
            fn(): Exercise => Exercise::create([
                'teacher_id' => $teacher->id,
                'reference_id' => $this->book->begin($teacher, new Document(Unit::from($input['unit']), [], $input['title']))->id,
                'title' => $input['title'],
                'brief' => (string) ($input['brief'] ?? ''),
                'unit' => $input['unit'],
                'requirements' => [],
            ]),
        );

        return redirect()->route('exercises.bench', $exercise);
    }

    public function edit(Exercise $exercise): View
    {
        $this->authorize('edit', $exercise);
        $this->bench->waits(Workbench::PAGE);
        $state = $this->bench->evaluate($exercise->reference->document());
        // nominal values always come from the reference part as it is now
        $read = $this->asked->renew($exercise, $state);
        if ($read === null) {
            ReadReference::dispatch($exercise->id);

            return view('teacher.exercise-later', ['exercise' => $exercise]);
        }
        $sheet = $exercise->sheet();
        $this->bench->waits(Workbench::EDIT);
        /** @var Person $teacher */
        $teacher = auth()->user();

        return view('teacher.exercise', [
            'exercise' => $exercise,
            'sheet' => $sheet,
            'state' => $state,
            'unit' => $sheet->unit,
            'drawing' => $this->bench->sheetSvg($state, $sheet, 780, 470),
            'glb' => $state->isEmpty() ? '' : route('recipes.glb', [$exercise->reference_id, $state->key], false),
            'readouts' => $this->readouts($state),
            'data' => $read['places'],
            'whole' => $read['whole'],
            'aside' => array_map(ExerciseReader::requirement(...), $exercise->aside),
            'classes' => $teacher->classes()->whereNull('archived_at')->orderBy('name')->get(),
            'handIns' => Marking::last($exercise)->count(),
            'assignments' => $exercise->assignments()->whereNull('taken_back_at')->with('schoolClass')->get()->keyBy('class_id'),
        ]);
    }

    /** @return array{volume: float, bodies: int}|null */
    private function readouts(PartState $state): ?array
    {
        try {
            return $state->isEmpty() ? null : $this->bench->readouts($state);
        } catch (OverBudget) {
            return null;
        }
    }

    public function update(Request $request, Exercise $exercise): RedirectResponse
    {
        $this->authorize('edit', $exercise);
        $input = $request->validate(
            self::rules() + [
                'tolerance' => ['nullable', 'string', 'max:40'],
                'printer' => ['nullable', Rule::in(array_keys(PrintProfile::all()))],
            ],
            self::words(),
        );
        if ($request->boolean('forget')) {
            $exercise->update(['aside' => []]);
        }
        $sheet = $exercise->sheet();
        [$requirements, $problems] = ExerciseForm::read($sheet->requirements, (array) $request->input('requirements', []), $sheet->unit);
        // the form says how many rows it has: a server that cuts long forms off must not lose any without a word
        if ($request->integer('rows') > count((array) $request->input('requirements', []))) {
            $problems['title'] = 'Not all of the form arrived. Nothing was saved; try again.';
        }
        $usual = trim((string) ($input['tolerance'] ?? $exercise->tolerance));
        if ($problems === [] && $usual !== '' && $usual !== $exercise->tolerance) {
            [$requirements, $wrong] = ExerciseForm::all($requirements, $usual, $sheet->unit);
            $problems = $wrong === '' ? [] : ['tolerance' => $wrong];
        }
        if ($problems === []) {
            [$requirements, $wrong] = $this->own($request, $exercise, $requirements);
            $problems = $wrong === '' ? [] : ['own' => $wrong];
        }
        if ($problems !== []) {
            return redirect()->route('exercises.edit', $exercise)->withErrors($problems)->withInput();
        }
        $exercise->update([
            'title' => $input['title'],
            'brief' => (string) ($input['brief'] ?? ''),
            'turned' => $request->boolean('turned'),
            'tolerance' => $usual,
            'printer' => $input['printer'] ?? $exercise->printer,
            'requirements' => array_map(static fn($r): array => $r->toArray(), $requirements),
        ]);

        // given to a class from the same form, so that nothing ticked is lost on the way
        if ($request->boolean('give')) {
            return AssignmentController::give($request, $exercise);
        }

        return redirect()->route('exercises.edit', $exercise)->with('said', 'just now');
    }

    /**
     * What the teacher adds or takes out with the same form, so that nothing else typed there is lost.
     *
     * @param list<Requirement> $list
     * @return array{list<Requirement>, string}
     */
    private function own(Request $request, Exercise $exercise, array $list): array
    {
        if (!$request->filled('add') && !$request->filled('drop')) {
            return [$list, ''];
        }
        $word = static fn(string $key): string => is_string($typed = $request->input($key)) ? mb_substr($typed, 0, 80) : '';
        $state = $this->bench->evaluate($exercise->reference->document());

        return ExerciseForm::own(
            $list,
            $word('drop'),
            $request->filled('add') ? ['what' => $word('own.what'), 'from' => $word('own.from'), 'to' => $word('own.to')] : [],
            $state->isEmpty() ? null : new PartMeasures($state->part()),
            $exercise->sheet()->unit,
        );
    }

    /** Checks the last hand-in of everyone again, with what is asked now. */
    public function markAgain(Exercise $exercise): RedirectResponse
    {
        $this->authorize('edit', $exercise);
        session()->put("marking.{$exercise->id}", now()->toIso8601String());
        foreach (Marking::last($exercise) as $handIn) {
            CheckHandIn::dispatch($handIn->id);
        }

        return redirect()->route('exercises.marked', $exercise);
    }

    /** What changed when hand-ins were marked again; asks itself anew until all are done. */
    public function marked(Exercise $exercise): View
    {
        $this->authorize('edit', $exercise);
        $all = Marking::last($exercise);
        $began = session("marking.{$exercise->id}");
        $since = is_string($began) ? Carbon::parse($began) : null;

        return view('teacher.marked', [
            'exercise' => $exercise,
            'handIns' => $all,
            'open' => $all
                ->filter(static fn(HandIn $h): bool => $h->checked_at === null || ($since !== null && $h->checked_at->lt($since)))
                ->count(),
        ]);
    }

    /** @return array<string, list<mixed>> */
    private static function rules(): array
    {
        return ['title' => ['required', 'string', 'max:80'], 'brief' => ['nullable', 'string', 'max:4000']];
    }

    /** @return array<string, string> */
    private static function words(): array
    {
        return [
            'title.required' => 'Give the exercise a title.',
            'title.max' => 'A title has at most 80 letters.',
            'brief.max' => 'The brief is longer than 4000 letters.',
            'unit.*' => 'Choose mm or inch.',
        ];
    }
}
