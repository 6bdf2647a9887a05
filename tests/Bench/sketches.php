<?php

declare(strict_types=1);

/*
 * The figures of `./cubo bench --sketches`: solving, dragging, opening again and finding areas. Beside each stands how
 * often a plain loop of a million multiplications fits into it in the same run.
 */

use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\Round;
use Cubo\Sketch\Area\Straight;
use Cubo\Sketch\RelationKind as K;
use Cubo\Sketch\Solve\SketchSolver;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Sketches;

require __DIR__ . '/../../vendor/autoload.php';

/** Rectangles with a circle each, drawn a little wrong and dimensioned from one to the next: 5 entities, 11 relations each. */
function board(int $n): Sketches
{
    $random = new Randomizer(new Mt19937(1));
    $off = static fn(): float => $random->getInt(-100, 100) / 100;
    $s = new Sketches();
    $before = null;
    for ($i = 0; $i < $n; $i++) {
        [$u, $v] = [10 + 25 * ($i % 7) + $off(), 10 + 20 * intdiv($i, 7) + $off()];
        $p = [
            $s->point($u, $v),
            $s->point($u + 18 + $off(), $v + $off()),
            $s->point($u + 18 + $off(), $v + 12 + $off()),
            $s->point($u + $off(), $v + 12 + $off()),
        ];
        $l = [$s->line($p[0], $p[1]), $s->line($p[1], $p[2]), $s->line($p[2], $p[3]), $s->line($p[3], $p[0])];
        foreach ([K::Horizontal, K::Vertical, K::Horizontal, K::Vertical] as $k => $kind) {
            $s->ask($kind, $l[$k]);
        }
        $s->size(K::Length, 18, $l[0]);
        $s->size(K::Length, 12, $l[1]);
        $c = $s->circle($m = $s->point($u + 9 + $off(), $v + 6 + $off()), 4);
        $s->size(K::Distance, 9, $l[3], $m);
        $s->size(K::Distance, 6, $l[0], $m);
        $s->size(K::Diameter, 8, $c);
        if ($before === null) {
            $s->ask(K::Coincident, $p[0], 'origin');
        } else {
            $s->size(K::HorizontalDistance, $i % 7 ? 25 : 150, $before, $p[0]);
            // the last stays free to slide up and down
            if ($i < $n - 1) {
                $s->size(K::VerticalDistance, $i % 7 ? 1 : 20, $before, $p[0]);
            }
        }
        $before = $p[0];
    }

    return $s;
}

/** @return list<Straight> */
function crossingSegments(int $n, float $length): array
{
    $random = new Randomizer(new Mt19937(7));
    $out = [];
    for ($i = 0; $i < $n; $i++) {
        [$u, $v, $a] = [$random->getInt(0, 20000) / 100, $random->getInt(0, 20000) / 100, $random->getInt(0, 62831) / 10000];
        $out[] = new Straight("l$i", [$u, $v], [$u + $length * cos($a), $v + $length * sin($a)]);
    }

    return $out;
}

function loopTime(): float
{
    $from = hrtime(true);
    $x = 1.0;
    for ($i = 0; $i < 1000000; $i++) {
        $x *= 1.0000001;
    }

    return $x > 0 ? (hrtime(true) - $from) / 1e6 : 0.0;
}

/** @param callable(int): mixed $f */
function figure(string $what, callable $f, string $aim, int $runs = 11): void
{
    $times = $ratios = [];
    for ($i = -2; $i < $runs; $i++) {
        $loop = loopTime();
        $from = hrtime(true);
        $f($i);
        $ms = (hrtime(true) - $from) / 1e6;
        if ($i >= 0) {
            $times[] = $ms;
            $ratios[] = $ms / $loop;
        }
    }
    sort($times);
    sort($ratios);
    printf("%-64s %9.1f %8.2f  %s\n", $what, $times[intdiv($runs, 2)], $ratios[intdiv($runs, 2)], $aim);
}

echo 'PHP ',
    PHP_VERSION,
    ', JIT ',
    ini_get('opcache.jit') ?: 'off',
    "; medians of 11 runs, ms, and how many plain loops of a million multiplications that is\n\n";
$large = board(40);
$small = board(10);
figure(
    sprintf('%d entities, %d relations solved and analysed', count($large->sketch->entities), count($large->sketch->relations)),
    static fn() => $large->solved(),
    'aim 150 ms',
);
$settled = $large->solved()->sketch;
figure(
    'the same opened again, settled as it is',
    static function () use ($settled, $large): void {
        $s = $settled;
        SketchSolver::settle($s, $large->values);
    },
    '',
);
$sketch = $small->solved()->sketch;
$point = (string) array_key_last($sketch->points);
figure(
    sprintf('a drag step in a sketch of %d entities', count($sketch->entities)),
    static function (int $i) use (&$sketch, $small, $point): void {
        [$u, $v] = $sketch->point($point);
        $sketch = SketchSolver::drag($sketch, $small->values, $point, [$u + 0.5, $v + ($i % 2 ? 1.5 : -1.5)]);
    },
    'aim 20 ms',
);
foreach ([20 => 'short', 60 => 'long', 200 => 'through and through'] as $length => $word) {
    $segments = crossingSegments(300, (float) $length);
    figure(
        sprintf('%d regions of 300 crossing segments, %s', count((new Arrangement($segments))->regions), $word),
        static fn() => new Arrangement($segments),
        'aim 200 ms',
    );
}
$random = new Randomizer(new Mt19937(3));
$circles = [];
for ($i = 0; $i < 40; $i++) {
    $circles[] = new Round("c$i", [(float) $random->getInt(0, 100), (float) $random->getInt(0, 100)], $random->getInt(100, 300) / 10);
}
figure(
    sprintf('%d regions of 40 crossing circles', count((new Arrangement($circles))->regions)),
    static fn() => new Arrangement($circles),
    '',
);
