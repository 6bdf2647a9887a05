<?php

declare(strict_types=1);

/*
 * Kills everything that Cubo runs, one after the other and the hard way, while a pupil edits and hands in. Nothing that was
 * acknowledged may be lost, and everything must answer again within ten seconds. Called by `./cubo test faults` with the
 * settings of a database, a port and a folder of its own; argument: the address.
 */

use App\Models\HandIn;
use App\Models\Recipe;
use Illuminate\Contracts\Console\Kernel;
use Tests\Pace;

require __DIR__ . '/../../vendor/autoload.php';
$app = require __DIR__ . '/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

$base = $argv[1];
$run = (string) getenv('RUN_DIR');
$jar = (string) tempnam(sys_get_temp_dir(), 'kills');
$http = static function (string $path, ?array $form = null) use ($base, $jar): array {
    $c = curl_init($base . $path);
    curl_setopt_array(
        $c,
        [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_COOKIEJAR => $jar,
            CURLOPT_COOKIEFILE => $jar,
            CURLOPT_TIMEOUT => 12,
            CURLOPT_CONNECTTIMEOUT => 2,
        ] + ($form === null ? [] : [CURLOPT_POSTFIELDS => http_build_query($form)]),
    );
    $body = (string) curl_exec($c);
    $out = [(int) curl_getinfo($c, CURLINFO_RESPONSE_CODE), $body];
    curl_close($c);

    return $out;
};
$token = static fn(string $html): string => preg_match('/name="_token" value="([^"]+)"|name="csrf-token" content="([^"]+)"/', $html, $m)
    ? ($m[1] ?:
    $m[2])
    : '';
$fail = static function (string $words): never {
    fwrite(STDERR, "kills: $words\n");
    exit(1);
};

$form = $token($http('/sign-in')[1]);
$http('/sign-in/student', [
    '_token' => $form,
    'class' => 'WREN8',
    'own' => Database\Seeders\DemoSchoolSeeder::code('Quentin'),
    'pin' => '4711',
]);
$assignment =
    App\Models\Assignment::query()
        ->whereRelation('schoolClass', 'code', 'WREN8')
        ->whereRelation('exercise', 'title', 'like', 'Corner block%')
        ->first() ?? App\Models\Assignment::query()->whereRelation('schoolClass', 'code', 'WREN8')->firstOrFail();
$page = $http("/bench/{$assignment->id}")[1];
preg_match('#/recipes/(\d+)/edit#', $page, $m) || $fail('the bench did not open');
$recipe = (int) $m[1];
preg_match('/data-version="(\d+)"/', $page, $v);
$version = (int) $v[1];
$form = $token($page);
$line = substr(bin2hex(random_bytes(10)), 0, 16);
$number = 0;
$sent = 0;

/** Sends an edit until it is acknowledged, as the page does; returns the seconds that took. */
$edit = static function (array $body) use ($http, $recipe, &$version, &$number, &$sent, $line, $form, $fail): float {
    $number++;
    $began = microtime(true);
    while (true) {
        $sent++;
        [$status, $answer] = $http(
            "/recipes/$recipe/edit",
            ['_token' => $form, 'line' => $line, 'number' => $number, 'version' => $version, 'brief' => 2] + $body,
        );
        $a = json_decode($answer, true);
        if ($status === 200 && is_array($a)) {
            $version = $a['version'];

            return microtime(true) - $began;
        }
        if ($status !== 0 && $status < 500) {
            $fail("an edit was answered with $status: " . substr($answer, 0, 200));
        }
        if (microtime(true) - $began > 90) {
            $fail('an edit did not get through for 90 seconds');
        }
        usleep(200_000);
    }
};

$edit(['do' => 'add', 'kind' => 'block']);
$steps = Recipe::query()->findOrFail($recipe)->document()->atHand()->steps;
$step = $steps[count($steps) - 1]->id;
$children = static fn(): array => array_column(json_decode((string) file_get_contents("$run/children.json"), true) ?: [], 'pid', 'name');
$childOf = static function (int $master): int {
    foreach (glob('/proc/[0-9]*/stat') ?: [] as $file) {
        $stat = (string) @file_get_contents($file);
        if ((int) (explode(' ', substr($stat, (int) strrpos($stat, ')') + 2))[1] ?? 0) === $master) {
            return (int) basename(dirname($file));
        }
    }

    return 0;
};
$postmaster = static fn(): int => (int) strtok(
    (string) file_get_contents(trim((string) shell_exec(escapeshellarg(dirname(__DIR__, 2) . '/bin/pg') . ' folder')) . '/postmaster.pid'),
    "\n",
);
$victims = [
    'a php-fpm worker' => static fn(): int => $childOf($children()['php-fpm']),
    'the php-fpm master' => static fn(): int => $children()['php-fpm'],
    'an nginx worker' => static fn(): int => $childOf($children()['nginx']),
    'the nginx master' => static fn(): int => $children()['nginx'],
    'a queue worker' => static fn(): int => $children()['worker 1'],
    'the postmaster' => $postmaster,
    'a database process' => static fn(): int => $childOf($postmaster()),
];
$worst = 0.0;
$value = 10;
foreach ($victims as $name => $of) {
    for ($k = 0; $k < 3; $k++) {
        $edit(['do' => 'set', 'step' => $step, 'values' => ['width' => (string) ++$value]]);
    }
    $pid = $of();
    $pid > 1 || $fail("$name is not there");
    posix_kill($pid, SIGKILL);
    $took = $edit(['do' => 'set', 'step' => $step, 'values' => ['width' => (string) ++$value]]);
    // up again as a whole, not only by what still lived
    $began = microtime(true);
    while (json_decode($http('/up')[1], true)['ok'] ?? false ? false : microtime(true) - $began < 60) {
        usleep(100_000);
    }
    $took = max($took, microtime(true) - $began);
    printf("killed %-20s answers again after %4.1f s\n", $name, $took);
    $worst = max($worst, $took);
}
// ten seconds on a machine at rest: fresh copies of everything have to be read and compiled
$worst < 10 * Pace::slowness() || $fail(sprintf('it took %.1f seconds to come back', $worst));

// hand-ins while both workers are killed again and again
$work = App\Models\Work::query()->where('recipe_id', $recipe)->firstOrFail();
[$status, $page] = $http("/bench/{$assignment->id}");
for ($k = 0; $k < 3; $k++) {
    $edit(['do' => 'set', 'step' => $step, 'values' => ['width' => (string) ++$value]]);
    $http("/works/{$work->id}/hand-in", ['_token' => $form, 'version' => $version]);
    usleep(300_000);
    foreach (['worker 1', 'worker 2'] as $name) {
        posix_kill($children()[$name], SIGKILL);
    }
    sleep(1);
}
$began = microtime(true);
do {
    usleep(300_000);
    $open = HandIn::query()->where('work_id', $work->id)->whereNull('checked_at')->count();
} while ($open > 0 && microtime(true) - $began < 180);
$open === 0 || $fail("$open hand-ins were never reported");
$wrong = HandIn::query()
    ->where('work_id', $work->id)
    ->get()
    ->filter(static fn(HandIn $h): bool => str_contains((string) json_encode($h->report), 'our side'))
    ->count();
$wrong === 0 || $fail("$wrong hand-ins say that something went wrong");
$has = Recipe::query()->findOrFail($recipe)->document()->atHand()->step($step)?->text('width');
$has === (string) $value || $fail("acknowledged was $value, the part has $has");
$count = App\Models\RecipeEdit::query()->where('recipe_id', $recipe)->where('line', $line)->count();
$count === $number || $fail("$number edits were made, $count are written down");
printf(
    "%d edits acknowledged after %d sendings, 0 lost; %d hand-ins reported with workers killed under them\n",
    $number,
    $sent,
    HandIn::query()->where('work_id', $work->id)->count(),
);
unlink($jar);
