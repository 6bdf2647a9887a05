<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Geometry\Transform;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Boolean\Operation;
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Solid;

/**
 * Random parts by seed: a first solid and up to 20 booleans with others. Whole numbers and quarter turns are common,
 * so that faces in one plane, shared edges and tangent rounds are common too; overlaps of 1e-4 mm, and parts of ten metres with overlaps of 0.1 mm,
 * occur. A chain is plain data: it can be printed and repeated.
 */
final class RandomChains
{
    private const KINDS = ['block', 'block', 'block', 'cylinder', 'cylinder', 'sphere', 'cone', 'polygon'];

    /**
     * @return list<array{op: string, kind: string, sizes: list<float>, turns: list<array{int, float}>, at: list<float>}>
     */
    public static function plan(int $seed): array
    {
        mt_srand($seed);
        $int = static fn(int $a, int $b): float => (float) mt_rand($a, $b);
        // a third of the parts upright, a third turned by quarters, a third anyhow
        $manner = mt_rand(0, 2);
        // one part in eight is a thousand times larger, one step in eight a little out of place
        $k = mt_rand(0, 7) === 0 ? 1000.0 : 1.0;
        $plan = [];
        for ($i = 0, $n = mt_rand(1, 20); $i <= $n; $i++) {
            $kind = $i === 0 ? self::KINDS[mt_rand(0, 4)] : self::KINDS[mt_rand(0, 7)];
            $grow = $i === 0 ? 2 : 1;
            $sizes = match ($kind) {
                'block' => [$grow * $int(1, 6), $grow * $int(1, 6), $grow * $int(1, 6)],
                'cylinder' => [($grow * $int(1, 6)) / 2, $grow * $int(1, 6)],
                'sphere' => [$int(2, 6) / 2],
                'cone' => [$int(1, 3), mt_rand(0, 2) / 2, $int(1, 5)],
                default => [$int(1, 5), ...self::star($int)],
            };
            $turns = match ($manner) {
                0 => [],
                1 => [[mt_rand(0, 2), 90.0 * mt_rand(0, 3)]],
                default => [[mt_rand(0, 2), $int(0, 359)], [mt_rand(0, 2), $int(0, 359)]],
            };
            $place = static fn(): float => $k * $int(-3, 3) + (mt_rand(0, 7) === 0 ? mt_rand(-1, 1) * $k * 1e-4 : 0.0);
            $sizes = array_map(static fn(float $v): float => $v * $k, $sizes);
            $plan[] = [
                'op' =>
                    $i === 0
                        ? 'start'
                        : ['union', 'union', 'difference', 'difference', 'difference', 'intersection'][mt_rand(0, $i > 6 ? 4 : 5)],
                'kind' => $kind,
                'sizes' => $sizes,
                'turns' => $turns,
                'at' => [$place(), $place(), $place()],
            ];
        }

        return $plan;
    }

    /** @return list<float> corners of a simple polygon around the origin on whole numbers, u v u v ... */
    private static function star(callable $int): array
    {
        $spokes = [
            [1, 0],
            [2, 1],
            [1, 1],
            [1, 2],
            [0, 1],
            [-1, 2],
            [-1, 1],
            [-2, 1],
            [-1, 0],
            [-2, -1],
            [-1, -1],
            [-1, -2],
            [0, -1],
            [1, -2],
            [1, -1],
            [2, -1],
        ];
        $out = [];
        // at least one spoke of every quarter and none opposite a gap of half a turn
        for ($i = 0; $i < 16; $i += $i % 2 ? 1 : mt_rand(1, 3)) {
            $r = $int(1, 2);
            array_push($out, $r * $spokes[$i][0], $r * $spokes[$i][1]);
        }

        return $out;
    }

    /** @param array{op: string, kind: string, sizes: list<float>, turns: list<array{int, float}>, at: list<float>} $step */
    public static function solid(array $step, string $name): Solid
    {
        return self::base($step, $name)->moved(self::placement($step));
    }

    /** The solid of a step in its own frame. @param array{op: string, kind: string, sizes: list<float>, turns: list<array{int, float}>, at: list<float>} $step */
    public static function base(array $step, string $name): Solid
    {
        $s = $step['sizes'];

        return match ($step['kind']) {
            'block' => Primitives::block($name, [0.0, 0.0, 0.0], [$s[0], $s[1], $s[2]]),
            'cylinder' => Primitives::cylinder($name, ...$s),
            'sphere' => Primitives::sphere($name, ...$s),
            'cone' => Primitives::cone($name, ...$s),
            default => self::prism($name, array_chunk(array_slice($s, 1), 2), $s[0]),
        };
    }

    /** @param array{op: string, kind: string, sizes: list<float>, turns: list<array{int, float}>, at: list<float>} $step */
    public static function placement(array $step): Transform
    {
        $t = Transform::identity();
        foreach ($step['turns'] as [$axis, $angle]) {
            $t = $t->then(Transform::rotation($axis, $angle));
        }

        return $t->then(Transform::translation([$step['at'][0], $step['at'][1], $step['at'][2]]));
    }

    /** @param list<list<float>> $corners */
    private static function prism(string $name, array $corners, float $height): Solid
    {
        $loop = [];
        foreach ($corners as $i => [$u, $v]) {
            $loop[] = [$u, $v, ['name' => "side $i", 'circle' => null]];
        }

        return Extrusion::straight($name, new Profile([$loop]), 0.0, $height, Transform::identity());
    }

    /**
     * The solid after each step.
     *
     * @param list<array{op: string, kind: string, sizes: list<float>, turns: list<array{int, float}>, at: list<float>}> $plan
     * @param Transform|null $turned everything is made turned by this
     * @return \Generator<int, Solid>
     */
    public static function build(array $plan, ?Transform $turned = null): \Generator
    {
        $part = new Solid();
        foreach ($plan as $i => $step) {
            $tool = self::solid($step, "s$i");
            $tool = $turned === null ? $tool : $tool->moved($turned);
            $part = match ($step['op']) {
                'start' => $tool,
                'union' => BooleanOperation::run($part, $tool, Operation::Union),
                'difference' => BooleanOperation::run($part, $tool, Operation::Difference),
                default => BooleanOperation::run($part, $tool, Operation::Intersection),
            };
            yield $i => $part;
        }
    }
}
