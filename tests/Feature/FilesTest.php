<?php

declare(strict_types=1);

/* Parts made elsewhere: brought, looked at, taken in a unit, mended where that is safe, handed in and measured. */

use App\Jobs\CheckHandIn;
use App\Models\HandIn;
use App\Models\PartFile;
use App\Support\FileShelf;
use App\Support\Marking;
use Cubo\Exchange\StlFile;
use Cubo\Exchange\ThreeMfFile;
use Cubo\Exchange\UnreadableFile;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Tests\Meshes;
use Tests\Parts;
use Tests\School;

const BROUGHT = [
    ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
    ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
];

beforeEach(function (): void {
    Storage::fake('local');
    $this->s = new School();
    $this->assignment = $this->s->assignment();
    $this->actingAs($this->s->student);
    $this->bring = fn(string $bytes, string $name = 'plate.stl') => $this->post("/bench/{$this->assignment->id}/file", [
        'part' => UploadedFile::fake()->createWithContent($name, $bytes),
    ]);
});

it('hands in a file that meets everything', function (): void {
    ($this->bring)(StlFile::write(Parts::build(BROUGHT)->part()))->assertRedirect();
    $file = PartFile::query()->firstOrFail();
    $this->get("/files/{$file->id}")
        ->assertOk()
        ->assertSee('60.00 × 40.00 × 12.00 mm')
        ->assertSee('The surface is closed and sound');
    // a drilled plate: six flats and the bore
    $this->get("/files/{$file->id}/found")
        ->assertOk()
        ->assertSee('6 flat faces, 1 cylinder (⌀ 8.00)')
        ->assertSee('fit its corners within');
    $this->get("/files/{$file->id}/part-" . FileShelf::key($file) . '.glb')
        ->assertOk()
        ->assertHeader('Content-Type', 'model/gltf-binary');
    $this->post("/files/{$file->id}/hand-in")->assertRedirect();
    $h = HandIn::query()->firstOrFail();
    expect($h->frozenReport()->allMet())
        ->toBeTrue()
        ->and($h->findings)
        ->toBe([]);
    $this->get("/hand-ins/{$h->id}")
        ->assertOk()
        ->assertSee('plate.stl');
    // once only, however often it is pressed
    $this->post("/files/{$file->id}/hand-in")->assertRedirect("/hand-ins/{$h->id}");
    expect(HandIn::query()->count())->toBe(1);
    $this->post("/files/{$file->id}", ['unit' => 'in'])->assertSessionHasErrors('unit');
});

it('asks for the unit, proposes one, and names the slip of a wrong one', function (): void {
    // the numbers are inches
    $inch = Parts::build(BROUGHT)
        ->part()
        ->scaled(1 / 25.4, 1 / 25.4, 1 / 25.4);
    ($this->bring)(StlFile::write($inch))->assertRedirect();
    $file = PartFile::query()->firstOrFail();
    expect($file->unit)->toBe('in');
    $this->get("/files/{$file->id}")
        ->assertSee('2.36 × 1.57 × 0.47 mm')
        ->assertSee('60.00 × 40.00 × 12.00 mm');
    $this->post("/files/{$file->id}", ['unit' => 'mm'])->assertRedirect();
    $this->post("/files/{$file->id}/hand-in")->assertRedirect();
    $h = HandIn::query()->firstOrFail();
    expect($h->findings[0]['slip'])->toBe('unit');
    $this->get("/hand-ins/{$h->id}")
        ->assertSee('Millimetres and inches mixed up')
        ->assertSee('numbers in inches were taken for millimetres');
});

it('takes the unit a file says, and every format', function (): void {
    $part = Parts::build(BROUGHT)->part();
    ($this->bring)(ThreeMfFile::write($part, 'plate'), 'plate.3mf')->assertRedirect();
    $file = PartFile::query()->firstOrFail();
    $this->get("/files/{$file->id}")
        ->assertOk()
        ->assertSee('from the file')
        ->assertDontSee('Numbers in the file are');
    $this->post("/files/{$file->id}", ['unit' => 'in'])->assertRedirect();
    expect($file->fresh()->unit)->toBe('mm');
});

it('describes a torn mesh and offers a mended copy, never by itself', function (): void {
    $box = Meshes::turned([[0.0, 0.0], [20.0, 0.0], [20.0, 12.0], [0.0, 12.0]], 24);
    $torn = array_values(array_filter($box, static fn(array $t): bool => !($t[0][2] === 12.0 && $t[1][2] === 12.0 && $t[2][2] === 12.0)));
    ($this->bring)(Meshes::stl($torn))->assertRedirect();
    $file = PartFile::query()->firstOrFail();
    $this->get("/files/{$file->id}")
        ->assertSee('24 edges have nothing on their other side')
        ->assertSee('1 flat gap filled');
    $this->post("/files/{$file->id}", ['repaired' => '1'])->assertRedirect();
    expect((new Cubo\Measure\PartMeasures(app(FileShelf::class)->solid($file->fresh())))->isClosed())->toBeTrue();
    $this->post("/files/{$file->id}", ['repaired' => '0'])->assertRedirect();
    $this->post("/files/{$file->id}/hand-in")->assertRedirect();
    $h = HandIn::query()->firstOrFail();
    expect($h->findings[0]['slip'])->toBe('open-mesh');
    foreach ($h->report as $r) {
        expect($r['kind'] !== 'volume' || $r['status'] === 'unknown')->toBeTrue();
    }
});

it('refuses in words what is no part', function (string $bytes, string $words): void {
    ($this->bring)($bytes)->assertRedirect();
    $file = PartFile::query()->firstOrFail();
    expect($file->state)->toBe('refused')->and($file->problem)->toContain($words);
    $this->get("/files/{$file->id}")
        ->assertOk()
        ->assertSee($words)
        ->assertSee('Bring another file');
    $this->post("/files/{$file->id}/hand-in")->assertRedirect("/files/{$file->id}");
    expect(HandIn::query()->count())->toBe(0);
})->with([['nothing of the kind', 'seems to be a text'], ["solid\nendsolid", 'no triangles'], ['', 'is empty']]);

it('reads in the background, tells how far it is, and one file of a person at a time', function (): void {
    Queue::fake();
    ($this->bring)(StlFile::write(Parts::build(BROUGHT)->part()))->assertRedirect();
    $file = PartFile::query()->firstOrFail();
    $this->get("/files/{$file->id}")
        ->assertOk()
        ->assertSee('waits for its turn');
    ($this->bring)('solid', 'second.stl')->assertSessionHasErrors([
        'part' => '“plate.stl” is still being read. Wait until that is done, then bring this one.',
    ]);
    $this->post("/files/{$file->id}/hand-in")->assertRedirect("/files/{$file->id}");
    expect(HandIn::query()->count())->toBe(0);
    $file->update(['state' => 'reading', 'stage' => 'Looking for its faces']);
    $this->get("/files/{$file->id}")->assertSee('Looking for its faces');
    (new App\Jobs\ReadFile($file->id))->handle(app(FileShelf::class));
    $this->get("/files/{$file->id}")->assertSee('60.00 × 40.00 × 12.00 mm');
    // a worker that is killed, or takes too long, does not leave it waiting
    ($this->bring)('solid', 'second.stl')->assertRedirect();
    $second = PartFile::query()->latest('id')->firstOrFail();
    (new App\Jobs\ReadFile($second->id))->failed(new Illuminate\Queue\TimeoutExceededException('x'));
    $this->get("/files/{$second->id}")->assertSee('takes too long');
});

it('says that a file must be chosen', function (): void {
    $this->post("/bench/{$this->assignment->id}/file")->assertSessionHasErrors(['part' => 'Choose a file first.']);
});

it('reports a part that cannot be measured instead of keeping somebody waiting', function (): void {
    Queue::fake();
    // a part that no cache knows
    ($this->bring)(StlFile::write(Parts::build([[...BROUGHT[0], 'width' => '60.' . random_int(1000, 9999)]])->part()));
    $file = PartFile::query()->firstOrFail();
    // read long ago, and its faces thrown out of the cache since
    $file->update(['state' => 'read', 'info' => [...$file->info, 'triangles' => 40]]);
    $this->post("/files/{$file->id}/hand-in")->assertRedirect();
    $h = HandIn::query()->firstOrFail();
    Storage::disk('local')->delete("files/{$file->sha}");
    $job = new CheckHandIn($h->id);
    try {
        $job->handle(app(Marking::class));
    } catch (UnreadableFile $e) {
        $job->failed($e);
    }
    expect($h->fresh()->isChecked())
        ->toBeTrue()
        ->and(array_unique(array_column($h->fresh()->report, 'status')))
        ->toBe(['unknown']);
    // a later failure takes nothing away from a report that stands
    $job->failed(new RuntimeException('out of memory'));
    expect($h->fresh()->earlier)->toBe([]);
});

it('keeps only the last files that were looked at', function (): void {
    for ($i = 0; $i < 8; $i++) {
        ($this->bring)(StlFile::write(Parts::build([[...BROUGHT[0], 'width' => (string) (50 + $i)]])->part()));
    }
    expect(PartFile::query()->count())
        ->toBe(5)
        ->and(Storage::disk('local')->files('files'))
        ->toHaveCount(5);
    $this->post('/files/' . PartFile::query()->min('id') . '/hand-in');
    for ($i = 0; $i < 6; $i++) {
        ($this->bring)(StlFile::write(Parts::build([[...BROUGHT[0], 'width' => (string) (70 + $i)]])->part()));
    }
    expect(PartFile::query()->count())
        ->toBe(6)
        ->and(HandIn::query()->first()->file)
        ->not->toBeNull();
});
