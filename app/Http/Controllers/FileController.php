<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\CheckHandIn;
use App\Jobs\ReadFile;
use App\Models\Assignment;
use App\Models\HandIn;
use App\Models\PartFile;
use App\Models\Person;
use App\Support\FileShelf;
use App\Support\RecipeBook;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Exchange\MeshFile;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

/** A part that was made elsewhere: brought as a file, looked at, and handed in. */
final class FileController extends Controller
{
    public function __construct(private readonly FileShelf $shelf, private readonly RecipeBook $book) {}

    public function create(Assignment $assignment): View
    {
        $this->authorize('work', $assignment);

        return view('student.file', ['assignment' => $assignment->load('exercise')]);
    }

    public function store(Request $request, Assignment $assignment): RedirectResponse
    {
        $this->authorize('work', $assignment);
        $back = redirect()->route('files.create', $assignment);
        $file = $request->file('part');
        if (!($file instanceof UploadedFile)) {
            return $back->withErrors(['part' => 'Choose a file first.']);
        }
        if (!$file->isValid() || $file->getSize() > MeshFile::MOST_BYTES) {
            return $back->withErrors([
                'part' =>
                    $file->getError() === UPLOAD_ERR_INI_SIZE || $file->getSize() > MeshFile::MOST_BYTES
                        ? 'The file is larger than 50 MB.'
                        : 'The file did not arrive whole. Try it once more.',
            ]);
        }
        /** @var Person $student */
        $student = $request->user();
        $work = $this->book->workFor($assignment, $student);
        // one file of a person is read at a time; what hangs longer than any reading may take does not count
        $other = PartFile::query()
            ->whereRelation('work', 'student_id', $student->id)
            ->whereIn('state', ['waiting', 'reading'])
            ->where('updated_at', '>', now()->subMinutes(5))
            ->first();
        if ($other !== null) {
            return $back->withErrors(['part' => "“{$other->name}” is still being read. Wait until that is done, then bring this one."]);
        }

        $taken = $this->shelf->take($work, mb_scrub($file->getClientOriginalName(), 'UTF-8'), (string) $file->get());
        ReadFile::dispatch($taken->id);

        return redirect()->route('files.show', $taken);
    }

    public function show(PartFile $file): View
    {
        $this->authorize('use', $file);
        $file->load('work.assignment.exercise');
        if ($file->state !== 'read') {
            return view('student.file-reading', [
                'file' => $file,
                'assignment' => $file->work->assignment,
                'exercise' => $file->work->assignment->exercise,
            ]);
        }

        return view('student.file-look', [
            'file' => $file,
            'assignment' => $file->work->assignment,
            'exercise' => $file->work->assignment->exercise,
            'sizes' => array_map(static fn(float $v): float => $v * $file->unit()->inMillimetres(), $file->info['sizes']),
            'glb' => $file->isShown() ? route('files.glb', [$file, FileShelf::key($file)], false) : '',
            'marks' => $file->repaired
                ? []
                : array_map(
                    static fn(array $f): array => [
                        'letter' => '',
                        'id' => $f['kind'],
                        'status' => 'off',
                        'text' => $f['kind'],
                        'place' => [
                            'kind' => 'spot',
                            'at' => array_map(static fn(float $v): float => $v * $file->unit()->inMillimetres(), $f['at']),
                        ],
                    ],
                    $file->info['faults'],
                ),
        ]);
    }

    /** What was found in its facets; asked for after the page is there, since large files take seconds. */
    public function found(PartFile $file): View
    {
        $this->authorize('use', $file);
        $file->load('work.assignment.exercise');
        abort_unless($file->isShown(), 404);
        if (!$this->isReady($file)) {
            return view('student.file-later', ['file' => $file]);
        }

        return view('student.file-found', [
            'found' => $this->shelf->found($file),
            'unit' => $file->work->assignment->exercise->sheet()->unit,
        ]);
    }

    public function update(Request $request, PartFile $file): RedirectResponse
    {
        $this->authorize('use', $file);
        $input = $request->validate(['unit' => ['nullable', Rule::in(['mm', 'in'])], 'repaired' => ['nullable', 'boolean']]);
        if (HandIn::query()->where('file_id', $file->id)->exists()) {
            return redirect()
                ->route('files.show', $file)
                ->withErrors([
                    'unit' => 'This file is handed in already; what was handed in stays as it is. Bring it once more to change it.',
                ]);
        }
        if ($file->state !== 'read') {
            return redirect()->route('files.show', $file);
        }
        $file->update([
            'unit' => $file->info['ownUnit'] ? $file->unit : $input['unit'] ?? $file->unit,
            'repaired' => $file->info['mends'] !== [] && ($input['repaired'] ?? false),
        ]);
        if ($file->isShown()) {
            $this->isReady($file);
        }

        return redirect()->route('files.show', $file);
    }

    public function handIn(PartFile $file): RedirectResponse
    {
        $this->authorize('use', $file);
        if ($file->state !== 'read') {
            return redirect()->route('files.show', $file);
        }
        $handIn = HandIn::begin($file->work, ['file_id' => $file->id]);
        if ($handIn->wasRecentlyCreated) {
            CheckHandIn::dispatch($handIn->id);
        }

        return redirect()->route('hand-ins.show', $handIn);
    }

    public function glb(PartFile $file, string $key): Response
    {
        $this->authorize('use', $file);
        abort_unless($key === FileShelf::key($file) && $file->isShown(), 404);
        if (!$this->isReady($file)) {
            throw new OverBudget(Limit::Time);
        }

        return PartController::file($this->shelf->glb($file), 'model/gltf-binary')->header(
            'Cache-Control',
            'private, max-age=31536000, immutable',
        );
    }

    /** Whether what a page shows of a file is there; if not, it is made in the background. */
    private function isReady(PartFile $file): bool
    {
        if ($this->shelf->isReady($file)) {
            return true;
        }
        if ($file->isThrough()) {
            $file->update(['state' => 'waiting']);
            ReadFile::dispatch($file->id);
            $file->refresh();
        }

        return $file->state === 'read';
    }
}
