<?php

declare(strict_types=1);

use App\Models\Person;
use Tests\School;

const STEPS = [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12']];

beforeEach(function (): void {
    $this->s = new School();
    $this->exercise = $this->s->exercise();
    $this->assignment = $this->s->assignment($this->exercise);
    $this->work = $this->s->work($this->assignment, null, STEPS);
    $this->handIn = $this->s->handIn($this->work);
    $this->reference = $this->exercise->reference;
    $this->file = app(App\Support\FileShelf::class)->take(
        $this->work,
        'plate.stl',
        Cubo\Exchange\StlFile::write(Tests\Parts::build(STEPS)->part()),
    );
    $this->key = app(\App\Support\Workbench::class)->evaluate($this->work->recipe->document())->key;
    $this->referenceKey = app(\App\Support\Workbench::class)->evaluate($this->reference->document())->key;
});

/** @return array<string, array{string, string, array<string, mixed>}> method, path, input */
function routesOf(object $t): array
{
    return [
        'own bench' => ['GET', "/bench/{$t->assignment->id}", []],
        'part of the work' => ['GET', "/recipes/{$t->work->recipe_id}/part/{$t->key}.glb", []],
        'STL of the work' => ['GET', "/recipes/{$t->work->recipe_id}/part.stl", []],
        'recipe of the work' => ['GET', "/recipes/{$t->work->recipe_id}/part.json", []],
        'words of the work' => ['GET', "/recipes/{$t->work->recipe_id}/stage/words", []],
        'what a step of the work does' => ['GET', "/recipes/{$t->work->recipe_id}/stage/does/s1", []],
        'work after a step' => ['GET', "/recipes/{$t->work->recipe_id}/stage/after/s1.glb", []],
        'how far its edits have come' => ['GET', "/recipes/{$t->work->recipe_id}/arrived", ['line' => 'windowone']],
        'work as it is now' => ['GET', "/recipes/{$t->work->recipe_id}/now", []],
        'unseen shapes of the work' => ['GET', "/recipes/{$t->work->recipe_id}/stage/unseen", []],
        'library at the work' => ['GET', "/recipes/{$t->work->recipe_id}/library", []],
        'put of the work' => ['POST', "/recipes/{$t->work->recipe_id}/library", ['group' => 'g1']],
        'measure the work' => ['GET', "/recipes/{$t->work->recipe_id}/stage/measure", ['of' => ['s1:top']]],
        'try a value of the work' => ['POST', "/recipes/{$t->work->recipe_id}/stage/try/s1", ['values' => ['height' => '3']]],
        'edit the work' => ['POST', "/recipes/{$t->work->recipe_id}/edit", ['version' => 1, 'do' => 'undo']],
        'check the work' => ['POST', "/works/{$t->work->id}/check", []],
        'hand the work in' => ['POST', "/works/{$t->work->id}/hand-in", ['version' => 1]],
        'report' => ['GET', "/hand-ins/{$t->handIn->id}", []],
        'part handed in' => ['GET', "/hand-ins/{$t->handIn->id}/part.stl", []],
        'glb handed in' => ['GET', "/hand-ins/{$t->handIn->id}/part.glb", []],
        'overrule' => ['POST', "/hand-ins/{$t->handIn->id}/overrule", ['row' => 'size-x', 'met' => '0', 'reason' => 'x']],
        'decide' => ['POST', "/hand-ins/{$t->handIn->id}/decide", ['state' => 'accepted']],
        'drawing of the report' => ['GET', "/hand-ins/{$t->handIn->id}/drawing", []],
        'report as PDF' => ['GET', "/hand-ins/{$t->handIn->id}/report.pdf", []],
        'layers handed in' => ['GET', "/hand-ins/{$t->handIn->id}/layers", []],
        'one layer handed in' => ['GET', "/hand-ins/{$t->handIn->id}/layers/3", []],
        'bring a file' => ['GET', "/bench/{$t->assignment->id}/file", []],
        'send a file' => ['POST', "/bench/{$t->assignment->id}/file", []],
        'file that was brought' => ['GET', "/files/{$t->file->id}", []],
        'faces found in it' => ['GET', "/files/{$t->file->id}/found", []],
        'take it otherwise' => ['POST', "/files/{$t->file->id}", ['unit' => 'mm']],
        'picture of the file' => ['GET', "/files/{$t->file->id}/part-" . App\Support\FileShelf::key($t->file) . '.glb', []],
        'hand the file in' => ['POST', "/files/{$t->file->id}/hand-in", []],
        'mark again' => ['POST', "/exercises/{$t->exercise->id}/mark-again", []],
        'what marking changed' => ['GET', "/exercises/{$t->exercise->id}/marked", []],
        'reference bench' => ['GET', "/exercises/{$t->exercise->id}/bench", []],
        'drawing of the reference' => ['GET', "/exercises/{$t->exercise->id}/bench/sheet", []],
        'reference part' => ['GET', "/recipes/{$t->reference->id}/part/{$t->referenceKey}.glb", []],
        'reference STL' => ['GET', "/recipes/{$t->reference->id}/part.stl", []],
        'reference recipe' => ['GET', "/recipes/{$t->reference->id}/part.json", []],
        'words of the reference' => ['GET', "/recipes/{$t->reference->id}/stage/words", []],
        'what a step of the reference does' => ['GET', "/recipes/{$t->reference->id}/stage/does/s1", []],
        'reference after a step' => ['GET', "/recipes/{$t->reference->id}/stage/after/s1.glb", []],
        'reference as it is now' => ['GET', "/recipes/{$t->reference->id}/now", []],
        'unseen shapes of the reference' => ['GET', "/recipes/{$t->reference->id}/stage/unseen", []],
        'library at the reference' => ['GET', "/recipes/{$t->reference->id}/library", []],
        'put of the reference' => ['POST', "/recipes/{$t->reference->id}/library", ['group' => 'g1']],
        'measure the reference' => ['GET', "/recipes/{$t->reference->id}/stage/measure", ['of' => ['s1:top']]],
        'try a value of the reference' => ['POST', "/recipes/{$t->reference->id}/stage/try/s1", ['values' => ['height' => '3']]],
        'edit the reference' => ['POST', "/recipes/{$t->reference->id}/edit", ['version' => 1, 'do' => 'undo']],
        'exercise' => ['GET', "/exercises/{$t->exercise->id}", []],
        'save the exercise' => ['POST', "/exercises/{$t->exercise->id}", ['title' => 'Mine now']],
        'give it to a class' => ['POST', "/exercises/{$t->exercise->id}/assignments", []],
        'new exercise' => ['GET', '/exercises/new', []],
        'how the class signs in' => ['GET', "/classes/{$t->s->class->id}", []],
        'a new class code' => ['POST', "/classes/{$t->s->class->id}/code", []],
        'let a student try again' => ['POST', "/classes/{$t->s->class->id}/students/{$t->s->student->id}/lift", []],
        'class table' => ['GET', "/assignments/{$t->assignment->id}", []],
        'open a work' => ['GET', "/works/{$t->work->id}", []],
        'classes' => ['GET', '/classes', []],
        'class of the students' => ['GET', "/classes/{$t->s->class->id}", []],
        'rename the class' => ['POST', "/classes/{$t->s->class->id}", []],
        'new PINs' => ['POST', "/classes/{$t->s->class->id}/pins", []],
        'cards' => ['GET', "/classes/{$t->s->class->id}/cards.pdf", []],
        'share the class' => ['POST', "/classes/{$t->s->class->id}/teachers", ['teacher' => $t->s->otherTeacher->id]],
        'unshare the class' => ['DELETE', "/classes/{$t->s->class->id}/teachers/{$t->s->otherTeacher->id}", []],
        'read a list' => ['POST', "/classes/{$t->s->class->id}/list", ['list' => 'Alba']],
        'take a list' => ['POST', "/classes/{$t->s->class->id}/students", ['lines' => [['name' => 'Ada']]]],
        'a student’s row' => ['GET', "/classes/{$t->s->class->id}/students/{$t->s->student->id}", []],
        'rename a student' => ['POST', "/classes/{$t->s->class->id}/students/{$t->s->student->id}", ['name' => 'Ada']],
        'new PIN of a student' => ['POST', "/classes/{$t->s->class->id}/students/{$t->s->student->id}/pin", []],
        'move a student' => ['POST', "/classes/{$t->s->class->id}/students/{$t->s->student->id}/move", ['class' => $t->s->class->id]],
        'all that is kept of a student' => ['GET', "/classes/{$t->s->class->id}/students/{$t->s->student->id}/all.zip", []],
        'marks book' => ['GET', "/classes/{$t->s->class->id}/marks", []],
        'marks as CSV' => ['GET', "/classes/{$t->s->class->id}/marks.csv", []],
        'rules of marks' => ['POST', "/classes/{$t->s->class->id}/marks", ['example' => 'letters']],
        'weight of an exercise' => ['POST', "/classes/{$t->s->class->id}/marks/weights/{$t->assignment->id}", ['weight' => '1']],
        'note on a student' => ['POST', "/classes/{$t->s->class->id}/marks/{$t->s->student->id}/note", ['text' => '']],
        'marks of a student as PDF' => ['GET', "/classes/{$t->s->class->id}/marks/{$t->s->student->id}.pdf", []],
        'put the class away' => ['POST', "/classes/{$t->s->class->id}/archive", ['open' => '1']],
        'remove the class' => ['DELETE', "/classes/{$t->s->class->id}", []],
        'people' => ['GET', '/people', []],
        'ask a colleague in' => ['POST', '/people/invite', []],
        'hand on the care for the school' => ['POST', "/people/{$t->s->otherTeacher->id}/administers", ['administers' => '0']],
        'new password of a colleague' => ['POST', "/people/{$t->s->otherTeacher->id}/reset", []],
        'remove a colleague' => ['DELETE', "/people/{$t->s->otherTeacher->id}", []],
        'settings of the school' => ['POST', '/school', []],
        'account' => ['GET', '/account', []],
    ];
}

/** @return list<string> the routes that let this person in */
function letIn(object $t, Person $who): array
{
    $in = [];
    foreach (routesOf($t) as $name => [$method, $path, $input]) {
        $status = $t->actingAs($who)->call($method, $path, $input)->getStatusCode();
        expect($status)->not->toBe(500, $name)->not->toBe(404, $name);
        if ($status !== 403) {
            $in[] = $name;
        }
    }

    return $in;
}

it('lets a student to own work and nothing else', function (): void {
    expect(letIn($this, $this->s->student))->toBe([
        'own bench',
        'part of the work',
        'STL of the work',
        'recipe of the work',
        'words of the work',
        'what a step of the work does',
        'work after a step',
        'how far its edits have come',
        'work as it is now',
        'unseen shapes of the work',
        'library at the work',
        'put of the work',
        'measure the work',
        'try a value of the work',
        'edit the work',
        'check the work',
        'hand the work in',
        'report',
        'part handed in',
        'glb handed in',
        'drawing of the report',
        'report as PDF',
        'layers handed in',
        'one layer handed in',
        'bring a file',
        'send a file',
        'file that was brought',
        'faces found in it',
        'take it otherwise',
        'picture of the file',
        'hand the file in',
        'account',
    ]);
});

it('lets a classmate see nothing of it but begin own work', function (): void {
    expect(letIn($this, $this->s->classmate))->toBe(['own bench', 'bring a file', 'send a file', 'account']);
});

it('lets a student of another class see nothing but the own account', function (): void {
    expect(letIn($this, $this->s->stranger))->toBe(['account']);
});

it('lets the teacher see and judge, but not edit a student’s part', function (): void {
    expect(letIn($this, $this->s->teacher))->toBe([
        'part of the work',
        'STL of the work',
        'recipe of the work',
        'words of the work',
        'what a step of the work does',
        'work after a step',
        'unseen shapes of the work',
        'measure the work',
        'report',
        'part handed in',
        'glb handed in',
        'overrule',
        'decide',
        'drawing of the report',
        'report as PDF',
        'layers handed in',
        'one layer handed in',
        'mark again',
        'what marking changed',
        'reference bench',
        'drawing of the reference',
        'reference part',
        'reference STL',
        'reference recipe',
        'words of the reference',
        'what a step of the reference does',
        'reference after a step',
        'reference as it is now',
        'unseen shapes of the reference',
        'library at the reference',
        'put of the reference',
        'measure the reference',
        'try a value of the reference',
        'edit the reference',
        'exercise',
        'save the exercise',
        'give it to a class',
        'new exercise',
        'how the class signs in',
        'a new class code',
        'let a student try again',
        'class table',
        'open a work',
        'classes',
        'class of the students',
        'rename the class',
        'new PINs',
        'cards',
        'share the class',
        'unshare the class',
        'read a list',
        'take a list',
        'a student’s row',
        'rename a student',
        'new PIN of a student',
        'move a student',
        'all that is kept of a student',
        'marks book',
        'marks as CSV',
        'rules of marks',
        'weight of an exercise',
        'note on a student',
        'marks of a student as PDF',
        'put the class away',
        'people',
        'ask a colleague in',
        'account',
    ]);
});

it('lets the teacher of another class only make own exercises', function (): void {
    expect(letIn($this, $this->s->otherTeacher))->toBe(['new exercise', 'classes', 'people', 'ask a colleague in', 'account']);
});

it('shows lists of what is one’s own only', function (): void {
    $this->s->exercise($this->s->otherTeacher)->update(['title' => 'Secret bracket']);
    $this->actingAs($this->s->teacher)
        ->get('/')
        ->assertSee('Drilled plate')
        ->assertSee('7a')
        ->assertDontSee('Secret bracket')
        ->assertDontSee('WREN8');
    $this->actingAs($this->s->stranger)->get('/')->assertDontSee('Drilled plate');
    $this->actingAs($this->s->student)->get('/')->assertSee('Drilled plate')->assertDontSee('Bruno');
});

it('never shows the reference part’s recipe to a student', function (): void {
    $this->reference->head();
    $page = $this->actingAs($this->s->student)
        ->get("/bench/{$this->assignment->id}")
        ->assertOk()
        ->getContent();
    expect($page)
        ->not->toContain($this->referenceKey)
        ->not->toContain("/recipes/{$this->reference->id}/");
});

it('does not let a teacher give an exercise to a class of somebody else', function (): void {
    $this->actingAs($this->s->teacher)
        ->post("/exercises/{$this->exercise->id}/assignments", ['class_id' => $this->s->otherClass->id, 'due_on' => '2030-01-01'])
        ->assertSessionHasErrorsIn('give', 'class_id');
});
