<?php

declare(strict_types=1);

/*
 * Step kinds at their limits: parts with sizes by chance, each worked on close to the largest size its geometry allows, at that
 * size where it is allowed, and beyond. Counts what is refused although it fits, what is done although it cannot be, volumes that
 * miss their closed form, and offers that do not work or stay below nine tenths of the limit. Options: --tries N (10).
 */

use Cubo\Measure\MassProperties;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Parts;
use Tests\Soundness;

require __DIR__ . '/../../vendor/autoload.php';

$tries = (int) (getopt('', ['tries:'])['tries'] ?? 10);
$block = static fn(float $w, float $d, float $h): array => ['kind' => 'block', 'width' => "$w", 'depth' => "$d", 'height' => "$h"];
$disc = static fn(float $r, float $h): array => ['kind' => 'cylinder', 'by' => 'radius', 'round' => "$r", 'length' => "$h"];
$spandrel = 1 - M_PI / 4;
// what a round of a rim takes from a shaft: the section by the way its centre goes (Pappus)
$rim = static fn(float $R, float $r): float => M_PI *
    ($R * $R * $r - (($R - $r) ** 2 * $r + ((2 * ($R - $r) * M_PI) / 4) * $r ** 2 + ($r ** 3 * 2) / 3));

/** @var array<string, Closure(Randomizer): array{list<array<string, mixed>>, array<string, mixed>, string, float, bool, (Closure(float): float)|null, 6?: bool}> $kinds steps before, step, its size, limit, whether allowed itself, volume, whether more is allowed too */
$kinds = [
    'round one edge' => static function (Randomizer $x) use ($block, $spandrel): array {
        [$w, $d, $h] = [$x->getInt(10, 60), $x->getInt(5, 40), $x->getInt(5, 40)];

        return [
            [$block($w, $d, $h)],
            ['kind' => 'round', 'edges' => ['s1:front / s1:top']],
            'radius',
            min($d, $h),
            true,
            static fn(float $r): float => $w * $d * $h - $spandrel * $r * $r * $w,
        ];
    },
    'round a rim' => static function (Randomizer $x) use ($disc, $rim): array {
        [$r, $h] = [$x->getInt(4, 30), $x->getInt(4, 40)];

        return [
            [$disc($r, $h)],
            ['kind' => 'round', 'edges' => ['s1:side / s1:top']],
            'radius',
            min($r, $h),
            true,
            static fn(float $s): float => M_PI * $r * $r * $h - $rim($r, $s),
        ];
    },
    'round both rims of a tube' => static function (Randomizer $x): array {
        [$r, $wall, $h] = [$x->getInt(10, 30), $x->getInt(2, 6), $x->getInt(10, 40)];

        return [
            [['kind' => 'tube', 'by' => 'radius', 'round' => "$r", 'length' => "$h", 'wall' => "$wall"]],
            ['kind' => 'round', 'edges' => ['s1:side / s1:top', 's1:inside / s1:top']],
            'radius',
            $wall / 2,
            true,
            null,
        ];
    },
    'round all edges of a cube' => static function (Randomizer $x) use ($block): array {
        $s = $x->getInt(5, 40);

        return [
            [$block($s, $s, $s)],
            ['kind' => 'round', 'faces' => ['s1:top', 's1:bottom', 's1:front', 's1:back', 's1:left', 's1:right']],
            'radius',
            $s / 2,
            true,
            static fn(float $r): float => ($s - 2 * $r) ** 3 +
                6 * ($s - 2 * $r) ** 2 * $r +
                3 * M_PI * $r * $r * ($s - 2 * $r) +
                (4 / 3) * M_PI * $r ** 3,
        ];
    },
    'round a bar to a slot' => static function (Randomizer $x) use ($block): array {
        [$w, $d, $h] = [$x->getInt(30, 60), $x->getInt(5, 25), $x->getInt(5, 20)];

        return [
            [$block($w, $d, $h)],
            ['kind' => 'round', 'edges' => ['s1:back / s1:left', 's1:back / s1:right', 's1:front / s1:left', 's1:front / s1:right']],
            'radius',
            $d / 2,
            true,
            static fn(float $r): float => $h * ($w * $d - (4 - M_PI) * $r * $r),
        ];
    },
    'round the rim of a prism' => static function (Randomizer $x): array {
        [$n, $r] = [$x->getInt(3, 12), $x->getInt(10, 30)];

        return [
            [['kind' => 'prism', 'round' => (string) (2 * $r), 'sides' => "$n", 'height' => (string) (2 * $r)]],
            ['kind' => 'round', 'faces' => ['s1:top']],
            'radius',
            $r * cos(M_PI / $n),
            true,
            null,
        ];
    },
    'chamfer a rim' => static function (Randomizer $x) use ($disc): array {
        [$r, $h] = [$x->getInt(4, 30), $x->getInt(4, 40)];

        return [
            [$disc($r, $h)],
            ['kind' => 'chamfer', 'edges' => ['s1:side / s1:top']],
            'distance',
            min($r, $h),
            true,
            static fn(float $s): float => M_PI * $r * $r * $h -
                M_PI * ($r * $r * $s - ($s / 3) * ($r * $r + $r * ($r - $s) + ($r - $s) ** 2)),
        ];
    },
    'chamfer one edge' => static function (Randomizer $x) use ($block): array {
        [$w, $d, $h] = [$x->getInt(10, 60), $x->getInt(5, 40), $x->getInt(5, 40)];

        return [
            [$block($w, $d, $h)],
            ['kind' => 'chamfer', 'edges' => ['s1:front / s1:top']],
            'distance',
            min($d, $h),
            true,
            static fn(float $s): float => $w * $d * $h - (($s * $s) / 2) * $w,
        ];
    },
    'hollow a block' => static function (Randomizer $x) use ($block): array {
        [$w, $d, $h] = [$x->getInt(20, 60), $x->getInt(10, 40), $x->getInt(10, 40)];

        return [
            [$block($w, $d, $h)],
            ['kind' => 'hollow', 'faces' => ['s1:top']],
            'wall',
            min($w / 2, $d / 2, $h),
            false,
            static fn(float $t): float => $w * $d * $h - ($w - 2 * $t) * ($d - 2 * $t) * ($h - $t),
        ];
    },
    'hollow a disc' => static function (Randomizer $x) use ($disc): array {
        [$r, $h] = [$x->getInt(10, 30), $x->getInt(10, 40)];

        return [
            [$disc($r, $h)],
            ['kind' => 'hollow', 'faces' => ['s1:top']],
            'wall',
            min($r, $h),
            false,
            static fn(float $t): float => M_PI * ($r * $r * $h - ($r - $t) ** 2 * ($h - $t)),
        ];
    },
    'tilt two sides to a ridge' => static function (Randomizer $x) use ($block): array {
        [$w, $d, $h] = [$x->getInt(10, 30), $x->getInt(10, 40), $x->getInt(20, 40)];

        return [
            [$block($w, $d, $h)],
            ['kind' => 'draft', 'faces' => ['s1:left', 's1:right'], 'plane' => 'ground'],
            'angle',
            rad2deg(atan($w / 2 / $h)),
            true,
            static function (float $a) use ($w, $d, $h): float {
                // past the ridge the sides meet below the top
                $t = tan(deg2rad($a));

                return $d * ($t * $h > $w / 2 ? ($w * $w) / 4 / $t : $w * $h - $h * $h * $t);
            },
            true,
        ];
    },
    'tilt a disc to a point' => static function (Randomizer $x) use ($disc): array {
        [$r, $h] = [$x->getInt(5, 15), $x->getInt(20, 40)];

        return [
            [$disc($r, $h)],
            ['kind' => 'draft', 'faces' => ['s1:side'], 'plane' => 'ground'],
            'angle',
            rad2deg(atan($r / $h)),
            true,
            static function (float $a) use ($r, $h): float {
                $q = max(0.0, $r - $h * tan(deg2rad($a)));

                return ((M_PI * $h) / 3) * ($r * $r + $r * $q + $q * $q);
            },
        ];
    },
    'lower a face' => static function (Randomizer $x) use ($block): array {
        [$w, $d, $h] = [$x->getInt(20, 60), $x->getInt(10, 40), $x->getInt(10, 40)];

        return [
            [$block($w, $d, $h)],
            ['kind' => 'pull', 'faces' => ['s1:top']],
            '-distance',
            $h,
            false,
            static fn(float $t): float => $w * $d * ($h - $t),
        ];
    },
    'narrow a shaft' => static function (Randomizer $x) use ($disc): array {
        [$r, $h] = [$x->getInt(10, 30), $x->getInt(10, 40)];

        return [
            [$disc($r, $h)],
            ['kind' => 'pull', 'faces' => ['s1:side']],
            '-distance',
            $r,
            false,
            static fn(float $t): float => M_PI * ($r - $t) ** 2 * $h,
        ];
    },
];
$random = new Randomizer(new Xoshiro256StarStar(17));
$all = ['tried' => 0, 'refused' => 0, 'allowed' => 0, 'wrong' => 0, 'offers' => 0, 'bad offers' => 0];
$worst = 0.0;
foreach ($kinds as $name => $kind) {
    $sum = array_fill_keys(array_keys($all), 0);
    for ($i = 0; $i < $tries; $i++) {
        [$before, $step, $field, $limit, $itself, $volume, $beyond] = [...$kind($random), false];
        $sign = str_starts_with($field, '-') ? '-' : '';
        $made = static function (float $size) use ($before, $step, $field, $sign, &$worst): array {
            $began = hrtime(true);
            $state = Parts::build([...$before, $step + [ltrim($field, '-') => $sign . rtrim(sprintf('%.9F', $size), '0')]]);
            $worst = max($worst, (hrtime(true) - $began) / 1e9);
            $said = array_filter($state->results['s' . (count($before) + 1)]->messages ?? [], static fn($m): bool => !$m->warning);

            return [$state, $said === [] ? null : reset($said)->why];
        };
        // typed sizes have nine decimals here: the limit itself rounded down
        foreach ([0.5 * $limit, 0.99 * $limit, ...$itself ? [floor($limit * 1e9) / 1e9] : [], ...$beyond ? [1.05 * $limit] : []] as $size) {
            $sum['tried']++;
            [$state, $why] = $made($size);
            if ($why !== null) {
                $sum['refused']++;
            } elseif (
                Soundness::faults($state->part()) !== [] ||
                ($volume !== null && abs((new MassProperties($state->part()))->volume / max(1e-9, $volume($size)) - 1) > 1e-6)
            ) {
                $sum['wrong']++;
            }
        }
        if ($beyond) {
            continue;
        }
        $sum['tried']++;
        [, $why] = $made(1.05 * $limit);
        if ($why === null) {
            $sum['allowed']++;
        } elseif (preg_match('/Up to ([\d.]+)/', $why, $m)) {
            $sum['offers']++;
            $sum['bad offers'] +=
                (float) $m[1] > $limit + 1e-6 || (float) $m[1] < 0.9 * $limit - 0.05 || $made((float) $m[1])[1] !== null ? 1 : 0;
        }
    }
    foreach ($sum as $key => $n) {
        $all[$key] += $n;
    }
    printf(
        "  %-27s %3d tried: refused although it fits %d, done although it cannot be %d, wrong %d; offers %d, of them bad %d\n",
        $name,
        $sum['tried'],
        $sum['refused'],
        $sum['allowed'],
        $sum['wrong'],
        $sum['offers'],
        $sum['bad offers'],
    );
}
printf(
    "limits of step kinds: %d tried, refused although it fits %d, done although it cannot be %d, wrong %d, offers %d, of them bad %d; worst step %.2f s\n",
    ...[...array_values($all), $worst],
);
