<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\School;

beforeEach(function (): void {
    $this->school = new School();
    // a device is a cookie that the page sets; each person here has one of their own
    $this->try = fn(
        string $device,
        string $class,
        string $own,
        string $pin,
        string $address = '10.0.0.1',
    ): TestResponse => $this->withCookie(config('session.cookie') . '_device', str_pad($device, 32, 'x'))
        ->from('/sign-in')
        ->withServerVariables(['REMOTE_ADDR' => $address])
        ->post('/sign-in/student', ['class' => $class, 'own' => $own, 'pin' => $pin]);
    $this->teach = fn(string $device, string $email, string $password, string $address = '10.0.0.1'): TestResponse => $this->withCookie(
        config('session.cookie') . '_device',
        str_pad($device, 32, 'x'),
    )
        ->from('/sign-in')
        ->withServerVariables(['REMOTE_ADDR' => $address])
        ->post('/sign-in/teacher', compact('email', 'password'));
    $this->leave = function (): void {
        $this->post('/sign-out');
        $this->assertGuest();
    };
});

it('leads guests to the sign-in page', function (string $path): void {
    $this->get($path)->assertRedirect('/sign-in');
})->with(['/', '/bench/1', '/exercises/new', '/assignments/1', '/hand-ins/1', '/recipes/1/part.stl', '/classes/1']);

it('signs students in by class code, own code and PIN, however they are typed', function (): void {
    ($this->try)('ada', ' lark-7 ', 'ada 22', '1234')->assertRedirect('/');
    $this->assertAuthenticatedAs($this->school->student);
    $this->get('/')->assertSee('My work');
});

it('shows no names to a guest', function (): void {
    $page = $this->get('/sign-in')->assertOk()->assertDontSee('Ada')->assertDontSee('Bruno');
    ($this->try)('x', 'LARK7', 'NOPE', '1234');
    $this->get('/sign-in')->assertDontSee('Ada');
    $page->assertCookie(config('session.cookie') . '_device');
});

it('says at the field what is missing, the same words for whatever is wrong, and keeps the codes', function (): void {
    ($this->try)('a', '', 'ADA22', '1234')->assertSessionHasErrors(['class' => 'Type the code of your class; it is on your card.']);
    ($this->try)('a', 'LARK7', '', '1234')->assertSessionHasErrors('own');
    ($this->try)('a', 'LARK7', 'ADA22', '')->assertSessionHasErrors('pin');
    foreach (
        [['LARK7', 'ADA22', '0000'], ['LARK7', 'ZZZ99', '1234'], ['NOPE', 'ADA22', '1234'], ['WREN8', 'ADA22', '1234']]
        as $k => [$class, $own, $pin]
    ) {
        ($this->try)("b$k", $class, $own, $pin)->assertSessionHasErrors([
            'pin' => 'These three do not belong together. Look at your card once more.',
        ]);
        $this->assertGuest();
    }
    $this->get('/sign-in')->assertSee('value="WREN8"', false)->assertSee('value="ADA22"', false)->assertDontSee('1234');
});

it('remembers both codes on a device only where that is wanted', function (): void {
    ($this->try)('ada', 'LARK7', 'ADA22', '1234')->assertCookieExpired(config('session.cookie') . '_last');
    ($this->leave)();
    $this->withCookie(config('session.cookie') . '_device', str_repeat('a', 32))
        ->post('/sign-in/student', ['class' => 'lark7', 'own' => 'ada22', 'pin' => '1234', 'keep' => '1'])
        ->assertCookie(config('session.cookie') . '_last', 'LARK7 ADA22');
    ($this->leave)();
    $this->withCookie(config('session.cookie') . '_last', 'LARK7 ADA22')
        ->get('/sign-in')
        ->assertSee('value="LARK7"', false)
        ->assertSee('value="ADA22"', false);
    $this->withCookie(config('session.cookie') . '_last', '"><script>')
        ->get('/sign-in')
        ->assertOk()
        ->assertDontSee('<script>"', false);
});

it('lets two classes behind one address in at the bell, a third of them mistyping', function (): void {
    $people = [];
    foreach (['LARK7' => $this->school->class, 'WREN8' => $this->school->otherClass] as $code => $class) {
        for ($i = 10; $i < 40; $i++) {
            App\Models\Person::create([
                'school_id' => $class->school_id,
                'role' => 'student',
                'name' => "Pupil $i",
                'class_id' => $class->id,
                'bench' => $i,
                'code' => "PUP$i",
                'password' => '4711',
            ]);
            $people[] = [$code, "PUP$i", $i];
        }
    }
    foreach ($people as $k => [$class, $own, $i]) {
        if ($i % 3 === 0) {
            ($this->try)("new$k", $class, $own, '4712')->assertSessionHasErrors('pin');
        }
        ($this->try)("new$k", $class, $own, '4711')->assertRedirect('/');
        ($this->leave)();
    }
    expect(DB::table('sign_in_tries')->count())->toBe(0);
});

it('slows the device that mistypes, not the student', function (): void {
    ($this->try)('ada', 'LARK7', 'ADA22', '1234')->assertRedirect('/');
    ($this->leave)();
    for ($i = 0; $i < 5; $i++) {
        ($this->try)('rascal', 'LARK7', 'ADA22', "000$i");
    }
    ($this->try)('rascal', 'LARK7', 'ADA22', '1234')->assertSessionHasErrors('pin');
    expect(session('errors')->first('pin'))->toContain('too many tries');
    // across codes: another student is no way round it
    ($this->try)('rascal', 'LARK7', 'BRU22', '2345')->assertSessionHasErrors('pin');
    $this->assertGuest();
    // the student's own device is not concerned, and a new one neither
    ($this->try)('ada', 'LARK7', 'ADA22', '1234')->assertRedirect('/');
    ($this->leave)();
    ($this->try)('adanew', 'LARK7', 'ADA22', '1234')->assertRedirect('/');
    ($this->leave)();
    // after a while the other may try again
    $this->travel(20)->minutes();
    ($this->try)('rascal', 'LARK7', 'BRU22', '2345')->assertRedirect('/');
});

it('slows who throws the cookie away too, and a teacher sees and lifts it', function (): void {
    for ($i = 0; $i < 14; $i++) {
        ($this->try)("new$i", 'LARK7', 'ADA22', "00$i");
    }
    ($this->try)('another', 'LARK7', 'ADA22', '1234')->assertSessionHasErrors('pin');
    // from elsewhere, and others from here, are not concerned
    ($this->try)('home', 'LARK7', 'ADA22', '1234', '10.9.9.9')->assertRedirect('/');
    ($this->leave)();
    ($this->try)('bruno', 'LARK7', 'BRU22', '2345')->assertRedirect('/');
    ($this->leave)();
    $class = $this->school->class;
    $this->actingAs($this->school->teacher)
        ->get("/classes/{$class->id}")
        ->assertOk()
        ->assertSee('wrong tries')
        ->assertSee('ADA22');
    $this->post("/classes/{$class->id}/students/{$this->school->student->id}/lift")->assertRedirect();
    $this->get("/classes/{$class->id}")
        ->assertSee('Ada can try again at once')
        ->assertDontSee('wrong tries');
    ($this->leave)();
    ($this->try)('another', 'LARK7', 'ADA22', '1234')->assertRedirect('/');
});

it('slows guesses at codes that nobody has', function (): void {
    for ($i = 0; $i < 5; $i++) {
        ($this->try)('rascal', "WORD$i", "ABC$i", '1234');
    }
    ($this->try)('rascal', 'LARK7', 'ADA22', '1234')->assertSessionHasErrors('pin');
});

it('does not let a student lock a teacher out', function (): void {
    ($this->teach)('desk', 'ines@test.example', 'long-password')->assertRedirect('/');
    ($this->leave)();
    for ($i = 0; $i < 40; $i++) {
        ($this->teach)("new$i", 'ines@test.example', "wrong$i");
    }
    ($this->teach)('desk', 'ines@test.example', 'long-password')->assertRedirect('/');
    ($this->leave)();
    ($this->teach)('newlaptop', 'ines@test.example', 'long-password')->assertRedirect('/');
});

it('gives a class another code', function (): void {
    $class = $this->school->class;
    $this->actingAs($this->school->teacher)
        ->post("/classes/{$class->id}/code")
        ->assertRedirect("/classes/{$class->id}");
    $code = $class->fresh()->code;
    expect($code)->not->toBe('LARK7')->toMatch('/^[A-Z]{4,8}[2-9]{2}$/');
    ($this->leave)();
    ($this->try)('ada', 'LARK7', 'ADA22', '1234')->assertSessionHasErrors('pin');
    ($this->try)('ada', $code, 'ADA22', '1234')->assertRedirect('/');
    foreach ([$this->school->student, $this->school->otherTeacher] as $other) {
        $this->actingAs($other)
            ->get("/classes/{$class->id}")
            ->assertForbidden();
        $this->actingAs($other)
            ->post("/classes/{$class->id}/code")
            ->assertForbidden();
        $this->actingAs($other)
            ->post("/classes/{$class->id}/students/{$this->school->student->id}/lift")
            ->assertForbidden();
    }
});

it('gives every student a code of their own', function (): void {
    $p = App\Models\Person::create([
        'school_id' => $this->school->class->school_id,
        'role' => 'student',
        'name' => 'Nobody yet',
        'class_id' => $this->school->class->id,
        'password' => '1',
    ]);
    expect($p->code)->toMatch('/^[A-Z]{3}[2-9]{2}$/');
});

it('signs teachers in by e-mail and password', function (): void {
    ($this->teach)('desk', 'INES@test.example', 'long-password')->assertRedirect('/');
    $this->assertAuthenticatedAs($this->school->teacher);
    $this->get('/')->assertSee('Classes and exercises');
});

it('refuses a wrong password and an unknown address with the same words', function (string $email, string $password): void {
    ($this->teach)('desk', $email, $password)->assertSessionHasErrors([
        'password' => 'E-mail address and password do not belong together.',
    ]);
    $this->assertGuest();
})->with([['ines@test.example', 'wrong'], ['nobody@test.example', 'long-password']]);

it('limits tries at a password', function (): void {
    for ($i = 0; $i < 5; $i++) {
        ($this->teach)('desk', 'ines@test.example', "wrong$i");
    }
    ($this->teach)('desk', 'ines@test.example', 'long-password')->assertSessionHasErrors('password');
    $this->assertGuest();
});

it('signs out', function (): void {
    $this->actingAs($this->school->teacher)->post('/sign-out')->assertRedirect('/sign-in');
    $this->assertGuest();
});

it('sends headers that keep strangers’ scripts and frames out', function (): void {
    $this->get('/sign-in')->assertHeader('X-Content-Type-Options', 'nosniff')->assertHeader('Content-Security-Policy');
});
