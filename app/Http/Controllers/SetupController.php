<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Support\School\Setup;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Password;
use Illuminate\View\View;

/** The first start without demo: the school and its first teacher. There is no such page once there is a school. */
final class SetupController extends Controller
{
    public function show(Request $request): View
    {
        self::open($request);

        return view('school.setup', ['key' => Setup::key(), 'languages' => self::languages(), 'zones' => timezone_identifiers_list()]);
    }

    public function store(Request $request): RedirectResponse
    {
        self::open($request);
        $in = $request->validate(
            [
                'school' => ['required', 'string', 'max:80'],
                'language' => ['required', Rule::in(array_keys(self::languages()))],
                'time_zone' => ['required', Rule::in(timezone_identifiers_list())],
                'name' => ['required', 'string', 'max:60'],
                'email' => ['required', 'string', 'email', 'max:200'],
                'password' => ['required', 'string', Password::min(Setup::SHORTEST_PASSWORD), 'max:200'],
            ],
            __('school.problems'),
        );
        Auth::login(Setup::begin($in['school'], $in['language'], $in['time_zone'], $in['name'], $in['email'], $in['password']));
        $request->session()->regenerate();

        return redirect()->route('classes.index')->with('said', __('school.setup.done', ['school' => $in['school']]));
    }

    /** @return array<string, string> languages there are words in, by code */
    public static function languages(): array
    {
        $codes = array_map(basename(...), glob(lang_path('*'), GLOB_ONLYDIR) ?: []);

        return array_combine($codes, array_map(static fn(string $c): string => (string) \Locale::getDisplayLanguage($c, $c), $codes));
    }

    private static function open(Request $request): void
    {
        $key = $request->input('key');
        abort_unless(Setup::isOpen() && is_string($key) && hash_equals(Setup::key(), $key), 404);
    }
}
