<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\AssignmentController;
use App\Http\Controllers\BenchController;
use App\Http\Controllers\CalendarController;
use App\Http\Controllers\ClassController;
use App\Http\Controllers\EditController;
use App\Http\Controllers\ExerciseController;
use App\Http\Controllers\ExerciseShelfController;
use App\Http\Controllers\FileController;
use App\Http\Controllers\GuideController;
use App\Http\Controllers\HandInController;
use App\Http\Controllers\HomeController;
use App\Http\Controllers\InvitationController;
use App\Http\Controllers\LayerController;
use App\Http\Controllers\LibraryController;
use App\Http\Controllers\MarksController;
use App\Http\Controllers\PadController;
use App\Http\Controllers\PartController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PupilController;
use App\Http\Controllers\RosterController;
use App\Http\Controllers\SetupController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\StageController;
use Cubo\Exchange\Format\Formats;
use Illuminate\Support\Facades\Route;

// what is no number of ours is no address of ours
Route::patterns(
    array_fill_keys(
        ['assignment', 'recipe', 'work', 'handIn', 'file', 'exercise', 'class', 'student', 'teacher', 'invitation', 'part', 'n'],
        '[0-9]{1,9}',
    ) + [
        'ending' => implode('|', array_map(preg_quote(...), [...Formats::endings(Formats::written()), 'json'])),
    ],
);

// whoever knows the secret may read the days, without signing in
Route::get('/calendar/{secret}.ics', [CalendarController::class, 'show'])
    ->name('calendar')
    ->where('secret', '[A-Za-z0-9]{40}')
    ->middleware('throttle:60,1');

Route::middleware('guest')->group(function (): void {
    Route::get('/setup', [SetupController::class, 'show'])->name('setup');
    Route::post('/setup', [SetupController::class, 'store'])
        ->name('setup.store')
        ->middleware('throttle:20,1');
    Route::get('/invited/{token}', [InvitationController::class, 'show'])
        ->name('invitations.show')
        ->where('token', '[A-Za-z0-9]{40}');
    Route::post('/invited/{token}', [InvitationController::class, 'accept'])
        ->name('invitations.accept')
        ->where('token', '[A-Za-z0-9]{40}')
        ->middleware('throttle:20,1');
    Route::get('/sign-in', [SignInController::class, 'show'])->name('login');
    Route::post('/sign-in/student', [SignInController::class, 'student'])->name('sign-in.student');
    Route::post('/sign-in/teacher', [SignInController::class, 'teacher'])->name('sign-in.teacher');
});

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'leave'])->name('sign-out');
    Route::get('/marks', [MarksController::class, 'own'])->name('marks.own');
    Route::get('/account', [AccountController::class, 'show'])->name('account');
    Route::post('/account', [AccountController::class, 'secret'])
        ->name('account.secret')
        ->middleware('throttle:heavy');
    Route::post('/account/calendar', [CalendarController::class, 'make'])->name('account.calendar');
    Route::delete('/account/sessions', [AccountController::class, 'end'])->name('account.end');
    Route::get('/', HomeController::class)->name('home');
    Route::get('/guide', GuideController::class)->name('guide');

    Route::get('/bench/{assignment}', [BenchController::class, 'work'])->name('work');
    Route::get('/bench/{assignment}/sheet', [BenchController::class, 'sheet'])->name('work.sheet');
    Route::get('/recipes/{recipe}/part/{key}.glb', [PartController::class, 'glb'])
        ->name('recipes.glb')
        ->where('key', '[0-9a-f]{40}');
    Route::get('/recipes/{recipe}/part.{ending}', [PartController::class, 'download'])->name('recipes.download');
    Route::post('/recipes/{recipe}/edit', [EditController::class, 'edit'])
        ->name('recipes.edit')
        ->middleware('throttle:edits');
    Route::get('/recipes/{recipe}/arrived', [EditController::class, 'arrived'])
        ->name('recipes.arrived')
        ->middleware('throttle:pad');
    Route::get('/recipes/{recipe}/now', [EditController::class, 'now'])
        ->name('recipes.now')
        ->middleware('throttle:edits');
    Route::get('/recipes/{recipe}/stage/words', [StageController::class, 'words'])
        ->name('stage.words')
        ->middleware('throttle:pad');
    Route::get('/recipes/{recipe}/stage/does/{step}', [StageController::class, 'does'])
        ->name('stage.does')
        ->middleware('throttle:pad')
        ->where('step', '[a-z0-9]{1,12}');
    Route::get('/recipes/{recipe}/stage/after/{step}.glb', [StageController::class, 'after'])
        ->name('stage.after')
        ->middleware('throttle:pad')
        ->where('step', '[a-z0-9]{1,12}');
    Route::get('/recipes/{recipe}/stage/unseen', [StageController::class, 'unseen'])
        ->name('stage.unseen')
        ->middleware('throttle:pad');
    Route::get('/recipes/{recipe}/stage/measure', [StageController::class, 'measure'])
        ->name('stage.measure')
        ->middleware('throttle:pad');
    Route::post('/recipes/{recipe}/stage/try/{step}', [StageController::class, 'tries'])
        ->name('stage.try')
        ->where('step', '[a-z0-9]{1,12}')
        ->middleware('throttle:pad');
    Route::get('/recipes/{recipe}/pad/{step}', [PadController::class, 'show'])
        ->name('pad')
        ->where('step', '[a-z0-9]{1,12}');
    Route::get('/recipes/{recipe}/pad/{step}/now', [PadController::class, 'now'])
        ->name('pad.now')
        ->where('step', '[a-z0-9]{1,12}')
        ->middleware('throttle:pad');
    Route::post('/recipes/{recipe}/pad/{step}', [PadController::class, 'edit'])
        ->name('pad.edit')
        ->where('step', '[a-z0-9]{1,12}')
        ->middleware('throttle:pad');
    Route::get('/recipes/{recipe}/library', [LibraryController::class, 'shelf'])->name('recipes.library');
    Route::post('/recipes/{recipe}/library', [LibraryController::class, 'put'])
        ->name('recipes.library.put')
        ->middleware('throttle:heavy');
    Route::get('/library', [LibraryController::class, 'index'])->name('library');
    Route::post('/library/{part}', [LibraryController::class, 'update'])->name('library.update');
    Route::delete('/library/{part}', [LibraryController::class, 'destroy'])->name('library.remove');
    Route::post('/works/{work}/check', [BenchController::class, 'check'])
        ->name('works.check')
        ->middleware('throttle:heavy');
    Route::post('/works/{work}/hand-in', [BenchController::class, 'handIn'])
        ->name('works.hand-in')
        ->middleware('throttle:heavy');

    Route::get('/bench/{assignment}/file', [FileController::class, 'create'])->name('files.create');
    Route::post('/bench/{assignment}/file', [FileController::class, 'store'])
        ->name('files.store')
        ->middleware('throttle:heavy');
    Route::get('/files/{file}', [FileController::class, 'show'])->name('files.show');
    Route::get('/files/{file}/found', [FileController::class, 'found'])
        ->name('files.found')
        ->middleware('throttle:heavy');
    Route::post('/files/{file}', [FileController::class, 'update'])
        ->name('files.update')
        ->middleware('throttle:heavy');
    Route::post('/files/{file}/hand-in', [FileController::class, 'handIn'])
        ->name('files.hand-in')
        ->middleware('throttle:heavy');
    Route::get('/files/{file}/part-{key}.glb', [FileController::class, 'glb'])
        ->name('files.glb')
        ->where('key', '[0-9a-f]{40}');

    Route::get('/hand-ins/{handIn}/report.pdf', [HandInController::class, 'pdf'])
        ->name('hand-ins.pdf')
        ->middleware('throttle:heavy');
    Route::get('/hand-ins/{handIn}/drawing', [HandInController::class, 'drawing'])
        ->name('hand-ins.drawing')
        ->middleware('throttle:pad');
    Route::get('/hand-ins/{handIn}/layers', [LayerController::class, 'show'])->name('hand-ins.layers');
    Route::get('/hand-ins/{handIn}/layers/{n}', [LayerController::class, 'layer'])
        ->name('hand-ins.layer')
        ->middleware('throttle:pad');
    Route::get('/hand-ins/{handIn}', [HandInController::class, 'show'])->name('hand-ins.show');
    Route::get('/hand-ins/{handIn}/part.{ending}', [HandInController::class, 'part'])->name('hand-ins.part');

    Route::middleware('teacher')->group(function (): void {
        Route::get('/classes', [ClassController::class, 'index'])->name('classes.index');
        Route::post('/classes', [ClassController::class, 'store'])->name('classes.store');
        Route::get('/classes/{class}', [ClassController::class, 'show'])->name('classes.show');
        Route::post('/classes/{class}', [ClassController::class, 'update'])->name('classes.update');
        Route::delete('/classes/{class}', [ClassController::class, 'destroy'])->name('classes.remove');
        Route::post('/classes/{class}/code', [ClassController::class, 'code'])
            ->name('classes.code')
            ->middleware('throttle:heavy');
        Route::post('/classes/{class}/pins', [ClassController::class, 'pins'])
            ->name('classes.pins')
            ->middleware('throttle:heavy');
        Route::get('/classes/{class}/cards.pdf', [ClassController::class, 'cards'])
            ->name('classes.cards')
            ->middleware('throttle:heavy');
        Route::post('/classes/{class}/archive', [ClassController::class, 'archive'])->name('classes.archive');
        Route::post('/classes/{class}/teachers', [ClassController::class, 'share'])->name('classes.share');
        Route::delete('/classes/{class}/teachers/{teacher}', [ClassController::class, 'unshare'])->name('classes.unshare');
        Route::post('/classes/{class}/list', [RosterController::class, 'read'])
            ->name('classes.list')
            ->middleware('throttle:heavy');
        Route::post('/classes/{class}/students', [RosterController::class, 'take'])
            ->name('classes.take')
            ->middleware('throttle:heavy');
        Route::get('/classes/{class}/students/{student}', [PupilController::class, 'show'])->name('pupils.show');
        Route::post('/classes/{class}/students/{student}', [PupilController::class, 'update'])->name('pupils.update');
        Route::delete('/classes/{class}/students/{student}', [PupilController::class, 'destroy'])->name('pupils.remove');
        Route::post('/classes/{class}/students/{student}/pin', [PupilController::class, 'pin'])
            ->name('pupils.pin')
            ->middleware('throttle:heavy');
        Route::post('/classes/{class}/students/{student}/move', [PupilController::class, 'move'])->name('pupils.move');
        Route::get('/classes/{class}/students/{student}/all.zip', [PupilController::class, 'export'])
            ->name('pupils.export')
            ->middleware('throttle:heavy');
        Route::post('/classes/{class}/students/{student}/lift', [PupilController::class, 'lift'])
            ->name('pupils.lift')
            ->middleware('throttle:heavy');

        Route::get('/classes/{class}/marks', [MarksController::class, 'show'])->name('marks.show');
        Route::post('/classes/{class}/marks', [MarksController::class, 'rules'])->name('marks.rules');
        Route::post('/classes/{class}/marks/weights/{assignment}', [MarksController::class, 'weight'])->name('marks.weight');
        Route::post('/classes/{class}/marks/{student}/note', [MarksController::class, 'note'])->name('marks.note');
        Route::get('/classes/{class}/marks/{student}.pdf', [MarksController::class, 'pupil'])
            ->name('marks.pupil')
            ->middleware('throttle:heavy');
        Route::get('/classes/{class}/marks.{ending}', [MarksController::class, 'file'])
            ->name('marks.file')
            ->where('ending', 'csv|xlsx|pdf|zip')
            ->middleware('throttle:heavy');

        Route::get('/people', [PeopleController::class, 'index'])->name('people');
        Route::post('/people/invite', [PeopleController::class, 'invite'])
            ->name('people.invite')
            ->middleware('throttle:heavy');
        Route::delete('/people/invitations/{invitation}', [PeopleController::class, 'withdraw'])->name('people.withdraw');
        Route::post('/people/{teacher}/administers', [PeopleController::class, 'administers'])->name('people.administers');
        Route::post('/people/{teacher}/reset', [PeopleController::class, 'reset'])
            ->name('people.reset')
            ->middleware('throttle:heavy');
        Route::delete('/people/{teacher}', [PeopleController::class, 'destroy'])->name('people.remove');
        Route::post('/school', [PeopleController::class, 'school'])->name('school.update');

        Route::get('/exercises/new', [ExerciseController::class, 'create'])->name('exercises.create');
        Route::post('/exercises', [ExerciseController::class, 'store'])->name('exercises.store');
        Route::post('/exercises/bring', [ExerciseShelfController::class, 'bring'])
            ->name('exercises.bring')
            ->middleware('throttle:heavy');
        Route::post('/exercises/{exercise}/copy', [ExerciseShelfController::class, 'duplicate'])->name('exercises.copy');
        Route::post('/exercises/{exercise}/archive', [ExerciseShelfController::class, 'archive'])->name('exercises.archive');
        Route::delete('/exercises/{exercise}', [ExerciseShelfController::class, 'destroy'])->name('exercises.remove');
        Route::get('/exercises/{exercise}/exercise.zip', [ExerciseShelfController::class, 'file'])
            ->name('exercises.file')
            ->middleware('throttle:heavy');
        Route::get('/exercises/{exercise}', [ExerciseController::class, 'edit'])->name('exercises.edit');
        Route::post('/exercises/{exercise}', [ExerciseController::class, 'update'])->name('exercises.update');
        Route::post('/exercises/{exercise}/mark-again', [ExerciseController::class, 'markAgain'])
            ->name('exercises.mark-again')
            ->middleware('throttle:heavy');
        Route::get('/exercises/{exercise}/marked', [ExerciseController::class, 'marked'])->name('exercises.marked');
        Route::get('/exercises/{exercise}/bench', [BenchController::class, 'reference'])->name('exercises.bench');
        Route::get('/exercises/{exercise}/bench/sheet', [BenchController::class, 'referenceSheet'])->name('exercises.bench.sheet');
        Route::post('/exercises/{exercise}/assignments', [AssignmentController::class, 'store'])->name('assignments.store');
        Route::post('/assignments/{assignment}/take-back', [AssignmentController::class, 'takeBack'])->name('assignments.take-back');
        Route::get('/assignments/{assignment}/live', [AssignmentController::class, 'live'])
            ->name('assignments.live')
            ->middleware('throttle:pad');
        Route::post('/assignments/{assignment}/accept-met', [AssignmentController::class, 'acceptMet'])->name('assignments.accept-met');
        Route::get('/assignments/{assignment}', [AssignmentController::class, 'show'])->name('assignments.show');
        Route::get('/works/{work}', [AssignmentController::class, 'work'])->name('works.show');
        Route::post('/hand-ins/{handIn}/overrule', [HandInController::class, 'overrule'])->name('hand-ins.overrule');
        Route::post('/hand-ins/{handIn}/decide', [HandInController::class, 'decide'])->name('hand-ins.decide');
    });
});
