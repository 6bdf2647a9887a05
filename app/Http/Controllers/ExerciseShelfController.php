<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Exercise;
use App\Models\Person;
use App\Support\ExerciseShelf;
use Cubo\Check\UnreadableExercise;
use Cubo\Exchange\ExercisePackage;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What is done with an exercise as a whole. */
final class ExerciseShelfController extends Controller
{
    private const MOST_BYTES = 10_000_000;

    public function __construct(private readonly ExerciseShelf $shelf) {}

    public function duplicate(Request $request, Exercise $exercise): RedirectResponse
    {
        $this->authorize('edit', $exercise);
        $made = $this->shelf->duplicate($exercise, self::me($request));

        return redirect()->route('exercises.edit', $made)->with('said', __('exercises.duplicated', ['title' => $made->title]));
    }

    public function archive(Request $request, Exercise $exercise): RedirectResponse
    {
        $this->authorize('edit', $exercise);
        $exercise->update(['archived_at' => $request->boolean('open') ? null : now()]);

        return redirect()
            ->route('home')
            ->with('said', __($exercise->archived_at === null ? 'exercises.opened' : 'exercises.archived', ['title' => $exercise->title]));
    }

    public function destroy(Exercise $exercise): RedirectResponse
    {
        $this->authorize('edit', $exercise);

        return $this->shelf->remove($exercise)
            ? redirect()->route('home')->with('said', __('exercises.removed', ['title' => $exercise->title]))
            : redirect()
                ->route('exercises.edit', $exercise)
                ->withErrors(['remove' => __('exercises.worked_at')], 'shelf');
    }

    public function file(Exercise $exercise): Response
    {
        $this->authorize('edit', $exercise);
        $name = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower($exercise->title)), '-') ?: 'exercise';

        return response($this->shelf->package($exercise)->write(), 200, [
            'Content-Type' => 'application/zip',
            'Content-Disposition' => "attachment; filename=\"$name." . ExercisePackage::ENDING . '"',
        ]);
    }

    public function bring(Request $request): RedirectResponse
    {
        $file = $request->file('exercise');
        if ($file === null || is_array($file) || !$file->isValid() || $file->getSize() > self::MOST_BYTES) {
            return redirect()
                ->route('exercises.create')
                ->withErrors(['exercise' => __('exercises.no_file')], 'bring');
        }
        try {
            $exercise = $this->shelf->bring(ExercisePackage::read((string) $file->get()), self::me($request));
        } catch (UnreadableExercise $e) {
            return redirect()
                ->route('exercises.create')
                ->withErrors(['exercise' => $e->getMessage()], 'bring');
        }

        return redirect()->route('exercises.edit', $exercise)->with('said', __('exercises.brought', ['title' => $exercise->title]));
    }

    private static function me(Request $request): Person
    {
        /** @var Person $me */
        $me = $request->user();

        return $me;
    }
}
