<?php

declare(strict_types=1);

/*
 * The figures of `./cubo bench --class`: a hundred pupils of three classes sign in at one bell from one address, a third of
 * them mistyping once, build a part at once with the pauses of somebody who types, and hand it in. In every other stretch of
 * time the tables of the three classes are watched, so that what this costs the edits is seen. First argument: the
 * address of a server with the demo school; two queue workers of low priority must run beside it.
 */

use App\Models\Assignment;
use App\Models\Exercise;
use App\Models\HandIn;
use App\Models\Person;
use App\Models\SchoolClass;
use Illuminate\Contracts\Console\Kernel;

require __DIR__ . '/../../vendor/autoload.php';
$app = require __DIR__ . '/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const PUPILS = 100;
const EDITS = 12;
const PAUSE = 6.0;
const WATCH = 4.0;
const STRETCH = 12;

$base = $argv[1];
$exercise = Exercise::query()->where('title', 'like', 'Corner block%')->firstOrFail();
$school = Person::query()->where('role', 'teacher')->firstOrFail()->school_id;
$pin = App\Models\Codes::pin('4711');
$pupils = $watched = [];
for ($c = 0; $c < 3; $c++) {
    $class = SchoolClass::create(['school_id' => $school, 'name' => "bench $c", 'code' => "BENCH$c"]);
    $assignment = Assignment::create(['exercise_id' => $exercise->id, 'class_id' => $class->id, 'due_on' => today()->addWeek()]);
    $class->teachers()->attach(Person::query()->where('role', 'teacher')->orderBy('id')->firstOrFail());
    $watched[] = $assignment->id;
    for ($i = 0; count($pupils) < (int) ceil((PUPILS * ($c + 1)) / 3); $i++) {
        Person::create([
            'school_id' => $school,
            'role' => 'student',
            'name' => "Bench $c $i",
            'class_id' => $class->id,
            'bench' => $i,
            'code' => sprintf('BEN%02d', $i),
            'password' => $pin,
        ]);
        $pupils[] = ['class' => "BENCH$c", 'own' => sprintf('BEN%02d', $i), 'assignment' => $assignment->id];
    }
}

/** What one pupil does next: yields requests [path, form or null], gets [status, body, ms], and pauses as numbers of seconds. */
$pupil = static function (int $k, array $p): Generator {
    $token = static fn(string $html): string => preg_match('/name="csrf-token" content="([^"]+)"/', $html, $m) ? $m[1] : '';
    yield mt_rand(0, 8000) / 1000;
    [, $page] = (yield ['sign', '/sign-in', null]);
    $form = ['_token' => $token($page), 'class' => $p['class'], 'own' => $p['own']];
    if ($k % 3 === 0) {
        yield ['sign', '/sign-in/student', $form + ['pin' => '4712']];
        [, $page] = (yield ['sign', '/sign-in', null]);
        $form['_token'] = $token($page);
    }
    [$status] = (yield ['sign', '/sign-in/student', $form + ['pin' => '4711']]);
    [$status, $page] = (yield ['page', "/bench/{$p['assignment']}", null]);
    if (!preg_match('#/recipes/(\d+)/edit#', $page, $m)) {
        throw new RuntimeException("no bench for pupil $k: $status");
    }
    preg_match('/data-version="(\d+)"/', $page, $v);
    $version = (int) $v[1];
    $head = ['_token' => $token($page), 'line' => "benchpupil$k"];
    $edits = [
        ['do' => 'add', 'kind' => 'block'],
        ['do' => 'set', 'step' => 's1', 'values' => ['width' => '60']],
        ['do' => 'set', 'step' => 's1', 'values' => ['depth' => '40']],
        ['do' => 'set', 'step' => 's1', 'values' => ['height' => '24']],
        ['do' => 'add', 'kind' => 'block'],
        ['do' => 'set', 'step' => 's2', 'values' => ['effect' => 'cut']],
        ['do' => 'set', 'step' => 's2', 'values' => ['z' => '12']],
        ['do' => 'set', 'step' => 's2', 'values' => ['x' => (string) (20 + $k / 1000)]],
        ['do' => 'add', 'kind' => 'cylinder'],
        ['do' => 'set', 'step' => 's3', 'values' => ['effect' => 'cut']],
        ['do' => 'set', 'step' => 's3', 'values' => ['round' => '8']],
        ['do' => 'set', 'step' => 's3', 'values' => ['x' => (string) (-15 - $k / 1000)]],
    ];
    foreach (array_slice($edits, 0, EDITS) as $n => $edit) {
        yield PAUSE * (0.5 + mt_rand(0, 1000) / 1000);
        [$status, $page] = (yield ['edit', "/recipes/{$m[1]}/edit", $head + ['number' => $n + 1, 'version' => $version] + $edit]);
        if ($status === 200 && preg_match('/data-version="(\d+)"/', $page, $v)) {
            $version = (int) $v[1];
        }
    }
    preg_match('#/works/(\d+)/hand-in#', $page, $w);
    yield ['hand', "/works/{$w[1]}/hand-in", ['_token' => $head['_token'], 'version' => $version]];
};

/** Whether the tables are watched now. */
$isWatched = static function () use (&$began): bool {
    return (int) ((microtime(true) - $began) / STRETCH) % 2 === 1;
};
$atWork = count($pupils);

/** A teacher before the table of a class, as long as somebody builds. */
$teacher = static function (int $assignment) use (&$atWork, $isWatched): Generator {
    [, $page] = (yield ['sign', '/sign-in', null]);
    preg_match('/name="csrf-token" content="([^"]+)"/', $page, $m);
    yield ['sign', '/sign-in/teacher', ['_token' => $m[1] ?? '', 'email' => 'ines.halloran@hillside.example', 'password' => 'garden-gate']];
    $since = '';
    while ($atWork > 0) {
        yield WATCH;
        if ($isWatched()) {
            [$status, $table] = (yield ['live', "/assignments/$assignment/live?since=$since", null]);
            $since = $status === 200 && preg_match('/since=([0-9a-f]{40})/', $table, $m) ? $m[1] : $since;
        }
    }
};

$multi = curl_multi_init();
$times = $errors = [];
$running = $due = $jars = [];
$go = static function (int $k, Generator $g) use (&$running, &$due, $multi, $base, &$jars): void {
    $now = microtime(true);
    if (!$g->valid()) {
        return;
    }
    $next = $g->current();
    if (!is_array($next)) {
        $due[$k] = [$now + (float) $next, $g];

        return;
    }
    [$kind, $path, $form] = $next;
    $jars[$k] ??= (string) tempnam(sys_get_temp_dir(), 'pupil');
    $c = curl_init($base . $path);
    curl_setopt_array(
        $c,
        [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $jars[$k], CURLOPT_COOKIEFILE => $jars[$k], CURLOPT_TIMEOUT => 60] +
            ($form === null ? [] : [CURLOPT_POSTFIELDS => http_build_query($form)]),
    );
    curl_multi_add_handle($multi, $c);
    $running[(int) $c] = [$k, $g, $kind, $now, $c];
};
$began = microtime(true);
foreach ($pupils as $k => $p) {
    $go($k, $pupil($k, $p));
}
foreach ($watched as $c => $id) {
    $go(PUPILS + $c, $teacher($id));
}
while ($running !== [] || $due !== []) {
    curl_multi_exec($multi, $active);
    while ($info = curl_multi_info_read($multi)) {
        [$k, $g, $kind, $at, $c] = $running[(int) $info['handle']];
        unset($running[(int) $info['handle']]);
        $status = (int) curl_getinfo($c, CURLINFO_RESPONSE_CODE);
        $times[$kind][] = 1000 * (microtime(true) - $at);
        $kind !== 'edit' || ($times[$isWatched() ? 'while watched' : 'unwatched'][] = 1000 * (microtime(true) - $at));
        $atWork -= $kind === 'hand' ? 1 : 0;
        if ($status === 0 || $status >= 400) {
            $errors[] = "$kind $status";
        }
        $body = (string) curl_multi_getcontent($c);
        curl_multi_remove_handle($multi, $c);
        // the cookies are written when the handle goes
        unset($c, $info);
        $g->send([$status, $body]);
        $go($k, $g);
    }
    foreach ($due as $k => [$at, $g]) {
        if ($at <= microtime(true)) {
            unset($due[$k]);
            $g->next();
            $go($k, $g);
        }
    }
    curl_multi_select($multi, 0.02);
}
$built = microtime(true) - $began;
$ids = HandIn::query()->whereRelation('work.assignment.schoolClass', 'code', 'like', 'BENCH%')->pluck('id');
$wait = microtime(true);
do {
    usleep(250_000);
    $left = HandIn::query()->whereIn('id', $ids)->whereNull('checked_at')->count();
} while ($left > 0 && microtime(true) - $wait < 300);
array_map(unlink(...), $jars);
printf(
    "%d pupils at once on %d processors, an edit of each every %.0f s: %d hand-ins in %.0f s, %d errors%s\n",
    PUPILS,
    (int) shell_exec('nproc'),
    PAUSE,
    count($ids),
    $built,
    count($errors),
    $errors === [] ? '' : ' (' . implode(', ', array_slice(array_keys(array_count_values($errors)), 0, 5)) . ')',
);
foreach (
    [
        'sign' => 'signing in',
        'page' => 'opening the bench',
        'edit' => 'an edit',
        'unwatched' => '  not watched',
        'while watched' => '  while watched',
        'live' => 'a class table',
        'hand' => 'handing in',
    ]
    as $kind => $words
) {
    $t = $times[$kind] ?? [0.0];
    sort($t);
    printf(
        "%-18s %5d times, median %5.0f ms, p95 %5.0f, slowest %5.0f\n",
        $words,
        count($t),
        $t[intdiv(count($t), 2)],
        $t[(int) floor(0.95 * (count($t) - 1))],
        $t[count($t) - 1],
    );
}
printf("all hand-ins reported %s after the last one\n", $left === 0 ? sprintf('%.0f s', microtime(true) - $wait) : "but $left");
