<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Assignment;
use App\Models\Person;
use App\Models\Work;
use Illuminate\Http\Request;
use Illuminate\View\View;

final class HomeController extends Controller
{
    public function __invoke(Request $request): View
    {
        /** @var Person $person */
        $person = $request->user();

        return $person->isTeacher() ? $this->teacher($person) : $this->student($person);
    }

    private function student(Person $person): View
    {
        $works = $person->works()->with('lastHandIn')->get()->keyBy('assignment_id');
        $assignments = Assignment::query()
            ->where('class_id', $person->class_id)
            ->whereNull('taken_back_at')
            ->with('exercise:id,title,brief,unit,requirements')
            ->orderBy('due_on')
            ->get();

        // what was made in another class stays to be seen
        $before = $works
            ->whereNotIn('assignment_id', $assignments->modelKeys())
            ->filter(static fn(Work $w): bool => $w->lastHandIn !== null)
            ->load('assignment.exercise:id,title');

        return view('student.home', [
            'before' => $before,
            'person' => $person->load('schoolClass'),
            'assignments' => $assignments,
            'works' => $works,
        ]);
    }

    private function teacher(Person $person): View
    {
        return view('teacher.home', [
            'classes' => $person
                ->classes()
                ->whereNull('archived_at')
                ->withCount('students')
                ->with([
                    'assignments' => static fn($q) => $q->whereNull('taken_back_at')->orderBy('due_on'),
                    'assignments.exercise:id,title',
                    'assignments.works.lastHandIn',
                ])
                ->orderBy('name')
                ->get(),
            'exercises' => $person
                ->exercises()
                ->with(['assignments' => static fn($q) => $q->whereNull('taken_back_at'), 'assignments.schoolClass:id,name'])
                ->whereNull('archived_at')
                ->orderBy('title')
                ->get(),
            'archived' => $person
                ->exercises()
                ->whereNotNull('archived_at')
                ->orderBy('title')
                ->get(['id', 'title']),
        ]);
    }
}
