<?php

declare(strict_types=1);

/*
 * Random pupil recipes: which steps are refused and why, what takes long, what is wrong. Even seeds are those looked at
 * while Cubo is built, odd ones are never looked at one by one: only their sums are printed. Options: --recipes N (100),
 * --from N (0), --seed N for one recipe with all that was said, --tuned for even seeds alone, each with what was refused.
 */

use Cubo\Measure\MassProperties;
use Tests\PupilRecipes;
use Tests\Soundness;

require __DIR__ . '/../../vendor/autoload.php';

$options = getopt('', ['recipes:', 'from:', 'seed:', 'tuned', 'worker:']);

/** @return array<string, mixed> */
function looked(int $seed, bool $loud): array
{
    $began = hrtime(true);
    $out = [
        'kinds' => [],
        'refused' => [],
        'unfair' => 0,
        'hints' => 0,
        'wrongHints' => 0,
        'wrong' => [],
        'thrown' => 0,
        'worst' => 0.0,
        'evaluated' => 0.0,
    ];
    try {
        $p = new PupilRecipes($seed);
    } catch (Throwable $e) {
        $loud && printf("  seed %d: %s %s at %s:%d\n", $seed, $e::class, $e->getMessage(), basename($e->getFile()), $e->getLine());

        return ['thrown' => 1, 'unfair' => 1, 'seconds' => (hrtime(true) - $began) / 1e9] + $out;
    }
    foreach ($p->outcomes as $o) {
        $kind = $o['step']['kind'];
        $out['kinds'][$kind] = ($out['kinds'][$kind] ?? 0) + 1;
        $out['worst'] = max($out['worst'], $o['seconds']);
        if ($o['hint'] !== null) {
            $out['hints']++;
            $out['wrongHints'] += $o['works'] === false || $o['hint'] < 0.05 ? 1 : 0;
        }
        if ($o['seconds'] > 5 && $loud) {
            printf("  seed %d: %.1f s for %s\n", $seed, $o['seconds'], json_encode($o['step']));
        }
        if ($o['code'] === null) {
            continue;
        }
        // too large is fair where what is offered instead works and is not far from what was asked
        $asked = abs((float) ($o['step'][['round' => 'radius', 'hollow' => 'wall', 'draft' => 'angle'][$kind] ?? 'distance'] ?? 0));
        $fair =
            ($o['works'] === true && $o['hint'] >= $asked / 3) ||
            in_array($o['code'], ['nothing-cut', 'cuts-nothing', 'tangent-edge', 'deep-head'], true);
        $key = "$kind {$o['code']}" . ($fair ? ' (fair)' : '');
        $out['refused'][$key] = ($out['refused'][$key] ?? 0) + 1;
        $out['unfair'] += $fair ? 0 : 1;
        $loud && printf("  seed %d: %s: %s %s\n", $seed, $key, $o['why'], json_encode($o['step']));
    }
    $fresh = hrtime(true);
    $part = $p->state()->part();
    $out['evaluated'] = (hrtime(true) - $fresh) / 1e9;
    $faults = Soundness::faults($part);
    if ($faults !== [] || (new MassProperties($part))->volume <= 0) {
        $out['wrong'][] = $seed;
        $loud && printf("  seed %d is not sound: %s\n", $seed, implode('; ', array_slice($faults, 0, 3)));
    }

    return ['seconds' => (hrtime(true) - $began) / 1e9] + $out;
}

if (isset($options['seed'])) {
    echo json_encode(looked((int) $options['seed'], true)), "\n";
    exit(0);
}
$from = (int) ($options['from'] ?? 0);
$count = (int) ($options['recipes'] ?? 100);
if (isset($options['worker'])) {
    [$k, $n] = array_map(intval(...), explode('/', (string) $options['worker']));
    $all = [];
    for ($seed = $from; $seed < $from + $count; $seed++) {
        if (intdiv($seed, 2) % $n === $k && (!isset($options['tuned']) || $seed % 2 === 0)) {
            ob_start();
            $looked = looked($seed, $seed % 2 === 0 && isset($options['tuned']));
            fwrite(STDERR, (string) ob_get_clean());
            $all[] = ['seed' => $seed] + $looked;
        }
    }
    exit(json_encode($all) . "\n");
}
$many = max(1, min(8, (int) shell_exec('nproc')));
$workers = [];
for ($k = 0; $k < $many; $k++) {
    $p = proc_open(
        [
            PHP_BINARY,
            '-d',
            'opcache.enable_cli=1',
            '-d',
            'opcache.jit=' . (ini_get('opcache.jit') ?: 'off'),
            '-d',
            'opcache.jit_buffer_size=64M',
            '-d',
            'memory_limit=2G',
            __FILE__,
            '--worker',
            "$k/$many",
            '--from',
            (string) $from,
            '--recipes',
            (string) $count,
            ...isset($options['tuned']) ? ['--tuned'] : [],
        ],
        [1 => ['pipe', 'w'], 2 => STDERR],
        $pipes,
    );
    $workers[] = [$p === false ? throw new RuntimeException('a worker could not be started') : $p, $pipes[1]];
}
$halves = [];
foreach ($workers as [$p, $pipe]) {
    foreach (json_decode((string) stream_get_contents($pipe), true, 512, JSON_THROW_ON_ERROR) as $one) {
        $halves[$one['seed'] % 2 === 0 ? 'tuned' : 'unseen'][] = $one;
    }
    proc_close($p);
}
foreach ($halves as $half => $all) {
    $sum = static fn(string $key): int => array_sum(
        array_map(static fn(array $o): int => is_array($o[$key]) ? count($o[$key]) : $o[$key], $all),
    );
    $kinds = $refused = [];
    foreach ($all as $o) {
        foreach ($o['kinds'] as $kind => $n) {
            $kinds[$kind] = ($kinds[$kind] ?? 0) + $n;
        }
        foreach ($o['refused'] as $key => $n) {
            $refused[$key] = ($refused[$key] ?? 0) + $n;
        }
    }
    $at = static function (string $key, float $share) use ($all): float {
        $seconds = array_column($all, $key);
        sort($seconds);

        return $seconds[min(count($seconds) - 1, (int) floor($share * count($seconds)))];
    };
    printf(
        "%s half, %d recipes: %d without an unfair refusal; %d not sound, %d thrown; hints that do not work %d of %d\n",
        $half,
        count($all),
        count(array_filter($all, static fn(array $o): bool => $o['unfair'] === 0)),
        $sum('wrong'),
        $sum('thrown'),
        $sum('wrongHints'),
        $sum('hints'),
    );
    printf(
        "  whole recipes evaluated from nothing: median %.2f s, nine tenths under %.2f, worst %.2f\n",
        $at('evaluated', 0.5),
        $at('evaluated', 0.9),
        $at('evaluated', 1.0),
    );
    printf(
        "  with every step and offer tried: median %.2f s, nine tenths under %.2f, worst %.2f; worst single step %.2f s\n",
        $at('seconds', 0.5),
        $at('seconds', 0.9),
        $at('seconds', 1.0),
        max(array_column($all, 'worst')),
    );
    foreach (['hollow', 'round', 'chamfer', 'draft', 'pull'] as $kind) {
        $unfair = array_sum(
            array_filter(
                $refused,
                static fn(string $k): bool => str_starts_with($k, "$kind ") && !str_ends_with($k, '(fair)'),
                ARRAY_FILTER_USE_KEY,
            ),
        );
        printf("  %-8s unfairly refused %3d of %3d\n", $kind, $unfair, $kinds[$kind] ?? 0);
    }
    arsort($refused);
    foreach ($refused as $key => $n) {
        printf("  %4d %s\n", $n, $key);
    }
}
