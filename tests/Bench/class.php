<?php

declare(strict_types=1);

/*
 * The figures of `./cubo bench --class`: a class of thirty hands in at once, and one more goes on building meanwhile. First
 * argument: the address of a server with the demo school; two queue workers of low priority must run beside it.
 */

use App\Jobs\CheckHandIn;
use App\Models\HandIn;
use App\Models\Work;
use Illuminate\Contracts\Console\Kernel;

require __DIR__ . '/../../vendor/autoload.php';
$app = require __DIR__ . '/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

$base = $argv[1];
$jar = tempnam(sys_get_temp_dir(), 'bench');
$http = static function (string $path, ?array $form = null) use ($base, $jar): array {
    $c = curl_init($base . $path);
    curl_setopt_array($c, [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $jar, CURLOPT_COOKIEFILE => $jar] + ($form === null ? [] : [CURLOPT_POSTFIELDS => http_build_query($form)]));
    $body = (string) curl_exec($c);
    $out = [(int) curl_getinfo($c, CURLINFO_RESPONSE_CODE), $body, 1000 * curl_getinfo($c, CURLINFO_TOTAL_TIME)];
    curl_close($c);

    return $out;
};
$token = static fn (string $html): string => preg_match('/name="_token" value="([^"]+)"/', $html, $m) ? $m[1] : '';
$form = $token($http('/sign-in')[1]);
$http('/sign-in/class', ['_token' => $form, 'code' => 'WREN8']);
$page = $http('/sign-in')[1];
preg_match('/value="(\d+)"[^>]*> Quentin/', $page, $who);
$http('/sign-in/student', ['_token' => $token($page), 'student' => $who[1], 'pin' => '4711']);
$page = $http('/bench/3')[1];
preg_match('#/recipes/\d+/edit#', $page, $address) || throw new RuntimeException('no bench');
preg_match('/data-version="(\d+)"/', $page, $version);
$form = $token($page);

// every hand-in of the demo school once more, and the first ones again, until there are thirty
$works = Work::query()->whereHas('handIns')->with('lastHandIn')->get()->values();
$began = hrtime(true);
$ids = [];
for ($i = 0; $i < 30; $i++) {
    $work = $works[$i % $works->count()];
    $ids[] = HandIn::begin($work, ['revision_id' => $work->lastHandIn->revision_id])->id;
    CheckHandIn::dispatch($ids[$i]);
}
$edits = [];
do {
    [$status, $body, $ms] = $http($address[0], ['_token' => $form, 'version' => $version[1], 'do' => 'set', 'step' => 's1', 'values' => ['width' => (string) (72 + 0.001 * count($edits))]]);
    if ($status !== 200 || ! preg_match('/data-version="(\d+)"/', $body, $version)) {
        throw new RuntimeException("the server answered $status");
    }
    $edits[] = $ms;
    // a pupil who works fast
    usleep(500_000);
    $left = HandIn::query()->whereIn('id', $ids)->whereNull('checked_at')->count();
} while ($left > 0 && (hrtime(true) - $began) / 1e9 < 300);
unlink($jar);
sort($edits);
printf("Thirty hand-ins at once: %s after %.0f s, aim 60\n", $left === 0 ? 'all reported' : "$left still open", (hrtime(true) - $began) / 1e9);
printf("Edits of somebody else meanwhile, %d of them: median %.0f ms, slowest %.0f, aim 500\n", count($edits), $edits[intdiv(count($edits), 2)], $edits[count($edits) - 1]);
