<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Person;
use App\Models\SchoolClass;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** Students sign in by class code, name and PIN; teachers by e-mail and password. */
final class SignInController extends Controller
{
    private const TRIES = 5;

    private const TRIES_AN_HOUR = 30;

    public function show(Request $request): View
    {
        $code = $request->session()->get('class_code');
        $class = is_string($code) ? SchoolClass::query()->where('code', $code)->first() : null;

        return view('sign-in', ['class' => $class, 'names' => $class?->students()->get(['id', 'name']) ?? collect()]);
    }

    public function findClass(Request $request): RedirectResponse
    {
        $code = strtoupper(trim((string) $request->string('code')));
        if ($request->boolean('other')) {
            $request->session()->forget('class_code');

            return redirect()->route('login');
        }
        // class codes are short: guessing them is slowed down as well
        $this->limit($request, 'class|' . $request->ip(), 'code', 30);
        if ($code === '') {
            $this->refuse('code', 'Type the class code your teacher gave you.');
        }
        if (! SchoolClass::query()->where('code', $code)->exists()) {
            $this->refuse('code', "No class has the code “{$code}”. Look at the board once more.");
        }
        $request->session()->put('class_code', $code);

        return redirect()->route('login');
    }

    public function student(Request $request): RedirectResponse
    {
        $class = SchoolClass::query()->where('code', (string) $request->session()->get('class_code'))->first();
        if ($class === null) {
            return redirect()->route('login');
        }
        $id = (int) $request->input('student');
        $student = $class->students()->whereKey($id)->first();
        if ($student === null) {
            $this->refuse('student', 'Pick your name from the list.');
        }
        $key = "student|{$student->id}";
        $this->limit($request, $key, 'pin', self::TRIES);
        // a PIN is short: nobody gets through many of them, however patient
        $this->limit($request, "$key|hour", 'pin', self::TRIES_AN_HOUR, 3600);
        if (! Hash::check((string) $request->input('pin'), (string) $student->getAuthPassword())) {
            $left = RateLimiter::remaining($key, self::TRIES);
            $this->refuse('pin', $left > 0 ? 'This is not the PIN for that name.' : 'This is not the PIN for that name. The next try is possible in a minute.');
        }
        RateLimiter::clear($key);
        RateLimiter::clear("$key|hour");

        return $this->enter($request, $student, false);
    }

    public function teacher(Request $request): RedirectResponse
    {
        $email = strtolower(trim((string) $request->input('email')));
        if ($email === '' || (string) $request->input('password') === '') {
            $this->refuse($email === '' ? 'email' : 'password', $email === '' ? 'Type your e-mail address.' : 'Type your password.');
        }
        $key = "teacher|$email|" . $request->ip();
        $this->limit($request, $key, 'password', self::TRIES);
        $teacher = Person::query()->where('email', $email)->where('role', 'teacher')->first();
        // the hash is checked in any case, so that the time taken tells nothing
        $ok = Hash::check((string) $request->input('password'), $teacher?->getAuthPassword() ?? Hash::make('nobody'));
        if (! $ok || $teacher === null) {
            $this->refuse('password', 'E-mail address and password do not belong together.');
        }
        RateLimiter::clear($key);

        return $this->enter($request, $teacher, true);
    }

    public function leave(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('login');
    }

    private function enter(Request $request, Person $person, bool $remember): RedirectResponse
    {
        Auth::login($person, $remember && $request->boolean('remember'));
        $request->session()->regenerate();

        return redirect()->intended(route('home'));
    }

    private function limit(Request $request, string $key, string $field, int $tries, int $seconds = 60): void
    {
        if (RateLimiter::tooManyAttempts($key, $tries)) {
            $wait = RateLimiter::availableIn($key);
            $this->refuse($field, 'Those were too many tries. Wait ' . ($wait > 90 ? ceil($wait / 60) . ' minutes' : "$wait seconds") . ', then try again.');
        }
        RateLimiter::hit($key, $seconds);
    }

    private function refuse(string $field, string $message): never
    {
        throw ValidationException::withMessages([$field => $message]);
    }
}
