<?php

declare(strict_types=1);

/*
 * The figures of `./cubo bench`. First argument: the address of a server with the demo school.
 */

use Cubo\Recipe\Evaluator;
use Cubo\Recipe\MemoryCache;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\Step;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Boolean\Operation;

require __DIR__ . '/../../vendor/autoload.php';

/** @param callable(int): void $f @return float median of the times in ms, after two runs to warm up */
function medianTime(callable $f, int $runs = 9): float
{
    $times = [];
    for ($i = -2; $i < $runs; $i++) {
        $from = hrtime(true);
        $f($i);
        if ($i >= 0) {
            $times[] = (hrtime(true) - $from) / 1e6;
        }
    }
    sort($times);

    return $times[intdiv(count($times), 2)];
}

/** The solid that one step puts in, on its own, and what it does. @return list<array{Operation, string, Cubo\Solid\Solid}> */
function tools(Recipe $recipe): array
{
    $out = [];
    foreach ($recipe->steps as $s) {
        if ($s->kind->draws()) {
            continue;
        }
        $steps = array_values(array_filter($recipe->steps, static fn(Step $o): bool => $o->kind->draws()));
        $solid = (new Evaluator())->evaluate(new Recipe($recipe->unit, [...$steps, $s->with('effect', 'add')]))->part();
        $out[] = [
            ['add' => Operation::Union, 'cut' => Operation::Difference, 'keep' => Operation::Intersection][$s->text('effect')],
            $s->text('effect'),
            $solid,
        ];
    }

    return $out;
}

/** The recipe with the first number of a step changed a little, differently in each run. */
function nudged(Recipe $recipe, int $index, int $run): Recipe
{
    $step = $recipe->steps[$index];
    foreach (['round', 'width', 'distance', 'length'] as $key) {
        if ($step->kind->has($key)) {
            return $recipe->withStep($step->with($key, '(' . $step->text($key) . ') * ' . (1 + 0.0001 * ($run + 5))));
        }
    }
    // a sketch: its first outline
    $shapes = $step->shapes();
    $key = isset($shapes[0]['width']) ? 'width' : 'round';
    $shapes[0][$key] = '(' . $shapes[0][$key] . ') * ' . (1 + 0.0001 * ($run + 5));

    return $recipe->withStep($step->with('shapes', $shapes));
}

$plans = require __DIR__ . '/../../database/seeders/demo/exercises.php';
$rows = $parts = [];
foreach ($plans as $plan) {
    $recipe = RecipeReader::fromArray([
        'format' => Recipe::FORMAT,
        'title' => $plan['title'],
        'unit' => $plan['unit'],
        'steps' => $plan['steps'],
    ]);
    $tools = tools($recipe);
    $parts[] = array_map(static function (array $t): array {
        $v = [];
        foreach ($t[2]->x as $i => $x) {
            array_push($v, $x, $t[2]->y[$i], $t[2]->z[$i]);
        }

        return ['op' => $t[1], 'v' => $v, 't' => $t[2]->start];
    }, $tools);
    $booleans = medianTime(static function () use ($tools): void {
        $part = $tools[0][2];
        foreach (array_slice($tools, 1) as [$op, , $tool]) {
            $part = BooleanOperation::run($part, $tool, $op);
        }
    });
    $nothing = medianTime(static fn() => (new Evaluator())->evaluate($recipe)->part());
    $cache = new MemoryCache();
    (new Evaluator($cache))->evaluate($recipe);
    $edit = static fn(int $index): float => medianTime(
        static fn(int $run) => (new Evaluator($cache))->evaluate(nudged($recipe, $index, $run))->part(),
    );
    $rows[] = [
        $plan['title'],
        count($recipe->steps),
        (new Evaluator())->evaluate($recipe)->part()->triangleCount(),
        $nothing,
        $edit(0),
        $edit(count($recipe->steps) - 1),
        $booleans,
    ];
}
$p = proc_open(['node', __DIR__ . '/manifold.mjs'], [0 => ['pipe', 'r'], 1 => ['pipe', 'w'], 2 => STDERR], $pipes, dirname(__DIR__, 2));
if ($p === false) {
    throw new RuntimeException('node could not be started');
}
fwrite($pipes[0], (string) json_encode(['parts' => $parts]));
fclose($pipes[0]);
$reference = json_decode((string) stream_get_contents($pipes[1]), true, 512, JSON_THROW_ON_ERROR);
proc_close($p);

echo 'PHP ', PHP_VERSION, ', JIT ', ini_get('opcache.jit'), "; medians in ms\n\n";
printf(
    "%-32s %5s %9s %12s %11s %10s | %9s %12s %6s\n",
    'demo part',
    'steps',
    'triangles',
    'from nothing',
    'first edit',
    'last edit',
    'booleans',
    'manifold-3d',
    'ratio',
);
$edits = [];
foreach ($rows as $i => [$title, $steps, $triangles, $nothing, $first, $last, $booleans]) {
    printf(
        "%-32s %5d %9d %12.1f %11.1f %10.1f | %9.1f %12.1f %6.2f\n",
        $title,
        $steps,
        $triangles,
        $nothing,
        $first,
        $last,
        $booleans,
        $reference[$i]['ms'],
        $booleans / $reference[$i]['ms'],
    );
    array_push($edits, $first, $last);
}
sort($edits);
printf("\nCore's share of an edit (first and last steps of all parts): median %.1f ms, aim 30\n", $edits[intdiv(count($edits), 2)]);

// one edit as the server answers it: over HTTP, with session, database and page
$base = $argv[1];
$jar = tempnam(sys_get_temp_dir(), 'bench');
$http = static function (string $path, ?array $form = null) use ($base, $jar): array {
    $c = curl_init($base . $path);
    curl_setopt_array(
        $c,
        [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $jar, CURLOPT_COOKIEFILE => $jar, CURLOPT_FOLLOWLOCATION => false] +
            ($form === null ? [] : [CURLOPT_POSTFIELDS => http_build_query($form)]),
    );
    $body = (string) curl_exec($c);
    $out = [(int) curl_getinfo($c, CURLINFO_RESPONSE_CODE), $body, 1000 * curl_getinfo($c, CURLINFO_TOTAL_TIME)];
    curl_close($c);

    return $out;
};
$token = static fn(string $html): string => preg_match('/name="_token" value="([^"]+)"/', $html, $m) ? $m[1] : '';
$signIn = static function (string $class, string $name) use ($http, $token): void {
    $form = $token($http('/sign-in')[1]);
    $http('/sign-in/student', [
        '_token' => $form,
        'class' => $class,
        'own' => Database\Seeders\DemoSchoolSeeder::code($name),
        'pin' => '4711',
    ]);
};
$signIn('WREN8', 'Quentin');
$answers = [];
foreach ([3 => 's6', 4 => 's4'] as $assignment => $last) {
    $page = $http("/bench/$assignment")[1];
    preg_match('#/recipes/\d+/edit#', $page, $address);
    preg_match('/data-version="(\d+)"/', $page, $version);
    $form = $token($page);
    for ($i = 0; $i < 26; $i++) {
        // every other edit changes the first step, from which everything follows, the others the last one
        [$step, $key, $value] =
            $i % 2
                ? [$last, 'x', (string) (0.001 * $i)]
                : ($assignment === 3
                    ? ['s1', 'width', (string) (72 + 0.001 * $i)]
                    : ['s2', 'distance', (string) (0.25 + 0.0001 * $i)]);
        [$status, $body, $ms] = $http($address[0], [
            '_token' => $form,
            'version' => $version[1],
            'do' => 'set',
            'step' => $step,
            'values' => [$key => $value],
        ]);
        if ($status !== 200) {
            throw new RuntimeException("the server answered $status");
        }
        preg_match('/data-version="(\d+)"/', $body, $version);
        if ($i >= 6) {
            $answers[$i % 2][] = $ms;
        }
    }
}
$all = [...$answers[0], ...$answers[1]];
$median = static function (array $l): float {
    sort($l);

    return $l[intdiv(count($l), 2)];
};
printf(
    "An edit answered by the server, %d of them: median %.0f ms (first step %.0f, last step %.0f), aim 100\n",
    count($all),
    $median($all),
    $median($answers[0]),
    $median($answers[1]),
);

// shapes moved, turned and placed in the wind wheel: the edit and the exact part, as the stage asks for both
$http('/sign-out', ['_token' => $form]);
@unlink($jar);
$signIn('LARK7', 'Ilse');
preg_match('#/bench/(\d+)"[^>]*><b>Wind wheel#', $http('/')[1], $wheel);
$page = $http("/bench/$wheel[1]")[1];
preg_match('#/recipes/\d+/edit#', $page, $address);
preg_match('/data-version="(\d+)"/', $page, $version);
$form = $token($page);
$moves = [
    'a shape nudged' => ['do' => 'nudge', 'step' => 's6', 'by' => [0.5, 0, 0], 'brief' => 1],
    'what carries all nudged' => ['do' => 'nudge', 'step' => 's1', 'by' => [0.5, 0, 0], 'brief' => 1],
    'a group turned' => ['do' => 'spin', 'step' => 's4', 'degrees' => 1, 'brief' => 1],
    'a shape placed' => ['do' => 'add', 'kind' => 'block'],
];
$took = array_fill_keys(array_keys($moves), []);
for ($i = -1; $i < 9; $i++) {
    foreach ($moves as $name => $move) {
        [$status, $body, $ms] = $http($address[0], ['_token' => $form, 'version' => $version[1]] + $move);
        $brief = json_decode($body, true);
        if (is_array($brief)) {
            [$version[1], $glb[1]] = [(string) $brief['version'], (string) $brief['glb']];
        } elseif (
            $status !== 200 ||
            !preg_match('/data-version="(\d+)"/', $body, $version) ||
            !preg_match('#data-glb="([^"]+)"#', $body, $glb)
        ) {
            throw new RuntimeException("the server answered $status");
        }
        [$status, , $more] = $http($glb[1]);
        if ($status !== 200) {
            throw new RuntimeException("the part was not there: $status");
        }
        if ($i >= 0) {
            $took[$name][] = $ms + $more;
        }
    }
}
unlink($jar);
$each = array_map($median, $took);
printf(
    "Placing in the wind wheel, the exact part included, %d times each: median %.0f ms (%s), aim 150\n",
    9,
    $median(array_merge(...array_values($took))),
    implode(', ', array_map(static fn(string $k, float $v): string => "$k " . round($v), array_keys($each), $each)),
);
