<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Happening;
use App\Models\Invitation;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Support\School\Setup;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\Rules\Password;

/** The link a colleague was given: one page, once, within a day. */
final class InvitationController extends Controller
{
    public function show(string $token): Response
    {
        $invitation = Invitation::behind($token);

        return response()->view('school.invitation', ['invitation' => $invitation, 'token' => $token], $invitation === null ? 410 : 200);
    }

    public function accept(Request $request, string $token): RedirectResponse|Response
    {
        $in = $request->validate(
            [
                'name' => ['required', 'string', 'max:60'],
                'password' => ['required', 'string', Password::min(Setup::SHORTEST_PASSWORD), 'max:200'],
            ],
            __('school.problems'),
        );
        $person = DB::transaction(static function () use ($in, $token): ?Person {
            $invitation = Invitation::query()->whereKey(Invitation::behind($token)?->id)->whereNull('used_at')->lockForUpdate()->first();
            if ($invitation === null || Person::query()->where('email', $invitation->email)->exists()) {
                return null;
            }
            $person = Person::create([
                'school_id' => $invitation->school_id,
                'role' => 'teacher',
                'name' => trim($in['name']),
                'email' => $invitation->email,
                'password' => Hash::make($in['password']),
                'administers' => $invitation->administers,
            ]);
            $person->classes()->attach(SchoolClass::query()->whereIn('id', $invitation->classes)->pluck('id'));
            $invitation->update(['used_at' => now()]);
            Happening::tell($invitation->school_id, null, 'came', ['name' => $person->name]);

            return $person;
        });
        if ($person === null) {
            return $this->show($token);
        }
        Auth::login($person);
        $request->session()->regenerate();

        return redirect()->route('home');
    }
}
