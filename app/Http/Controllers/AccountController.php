<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Codes;
use App\Models\Person;
use App\Support\School\Pins;
use App\Support\School\Setup;
use App\Support\School\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** What is one's own: the password or PIN, and where one is signed in. */
final class AccountController extends Controller
{
    public function show(Request $request): View
    {
        $me = self::me($request);

        return view('school.account', ['me' => $me, 'sessions' => SignedIn::of($me, $request->session()->getId())]);
    }

    public function secret(Request $request): RedirectResponse
    {
        $me = self::me($request);
        [$old, $new] = array_map(static fn(string $f): string => is_string($request->input($f)) ? $request->input($f) : '', ['old', 'new']);
        // whoever sits down at a bench that was left must not guess it
        if (!RateLimiter::attempt("secret:$me->id", 10, static fn(): bool => true, 900)) {
            throw ValidationException::withMessages(['old' => __('school.account.too_often')]);
        }
        if (!Hash::check(substr($old, 0, 200), $me->getAuthPassword())) {
            throw ValidationException::withMessages([
                'old' => __($me->isTeacher() ? 'school.account.old_wrong' : 'school.account.old_pin_wrong'),
            ]);
        }
        $problem = $me->isTeacher()
            ? (mb_strlen($new) < Setup::SHORTEST_PASSWORD || strlen($new) > 200
                ? __('school.problems.password', ['min' => Setup::SHORTEST_PASSWORD])
                : null)
            : self::pinProblem($new);
        if ($problem !== null) {
            throw ValidationException::withMessages(['new' => $problem]);
        }
        $me->forceFill([
            'password' => $me->isTeacher() ? Hash::make($new) : Codes::pin($new),
            'first_pin' => null,
            'remember_token' => null,
        ])->save();
        SignedIn::endOthers($me, $request->session()->getId());
        RateLimiter::clear("secret:$me->id");

        return redirect()->route('account')->with('said', __($me->isTeacher() ? 'school.account.password_new' : 'school.account.pin_new'));
    }

    public function end(Request $request): RedirectResponse
    {
        SignedIn::endOthers(self::me($request), $request->session()->getId());

        return redirect()->route('account')->with('said', __('school.account.ended'));
    }

    private static function pinProblem(string $pin): ?string
    {
        return match (true) {
            preg_match('/^\d{4,8}$/', $pin) !== 1 => (string) __('school.account.pin_digits'),
            Pins::isEasy($pin) => (string) __('school.account.pin_easy'),
            default => null,
        };
    }

    private static function me(Request $request): Person
    {
        /** @var Person $me */
        $me = $request->user();

        return $me;
    }
}
