<?php

declare(strict_types=1);

/*
 * The figures of `./cubo bench --solids`: random parts against laws and manifold-3d, then speed against it on the same
 * operands. Options: --parts N (20000), --from N (0) or --seed N for one part, --speed-only, --parts-only, --edits-only.
 */

use Cubo\Geometry\Transform;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\MemoryCache;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Boolean\Operation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Skin;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Tests\ChainRun;
use Tests\Outside;

require __DIR__ . '/../../vendor/autoload.php';

$options = getopt('', ['parts:', 'from:', 'seed:', 'speed-only', 'parts-only', 'edits-only', 'worker']);

/**
 * The random parts shared out to as many processes as there are processors.
 *
 * @return object{parts: int, booleans: int, triangles: int, faults: list<array{seed: int, what: string, plan: string}>, explained: list<array{seed: int, ours: float, theirs: float}>}
 */
function inWorkers(int $from, int $count): object
{
    $many = max(1, min(8, (int) shell_exec('nproc'), intdiv($count, 50)));
    $jit = ini_get('opcache.jit') ?: 'off';
    $workers = [];
    for ($i = 0; $i < $many; $i++) {
        [$a, $b] = [intdiv($count * $i, $many), intdiv($count * ($i + 1), $many)];
        $p = proc_open(
            [
                PHP_BINARY,
                '-d',
                'opcache.enable_cli=1',
                '-d',
                "opcache.jit=$jit",
                '-d',
                'opcache.jit_buffer_size=64M',
                '-d',
                'memory_limit=2G',
                __FILE__,
                '--worker',
                '--from',
                (string) ($from + $a),
                '--parts',
                (string) ($b - $a),
            ],
            [1 => ['pipe', 'w'], 2 => STDERR],
            $pipes,
        );
        if ($p === false) {
            throw new RuntimeException('a worker could not be started');
        }
        $workers[] = [$p, $pipes[1]];
    }
    $sum = (object) ['parts' => 0, 'booleans' => 0, 'triangles' => 0, 'faults' => [], 'explained' => []];
    foreach ($workers as [$p, $out]) {
        [$parts, $booleans, $triangles, $faults, $explained] = json_decode(
            (string) stream_get_contents($out),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        proc_close($p);
        $sum->parts += $parts;
        $sum->booleans += $booleans;
        $sum->triangles += $triangles;
        array_push($sum->faults, ...$faults);
        array_push($sum->explained, ...$explained);
    }
    fwrite(STDERR, "\n");

    return $sum;
}

if (!isset($options['speed-only']) && !isset($options['edits-only'])) {
    $from = (int) ($options['seed'] ?? ($options['from'] ?? 0));
    $count = isset($options['seed']) ? 1 : (int) ($options['parts'] ?? 20000);
    if (isset($options['worker'])) {
        $run = new ChainRun();
        for ($done = 0; $done < $count; $done += 250) {
            $run->run($from + $done, min(250, $count - $done));
            fwrite(STDERR, '.');
        }
        exit(json_encode([$run->parts, $run->booleans, $run->triangles, $run->faults, $run->explained]) . "\n");
    }
    $run = inWorkers($from, $count);
    printf(
        "Random parts from seed %d: %d parts, %d booleans, %d triangles looked at: %d faults (open, folded, inside out, without area, off their planes, or a volume nobody can explain)\n",
        $from,
        $run->parts,
        $run->booleans,
        $run->triangles,
        count($run->faults),
    );
    printf(
        "Volumes beside manifold-3d's by more than %.0e of the greatest on the way, where ours keeps every law of volumes and comes out the same turned: %d\n",
        ChainRun::AGREEMENT,
        count($run->explained),
    );
    foreach ($run->explained as $e) {
        printf("  seed %d: ours %.9g, reference %.9g\n", $e['seed'], $e['ours'], $e['theirs']);
    }
    foreach ($run->faults as $f) {
        printf("  seed %d: %s\n    ./cubo bench --solids --parts-only --seed %d\n    %s\n", $f['seed'], $f['what'], $f['seed'], $f['plan']);
    }
    if ($run->faults !== []) {
        exit(1);
    }
}
if (isset($options['parts-only']) || isset($options['seed'])) {
    exit(0);
}

/** @param list<float> $times */
function median(array $times): float
{
    sort($times);

    return $times[intdiv(count($times), 2)];
}

/** @return float time in ms */
function once(callable $f): float
{
    $from = hrtime(true);
    $f();

    return (hrtime(true) - $from) / 1e6;
}

/** A ball of n x n/2 facets, whatever the usual fineness. */
function ball(string $name, float $radius, int $n): Solid
{
    $stations = [];
    for ($j = 0; $j <= intdiv($n, 2); $j++) {
        $a = (M_PI * $j) / intdiv($n, 2);
        $loop = [];
        for ($i = 0; $i < $n; $i++) {
            $r = $j === 0 || $j === intdiv($n, 2) ? 0.0 : $radius * sin($a);
            $loop[] = [$r * cos((2 * M_PI * $i) / $n), $r * sin((2 * M_PI * $i) / $n), -$radius * cos($a)];
        }
        $stations[] = [$loop];
    }

    return Skin::over($stations, static fn(): Surface => Surface::sphere("$name:ball", [0.0, 0.0, 0.0], $radius), "$name:a", "$name:b");
}

/** @return array{string, list<string>, list<Solid>} label, operations, tools */
function job(string $label, string $op, Solid ...$tools): array
{
    return [$label, array_fill(0, count($tools) - 1, $op), array_values($tools)];
}

$jobs = [];
foreach ([32 => '1,000', 64 => '4,000', 142 => '20,000'] as $n => $label) {
    $a = ball('a', 10.0, $n);
    $jobs[] = job(
        "ball minus ball, $label + $label",
        'difference',
        $a,
        ball('b', 10.0, $n)->moved(Transform::rotation(0, 33.0)->then(Transform::translation([4.0, 3.0, 2.0]))),
    );
}
$holes = [Primitives::block('p', [0.0, 0.0, 0.0], [200.0, 125.0, 6.0])];
for ($i = 0; $i < 40; $i++) {
    $holes[] = Primitives::cylinder("h$i", 4.0, 10.0)->moved(
        Transform::translation([15.0 + 24 * ($i % 8), 12.0 + 24 * intdiv($i, 8), -2.0]),
    );
}
$jobs[] = job('plate with 40 holes, hole by hole', 'difference', ...$holes);

// a part of 20 steps: plate, bosses, holes, ribs, a dome and pockets
$steps = [['kind' => 'block', 'width' => '120', 'depth' => '80', 'height' => '10']];
foreach ([[-40, -25], [40, -25], [40, 25], [-40, 25]] as [$x, $y]) {
    $steps[] = ['kind' => 'cylinder', 'by' => 'radius', 'round' => '9', 'length' => '24', 'x' => "$x", 'y' => "$y"];
    $steps[] = [
        'kind' => 'cylinder',
        'by' => 'radius',
        'round' => '5',
        'length' => '40',
        'x' => "$x",
        'y' => "$y",
        'z' => '-5',
        'effect' => 'cut',
    ];
}
array_push(
    $steps,
    ['kind' => 'ball', 'by' => 'radius', 'round' => '9', 'z' => '8'],
    ['kind' => 'ball', 'by' => 'radius', 'round' => '7', 'z' => '10', 'effect' => 'cut'],
    ['kind' => 'block', 'width' => '4', 'depth' => '70', 'height' => '18', 'x' => '-20'],
    ['kind' => 'block', 'width' => '4', 'depth' => '70', 'height' => '18', 'x' => '20'],
    ['kind' => 'cone', 'by' => 'radius', 'round' => '12', 'tip' => '6', 'length' => '34', 'y' => '-30'],
    ['kind' => 'cylinder', 'by' => 'radius', 'round' => '4', 'length' => '60', 'y' => '-30', 'z' => '-5', 'effect' => 'cut'],
    [
        'kind' => 'cylinder',
        'by' => 'radius',
        'round' => '3',
        'length' => '140',
        'x' => '-70',
        'z' => '5',
        'along' => 'x',
        'effect' => 'cut',
    ],
    ['kind' => 'block', 'width' => '30', 'depth' => '10', 'height' => '8', 'y' => '36', 'z' => '5', 'effect' => 'cut'],
    ['kind' => 'cylinder', 'by' => 'radius', 'round' => '7', 'length' => '30', 'x' => '55', 'z' => '-5', 'effect' => 'cut'],
    ['kind' => 'cylinder', 'by' => 'radius', 'round' => '7', 'length' => '30', 'x' => '-55', 'z' => '-5', 'effect' => 'cut'],
    ['kind' => 'ball', 'by' => 'radius', 'round' => '5', 'x' => '48', 'z' => '12', 'effect' => 'cut'],
);
foreach ($steps as $i => $s) {
    $steps[$i] = $s + ['id' => 's' . ($i + 1)];
}
$recipe = static fn(array $steps): Recipe => RecipeReader::fromArray(['format' => Recipe::FORMAT, 'unit' => 'mm', 'steps' => $steps]);
$tools = array_map(static fn(array $s): Solid => (new Evaluator())->evaluate($recipe([['effect' => 'add'] + $s]))->part(), $steps);
$jobs[] = [
    'part of ' . count($steps) . ' steps',
    array_map(static fn(array $s): string => ($s['effect'] ?? 'add') === 'cut' ? 'difference' : 'union', array_slice($steps, 1)),
    $tools,
];

$runs = 11;
$node = proc_open(['node', __DIR__ . '/solids.mjs'], [0 => ['pipe', 'r'], 1 => ['pipe', 'w'], 2 => STDERR], $pipes, dirname(__DIR__, 2));
if ($node === false) {
    throw new RuntimeException('node could not be started');
}
fwrite(
    $pipes[0],
    json_encode([
        'jobs' => array_map(static fn(array $j): array => ['ops' => $j[1], 'tools' => array_map(Outside::mesh(...), $j[2])], $jobs),
    ]) . "\n",
);
$reference = static function (int $job) use ($pipes): float {
    fwrite($pipes[0], "$job\n");

    return json_decode((string) fgets($pipes[1]), true, 512, JSON_THROW_ON_ERROR)['ms'];
};
// both in turn, so that a slow moment of the machine meets both
$both = static function (int $job, callable $ours) use ($reference, $runs): array {
    $a = $b = [];
    for ($i = -2; $i < $runs; $i++) {
        $t = $reference($job);
        $o = once(static fn() => $ours($i));
        if ($i >= 0) {
            $a[] = $o;
            $b[] = $t;
        }
    }

    return [median($a), median($b), median(array_map(static fn(float $o, float $t): float => $o / $t, $a, $b))];
};
echo 'PHP ',
    PHP_VERSION,
    ', JIT ',
    ini_get('opcache.jit') ?: 'off',
    "; medians of $runs runs in turn, ms; the ratio is the median of the runs' ratios\n\n";
isset($options['edits-only']) || printf("%-40s %9s | %9s %12s %6s\n", 'booleans', 'triangles', 'Cubo', 'manifold-3d', 'ratio');
$points = [];
foreach (isset($options['edits-only']) ? [] : $jobs as $k => [$label, $ops, $list]) {
    $result = new Solid();
    [$ms, $theirs, $ratio] = $both($k, static function () use ($ops, $list, &$result): void {
        $part = $list[0];
        foreach ($ops as $i => $op) {
            $part = BooleanOperation::run($part, $list[$i + 1], constant(Operation::class . '::' . ucfirst($op)));
        }
        $result = $part;
    });
    printf("%-40s %9d | %9.1f %12.1f %6.2f\n", $label, $result->triangleCount(), $ms, $theirs, $ratio);
    if ($k < 3) {
        $points[] = [log($list[0]->triangleCount()), log($ms)];
    }
}
if ($points !== []) {
    printf(
        "Time grows with triangles to the power %.2f (1,000 to 20,000; n log n would be %.2f)\n",
        ($points[2][1] - $points[0][1]) / ($points[2][0] - $points[0][0]),
        1 + log(log(20000) / log(1000)) / log(20),
    );
}

$whole = $recipe($steps);
$cache = new MemoryCache();
(new Evaluator($cache))->evaluate($whole)->part();
$edited = static function (int $index, int $run) use ($steps, $recipe): Recipe {
    $key = isset($steps[$index]['round']) ? 'round' : 'width';
    $steps[$index][$key] = '(' . $steps[$index][$key] . ') + ' . 0.001 * ($run + 3);

    return $recipe($steps);
};
$last = count($jobs) - 1;
[$nothing, , $ratio] = $both($last, static fn(): Solid => (new Evaluator())->evaluate($whole)->part());
[$lastStep] = $both($last, static fn(int $run): Solid => (new Evaluator(clone $cache))->evaluate($edited(count($steps) - 1, $run))->part());
[$firstStep] = $both($last, static fn(int $run): Solid => (new Evaluator(clone $cache))->evaluate($edited(0, $run))->part());
printf(
    "\n%d steps, %d triangles: from nothing %.1f ms (%.2f times manifold-3d's booleans), last step edited %.1f ms, first step edited %.1f ms\n",
    count($steps),
    (new Evaluator())->evaluate($whole)->part()->triangleCount(),
    $nothing,
    $ratio,
    $lastStep,
    $firstStep,
);

$before = memory_get_usage();
memory_reset_peak_usage();
$big = BooleanOperation::union(ball('a', 10.0, 160), ball('b', 10.0, 160)->moved(Transform::translation([4.0, 3.0, 2.0])));
printf(
    "Memory for two balls of %d triangles and their union of %d: peak %.0f MB above the start\n",
    160 * 158,
    $big->triangleCount(),
    (memory_get_peak_usage() - $before) / 1e6,
);
