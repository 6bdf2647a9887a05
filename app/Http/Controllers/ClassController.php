<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Codes;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Support\SignInGuard;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** How a class signs in: its code, the codes of its students, and who has to wait. */
final class ClassController extends Controller
{
    public function show(Request $request, SchoolClass $class): View
    {
        self::allow($request, $class);

        return view('teacher.class', [
            'class' => $class,
            'students' => $class->students()->get(),
            'troubled' => SignInGuard::troubled($class->id),
        ]);
    }

    public function code(Request $request, SchoolClass $class): RedirectResponse
    {
        self::allow($request, $class);
        $class->update(['code' => Codes::forClass()]);

        return redirect()
            ->route('classes.show', $class)
            ->with('said', "The class code is {$class->code} from now on. Cards with the old one are no longer right.");
    }

    public function lift(Request $request, SchoolClass $class, Person $student): RedirectResponse
    {
        self::allow($request, $class);
        abort_unless($student->class_id === $class->id, 404);
        SignInGuard::lift($student);

        return redirect()
            ->route('classes.show', $class)
            ->with('said', "{$student->name} can try again at once.");
    }

    private static function allow(Request $request, SchoolClass $class): void
    {
        abort_unless((bool) $request->user()?->teaches($class->id), 403);
    }
}
