<?php

declare(strict_types=1);

/*
 * Watches what ./cubo start runs: the database, php-fpm, nginx and the queue workers. What ends is started again, with
 * waiting times that grow while it keeps ending, and said. What an earlier run left behind is known by its number and by
 * when it began, and ended first. Plain PHP: it must run while everything else is down.
 */

$root = dirname(__DIR__);
$run = getenv('RUN_DIR') ?: "$root/storage/run";
$port = (int) (getenv('PORT') ?: 8085);
// nobody asked for this one: another free one does as well
$anyPort = getenv('ANY_PORT') === '1';
$copy = substr(sha1($root), 0, 8);
$workers = (int) (getenv('QUEUE_WORKERS') ?: 2);
$jit = ['-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=function', '-d', 'opcache.jit_buffer_size=64M'];

/** When a process began, in clock ticks since the machine did (field 22 of proc(5)); null for one that is not there or has ended. */
function began(int $pid): ?string
{
    $stat = @file_get_contents("/proc/$pid/stat");
    if ($stat === false) {
        return null;
    }
    $fields = explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));

    return $fields[0] === 'Z' ? null : $fields[19] ?? null;
}

function say(string $text): void
{
    echo date('H:i:s '), $text, "\n";
}

/** Ends a process and all in its group. */
function finish(int $pid, string $start, int $patience = 50): void
{
    if (began($pid) !== $start) {
        // its group may live on without it
        posix_kill(-$pid, SIGKILL);

        return;
    }
    posix_kill(-$pid, SIGTERM) || posix_kill($pid, SIGTERM);
    for ($i = 0; $i < $patience && began($pid) === $start; $i++) {
        pcntl_waitpid($pid, $status, WNOHANG);
        usleep(100_000);
    }
    posix_kill(-$pid, SIGKILL);
    pcntl_waitpid($pid, $status, WNOHANG);
}

final class Service
{
    public int $pid = 0;

    public string $start = '';

    public float $since = 0.0;

    public float $next = 0.0;

    public int $falls = 0;

    /** @param list<string> $command */
    public function __construct(
        public readonly string $name,
        public readonly array $command,
        private readonly string $log,
        private readonly int $nice = 0,
    ) {}

    public function begin(): void
    {
        // what is left of the one before: children of a master that was killed still hold its port
        if ($this->pid > 0) {
            posix_kill(-$this->pid, SIGKILL);
            usleep(100_000);
        }
        $pid = pcntl_fork();
        if ($pid === 0) {
            posix_setsid();
            if ($this->nice > 0) {
                pcntl_setpriority($this->nice);
            }
            pcntl_sigprocmask(SIG_UNBLOCK, [SIGTERM, SIGINT, SIGHUP, SIGCHLD]);
            $out = fopen($this->log, 'ab');
            // the standard streams are closed and opened anew in their order
            fclose(STDIN);
            fclose(STDOUT);
            fclose(STDERR);
            $in = fopen('/dev/null', 'rb');
            $one = fopen($this->log, 'ab');
            $two = fopen($this->log, 'ab');
            pcntl_exec($this->command[0], array_slice($this->command, 1));
            exit(127);
        }
        $this->pid = $pid;
        $this->since = microtime(true);
        usleep(20_000);
        $this->start = began($pid) ?? '';
    }

    public function runs(): bool
    {
        return pcntl_waitpid($this->pid, $status, WNOHANG) === 0 && began($this->pid) !== null;
    }
}

/** Whether something answers on a port of this machine. */
function taken(int $port): bool
{
    $there = @fsockopen('127.0.0.1', $port, $code, $words, 1.0);

    return $there !== false && fclose($there);
}

/** Full path of a command. */
function where(string $name): string
{
    foreach (explode(':', getenv('PATH') . ':/usr/sbin:/usr/local/bin') as $folder) {
        if (is_executable("$folder/$name")) {
            return "$folder/$name";
        }
    }
    fwrite(STDERR, "cubo: $name is not installed\n");
    exit(1);
}

/** @param list<string> $command */
function done(array $command, array $env = []): bool
{
    $p = proc_open(
        $command,
        [1 => ['file', '/dev/null', 'w'], 2 => ['pipe', 'w']],
        $pipes,
        dirname(__DIR__),
        $env === [] ? null : $env + getenv(),
    );
    $words = trim((string) stream_get_contents($pipes[2]));
    $ok = proc_close($p) === 0;
    if (!$ok && $words !== '') {
        say($words);
    }

    return $ok;
}

// what an earlier run left behind
$book = "$run/children.json";
foreach (json_decode((string) @file_get_contents($book), true) ?: [] as $child) {
    if (is_int($child['pid'] ?? null) && is_string($child['start'] ?? null) && began($child['pid']) === $child['start']) {
        say("An earlier run left its {$child['name']} behind; it is ended.");
        finish($child['pid'], $child['start']);
    }
}

$fpm = [
    where('php-fpm8.2'),
    ...posix_geteuid() === 0 ? ['-R'] : [],
    '-F',
    '-y',
    "$run/fpm.conf",
    '-d',
    'opcache.jit=' . (getenv('JIT') ?: 'function'),
    '-d',
    'opcache.jit_buffer_size=64M',
];
/** @var array<string, Service> $services */
$services = [
    'php-fpm' => new Service('php-fpm', $fpm, "$run/fpm.out"),
    'nginx' => new Service('nginx', [where('nginx'), '-p', $run, '-c', "$run/nginx.conf"], "$run/nginx.out"),
];
for ($i = 1; $i <= $workers; $i++) {
    // what can wait gives way to the benches: hand-ins of a whole class are measured beside them
    $services["worker $i"] = new Service(
        "worker $i",
        [
            PHP_BINARY,
            ...$jit,
            '-d',
            'memory_limit=512M',
            "$root/artisan",
            'queue:work',
            '--quiet',
            '--tries=3',
            '--timeout=170',
            '--max-jobs=500',
            '--max-time=3600',
            '--sleep=0.5',
        ],
        "$run/worker.out",
        10,
    );
}
$write = static function () use (&$services, $book): void {
    file_put_contents(
        "$book.new",
        (string) json_encode(
            array_map(
                static fn(Service $s): array => ['name' => $s->name, 'pid' => $s->pid, 'start' => $s->start],
                array_values($services),
            ),
        ),
    );
    rename("$book.new", $book);
};

$over = false;
pcntl_async_signals(true);
foreach ([SIGTERM, SIGINT, SIGHUP] as $signal) {
    pcntl_signal($signal, static function () use (&$over): void {
        $over = true;
    });
}
file_put_contents("$run/watch.pid", getmypid() . ' ' . began((int) getmypid()));
foreach ($services as $s) {
    $s->begin();
}
$write();

// says it once when all is there
$ready = false;
$asked = $tidied = 0.0;
$absent = 0;
$databaseNext = 0.0;
$databaseFalls = 0;
while (!$over) {
    usleep(200_000);
    $now = microtime(true);
    foreach ($services as $s) {
        if ($s->runs()) {
            $s->falls = $now - $s->since > 60 ? 0 : $s->falls;

            continue;
        }
        if (!$ready && $anyPort && $s->name === 'nginx' && taken($port)) {
            // another copy was a moment quicker
            for ($other = $port + 1; taken($other); $other++);
            say("Port $port was taken a moment ago; $other is taken instead.");
            $port = $other;
            done(["$root/bin/serve", 'write'], ['PORT' => (string) $port]);
            $s->begin();
            $write();

            continue;
        }
        if ($s->next <= $s->since) {
            // a worker that has done its jobs, or its hour, ends by itself
            $meant = str_starts_with($s->name, 'worker') && $now - $s->since > 60;
            $wait = $meant || $s->falls === 0 ? 0.0 : min(30.0, 0.5 * 2 ** ($s->falls - 1));
            $s->next = $now + $wait;
            $s->falls += $meant ? 0 : 1;
            if (!$meant) {
                say(
                    "$s->name ended" .
                        ($wait > 0 ? sprintf('; started again in %.1f seconds', $wait) : '; started again') .
                        ($s->falls > 3 ? ", the reason may be in $run" : ''),
                );
                if (str_starts_with($s->name, 'worker')) {
                    // what it was working on is not lost, and need not wait until it is thought to be
                    done([PHP_BINARY, "$root/artisan", 'cubo:release', '-q']);
                }
            }
        }
        if ($now >= $s->next && !$over) {
            $s->begin();
            $write();
        }
    }
    // whether the database runs is asked of the database
    if ($now - $asked >= 1.0) {
        $asked = $now;
        $absent = done(["$root/bin/pg", 'answers']) ? 0 : $absent + 1;
        if ($absent === 0) {
            $databaseFalls = $databaseFalls > 0 && $now - $databaseNext > 60 ? 0 : $databaseFalls;
        } elseif ($now >= $databaseNext) {
            $wait = $databaseFalls === 0 ? 0.0 : min(30.0, 0.5 * 2 ** ($databaseFalls - 1));
            $databaseFalls++;
            $databaseNext = $now + $wait;
            say('The database does not answer; it is started again.');
            say(
                done(["$root/bin/pg", 'start', 'cubo'])
                    ? 'The database answers again.'
                    : 'The database could not be started yet; it is tried again.',
            );
        }
    }
    if (!$ready) {
        $answer = json_decode(
            (string) @file_get_contents("http://127.0.0.1:$port/up", false, stream_context_create(['http' => ['timeout' => 2]])),
            true,
        );
        // on this port another copy may answer
        if (($answer['ok'] ?? false) === true && ($answer['copy'] ?? '') === $copy) {
            $ready = true;
            file_put_contents("$run/ready", (string) $port);
        }
    }
    if ($now - $tidied > 600) {
        $tidied = $now;
        done([PHP_BINARY, "$root/artisan", 'cubo:tidy', '-q']);
    }
}
foreach (array_reverse($services) as $s) {
    finish($s->pid, $s->start);
}
@unlink($book);
@unlink("$run/watch.pid");
