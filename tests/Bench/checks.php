<?php

declare(strict_types=1);

/*
 * The figures of `./cubo bench --checks`: full checks with printing of parts of known fineness, and reading, recognising
 * and checking large files. Times are seconds, one run each after warming up on a small part; a boolean of the same run is
 * the measure of the machine.
 */

use Cubo\Check\Checker;
use Cubo\Check\Exercise;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Exchange\MeshFile;
use Cubo\Geometry\Transform;
use Cubo\Measure\MeshFaults;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Quantity\Unit;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;
use Tests\Meshes;
use Tests\Parts;

require __DIR__ . '/../../vendor/autoload.php';

/** @param callable(): mixed $f */
function seconds(string $what, callable $f, float $reference = 0.0): mixed
{
    $from = hrtime(true);
    $r = $f();
    $s = (hrtime(true) - $from) / 1e9;
    printf("%-66s %7.2f s%s\n", $what, $s, $reference > 0 ? sprintf('   %6.1f x the boolean', $s / $reference) : '');

    return $r;
}

/** A plate with round bosses, bores and balls until it has about so many facets. */
function plate(int $facets): Solid
{
    $steps = [['kind' => 'block', 'width' => '160', 'depth' => '112', 'height' => '8']];
    $part = new Solid();
    for ($i = 0; $part->triangleCount() < $facets; $i++) {
        [$x, $y] = [-72 + 16 * ($i % 10), -48 + 16 * intdiv($i, 10)];
        $steps[] = [
            'kind' => 'cylinder',
            'by' => 'diameter',
            'round' => '12',
            'length' => '12',
            'x' => (string) $x,
            'y' => (string) $y,
            'z' => '8',
        ];
        $steps[] = [
            'kind' => 'cylinder',
            'by' => 'diameter',
            'round' => '6',
            'length' => '60',
            'x' => (string) $x,
            'y' => (string) $y,
            'z' => '-20',
            'effect' => 'cut',
        ];
        $part = Parts::build($steps)->part();
    }

    return $part;
}

/** All that can be asked of a part, so that nothing is left out. */
function everything(PartMeasures $m): Exercise
{
    return new Exercise(
        Unit::Millimetre,
        Exercise::lettered(
            array_map(static fn(Requirement $r): Requirement => $r->change(asked: true), Proposer::propose($m, Unit::Millimetre)),
        ),
    );
}

$ball = static fn(): Solid => Primitives::sphere('a', 10.0);
BooleanOperation::difference($ball(), $ball()->moved(Transform::translation([5.0, 3.0, 2.0])));
$from = hrtime(true);
BooleanOperation::difference($ball(), $ball()->moved(Transform::translation([5.0, 3.0, 2.0])));
$boolean = (hrtime(true) - $from) / 1e9;
printf("%-66s %7.3f s\n", 'a ball less a ball, ' . $ball()->triangleCount() . ' facets each', $boolean);
foreach ([1000, 5000] as $n) {
    $part = plate($n);
    $m = new PartMeasures($part);
    $exercise = everything($m);
    $reference = new PartMeasures($part);
    seconds(
        "full check with printing, {$part->triangleCount()} facets, " . count($exercise->asked()) . ' things asked, right',
        static fn() => Checker::check(new PartMeasures($part), $exercise, $reference),
        $boolean,
    );
    $bad = BooleanOperation::difference($part, Primitives::block('b', [56.0, 24.0, -5.0], [12.0, 12.0, 40.0]));
    seconds(
        '  the same with a piece cut out, slips looked for',
        static fn() => Checker::check(new PartMeasures($bad), $exercise, $reference),
        $boolean,
    );
}
foreach ([50_000, 500_000] as $n) {
    $around = 500;
    $outline = [[0.0, 0.0]];
    $up = max(1, intdiv($n, 2 * $around) - 3);
    for ($i = 0; $i <= $up; $i++) {
        $outline[] = [30 + 6 * sin((9 * $i) / $up), (80.0 * $i) / $up];
    }
    $outline[] = [0.0, 80.0];
    $bytes = Meshes::stl(Meshes::turned($outline, $around));
    memory_reset_peak_usage();
    $mesh = seconds(
        sprintf('a file of %d triangles, %.1f MB, read', $n, strlen($bytes) / 1e6),
        static fn() => MeshFile::read($bytes, Unit::Millimetre)[0],
        $boolean,
    );
    seconds('  its faults looked for', static fn() => MeshFaults::ofFile($mesh), $boolean);
    $known = seconds(
        '  its faces recognised' . ($n > PartMeasures::FINE ? ': too fine, it stays triangles' : ''),
        static fn() => SurfaceRecognition::of($mesh),
        $boolean,
    );
    $m = new PartMeasures($known);
    $small = everything(
        new PartMeasures(Parts::build([['kind' => 'cylinder', 'by' => 'radius', 'round' => '36', 'length' => '80']])->part()),
    );
    seconds('  checked with printing, ' . count($small->asked()) . ' things asked', static fn() => Checker::check($m, $small), $boolean);
    printf("%-66s %7.0f MB\n", '  memory at the most', memory_get_peak_usage() / 1e6);
    unset($mesh, $known, $m, $bytes);
}
