<?php

declare(strict_types=1);

/*
 * The figures of `./cubo bench --steps`: parts of 5, 20 and 40 steps made from nothing, after an edit of their first and
 * of their last step. Beside each stands how often a plain loop of a million multiplications fits into it in the same run.
 */

use Cubo\Recipe\Evaluator;
use Cubo\Recipe\MemoryCache;
use Cubo\Recipe\Preview;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\StepStatus;

require __DIR__ . '/../../vendor/autoload.php';

/** A plate with bosses that are bored, holes, mirrored and repeated ones, a hollow and rounds between them. */
function workedPart(int $count, string $height = '12', string $last = '4'): Recipe
{
    $steps = [['id' => 's1', 'kind' => 'block', 'width' => '200', 'depth' => '120', 'height' => $height]];
    for ($i = 2; $i < $count; $i++) {
        $at = ['u' => (string) (-90 + 18 * (intdiv($i, 2) % 11)), 'v' => (string) (-45 + 22 * (intdiv($i, 22) % 5) + 3 * ($i % 2))];
        $steps[] =
            ['id' => "s$i"] +
            match ($i % 5) {
                0 => ['kind' => 'cylinder', 'round' => '9', 'length' => '30', 'x' => $at['u'], 'y' => $at['v']],
                1 => ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'by' => 'screw', 'screw' => 'M4'] + $at,
                2 => [
                    'kind' => 'hole',
                    'where' => 'face',
                    'face' => 's1:top',
                    'round' => '5',
                    'head' => 'bore',
                    'wide' => '9',
                    'deep' => '3',
                ] + $at,
                3 => ['kind' => 'repeat', 'of' => 'step', 'source' => 's' . ($i - 1), 'count' => '2', 'x' => '0', 'y' => '-9'],
                default => ['kind' => 'mirror', 'of' => 'step', 'source' => 's' . ($i - 2), 'plane' => 'front', 'offset' => '40'],
            };
    }
    $steps[] = ['id' => "s$count", 'kind' => 'round', 'edges' => ['s1:back / s1:left'], 'radius' => $last];

    return RecipeReader::fromArray(['format' => Recipe::FORMAT, 'unit' => 'mm', 'steps' => $steps]);
}

function plainLoop(): float
{
    $from = hrtime(true);
    $x = 1.0;
    for ($i = 0; $i < 1000000; $i++) {
        $x *= 1.0000001;
    }

    return $x > 0 ? (hrtime(true) - $from) / 1e6 : 0.0;
}

/** @param callable(int): mixed $f */
function stepFigure(string $what, callable $f, string $aim): void
{
    $times = $ratios = [];
    for ($i = 0; $i < 9; $i++) {
        $loop = plainLoop();
        $from = hrtime(true);
        $f($i);
        $ms = (hrtime(true) - $from) / 1e6;
        $times[] = $ms;
        $ratios[] = $ms / $loop;
    }
    sort($times);
    sort($ratios);
    printf("%-64s %9.1f %8.2f  %s\n", $what, $times[4], $ratios[4], $aim);
}

echo 'PHP ',
    PHP_VERSION,
    ', JIT ',
    ini_get('opcache.jit') ?: 'off',
    "; medians of 9 runs, ms, and how many plain loops of a million multiplications that is\n\n";
foreach ([5, 20, 40] as $n) {
    $state = (new Evaluator())->evaluate(workedPart($n));
    $failed = count(array_filter($state->results, static fn($r): bool => $r->status === StepStatus::Failed));
    printf("%d steps, %d facets, %d of them refused\n", $n, $state->part()->triangleCount(), $failed);
    stepFigure('  from nothing', static fn(int $i) => (new Evaluator())->evaluate(workedPart($n, (string) (12 + $i / 10)))->part(), '');
    $e = new Evaluator(new MemoryCache());
    $e->evaluate(workedPart($n));
    stepFigure('  first step edited', static fn(int $i) => $e->evaluate(workedPart($n, (string) (13 + $i / 10)))->part(), '');
    stepFigure(
        '  last step edited',
        static fn(int $i) => $e->evaluate(workedPart($n, '12', (string) (3 + $i / 10)))->part(),
        'aim 200 ms for 20 steps: five pictures a second',
    );
    $first = static fn(int $i): Preview => Preview::quick($r = workedPart($n, (string) (12 + $i / 10)), $r->steps[0], $e->evaluate(...));
    $last = static function (int $i) use ($n, $e): void {
        $r = workedPart($n, '12', (string) (4.55 + $i / 10));
        $e->evaluate($r)->part();
        Preview::quick($r, $r->steps[$n - 1], $e->evaluate(...));
    };
    stepFigure('  a value of the first step drawn: what it makes', $first, 'aim 200 ms');
    stepFigure('  a value of the last step drawn: the whole part', $last, 'aim 200 ms');
    stepFigure(
        '  what the last step does, exactly',
        static fn(int $i) => Preview::of($r = workedPart($n, '12', (string) (2 + $i / 10)), $r->steps[$n - 1], $e->evaluate(...)),
        '',
    );
}
