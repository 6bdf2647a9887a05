<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Codes;
use App\Models\Person;
use App\Support\School\Setup;
use App\Support\SignInGuard;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Students sign in by class code, own code and PIN; teachers by e-mail and password. Who is in a class is shown to nobody before. */
final class SignInController extends Controller
{
    /** Ends of the names of its cookies: two copies on one machine share all cookies of its name, and must not mix them up. */
    private const DEVICE = '_device';

    private const LAST = '_last';

    private const YEAR = 525_600;

    public function show(Request $request): Response
    {
        $last = $request->cookie(self::cookie(self::LAST));
        [$class, $own] = is_string($last) && preg_match('/^[A-Z0-9]{1,20} [A-Z0-9]{1,20}$/', $last) === 1 ? explode(' ', $last) : ['', ''];
        Cookie::queue(self::cookie(self::DEVICE), self::device($request) ?? Str::random(32), self::YEAR);

        return response()->view('sign-in', ['class' => $class, 'own' => $own, 'isEmpty' => Setup::isOpen()]);
    }

    public function student(Request $request): RedirectResponse
    {
        [$class, $own] = [Codes::read($request->input('class')), Codes::read($request->input('own'))];
        $pin = is_string($request->input('pin')) ? $request->input('pin') : '';
        foreach (
            [
                'class' => [$class, 'Type the code of your class; it is on your card.'],
                'own' => [$own, 'Type your own code; it is on your card.'],
                'pin' => [$pin, 'Type your PIN.'],
            ]
            as $field => [$typed, $words]
        ) {
            if ($typed === '') {
                $this->refuse($field, $words);
            }
        }
        $student = Person::query()
            ->where('role', 'student')
            ->where('code', $own)
            ->whereHas('schoolClass', static fn($q) => $q->where('code', $class)->whereNull('archived_at'))
            ->first();
        $this->tried($request, $student, $pin, 'pin', 'These three do not belong together. Look at your card once more.');
        /** @var Person $student */
        $request->boolean('keep')
            ? Cookie::queue(self::cookie(self::LAST), "$class $own", self::YEAR)
            : Cookie::queue(Cookie::forget(self::cookie(self::LAST)));

        return $this->enter($request, $student, false);
    }

    public function teacher(Request $request): RedirectResponse
    {
        $email = is_string($request->input('email')) ? strtolower(trim($request->input('email'))) : '';
        $password = is_string($request->input('password')) ? $request->input('password') : '';
        if ($email === '' || $password === '') {
            $this->refuse($email === '' ? 'email' : 'password', $email === '' ? 'Type your e-mail address.' : 'Type your password.');
        }
        $teacher = strlen($email) > 200 ? null : Person::query()->where('email', $email)->where('role', 'teacher')->first();
        $this->tried($request, $teacher, $password, 'password', 'E-mail address and password do not belong together.');
        /** @var Person $teacher */

        return $this->enter($request, $teacher, true);
    }

    public function leave(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('login');
    }

    /** Goes on only where the secret is right; otherwise the try counts, and what is wrong is said the same way in any case. */
    private function tried(Request $request, ?Person $person, string $secret, string $field, string $words): void
    {
        $device = self::device($request) ?? 'none ' . Str::random(20);
        $wait = SignInGuard::wait($device, (string) $request->ip(), $person);
        if ($wait > 0) {
            $this->refuse(
                $field,
                'Those were too many tries. Wait ' .
                    ($wait > 90 ? ceil($wait / 60) . ' minutes' : "$wait seconds") .
                    ', then try again' .
                    ($field === 'pin' ? ', or ask your teacher.' : '.'),
            );
        }
        SignInGuard::begin($device, (string) $request->ip(), $person);
        // a hash is worked out in any case, so that the time taken tells nothing
        $right = $person === null ? self::asLong($field === 'pin') : Hash::check(substr($secret, 0, 200), $person->getAuthPassword());
        if (!$right || $person === null) {
            $this->refuse($field, $words);
        }
        SignInGuard::succeeded($device, $person);
    }

    /** Never right, after as long as looking at a secret takes. */
    private static function asLong(bool $pin): bool
    {
        return ($pin ? Codes::pin('nobody') : Hash::make('nobody')) === '';
    }

    private static function cookie(string $end): string
    {
        return config('session.cookie') . $end;
    }

    private static function device(Request $request): ?string
    {
        $device = $request->cookie(self::cookie(self::DEVICE));

        return is_string($device) && preg_match('/^[A-Za-z0-9]{32}$/', $device) === 1 ? $device : null;
    }

    private function enter(Request $request, Person $person, bool $remember): RedirectResponse
    {
        // a PIN that was used is nobody's to read any more
        $person->forceFill(['last_seen_at' => now()] + ($person->isTeacher() ? [] : ['first_pin' => null]))->saveQuietly();
        Auth::login($person, $remember && $request->boolean('remember'));
        $request->session()->regenerate();

        return redirect()->intended(route('home'));
    }

    private function refuse(string $field, string $message): never
    {
        throw ValidationException::withMessages([$field => $message]);
    }
}
