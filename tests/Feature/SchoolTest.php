<?php

declare(strict_types=1);

use App\Models\Assignment;
use App\Models\HandIn;
use App\Models\Invitation;
use App\Models\LibraryPart;
use App\Models\Person;
use App\Models\School as SchoolModel;
use App\Models\SchoolClass;
use App\Models\Work;
use App\Support\FileShelf;
use App\Support\School\PinCards;
use App\Support\School\Pins;
use App\Support\School\Setup;
use App\Support\Tidying;
use Cubo\Recipe\RecipeReader;
use Cubo\Tabular\XlsxWriter;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Storage;
use Tests\Parts;
use Tests\School;

afterEach(function (): void {
    File::delete(File::glob(storage_path('app/time-zone-cubo_[tb]*')));
    date_default_timezone_set('UTC');
});

/** @return array<string, string> */
function setting(array $more = []): array
{
    return $more + [
        'key' => Setup::key(),
        'school' => 'Garden Weather School',
        'language' => 'en',
        'time_zone' => 'Europe/Berlin',
        'name' => 'Ruth Ackerman',
        'email' => 'Ruth@Garden.example',
        'password' => 'rain gauge mast',
    ];
}

describe('setting up', function (): void {
    it('makes the school and its first teacher, once, with the key that was printed', function (): void {
        $this->get('/sign-in')->assertOk()->assertSee(__('school.setup.none'));
        $this->get('/setup')->assertNotFound();
        $this->get('/setup?key=guess')->assertNotFound();
        $this->get('/setup?key=' . Setup::key())
            ->assertOk()
            ->assertSee('Europe/Berlin');
        $this->post('/setup', setting(['key' => 'guess']))->assertNotFound();
        $this->post('/setup', setting())->assertRedirect('/classes');
        $ruth = Person::sole();
        expect($ruth->administers)
            ->toBeTrue()
            ->and($ruth->email)
            ->toBe('ruth@garden.example')
            ->and($ruth->school->name)
            ->toBe('Garden Weather School')
            ->and(Setup::zone())
            ->toBe('Europe/Berlin');
        $this->assertAuthenticatedAs($ruth);
        $this->get('/classes')->assertOk()->assertSee(__('school.classes.none'));
        $this->post('/sign-out');
        $this->get('/setup?key=' . Setup::key())->assertNotFound();
        $this->post('/setup', setting(['email' => 'second@garden.example']))->assertNotFound();
        expect(SchoolModel::count())->toBe(1);
    });

    it('keeps what was typed and says what is wrong, where it is wrong', function (array $typed, string $field): void {
        $this->from('/setup?key=' . Setup::key())
            ->post('/setup', setting($typed))
            ->assertRedirect()
            ->assertSessionHasErrors($field)
            ->assertSessionHasInput('school');
        expect(SchoolModel::count())->toBe(0);
    })->with([
        [['password' => 'short'], 'password'],
        [['email' => 'ruth'], 'email'],
        [['time_zone' => 'Moon/Sea'], 'time_zone'],
        [['language' => '../..'], 'language'],
        [['name' => ''], 'name'],
    ]);

    it('does the same on the command line', function (): void {
        $run = static function (string $line): array {
            $code = Artisan::call("cubo:school $line --json");

            return [$code, json_decode(Artisan::output(), true)];
        };
        expect($run('list'))->toBe([1, ['problem' => 'There is no school yet: ./cubo school setup makes one.']]);
        [$code, $made] = $run('setup --name="Garden School" --teacher="Ruth Ackerman" --email=ruth@garden.example --zone=Europe/Berlin');
        expect($code)->toBe(0)->and(Hash::check($made['password'], Person::sole()->password))->toBeTrue();
        expect($run('setup --name=Again --teacher=R --email=r@garden.example')[0])->toBe(1);
        $list = tempnam(sys_get_temp_dir(), 'names');
        file_put_contents($list, "Alba Thorne\nBo Lindqvist\nAlba Thorne\n");
        [, $class] = $run("class --name=7a --teacher=ruth@garden.example --list=$list");
        expect(array_column($class['pupils'], 'name'))
            ->toBe(['Alba Thorne', 'Bo Lindqvist'])
            ->and($class['left out'])
            ->toBe(1)
            ->and(Hash::check($class['pupils'][0]['PIN'], Person::query()->where('name', 'Alba Thorne')->sole()->password))
            ->toBeTrue();
        expect($run('teacher --name=Joris --email=joris@garden.example --class=7a')[0])
            ->toBe(0)
            ->and($run('teacher --name=Joris --email=joris@garden.example')[1]['problem'])
            ->toContain('already')
            ->and($run('password --email=nobody@garden.example')[0])
            ->toBe(1)
            ->and(array_column($run('list')[1]['teachers'], 'name'))
            ->toBe(['Joris', 'Ruth Ackerman']);
        $before = Person::query()->where('role', 'student')->pluck('password')->all();
        expect($run('pins --class=7a')[0])
            ->toBe(0)
            ->and(Person::query()->where('role', 'student')->pluck('password')->all())
            ->not->toBe($before);
        $out = "$list.zip";
        expect($run('export --pupil=' . Person::query()->where('name', 'Alba Thorne')->sole()->id . " --out=$out")[0])
            ->toBe(0)
            ->and(file_get_contents($out))
            ->toStartWith('PK');
        expect(Artisan::call('cubo:school dance'))->toBe(2);
    });
});

describe('people', function (): void {
    beforeEach(function (): void {
        $this->school = new School();
        $this->school->teacher->update(['administers' => true]);
        $this->actingAs($this->school->teacher);
    });

    it('asks a colleague in by a link that is shown once, is used once and holds a day', function (): void {
        $ask = fn(string $email) => $this->post('/people/invite', [
            'name' => 'Joris Amstel',
            'email' => $email,
            'classes' => [$this->school->class->id],
            'administers' => '1',
        ]);
        $link = $ask('joris@test.example')->assertRedirect('/people')->getSession()->get('invited')['link'];
        $this->get('/people')->assertOk()->assertSee($link)->assertSee('joris@test.example');
        $this->get('/people')->assertOk()->assertDontSee($link);
        expect(DB::table('invitations')->value('token'))->not->toContain(basename($link));
        $this->post('/sign-out');
        $this->get($link)->assertOk()->assertSee('Test school');
        $this->from($link)
            ->post($link, ['name' => 'Joris', 'password' => 'short'])
            ->assertSessionHasErrors('password');
        $this->post($link, ['name' => 'Joris Amstel', 'password' => 'a lark in the garden'])->assertRedirect('/');
        $joris = Person::query()->where('email', 'joris@test.example')->sole();
        expect($joris->teaches($this->school->class->id))
            ->toBeTrue()
            ->and($joris->administers)
            ->toBeTrue()
            ->and($joris->school_id)
            ->toBe($this->school->teacher->school_id);
        $this->post('/sign-out');
        $this->get($link)->assertStatus(410);
        $this->post($link, ['name' => 'Other', 'password' => 'another password'])->assertStatus(410);
        // and one that nobody used
        $this->actingAs($this->school->teacher);
        $second = $ask('petra@test.example')->getSession()->get('invited')['link'];
        $this->post('/sign-out');
        $this->travel(25)->hours();
        $this->get($second)->assertStatus(410)->assertSee(__('school.invitation.over'));
    });

    it('gives nobody a class or a task that the one who asks does not have', function (): void {
        $this->post('/people/invite', ['name' => 'X', 'email' => 'ines@test.example'])->assertSessionHasErrors('email', null, 'invite');
        $this->actingAs($this->school->otherTeacher);
        $this->post('/people/invite', [
            'name' => 'X',
            'email' => 'x@test.example',
            'classes' => [$this->school->class->id],
        ])->assertSessionHasErrors('classes.0', null, 'invite');
        $this->post('/people/invite', ['name' => 'X', 'email' => 'x@test.example', 'administers' => '1'])->assertRedirect();
        expect(Invitation::sole()->administers)->toBeFalse();
    });

    it('hands the care for the school on, and never leaves it to nobody', function (): void {
        [$me, $tom] = [$this->school->teacher, $this->school->otherTeacher];
        $this->post("/people/$me->id/administers", ['administers' => '0'])->assertSessionHasErrors('teacher', null, 'people');
        $this->post("/people/$tom->id/administers", ['administers' => '1'])->assertRedirect();
        $this->post("/people/$me->id/administers", ['administers' => '0'])->assertRedirect();
        expect($tom->refresh()->administers)->toBeTrue()->and($me->refresh()->administers)->toBeFalse();
        $this->actingAs($me)
            ->post("/people/$tom->id/administers", ['administers' => '0'])
            ->assertForbidden();
        $this->post('/school', ['name' => 'Mine', 'time_zone' => 'UTC'])->assertForbidden();
    });

    it('gives a colleague a new password, shown once, and signs the colleague out', function (): void {
        $tom = $this->school->otherTeacher;
        DB::table('sessions')->insert(['id' => 'toms', 'user_id' => $tom->id, 'payload' => '', 'last_activity' => time()]);
        $password = $this->post("/people/$tom->id/reset")
            ->assertRedirect()
            ->getSession()
            ->get('reset')['password'];
        expect(Hash::check($password, $tom->refresh()->password))
            ->toBeTrue()
            ->and(DB::table('sessions')->where('id', 'toms')->exists())
            ->toBeFalse();
        $this->get('/people')->assertSee($password);
        $this->get('/people')->assertDontSee($password);
    });

    it('removes a teacher without touching any pupil’s work: all passes to the colleague who is named', function (): void {
        $tom = $this->school->otherTeacher;
        $exercise = $this->school->exercise($tom);
        $assignment = $this->school->assignment($exercise, $this->school->otherClass);
        $work = $this->school->work($assignment, $this->school->stranger, [['kind' => 'block']]);
        $this->delete("/people/$tom->id")->assertSessionHasErrors('teacher', null, 'people');
        $this->delete("/people/{$this->school->teacher->id}", ['heir' => $tom->id])->assertSessionHasErrors('teacher', null, 'people');
        $this->delete("/people/$tom->id", ['heir' => $this->school->teacher->id])
            ->assertRedirect()
            ->assertSessionHas('said');
        expect(Person::query()->whereKey($tom->id)->exists())
            ->toBeFalse()
            ->and($exercise->refresh()->teacher_id)
            ->toBe($this->school->teacher->id)
            ->and($exercise->reference->owner_id)
            ->toBe($this->school->teacher->id)
            ->and($this->school->teacher->teaches($this->school->otherClass->id))
            ->toBeTrue()
            ->and(Work::query()->whereKey($work->id)->exists())
            ->toBeTrue();
        $this->get("/exercises/$exercise->id")->assertOk();
    });

    it('changes one’s own password or PIN, with the old one, and ends all else', function (): void {
        $me = $this->school->teacher;
        $this->post('/account', ['old' => 'wrong', 'new' => 'a long new password'])->assertSessionHasErrors('old');
        $this->post('/account', ['old' => 'long-password', 'new' => 'short'])->assertSessionHasErrors('new');
        DB::table('sessions')->insert([
            'id' => 'elsewhere',
            'user_id' => $me->id,
            'payload' => '',
            'last_activity' => time(),
            'ip_address' => '10.1.2.3',
            'user_agent' => 'Mozilla/5.0 (X11; Linux x86_64) Firefox/140.0',
        ]);
        $this->get('/account')->assertOk()->assertSee('Firefox Linux')->assertSee('10.1.2.3');
        $this->post('/account', ['old' => 'long-password', 'new' => 'a long new password'])->assertRedirect('/account');
        expect(Hash::check('a long new password', $me->refresh()->password))
            ->toBeTrue()
            ->and(DB::table('sessions')->where('id', 'elsewhere')->exists())
            ->toBeFalse();
        $ada = $this->school->student;
        $this->actingAs($ada);
        foreach (['12' => 'digits', 'abcd' => 'digits', '1111' => 'first', '1234' => 'first', '9876' => 'first'] as $pin => $words) {
            $this->post('/account', ['old' => '1234', 'new' => (string) $pin])->assertSessionHasErrors('new');
        }
        $this->post('/account', ['old' => '1234', 'new' => '7194'])->assertRedirect('/account');
        expect(Hash::check('7194', $ada->refresh()->password))->toBeTrue();
        // whoever guesses at a bench that was left has ten tries
        for ($i = 0; $i < 10; $i++) {
            $this->post('/account', ['old' => "000$i", 'new' => '7195']);
        }
        $this->post('/account', ['old' => '7194', 'new' => '7195'])->assertSessionHasErrors('old');
        expect(Hash::check('7194', $ada->refresh()->password))->toBeTrue();
    });
});

describe('classes', function (): void {
    beforeEach(function (): void {
        $this->school = new School();
        $this->class = $this->school->class;
        $this->actingAs($this->school->teacher);
        $this->take = fn(array $lines) => $this->post("/classes/{$this->class->id}/students", ['lines' => $lines]);
    });

    it('makes a class with a code of its own, and not two of one name', function (): void {
        $this->post('/classes', ['name' => '9c'])->assertRedirect();
        $made = SchoolClass::query()->where('name', '9c')->sole();
        expect($this->school->teacher->teaches($made->id))
            ->toBeTrue()
            ->and($made->code)
            ->not->toBe($this->class->code);
        $this->post('/classes', ['name' => '9c'])->assertSessionHasErrors('name', null, 'class');
        $this->post("/classes/$made->id", ['name' => '9d'])->assertRedirect();
        expect($made->refresh()->name)->toBe('9d');
    });

    it('shows what was read of a list and adds nobody before it is said', function (): void {
        $this->post("/classes/{$this->class->id}/list", ['list' => "Ada\nCleo Marsh\nCleo Marsh\n;9\nDov Petrak"])
            ->assertOk()
            ->assertSee('Read: 5 lines')
            ->assertSee('same as 2')
            ->assertSee('no name')
            ->assertSee('Add 2 pupils')
            ->assertSee('Bruno');
        expect($this->class->students()->count())->toBe(2);
        ($this->take)([['name' => 'Ada'], ['name' => 'Cleo Marsh', 'identifier' => '17'], ['name' => ''], ['name' => 'Dov  Petrak ']])
            ->assertRedirect()
            ->assertSessionHas('said');
        expect($this->class->students()->reorder('id')->pluck('name')->all())->toBe(['Ada', 'Bruno', 'Cleo Marsh', 'Dov Petrak']);
        $cleo = $this->class->students()->where('name', 'Cleo Marsh')->sole();
        expect($cleo->identifier)
            ->toBe('17')
            ->and($cleo->first_pin)
            ->toMatch('/^\d{4}$/')
            ->and(Hash::check($cleo->first_pin, $cleo->password))
            ->toBeTrue()
            ->and($cleo->code)
            ->toMatch('/^[A-Z]{3}\d\d$/');
        // nobody was touched who was there
        expect($this->school->student->refresh()->name)
            ->toBe('Ada')
            ->and(Hash::check('1234', $this->school->student->password))
            ->toBeTrue();
    });

    it('reads the same from a workbook, and says so of what it cannot read', function (): void {
        $file = UploadedFile::fake()->createWithContent(
            '7a.xlsx',
            XlsxWriter::write('7a', [['givenName', 'familyName', 'identifier'], ['Elin', 'Foss', 4711], ['Gil', 'Andersson', 4712]]),
        );
        $this->post("/classes/{$this->class->id}/list", ['file' => $file])
            ->assertOk()
            ->assertSee('Elin Foss')
            ->assertSee('4711')
            ->assertSee('Add 2 pupils');
        $this->post("/classes/{$this->class->id}/list", ['file' => UploadedFile::fake()->createWithContent('a.xlsx', "PK\x03\x04 no")])
            ->assertRedirect()
            ->assertSessionHasErrors('list', null, 'list');
        $this->post("/classes/{$this->class->id}/list", ['list' => " \n \n"])->assertSessionHasErrors('list', null, 'list');
    });

    it('takes a list again as changes: new ones, renamed ones, and nobody is removed', function (): void {
        ($this->take)([['name' => 'Cleo Marsh', 'identifier' => '17'], ['name' => 'Dov Petrak', 'identifier' => '18']]);
        $cleo = Person::query()->where('identifier', '17')->sole();
        $this->post("/classes/{$this->class->id}/list", ['list' => "name;id\nCleo Marsh-Voss;17\nElin Foss;19"])
            ->assertSee('was Cleo Marsh')
            ->assertSee('3 of the class are not on the list');
        ($this->take)([['name' => 'Cleo Marsh-Voss', 'identifier' => '17'], ['name' => 'Elin Foss', 'identifier' => '19']]);
        expect($cleo->refresh()->name)
            ->toBe('Cleo Marsh-Voss')
            ->and($this->class->students()->count())
            ->toBe(5);
    });

    it('takes one list twice at once as one list, and learns the numbers of those known by name', function (): void {
        $lines = [['name' => 'Cleo Marsh', 'identifier' => '17'], ['name' => 'ada', 'identifier' => '18']];
        ($this->take)($lines);
        ($this->take)($lines)->assertSessionHas('said');
        expect($this->class->students()->count())
            ->toBe(3)
            ->and($this->school->student->refresh()->identifier)
            ->toBe('18')
            ->and($this->school->student->name)
            ->toBe('ada');
        ($this->take)(array_map(static fn(int $n): array => ['name' => "Pupil $n"], range(1, 198)))->assertSessionHasErrors(
            'list',
            null,
            'list',
        );
        expect($this->class->students()->count())->toBe(3);
    });

    it('prints cards whose PIN is readable until it was used', function (): void {
        ($this->take)([['name' => 'Cleo Marsh']]);
        $cleo = Person::query()->where('name', 'Cleo Marsh')->sole();
        $pin = $cleo->first_pin;
        expect(DB::table('people')->where('id', $cleo->id)->value('first_pin'))->not->toContain($pin);
        $pdf = $this->get("/classes/{$this->class->id}/cards.pdf")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf')
            ->getContent();
        expect($pdf)->toStartWith('%PDF');
        $cards = fn(): string => implode(
            '',
            PinCards::pages($this->class, $this->class->students()->get()->all(), 'http://cubo.example/sign-in'),
        );
        expect($cards())
            ->toContain('>Cleo Marsh<')
            ->toContain(">$pin<")
            ->toContain(">$cleo->code<")
            ->toContain('>LARK7<')
            ->toContain('cubo.example');
        $this->post('/sign-out');
        $this->post('/sign-in/student', ['class' => 'LARK7', 'own' => $cleo->code, 'pin' => $pin])->assertRedirect('/');
        expect($cleo->refresh()->first_pin)->toBeNull()->and($cleo->last_seen_at)->not->toBeNull();
        $this->post('/sign-out');
        $this->actingAs($this->school->teacher);
        expect($cards())
            ->not->toContain(">$pin<")
            ->toContain(__('school.cards.used'));
    });

    it('gives new PINs, one by one or to all, and signs out whoever has the old one', function (): void {
        $ada = $this->school->student;
        DB::table('sessions')->insert(['id' => 'adas', 'user_id' => $ada->id, 'payload' => '', 'last_activity' => time()]);
        $this->post("/classes/{$this->class->id}/students/$ada->id/pin")->assertRedirect();
        expect(Hash::check('1234', $ada->refresh()->password))
            ->toBeFalse()
            ->and(DB::table('sessions')->where('id', 'adas')->exists())
            ->toBeFalse();
        $first = $ada->first_pin;
        $this->post("/classes/{$this->class->id}/pins")->assertRedirect();
        expect($this->school->classmate->refresh()->first_pin)
            ->not->toBeNull()
            ->and(Hash::check($ada->refresh()->first_pin, $ada->password))
            ->toBeTrue();
        for ($i = 0; $i < 300; $i++) {
            expect(Pins::isEasy(Pins::byChance()))->toBeFalse();
        }
    });

    it('moves a pupil to another class with all work; what is set there, too, goes on there', function (): void {
        $both = $this->school->exercise();
        [$here, $there] = [$this->school->assignment($both), $this->school->assignment($both, $this->school->otherClass)];
        $work = $this->school->work($here, null, [['kind' => 'block']]);
        $old = $this->school->work($this->school->assignment($this->school->exercise()), null, [['kind' => 'block']]);
        $handIn = $this->school->handIn($old);
        $ada = $this->school->student;
        $move = fn() => $this->post("/classes/{$this->class->id}/students/$ada->id/move", ['class' => $this->school->otherClass->id]);
        $move()->assertForbidden();
        $this->school->otherClass->teachers()->attach($this->school->teacher);
        DB::table('people')
            ->where('id', $this->school->stranger->id)
            ->update(['code' => 'ADA22']);
        $move()->assertRedirect();
        expect($ada->refresh()->class_id)
            ->toBe($this->school->otherClass->id)
            ->and($ada->code)
            ->not->toBe('ADA22')
            ->and($work->refresh()->assignment_id)
            ->toBe($there->id)
            ->and($old->refresh()->student_id)
            ->toBe($ada->id);
        $this->actingAs($ada)->get('/')->assertOk()->assertSee(__('school.before'));
        $this->get("/bench/$there->id")->assertOk();
        $this->get("/hand-ins/$handIn->id")->assertOk();
    });

    it('removes a pupil for good, with works, hand-ins, files, parts and the name in what others took', function (): void {
        $ada = $this->school->student;
        $assignment = $this->school->assignment();
        $work = $this->school->work($assignment, $ada, [['kind' => 'block']]);
        $this->school->handIn($work);
        $bytes = Cubo\Exchange\StlFile::write(Parts::build([['kind' => 'block']])->part());
        $file = app(FileShelf::class)->take($work, 'a.stl', $bytes);
        // another one brought the same file
        $other = $this->school->work($assignment, $this->school->classmate, [['kind' => 'block', 'width' => '9']]);
        $only = app(FileShelf::class)->take($work, 'b.stl', "$bytes ");
        app(FileShelf::class)->take($other, 'c.stl', $bytes);
        $this->post("/classes/{$this->class->id}/students/$ada->id/pin");
        $part = LibraryPart::create(['owner_id' => $ada->id, 'name' => 'Spout', 'tags' => []]);
        $document = [
            'format' => 'cubo-recipe/1',
            'unit' => 'mm',
            'groups' => [
                'g1' => [
                    'title' => 'Spout',
                    'unit' => 'mm',
                    'steps' => [['id' => 's1', 'kind' => 'block']],
                    'from' => ['part' => 'Spout', 'author' => 'Ada', 'version' => 1],
                ],
            ],
            'steps' => [['id' => 's1', 'kind' => 'group', 'group' => 'g1']],
        ];
        DB::table('revisions')
            ->where('recipe_id', $other->recipe_id)
            ->update(['document' => json_encode($document)]);
        $said = $this->get("/classes/{$this->class->id}/students/$ada->id")->assertOk();
        $said->assertSee('1 works, 1 hand-ins, 2 files, 1 parts of a library');
        $this->delete("/classes/{$this->class->id}/students/$ada->id")->assertRedirect();
        expect(Person::query()->whereKey($ada->id)->exists())
            ->toBeFalse()
            ->and(Work::query()->pluck('id')->all())
            ->toBe([$other->id])
            ->and(HandIn::count())
            ->toBe(0)
            ->and(DB::table('recipes')->where('owner_id', $ada->id)->exists())
            ->toBeFalse()
            ->and(Storage::disk('local')->exists("files/$only->sha"))
            ->toBeFalse()
            ->and(Storage::disk('local')->exists("files/$file->sha"))
            ->toBeTrue()
            ->and(LibraryPart::query()->whereKey($part->id)->exists())
            ->toBeFalse();
        // the name stands nowhere any more
        $left = DB::table('revisions')->where('recipe_id', $other->recipe_id)->value('document');
        expect($left)
            ->not->toContain('Ada')
            ->and(RecipeReader::fromJson($left)->groups['g1']->from->author)
            ->toBe(__('school.somebody'));
        foreach (['people', 'revisions', 'library_versions', 'happenings', 'recipe_edits', 'part_files'] as $table) {
            expect(json_encode(DB::table($table)->get()))->not->toContain('Ada');
        }
        $this->get("/assignments/$assignment->id")->assertOk();
    });

    it('hands out all that is kept of one pupil in open formats', function (): void {
        $work = $this->school->work($this->school->assignment(), null, [['kind' => 'block', 'width' => '44']]);
        $this->school->handIn($work);
        $bytes = $this->get("/classes/{$this->class->id}/students/{$this->school->student->id}/all.zip")
            ->assertOk()
            ->getContent();
        $path = tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $bytes);
        $zip = new ZipArchive();
        $zip->open($path);
        $names = array_map(static fn(int $i): string => (string) $zip->getNameIndex($i), range(0, $zip->numFiles - 1));
        expect($names)->toContain(
            'about.json',
            'marks.csv',
            "works/Drilled-plate-$work->id/recipe.json",
            "works/Drilled-plate-$work->id/try-1-report.json",
        );
        expect(
            RecipeReader::fromJson((string) $zip->getFromName("works/Drilled-plate-$work->id/recipe.json"))->steps[0]->values['width'],
        )->toBe('44');
        expect($zip->getFromName('about.json') . $zip->getFromName('marks.csv'))
            ->toContain('Ada')
            ->not->toContain('password');
    });

    it('puts a class away: nobody works in it, all can be looked at; for good only with its name', function (): void {
        $assignment = $this->school->assignment();
        $this->school->handIn($this->school->work($assignment, null, [['kind' => 'block']]));
        $this->delete("/classes/{$this->class->id}", ['name' => '7a'])->assertForbidden();
        $this->post("/classes/{$this->class->id}/archive")->assertRedirect();
        $this->get("/assignments/$assignment->id")->assertOk();
        $this->get("/classes/{$this->class->id}/marks")->assertOk();
        $this->post('/sign-out');
        $this->post('/sign-in/student', ['class' => 'LARK7', 'own' => 'ADA22', 'pin' => '1234'])->assertSessionHasErrors('pin');
        $this->actingAs($this->school->student)
            ->get("/bench/$assignment->id")
            ->assertForbidden();
        $this->actingAs($this->school->teacher);
        $this->delete("/classes/{$this->class->id}", ['name' => '7b'])->assertSessionHasErrors('name', null, 'remove');
        $this->post("/classes/{$this->class->id}/archive", ['open' => '1']);
        expect($this->class->refresh()->archived_at)->toBeNull();
        $this->post("/classes/{$this->class->id}/archive");
        $this->delete("/classes/{$this->class->id}", ['name' => '7a'])->assertRedirect('/classes');
        expect(SchoolClass::query()->whereKey($this->class->id)->exists())
            ->toBeFalse()
            ->and(Person::query()->where('role', 'student')->pluck('name')->all())
            ->toBe(['Mira'])
            ->and(Assignment::count())
            ->toBe(0);
    });

    it('shares a class with a colleague, and keeps one teacher', function (): void {
        $tom = $this->school->otherTeacher;
        $this->delete("/classes/{$this->class->id}/teachers/{$this->school->teacher->id}")->assertSessionHasErrors(
            'teacher',
            null,
            'class',
        );
        $this->post("/classes/{$this->class->id}/teachers", ['teacher' => $tom->id])->assertRedirect();
        $this->actingAs($tom)
            ->get("/classes/{$this->class->id}")
            ->assertOk()
            ->assertSee('Ada')
            ->assertSee('Tom has the class');
        $this->delete("/classes/{$this->class->id}/teachers/{$this->school->teacher->id}")->assertRedirect();
        $this->actingAs($this->school->teacher)
            ->get("/classes/{$this->class->id}")
            ->assertForbidden();
        $this->actingAs($tom)
            ->post("/classes/{$this->class->id}/teachers", ['teacher' => $this->school->student->id])
            ->assertNotFound();
    });

    it('writes the days when work is due for calendars, under a secret address that can be changed', function (): void {
        $this->school->assignment();
        $this->post('/account/calendar')->assertRedirect('/account');
        $secret = $this->school->teacher->refresh()->calendar;
        $this->post('/sign-out');
        $this->get("/calendar/$secret.ics")
            ->assertOk()
            ->assertHeader('Content-Type', 'text/calendar; charset=utf-8')
            ->assertSee('SUMMARY:Drilled plate (7a)', false)
            ->assertSee('DTSTART;VALUE=DATE:' . today()->addDays(3)->format('Ymd'), false);
        $this->get('/calendar/' . str_repeat('x', 40) . '.ics')->assertNotFound();
        $this->actingAs($this->school->student)->post('/account/calendar');
        $own = $this->school->student->refresh()->calendar;
        $this->get("/calendar/$own.ics")
            ->assertSee('SUMMARY:Drilled plate', false)
            ->assertDontSee('(7a)');
        $this->actingAs($this->school->teacher)->post('/account/calendar');
        $this->get("/calendar/$secret.ics")->assertNotFound();
    });
});

it('removes classes that were put away when the school keeps them no longer, and only those', function (): void {
    $school = new School();
    $work = $school->work($school->assignment(), null, [['kind' => 'block']]);
    $school->handIn($work);
    $school->class->update(['archived_at' => now()->subMonths(7)]);
    $school->otherClass->update(['archived_at' => now()->subMonths(5)]);
    expect(Tidying::classes())->toBe(0);
    SchoolModel::query()->update(['keep_months' => 6]);
    expect(Tidying::classes())
        ->toBe(1)
        ->and(SchoolClass::query()->pluck('name')->all())
        ->toBe(['8b'])
        ->and(Work::count() + HandIn::count())
        ->toBe(0)
        ->and($school->exercise()->exists)
        ->toBeTrue();
});
