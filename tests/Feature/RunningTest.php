<?php

declare(strict_types=1);

use App\Jobs\CheckHandIn;
use App\Models\HandIn;
use App\Support\Attempts;
use App\Support\Tidying;
use App\Support\WorkerSigns;
use Cubo\Recipe\Attempt;
use Illuminate\Queue\MaxAttemptsExceededException;
use Illuminate\Queue\TimeoutExceededException;
use Illuminate\Support\Facades\DB;
use Tests\School;

it('tells from outside whether it works, and to the machine itself how', function (): void {
    $this->get('/up')
        ->assertOk()
        ->assertJsonPath('ok', true)
        ->assertJsonPath('database', 'answers')
        ->assertJsonPath('copy', substr(sha1(base_path()), 0, 8))
        ->assertJsonStructure(['workers', 'oldest_job_seconds', 'free_disk_mb', 'failed_jobs']);
    $this->withServerVariables(['REMOTE_ADDR' => '10.1.2.3'])
        ->get('/up')
        ->assertOk()
        ->assertExactJson(['ok' => true]);
    config(['database.connections.gone' => ['port' => '1'] + config('database.connections.pgsql'), 'database.default' => 'gone']);
    $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])
        ->get('/up')
        ->assertStatus(503)
        ->assertJsonPath('database', 'does not answer');
    config(['database.default' => 'pgsql']);
});

it('says which jobs failed, and how long the oldest one waits', function (): void {
    DB::table('failed_jobs')->insert([
        'uuid' => 'u1',
        'connection' => 'database',
        'queue' => 'default',
        'payload' => json_encode(['displayName' => CheckHandIn::class]),
        'exception' => "RuntimeException: no room\n#0",
    ]);
    DB::table('jobs')->insert([
        'queue' => 'default',
        'payload' => '{}',
        'attempts' => 0,
        'available_at' => time() - 300,
        'created_at' => time() - 300,
    ]);
    $this->artisan('cubo:status')
        ->expectsOutputToContain('CheckHandIn: RuntimeException: no room')
        ->expectsOutputToContain('waited for 30');
    $this->artisan('cubo:status --json')->expectsOutputToContain('"failed_jobs":1');
});

it('gives the job of a killed worker to another one', function (): void {
    $id = DB::table('jobs')->insertGetId([
        'queue' => 'default',
        'payload' => '{}',
        'attempts' => 1,
        'reserved_at' => time(),
        'available_at' => time(),
        'created_at' => time(),
    ]);
    WorkerSigns::begins((string) $id);
    expect(WorkerSigns::release())->toBe(0);
    // a number that is used again by another process is not taken for it
    file_put_contents(storage_path("framework/workers/job-$id"), json_encode([getmypid(), '1']));
    expect(WorkerSigns::release())
        ->toBe(1)
        ->and(DB::table('jobs')->find($id)->reserved_at)
        ->toBeNull();
});

it('says “took too long” only where it did', function (Throwable $e, string $words, string $not): void {
    $s = new School();
    $work = $s->work($s->assignment(), null, [['kind' => 'block']]);
    $handIn = HandIn::begin($work, ['revision_id' => $work->recipe->head()->id]);
    (new CheckHandIn($handIn->id))->failed($e);
    expect((string) json_encode($handIn->fresh()->report))->toContain($words)->not->toContain($not);
})->with([
    [fn() => new TimeoutExceededException('x'), 'took too long', 'our side'],
    [fn() => new MaxAttemptsExceededException('x'), 'broken off', 'took too long'],
    [fn() => new RuntimeException('x'), 'our side', 'took too long'],
]);

it('keeps made parts within their size, what was asked for longest ago first', function (): void {
    $folder = Tidying::partsFolder() . '/zz';
    @mkdir($folder, 0775, true);
    foreach (['old' => 3000, 'new' => 1] as $name => $age) {
        file_put_contents("$folder/$name.solid", str_repeat('x', 700_000));
        touch("$folder/$name.solid", time() - ($name === 'old' ? 40_000_000 : 0), time() - ($name === 'old' ? 40_000_000 : 0));
    }
    expect(Tidying::prune(100_000))->toBe(0);
    $before = Tidying::partsMegabytes();
    Tidying::prune(max(1, $before));
    clearstatcache();
    expect(is_file("$folder/old.solid"))->toBeFalse();
    @unlink("$folder/new.solid");
});

it('tries work that killed its worker twice no third time', function (): void {
    $path = sys_get_temp_dir() . '/tried-' . bin2hex(random_bytes(4));
    expect(Attempts::begin($path))->toBe(Attempt::First);
    Attempts::end($path);
    expect(is_file($path))->toBeFalse();
    // a process that is not there any more left its note
    file_put_contents($path, json_encode([999_999, '1', 0]));
    expect(Attempts::begin($path))->toBe(Attempt::First);
    file_put_contents($path, json_encode([999_999, '1', 1]));
    expect(Attempts::begin($path))->toBe(Attempt::Fatal);
    // process 1 is at it at this moment
    file_put_contents($path, json_encode([1, Attempts::startOf(1), 0]));
    expect(Attempts::begin($path))->toBe(Attempt::Elsewhere);
    unlink($path);
});

it('keeps the time of the school', function (): void {
    expect(config('app.timezone'))->toBe((string) env('APP_TIMEZONE', 'UTC'))->and(config('queue.failed.database'))->toBe('pgsql');
});
