<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\CubicSpline;
use Cubo\Geometry\TriangleDistance;
use Cubo\Geometry\Vector;
use Cubo\Measure\Bodies;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\Area\Straight;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Maker\Fineness;
use Cubo\Solid\Maker\Path;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Maker\Sweep;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/**
 * Ribs and webs: an open line becomes a thin wall that grows to the next faces. Flat in the sketch, the line is the
 * wall's outer edge and the thickness lies evenly to both sides of the sketch; upright on it, the line is the wall's
 * middle seen from above.
 *
 * The line is drawn on beyond its ends and the wall made longer than the part; of what the part does not already fill,
 * those pieces stay that the line itself touches, and they must not reach the far ends.
 *
 * @phpstan-type P array{float,float}
 * @phpstan-type V array{float,float,float}
 */
final class Ribs
{
    // names that no line of a sketch can have
    private const ON = 'on-';

    private const FAR = 'far-';

    /** points of every line, arc or curve at which pieces are looked for */
    private const SAMPLES = 16;

    /** mm */
    private const NEAR = 1e-6;

    public static function make(Task $t): Solid
    {
        $t->needsPart();
        $sketch = $t->sketch();
        if ($sketch->areas->regions !== []) {
            throw new StepProblem(
                new Message(
                    'closed-line',
                    'This outline is closed.',
                    'A rib is made of an open line that leads from face to face. Use extrude for closed outlines.',
                    'sketch',
                ),
            );
        }
        $pieces = SketchedPath::pieces($sketch);
        if ($pieces === []) {
            throw new StepProblem(
                new Message('no-path', 'There is no line.', 'Draw the line of the rib in the sketch, from one wall to the next.', 'sketch'),
            );
        }
        // begins at whichever end lies lower in x, then y, then z: the same however it was drawn
        $path = SketchedPath::chained($pieces, static fn(array $p): float => 1e5 + $p[0] + 1e-3 * $p[1] + 1e-6 * $p[2]);
        $place = $sketch->placement;
        $last = $path->segments[count($path->segments) - 1];
        [$a, $b] = [$place->local($path->segments[0]['from']), $place->local($last['to'])];
        [$da, $db] = array_map(static fn(array $d): array => $place->local(Vector::add($place->t, $d)), [
            Sweep::begins($path),
            Sweep::ends($path),
        ]);
        $box = $t->part->vertexBox();
        $reach = 1.0 + Vector::distance([$box[0], $box[1], $box[2]], [$box[3], $box[4], $box[5]]);
        foreach ($path->segments as $s) {
            $reach = max($reach, Vector::distance($s['from'], $s['to']), Vector::distance($s['from'], [$box[0], $box[1], $box[2]]));
        }
        try {
            return $t->text('lie') === 'upright'
                ? self::upright(
                    $t,
                    $path->extended(
                        Vector::add($path->segments[0]['from'], Sweep::begins($path), -$reach),
                        Vector::add($last['to'], Sweep::ends($path), $reach),
                    ),
                    self::along($path),
                    $reach,
                )
                : self::flat(
                    $t,
                    [$a[0], $a[1]],
                    [$b[0], $b[1]],
                    [$da[0], $da[1]],
                    [$db[0], $db[1]],
                    self::along($path),
                    array_filter($path->segments, static fn(array $s): bool => $s['kind'] !== 'line') !== [],
                    4 * $reach,
                );
        } catch (Refused $r) {
            throw $t->refused($r, 'This rib cannot be made.', 'sketch');
        }
    }

    /**
     * @param P $a where the line begins
     * @param P $b where it ends
     * @param P $da unit, its run there
     * @param P $db
     * @param list<V> $line points of it in space
     */
    private static function flat(Task $t, array $a, array $b, array $da, array $db, array $line, bool $bent, float $reach): Solid
    {
        $l = hypot($b[0] - $a[0], $b[1] - $a[1]);
        if ($l < 1e-6) {
            throw new StepProblem(new Message('closed-line', 'This line is closed.', 'Both of its ends are one point.', 'sketch'));
        }
        [$cu, $cv] = [($b[0] - $a[0]) / $l, ($b[1] - $a[1]) / $l];
        if ($da[0] * $cu + $da[1] * $cv < 1e-6 || $db[0] * $cu + $db[1] * $cv < 1e-6) {
            throw new StepProblem(
                new Message(
                    'turns-back',
                    'The line turns back.',
                    'From its beginning to its end it must not run back, so that it has one side and another.',
                    'sketch',
                ),
            );
        }
        $half = $t->number('thickness') / 2;
        $found = [];
        $why = null;
        foreach ([1.0, -1.0] as $side) {
            // to the side of the chord, so far that it leaves the part
            [$nu, $nv] = [-$cv * $side * $reach, $cu * $side * $reach];
            $p = [$a[0] - $da[0] * $reach, $a[1] - $da[1] * $reach];
            $q = [$b[0] + $db[0] * $reach, $b[1] + $db[1] * $reach];
            [$pf, $qf] = [[$p[0] + $nu, $p[1] + $nv], [$q[0] + $nu, $q[1] + $nv]];
            $drawn = $t->sketch();
            $areas = new Arrangement(
                [
                    ...DrawnCurves::of($drawn->drawn),
                    new Straight(self::ON, $p, $a),
                    new Straight(self::ON, $b, $q),
                    new Straight(self::FAR, $p, $pf),
                    new Straight(self::FAR, $pf, $qf),
                    new Straight(self::FAR, $qf, $q),
                ],
                $t->budget,
            );
            if ($areas->regions === []) {
                continue;
            }
            $profile = $areas->profile(range(1, count($areas->regions)));
            try {
                $found[] = self::grown(
                    $t,
                    Extrusion::straight($t->step->id, $profile, -$half, $half, $drawn->placement),
                    $line,
                    $bent ? 2 * Fineness::CHORD : self::NEAR,
                    static fn(string $role): bool => str_starts_with($role, self::FAR),
                );
            } catch (StepProblem $e) {
                $why ??= $e;
            }
        }
        if ($found === []) {
            throw $why ??
                new StepProblem(new Message('turns-back', 'The line turns back.', 'It must have one side and another.', 'sketch'));
        }
        usort($found, static fn(Solid $x, Solid $y): int => $x->facettedVolume() <=> $y->facettedVolume());
        if ($t->text('side') === 'other') {
            return $found[1] ??
                throw new StepProblem(
                    new Message('rib-open', 'The other side is open.', 'There the rib would never meet the part.', 'side', false, [
                        'words' => 'Fill the nearer side',
                        'values' => ['side' => 'near'],
                    ]),
                );
        }

        return $found[0];
    }

    /**
     * @param Path $path with one line before it and one after
     * @param list<V> $line points of the line itself
     */
    private static function upright(Task $t, Path $path, array $line, float $reach): Solid
    {
        $half = $t->number('thickness') / 2;
        $n = $t->sketch()->placement->direction([0.0, 0.0, $t->text('direction') === 'up' ? 1.0 : -1.0]);
        [$e1, $e2] = Sweep::frame($path);
        $across = Vector::unit(Vector::cross(Sweep::begins($path), $n));
        // the section lies across the path and along the normal, wherever the path's own frame points
        $at = static fn(float $s, float $h): array => [
            Vector::dot($across, $e1) * $s + Vector::dot($n, $e1) * $h,
            Vector::dot($across, $e2) * $s + Vector::dot($n, $e2) * $h,
        ];
        $turns = Vector::dot(Vector::cross($across, $n), Vector::cross($e1, $e2)) < 0;
        $corners = [[-$half, 0.0, 'line'], [$half, 0.0, 'right'], [$half, 2 * $reach, self::FAR], [-$half, 2 * $reach, 'left']];
        $profile = (new Profile([
            array_map(static fn(array $c): array => [$c[0], $c[1], ['name' => $c[2], 'circle' => null]], $corners),
        ]))->mapped($at, $turns);

        return self::grown(
            $t,
            Sweep::along($t->step->id, $profile, $path),
            $line,
            self::NEAR,
            static fn(string $role): bool => str_starts_with($role, self::FAR) || $role === 'start' || $role === 'end',
        );
    }

    /**
     * What a wall adds to the part, without the pieces that the line itself does not touch. Those are found by place:
     * the line and what it was drawn on by share a plane, and a boolean may give that face either name.
     *
     * @param list<V> $line points of the line
     * @param float $near mm that the wall's facets may lie off a bent line
     * @param callable(string): bool $beyond whether a face is an end that must not be reached
     */
    private static function grown(Task $t, Solid $wall, array $line, float $near, callable $beyond): Solid
    {
        $left = BooleanOperation::difference($wall, $t->part, $t->budget);
        $out = null;
        $id = $t->step->id;
        foreach (Bodies::of($left) as $triangles) {
            if (!self::touches($left, $triangles, $line, $near)) {
                continue;
            }
            foreach ($triangles as $f) {
                $name = $left->surfaceOfTriangle($f)->name;
                if (str_starts_with($name, "$id:") && $beyond(substr($name, strlen($id) + 1))) {
                    throw new StepProblem(
                        new Message(
                            'rib-open',
                            'The rib never meets the part.',
                            'Drawn on from its ends and filled to the side, it runs past the part somewhere. Let the line lead from face to face, or choose the other way.',
                            $t->text('lie') === 'flat' ? 'side' : 'direction',
                        ),
                    );
                }
            }
            $piece = Bodies::extract($left, $triangles);
            $out = $out === null ? $piece : $out->beside($piece);
        }

        return $out ??
            throw new StepProblem(new Message('rib-inside', 'The rib lies inside the part.', 'All of it is material already.', 'sketch'));
    }

    /**
     * @param list<int> $triangles
     * @param list<V> $line
     */
    private static function touches(Solid $s, array $triangles, array $line, float $near): bool
    {
        $at = static fn(int $v): array => [$s->x[$v], $s->y[$v], $s->z[$v]];
        foreach ($triangles as $f) {
            $corners = [$at($s->start[3 * $f]), $at($s->start[3 * $f + 1]), $at($s->start[3 * $f + 2])];
            foreach ($line as $p) {
                if (TriangleDistance::between([$p, $p, $p], $corners)[0] < $near) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Points along a path, none of them at its ends.
     *
     * @return list<V>
     */
    private static function along(Path $path): array
    {
        $out = [];
        foreach ($path->segments as $s) {
            for ($k = 0; $k < self::SAMPLES; $k++) {
                $w = ($k + 0.5) / self::SAMPLES;
                $out[] = match ($s['kind']) {
                    'arc' => Vector::add(
                        $s['centre'] ?? $s['from'],
                        Vector::turned(
                            Vector::sub($s['from'], $s['centre'] ?? $s['from']),
                            $s['axis'] ?? [0.0, 0.0, 1.0],
                            $w * ($s['angle'] ?? 0.0),
                        ),
                    ),
                    'line' => Vector::add($s['from'], Vector::sub($s['to'], $s['from']), $w),
                    default => self::onSpline($s['points'] ?? [], $w),
                };
            }
        }

        return $out;
    }

    /**
     * @param list<V> $points
     * @return V
     */
    private static function onSpline(array $points, float $w): array
    {
        $spline = new CubicSpline($points);
        [$x, $y, $z] = $spline->at($w * $spline->knots[count($spline->knots) - 1])[0];

        return [$x, $y, $z];
    }
}
