<?php

declare(strict_types=1);

use App\Models\Exercise;
use App\Models\Recipe;
use Cubo\Exchange\ExercisePackage;
use Illuminate\Http\UploadedFile;
use Tests\School;

beforeEach(function (): void {
    $this->school = new School();
    $this->exercise = $this->school->exercise();
    $this->exercise->update(['tolerance' => '0.3', 'turned' => true]);
    $this->actingAs($this->school->teacher);
});

it('makes a copy that is changed apart from the first', function (): void {
    $this->post("/exercises/{$this->exercise->id}/copy")->assertRedirect();
    $copy = Exercise::query()->latest('id')->first();
    expect($copy->title)
        ->toBe('Drilled plate (2)')
        ->and($copy->reference_id)
        ->not->toBe($this->exercise->reference_id)
        ->and($copy->requirements)
        ->toEqual($this->exercise->requirements)
        ->and($copy->turned)
        ->toBeTrue()
        ->and($copy->reference->document()->toJson())
        ->toBe($this->exercise->reference->document()->toJson());
    $this->get("/exercises/$copy->id")->assertOk();
    $this->post("/exercises/$copy->id/copy");
    expect(Exercise::query()->latest('id')->first()->title)->toBe('Drilled plate (2) (2)');
});

it('takes an exercise along as one file, and brings it in to the same exercise', function (): void {
    $bytes = $this->get("/exercises/{$this->exercise->id}/exercise.zip")
        ->assertOk()
        ->getContent();
    $this->actingAs($this->school->otherTeacher);
    $this->post('/exercises/bring', ['exercise' => UploadedFile::fake()->createWithContent('plate.cubo.zip', $bytes)])->assertRedirect();
    $brought = Exercise::query()->latest('id')->first();
    expect($brought->teacher_id)
        ->toBe($this->school->otherTeacher->id)
        ->and($brought->title)
        ->toBe('Drilled plate')
        ->and($brought->brief)
        ->toBe('For the bed.')
        ->and($brought->tolerance)
        ->toBe('0.3')
        ->and($brought->turned)
        ->toBeTrue()
        ->and($brought->sheet()->toJson())
        ->toBe($this->exercise->refresh()->sheet()->toJson())
        ->and($brought->reference->document()->toJson())
        ->toBe($this->exercise->reference->document()->toJson());
    // and once more to the same bytes, but for the times of the archive
    $again = ExercisePackage::read($this->get("/exercises/$brought->id/exercise.zip")->getContent());
    expect($again->exercise->toJson())->toBe(ExercisePackage::read($bytes)->exercise->toJson());
    $this->get("/exercises/$brought->id")
        ->assertOk()
        ->assertSee('Drilled plate');
});

it('says what is wrong with a file that is no exercise', function (?string $bytes): void {
    $file = $bytes === null ? [] : ['exercise' => UploadedFile::fake()->createWithContent('a.zip', $bytes)];
    $this->post('/exercises/bring', $file)->assertRedirect('/exercises/new')->assertSessionHasErrors('exercise', null, 'bring');
    $this->get('/exercises/new')->assertOk();
    expect(Exercise::count())->toBe(1);
})->with([
    'nothing' => [null],
    'text' => ['hello'],
    'a broken archive' => ["PK\x03\x04 broken"],
    'an archive of something else' => [
        fn() => (static function (): string {
            $path = tempnam(sys_get_temp_dir(), 'z');
            $zip = new ZipArchive();
            $zip->open($path, ZipArchive::OVERWRITE);
            $zip->addFromString('about.json', '{"format":"cubo-exercise-file/1","title":"X"}');
            $zip->addFromString('exercise.json', '{"format":"cubo-exercise/1","unit":"mm","requirements":[{"kind":"nonsense"}]}');
            $zip->close();

            return (string) file_get_contents($path);
        })(),
    ],
]);

it('puts an exercise away and takes it out again; classes that have it go on', function (): void {
    $assignment = $this->school->assignment($this->exercise);
    $this->post("/exercises/{$this->exercise->id}/archive")->assertRedirect('/');
    $this->get('/')->assertSee(__('exercises.put_away'))->assertSee('Drilled plate');
    $this->actingAs($this->school->student)
        ->get("/bench/$assignment->id")
        ->assertOk();
    $this->actingAs($this->school->teacher)->post("/exercises/{$this->exercise->id}/archive", ['open' => '1']);
    expect($this->exercise->refresh()->archived_at)->toBeNull();
});

it('removes an exercise only where nobody made anything for it', function (): void {
    $this->school->work($this->school->assignment($this->exercise), null, [['kind' => 'block']]);
    $this->delete("/exercises/{$this->exercise->id}")
        ->assertRedirect()
        ->assertSessionHasErrors('remove', null, 'shelf');
    expect(Exercise::count())->toBe(1);
    $free = $this->school->exercise();
    $this->school->assignment($free, $this->school->class);
    $this->delete("/exercises/$free->id")->assertRedirect('/');
    expect(Exercise::count())
        ->toBe(1)
        ->and(Recipe::query()->whereKey($free->reference_id)->exists())
        ->toBeFalse();
});

it('does all of it for the exercise’s own teacher alone', function (string $method, string $path): void {
    foreach ([$this->school->otherTeacher, $this->school->student] as $who) {
        $this->actingAs($who)
            ->call($method, "/exercises/{$this->exercise->id}$path")
            ->assertForbidden();
    }
})->with([['POST', '/copy'], ['POST', '/archive'], ['DELETE', ''], ['GET', '/exercise.zip']]);
