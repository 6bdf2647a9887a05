<?php

declare(strict_types=1);

use Illuminate\Support\Facades\RateLimiter;
use Tests\School;

beforeEach(function (): void {
    $this->school = new School;
    RateLimiter::clear('');
});

it('leads guests to the sign-in page', function (string $path): void {
    $this->get($path)->assertRedirect('/sign-in');
})->with(['/', '/bench/1', '/exercises/new', '/assignments/1', '/hand-ins/1', '/recipes/1/part.stl']);

it('signs students in by class code, name and PIN', function (): void {
    $this->post('/sign-in/class', ['code' => ' lark7 '])->assertRedirect('/sign-in');
    $this->get('/sign-in')->assertSee('Ada')->assertSee('Bruno')->assertDontSee('Mira');
    $this->post('/sign-in/student', ['student' => $this->school->student->id, 'pin' => '1234'])->assertRedirect('/');
    $this->assertAuthenticatedAs($this->school->student);
    $this->get('/')->assertSee('My work');
});

it('says at the field what is wrong and keeps what was typed', function (): void {
    $this->from('/sign-in')->post('/sign-in/class', ['code' => 'NOPE'])->assertSessionHasErrors('code');
    $this->get('/sign-in')->assertSee('No class has the code')->assertSee('value="NOPE"', false);
    $this->post('/sign-in/class', ['code' => 'LARK7']);
    $this->from('/sign-in')->post('/sign-in/student', ['student' => $this->school->student->id, 'pin' => '0000'])->assertSessionHasErrors('pin');
    $this->get('/sign-in')->assertSee('not the PIN')->assertSee('checked', false);
    $this->assertGuest();
});

it('does not take a student of another class', function (): void {
    $this->post('/sign-in/class', ['code' => 'LARK7']);
    $this->post('/sign-in/student', ['student' => $this->school->stranger->id, 'pin' => '3456'])->assertSessionHasErrors('student');
    $this->assertGuest();
});

it('signs teachers in by e-mail and password', function (): void {
    $this->post('/sign-in/teacher', ['email' => 'INES@test.example', 'password' => 'long-password'])->assertRedirect('/');
    $this->assertAuthenticatedAs($this->school->teacher);
    $this->get('/')->assertSee('Classes and exercises');
});

it('refuses a wrong password, an unknown address and a student’s number with the same words', function (string $email, string $password): void {
    $this->from('/sign-in')->post('/sign-in/teacher', compact('email', 'password'))->assertSessionHasErrors(['password' => 'E-mail address and password do not belong together.']);
    $this->assertGuest();
})->with([['ines@test.example', 'wrong'], ['nobody@test.example', 'long-password']]);

it('limits tries at a PIN', function (): void {
    $this->post('/sign-in/class', ['code' => 'LARK7']);
    for ($i = 0; $i < 5; $i++) {
        $this->post('/sign-in/student', ['student' => $this->school->student->id, 'pin' => "000$i"]);
    }
    // even the right one has to wait now
    $this->post('/sign-in/student', ['student' => $this->school->student->id, 'pin' => '1234'])->assertSessionHasErrors('pin');
    expect(session('errors')->first('pin'))->toContain('too many tries');
    $this->assertGuest();
});

it('limits tries at a password', function (): void {
    for ($i = 0; $i < 5; $i++) {
        $this->post('/sign-in/teacher', ['email' => 'ines@test.example', 'password' => "wrong$i"]);
    }
    $this->post('/sign-in/teacher', ['email' => 'ines@test.example', 'password' => 'long-password'])->assertSessionHasErrors('password');
    $this->assertGuest();
});

it('signs out', function (): void {
    $this->actingAs($this->school->teacher)->post('/sign-out')->assertRedirect('/sign-in');
    $this->assertGuest();
});

it('sends headers that keep strangers’ scripts and frames out', function (): void {
    $this->get('/sign-in')->assertHeader('X-Content-Type-Options', 'nosniff')->assertHeader('Content-Security-Policy');
});
