<?php

declare(strict_types=1);

use App\Models\HandIn;
use App\Models\MarkNote;
use App\Models\Person;
use App\Support\School\MarksBook;
use App\Support\School\OneRosterFiles;
use Cubo\School\Marks\Counts;
use Cubo\School\Marks\MarkingRules;
use Cubo\School\Marks\Scale;
use Cubo\Tabular\Csv;
use Cubo\Tabular\XlsxReader;
use Illuminate\Support\Facades\DB;
use Tests\School;

beforeEach(function (): void {
    $this->school = new School();
    $this->class = $this->school->class;
    $this->exercise = $this->school->exercise();
    $this->assignment = $this->school->assignment($this->exercise);
    $this->most = MarksBook::most($this->assignment);
    $this->actingAs($this->school->teacher);
    // a block without its hole, then the plate as it was asked
    $this->work = $this->school->work($this->assignment, null, [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12']]);
    $this->first = $this->school->handIn($this->work);
    DB::table('revisions')
        ->where('recipe_id', $this->work->recipe_id)
        ->update(['document' => $this->exercise->reference->document()->toJson()]);
    $this->second = $this->school->handIn($this->work->refresh(), 2);
});

it('counts the try that the teacher said, by the teacher’s own scale', function (): void {
    $book = new MarksBook($this->class);
    $cell = $book->cells[$this->school->student->id][$this->assignment->id];
    expect($this->second->refresh()->points())
        ->toBe($this->most)
        ->and($this->first->refresh()->points())
        ->toBeLessThan($this->most)
        ->and($cell->counted->number)
        ->toBe(2)
        ->and($cell->mark)
        ->toBe('1')
        ->and(count($cell->handIns))
        ->toBe(2)
        ->and($book->sums[$this->school->student->id]['points'])
        ->toBe((float) $this->most)
        ->and($book->sums[$this->school->classmate->id])
        ->toBeNull();
    $this->post("/classes/{$this->class->id}/marks", [
        'from' => ['60', '0', ''],
        'word' => ['met', 'not yet', ''],
        'counts' => 'first',
        'late' => '50',
    ])
        ->assertRedirect()
        ->assertSessionHas('said');
    $book = new MarksBook($this->class->refresh());
    $cell = $book->cells[$this->school->student->id][$this->assignment->id];
    expect($cell->counted->number)
        ->toBe(1)
        ->and($cell->counted->points)
        ->toBe((float) $this->first->points())
        ->and($cell->mark)
        ->toBeIn(['met', 'not yet'])
        ->and($book->rules->late)
        ->toBe(50);
    // late is late by the day it was due
    $this->assignment->update(['due_on' => today()->subDay()]);
    expect((new MarksBook($this->class->refresh()))->cells[$this->school->student->id][$this->assignment->id]->counted->points)->toEqual(
        $this->first->points() / 2,
    );
});

it('takes the teacher’s word and the weights into the sum', function (): void {
    $row = array_values(array_filter($this->first->report, static fn(array $r): bool => $r['status'] !== 'met'))[0];
    $this->class->update(['marking' => (new MarkingRules(Scale::examples()['letters'], Counts::First))->toArray()]);
    $before = (new MarksBook($this->class))->sums[$this->school->student->id]['points'];
    $this->first->update(['overrules' => [$row['id'] => ['met' => true, 'reason' => 'seen']]]);
    expect((new MarksBook($this->class))->sums[$this->school->student->id]['points'])->toBe($before + $row['points']);
    $this->post("/classes/{$this->class->id}/marks/weights/{$this->assignment->id}", ['weight' => '2.5'])->assertRedirect();
    expect((new MarksBook($this->class))->sums[$this->school->student->id]['most'])->toBe(2.5 * $this->most);
    $this->post("/classes/{$this->class->id}/marks/weights/{$this->assignment->id}", ['weight' => '-1'])->assertSessionHasErrors(
        'weight',
        null,
        'weight',
    );
});

it('says what is wrong with a scale and keeps what was typed', function (array $typed, string $words): void {
    $this->from("/classes/{$this->class->id}/marks")
        ->post("/classes/{$this->class->id}/marks", $typed)
        ->assertRedirect()
        ->assertSessionHasErrors('scale')
        ->assertSessionHasInput('from');
    $this->get("/classes/{$this->class->id}/marks")
        ->assertOk()
        ->assertSee($words);
    expect($this->class->refresh()->marking)->toBeNull();
})->with([
    [['from' => ['50', '10'], 'word' => ['a', 'b']], '0 percent'],
    [['from' => ['fifty', '0'], 'word' => ['a', 'b']], 'fifty'],
    [['from' => ['50'], 'word' => ['a']], 'from 2 to'],
]);

it('shows the book, opens a row with its tries, filters and orders, and keeps notes that pupils never see', function (): void {
    $page = fn(string $query = ''): Illuminate\Testing\TestResponse => $this->get("/classes/{$this->class->id}/marks$query")->assertOk();
    $page()
        ->assertSee('Drilled plate')
        ->assertSee("of $this->most")
        ->assertSeeInOrder(['Ada', 'Bruno']);
    $page('?q=bru')->assertSee('Bruno')->assertDontSee('>Ada<', false);
    $page('?q=nobody')->assertSee(__('marks.nobody'));
    $page("?pupil={$this->school->student->id}")
        ->assertSee('Drilled plate, try 1')
        ->assertSee('counts');
    $this->post("/classes/{$this->class->id}/marks/{$this->school->student->id}/note", ['text' => 'helped Bruno'])->assertRedirect();
    $page()->assertSee(__('marks.has_note'));
    $this->post("/classes/{$this->class->id}/marks/{$this->school->student->id}/note", ['text' => ' '])->assertRedirect();
    expect(MarkNote::count())->toBe(0);
});

it('shows a pupil the own marks, only where the teacher shows them', function (): void {
    $this->actingAs($this->school->student)->get('/marks')->assertNotFound();
    $this->class->update(['shows_marks' => true]);
    $this->actingAs($this->school->student->fresh());
    $this->get('/marks')->assertOk()->assertSee('Drilled plate')->assertDontSee('Bruno');
    $this->get('/')->assertSee(__('marks.mine'));
    // results that are kept back until a day are kept back here, too
    $this->assignment->update(['shown_when' => 'due']);
    $this->get('/marks')
        ->assertOk()
        ->assertDontSee("of $this->most");
    $this->actingAs($this->school->stranger)->get('/marks')->assertNotFound();
    $this->actingAs($this->school->teacher)->get('/marks')->assertNotFound();
});

it('goes out as CSV and XLSX with what is shown and its scale, safe from formulas', function (): void {
    $this->school->student->update(['name' => '=cmd|calc', 'identifier' => '007']);
    $rows = Csv::read(
        $this->get("/classes/{$this->class->id}/marks.csv")
            ->assertOk()
            ->getContent(),
    );
    expect($rows[0][0])
        ->toBe('Marks book')
        ->and($rows[1][1])
        ->toContain('from 92 %: 1')
        ->and($rows[6][0])
        ->toBe("'=cmd|calc")
        ->and($rows[6][1])
        ->toBe('007')
        ->and($rows[6][2])
        ->toBe((string) $this->most)
        ->and($rows[7][0])
        ->toBe('Bruno');
    $sheet = XlsxReader::read(
        $this->get("/classes/{$this->class->id}/marks.xlsx?q=bruno")
            ->assertOk()
            ->getContent(),
    );
    expect(array_column(array_slice($sheet, 6), 0))->toBe(['Bruno']);
    foreach (['pdf' => '%PDF', 'zip' => 'PK'] as $ending => $begins) {
        expect(
            $this->get("/classes/{$this->class->id}/marks.$ending")
                ->assertOk()
                ->getContent(),
        )->toStartWith($begins);
    }
    expect(
        $this->get("/classes/{$this->class->id}/marks/{$this->school->student->id}.pdf")
            ->assertOk()
            ->getContent(),
    )->toStartWith('%PDF');
});

it('goes out in the columns of OneRoster, each result tied to its line item and pupil', function (): void {
    $this->school->student->update(['identifier' => 'P-17']);
    $path = tempnam(sys_get_temp_dir(), 'or');
    file_put_contents($path, OneRosterFiles::of(new MarksBook($this->class)));
    $zip = new ZipArchive();
    $zip->open($path);
    $table = static function (string $name) use ($zip): array {
        $rows = Csv::read((string) $zip->getFromName($name));

        return array_map(static fn(array $r): array => array_combine($rows[0], $r), array_slice($rows, 1));
    };
    $manifest = array_column($table('manifest.csv'), 'value', 'propertyName');
    expect($manifest['oneroster.version'])
        ->toBe('1.2')
        ->and($manifest['file.results'])
        ->toBe('bulk')
        ->and($manifest['file.users'])
        ->toBe('absent');
    [$item] = $table('lineItems.csv');
    expect($item['resultValueMax'])
        ->toBe((string) $this->most)
        ->and($item['dueDate'])
        ->toBe($this->assignment->due_on->format('Y-m-d'));
    $results = array_column($table('results.csv'), null, 'studentSourcedId');
    expect($results['P-17']['lineItemSourcedId'])
        ->toBe($item['sourcedId'])
        ->and($results['P-17']['score'])
        ->toBe((string) $this->most)
        ->and($results['P-17']['scoreStatus'])
        ->toBe('submitted')
        ->and($results["cubo-user-{$this->school->classmate->id}"]['scoreStatus'])
        ->toBe('not submitted')
        ->and($zip->getFromName('results.csv'))
        ->not->toStartWith("\xEF\xBB\xBF");
});

it('stays quick with a class of 35 and 20 exercises', function (): void {
    for ($i = 0; $i < 33; $i++) {
        Person::create([
            'school_id' => $this->class->school_id,
            'role' => 'student',
            'name' => "Pupil $i",
            'class_id' => $this->class->id,
            'bench' => $i + 3,
            'password' => '0000',
        ]);
    }
    $report = DB::table('hand_ins')->where('id', $this->second->id)->first();
    for ($e = 0; $e < 19; $e++) {
        $a = App\Models\Assignment::create([
            'exercise_id' => $this->exercise
                ->replicate()
                ->fill(['title' => "Part $e"])
                ->save()
                ? App\Models\Exercise::query()->max('id')
                : 0,
            'class_id' => $this->class->id,
            'due_on' => today(),
        ]);
        foreach ($this->class->students()->get() as $s) {
            $work = App\Models\Work::create(['assignment_id' => $a->id, 'student_id' => $s->id, 'recipe_id' => $this->work->recipe_id]);
            DB::table('hand_ins')->insert([
                'work_id' => $work->id,
                'attempt' => 1,
                'state' => 'waiting',
                'report' => $report->report,
                'findings' => '[]',
                'revision_id' => $report->revision_id,
                'checked_at' => now(),
                'created_at' => now(),
                'updated_at' => now(),
            ]);
        }
    }
    DB::enableQueryLog();
    $this->get("/classes/{$this->class->id}/marks")
        ->assertOk()
        ->assertSee('Pupil 32')
        ->assertSee('Part 18');
    expect(count(DB::getQueryLog()))
        ->toBeLessThan(16)
        ->and(HandIn::count())
        ->toBe(19 * 35 + 2);
});
