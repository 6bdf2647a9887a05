<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\LibraryPart;
use App\Models\Person;
use App\Models\Recipe;
use App\Models\SchoolClass;
use App\Support\Library;
use App\Support\Workbench;
use Cubo\Recipe\StepProblem;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

/** Parts people keep for later: a page to look after them, and a list at the bench to take them from. */
final class LibraryController extends Controller
{
    /** Sizes of the pictures on the page and at a bench, pixels. */
    public const PICTURES = ['page' => [210, 150], 'shelf' => [112, 76]];

    public function __construct(private readonly Library $library, private readonly Workbench $bench) {}

    public function index(Request $request): View
    {
        /** @var Person $person */
        $person = $request->user();
        $q = self::asked($request);

        return view('library.page', [
            'person' => $person,
            'q' => $q,
            'parts' => Library::found($person, $q),
            'tags' => self::tagsOf($person),
            'bench' => $this->bench,
            'classes' => $person->isTeacher() ? $person->classes()->orderBy('name')->get() : collect(),
        ]);
    }

    /** What can be taken at a bench. */
    public function shelf(Request $request, Recipe $recipe): View
    {
        $this->authorize('edit', $recipe);
        /** @var Person $person */
        $person = $request->user();
        $q = self::asked($request);

        return view('library.shelf', [
            'recipe' => $recipe,
            'q' => $q,
            'parts' => Library::found($person, $q),
            'bench' => $this->bench,
            'person' => $person,
        ]);
    }

    /** Puts a group of a part into the library of whoever asks. */
    public function put(Request $request, Recipe $recipe): View|Response
    {
        $this->authorize('edit', $recipe);
        /** @var Person $person */
        $person = $request->user();
        $in = $request->validate([
            'group' => ['required', 'string', 'max:12'],
            'tags' => ['nullable', 'string', 'max:200'],
            'class' => ['nullable', 'integer'],
        ]);
        $class = ($in['class'] ?? null) === null ? null : SchoolClass::query()->find((int) $in['class']);
        abort_if($class !== null && !$person->teaches($class->id), 403);
        try {
            $part = $this->library->put($person, $class, $recipe->document(), $in['group'], explode(',', (string) ($in['tags'] ?? '')));
        } catch (StepProblem $p) {
            return response()->view('library.put', ['problem' => $p->note], 200);
        }

        // drawn now, so that a page of many parts opens at once
        foreach (self::PICTURES as [$width, $height]) {
            $this->bench->picture($part->newest()->recipe(), $width, $height, $part->name);
        }

        return view('library.put', ['problem' => null, 'part' => $part]);
    }

    public function update(Request $request, LibraryPart $part): RedirectResponse
    {
        $this->authorize('edit', $part);
        /** @var Person $person */
        $person = $request->user();
        $in = $request->validate(
            [
                'name' => [
                    'required',
                    'string',
                    'max:60',
                    Rule::unique('library_parts')->where('owner_id', $person->id)->ignore($part->id),
                ],
                'tags' => ['nullable', 'string', 'max:200'],
                'class' => ['nullable', 'integer'],
            ],
            [
                'name.required' => 'A part needs a name.',
                'name.unique' => 'Another part of yours has that name already.',
                'name.max' => 'The name is too long.',
            ],
            [],
        );
        $class = ($in['class'] ?? null) === null ? null : SchoolClass::query()->find((int) $in['class']);
        abort_if($class !== null && !$person->teaches($class->id), 403);
        $part->update([
            'name' => trim($in['name']),
            'tags' => Library::tags(explode(',', (string) ($in['tags'] ?? ''))),
            'class_id' => $class?->id,
        ]);

        return redirect()
            ->route('library')
            ->with('said', "{$part->name} is saved.");
    }

    public function destroy(LibraryPart $part): RedirectResponse
    {
        $this->authorize('edit', $part);
        $part->delete();

        return redirect()
            ->route('library')
            ->with('said', "{$part->name} is removed from the library. Parts that use it keep their copy.");
    }

    private static function asked(Request $request): string
    {
        $q = $request->query('q');

        return is_string($q) ? mb_substr(mb_scrub($q, 'UTF-8'), 0, 80) : '';
    }

    /** @return list<string> every tag somebody sees, those used most first */
    private static function tagsOf(Person $person): array
    {
        $count = array_count_values(Library::seenBy($person)->pluck('tags')->flatten()->all());
        arsort($count);

        return array_slice(array_map(strval(...), array_keys($count)), 0, 16);
    }
}
