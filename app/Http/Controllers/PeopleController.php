<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Happening;
use App\Models\Invitation;
use App\Models\Person;
use App\Models\School;
use App\Support\School\Removal;
use App\Support\School\Setup;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

/** Colleagues and the school's own settings; only who looks after the school changes them. */
final class PeopleController extends Controller
{
    private const HOURS = 24;

    public function index(Request $request): View
    {
        $me = self::me($request);

        return view('school.people', [
            'me' => $me,
            'school' => $me->school,
            'teachers' => $me->school->teachers()->with('classes:id,name')->withCount('exercises')->get(),
            'invitations' => Invitation::query()
                ->where('school_id', $me->school_id)
                ->whereNull('used_at')
                ->where('ends_at', '>', now())
                ->latest()
                ->get(),
            'classes' => $me->administers
                ? $me->school->classes()->whereNull('archived_at')->get()
                : $me->classes()->whereNull('archived_at')->get(),
        ]);
    }

    /** The link is shown once; only its hash is kept. */
    public function invite(Request $request): RedirectResponse
    {
        $me = self::me($request);
        $classes = ($me->administers ? $me->school->classes() : $me->classes())->pluck('school_classes.id')->all();
        $in = $request->validateWithBag(
            'invite',
            [
                'name' => ['required', 'string', 'max:60'],
                'email' => ['required', 'string', 'email', 'max:200', Rule::unique('people', 'email')],
                'administers' => ['nullable', 'boolean'],
                'classes' => ['nullable', 'array'],
                'classes.*' => ['integer', Rule::in($classes)],
            ],
            __('school.problems'),
        );
        $token = Str::random(40);
        Invitation::query()->where('school_id', $me->school_id)->where('email', strtolower($in['email']))->delete();
        Invitation::create([
            'school_id' => $me->school_id,
            'invited_by' => $me->id,
            'name' => trim($in['name']),
            'email' => strtolower($in['email']),
            'administers' => $me->administers && ($in['administers'] ?? false),
            'classes' => array_map(intval(...), $in['classes'] ?? []),
            'token' => Invitation::hash($token),
            'ends_at' => now()->addHours(self::HOURS),
        ]);
        Happening::tell($me->school_id, null, 'invited', ['name' => trim($in['name'])]);

        return redirect()
            ->route('people')
            ->with('invited', ['name' => trim($in['name']), 'link' => route('invitations.show', $token)]);
    }

    public function withdraw(Request $request, Invitation $invitation): RedirectResponse
    {
        $me = self::me($request);
        abort_unless($invitation->school_id === $me->school_id && ($me->administers || $invitation->invited_by === $me->id), 403);
        $invitation->delete();

        return redirect()->route('people')->with('said', __('school.people.withdrawn', ['name' => $invitation->name]));
    }

    public function administers(Request $request, Person $teacher): RedirectResponse
    {
        $me = self::administrator($request, $teacher);
        $may = $request->boolean('administers');
        if (!$may && $me->school->teachers()->where('administers', true)->count() < 2) {
            return redirect()
                ->route('people')
                ->withErrors(['teacher' => __('school.people.last')], 'people');
        }
        $teacher->update(['administers' => $may]);
        Happening::tell($me->school_id, null, $may ? 'administers' : 'administers_not', ['name' => $teacher->name]);

        return redirect()->route('people');
    }

    /** A link of a day by which a colleague sets a new password. */
    public function reset(Request $request, Person $teacher): RedirectResponse
    {
        $me = self::administrator($request, $teacher);
        $password = Str::password(14, true, true, false);
        $teacher->forceFill(['password' => Hash::make($password), 'remember_token' => null])->save();
        DB::table('sessions')
            ->where('user_id', $teacher->id)
            ->when($teacher->is($me), static fn($q) => $q->where('id', '<>', $request->session()->getId()))
            ->delete();
        Happening::tell($me->school_id, null, 'reset', ['name' => $teacher->name]);

        return redirect()
            ->route('people')
            ->with('reset', ['name' => $teacher->name, 'password' => $password]);
    }

    public function destroy(Request $request, Person $teacher): RedirectResponse
    {
        $me = self::administrator($request, $teacher);
        $heir = $me->school->teachers()->whereKeyNot($teacher->id)->find($request->integer('heir'));
        if ($teacher->is($me) || $heir === null) {
            return redirect()
                ->route('people')
                ->withErrors(['teacher' => __($teacher->is($me) ? 'school.people.not_oneself' : 'school.people.needs_heir')], 'people');
        }
        Removal::teacher($teacher, $heir);
        Happening::tell($me->school_id, null, 'removed_teacher', ['heir' => $heir->name]);

        return redirect()->route('people')->with('said', __('school.people.removed', ['name' => $teacher->name, 'heir' => $heir->name]));
    }

    public function school(Request $request): RedirectResponse
    {
        $me = self::me($request);
        abort_unless($me->administers, 403);
        $in = $request->validateWithBag(
            'school',
            [
                'name' => ['required', 'string', 'max:80'],
                'time_zone' => ['required', Rule::in(timezone_identifiers_list())],
                'keep_months' => ['nullable', 'integer', 'between:1,120'],
            ],
            __('school.problems'),
        );
        /** @var School $school */
        $school = $me->school;
        $school->update(['name' => trim($in['name']), 'time_zone' => $in['time_zone'], 'keep_months' => $in['keep_months'] ?? null]);
        Setup::keepZone($in['time_zone']);

        return redirect()->route('people')->with('said', __('school.people.kept'));
    }

    private static function me(Request $request): Person
    {
        /** @var Person $me */
        $me = $request->user();

        return $me;
    }

    private static function administrator(Request $request, Person $teacher): Person
    {
        $me = self::me($request);
        abort_unless($me->administers && $teacher->isTeacher() && $teacher->school_id === $me->school_id, 403);

        return $me;
    }
}
