<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Assignment;
use App\Models\Person;
use App\Support\Moments;
use Cubo\School\Calendar\CalendarFile;
use Cubo\School\Calendar\DueDay;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** Days when work is due, for calendars of one's own: whoever knows the address may read them, and nothing else. */
final class CalendarController extends Controller
{
    private const SECRET = 40;

    public function make(Request $request): RedirectResponse
    {
        /** @var Person $me */
        $me = $request->user();
        $me->forceFill(['calendar' => Str::random(self::SECRET)])->save();

        return redirect()->route('account');
    }

    public function show(string $secret): Response
    {
        $person = Person::query()->where('calendar', $secret)->firstOrFail();
        $classes = $person->isTeacher() ? $person->classes()->pluck('school_classes.id')->all() : [$person->class_id];
        $due = Assignment::query()
            ->whereIn('class_id', $classes)
            ->whereNull('taken_back_at')
            ->with(['exercise:id,title', 'schoolClass:id,name'])
            ->orderBy('due_on')
            ->get();
        $days = $due->map(
            static fn(Assignment $a): DueDay => new DueDay(
                "assignment-$a->id@cubo",
                $person->isTeacher() ? "{$a->exercise->title} ({$a->schoolClass->name})" : $a->exercise->title,
                $a->due_on->toDateTimeImmutable(),
                ($a->updated_at ?? $a->due_on)->toDateTimeImmutable(),
            ),
        );

        return response(CalendarFile::write(Moments::word('calendar'), array_values($days->all())), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Cache-Control' => 'private, max-age=600',
        ]);
    }
}
