<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\PlaneCurve;

/**
 * A closed loop of a profile as true lines, arcs and curves, to be walked by length: the sides of a facetted circle are one
 * arc again. Corners are where two pieces meet at an angle.
 *
 * @phpstan-type Piece array{from: array{float,float}, to: array{float,float}, circle: array{float,float,float}|null, drawn?: PlaneCurve|null, start: float, sweep: float, length: float}
 *
 * @phpstan-import-type Side from Profile
 */
final class SectionOutline
{
    /** Cosine of the angle at which chords of one curve still run on into each other. */
    private const SMOOTH = 0.7;

    /** @var list<Piece> sweep in radians, counter-clockwise positive */
    public readonly array $pieces;

    public readonly float $length;

    /** @var array{float,float} middle of the enclosed area */
    public readonly array $middle;

    /** @param list<array{0:float,1:float,2:Side}> $loop */
    public function __construct(array $loop)
    {
        $n = count($loop);
        $first = 0;
        // begin where a new curve begins
        while (
            $first < $n &&
            $loop[$first][2]['circle'] !== null &&
            $loop[$first][2]['name'] === $loop[($first + $n - 1) % $n][2]['name']
        ) {
            $first++;
        }
        $pieces = [];
        $first %= $n;
        for ($i = 0; $i < $n; $i++) {
            [$u, $v, $curve] = $loop[($first + $i) % $n];
            [$qu, $qv] = $loop[($first + $i + 1) % $n];
            $last = count($pieces) - 1;
            $c = $curve['circle'];
            if ($c === null) {
                $pieces[] = [
                    'from' => [$u, $v],
                    'to' => [$qu, $qv],
                    'circle' => null,
                    'drawn' => $curve['drawn'] ?? null,
                    'start' => 0.0,
                    'sweep' => 0.0,
                    'length' => hypot($qu - $u, $qv - $v),
                    'name' => $curve['name'],
                ];

                continue;
            }
            $turn = atan2(
                ($u - $c[0]) * ($qv - $c[1]) - ($v - $c[1]) * ($qu - $c[0]),
                ($u - $c[0]) * ($qu - $c[0]) + ($v - $c[1]) * ($qv - $c[1]),
            );
            if ($last >= 0 && $pieces[$last]['circle'] === $c && $pieces[$last]['name'] === $curve['name']) {
                $pieces[$last]['to'] = [$qu, $qv];
                $pieces[$last]['sweep'] += $turn;
                $pieces[$last]['length'] += abs($turn) * $c[2];
            } else {
                $pieces[] = [
                    'from' => [$u, $v],
                    'to' => [$qu, $qv],
                    'circle' => $c,
                    'start' => atan2($v - $c[1], $u - $c[0]),
                    'sweep' => $turn,
                    'length' => abs($turn) * $c[2],
                    'name' => $curve['name'],
                ];
            }
        }
        $this->pieces = $pieces;
        $this->length = array_sum(array_column($pieces, 'length'));
        $area = $mu = $mv = 0.0;
        foreach ($loop as $i => [$u, $v]) {
            [$qu, $qv] = $loop[($i + 1) % $n];
            $cross = $u * $qv - $qu * $v;
            $area += $cross;
            $mu += $cross * ($u + $qu);
            $mv += $cross * ($v + $qv);
        }
        $this->middle = [$mu / (3 * $area), $mv / (3 * $area)];
    }

    /** @return array{float,float} the point so far along, mm from the first piece's beginning */
    public function at(float $s): array
    {
        $s -= $this->length * floor($s / $this->length);
        foreach ($this->pieces as $p) {
            if ($s > $p['length']) {
                $s -= $p['length'];

                continue;
            }
            if ($p['circle'] === null) {
                $t = $s / $p['length'];

                $q = [$p['from'][0] + $t * ($p['to'][0] - $p['from'][0]), $p['from'][1] + $t * ($p['to'][1] - $p['from'][1])];

                return isset($p['drawn']) ? $p['drawn']->nearest(...$q)[0] : $q;
            }
            $a = $p['start'] + ($p['sweep'] * $s) / $p['length'];

            return [$p['circle'][0] + $p['circle'][2] * cos($a), $p['circle'][1] + $p['circle'][2] * sin($a)];
        }

        return $this->pieces[0]['from'];
    }

    /** @return list<float> how far along the corners are, mm */
    public function corners(): array
    {
        $out = [];
        $s = 0.0;
        foreach ($this->pieces as $i => $p) {
            $before = $this->pieces[($i + count($this->pieces) - 1) % count($this->pieces)];
            [$au, $av] = self::direction($before, 1.0);
            [$bu, $bv] = self::direction($p, 0.0);
            // the chords of one curve only seem to meet at an angle
            $one = isset($p['drawn']) && ($before['drawn'] ?? null) === $p['drawn'] && $au * $bu + $av * $bv > self::SMOOTH;
            if (!$one && (abs($au * $bv - $av * $bu) > 1e-6 || $au * $bu + $av * $bv < 0)) {
                $out[] = $s;
            }
            $s += $p['length'];
        }

        return $out;
    }

    /**
     * @param Piece $p
     * @return array{float,float}
     */
    private static function direction(array $p, float $share): array
    {
        if ($p['circle'] === null) {
            return [($p['to'][0] - $p['from'][0]) / $p['length'], ($p['to'][1] - $p['from'][1]) / $p['length']];
        }
        $a = $p['start'] + $p['sweep'] * $share;
        $sign = $p['sweep'] < 0 ? -1.0 : 1.0;

        return [-$sign * sin($a), $sign * cos($a)];
    }

    /** How far along the ray from the middle at an angle (radians) leaves; null when it does so more than once. */
    public function along(float $angle): ?float
    {
        $found = null;
        $s = 0.0;
        [$du, $dv] = [cos($angle), sin($angle)];
        foreach ($this->pieces as $p) {
            [$fu, $fv] = [$p['from'][0] - $this->middle[0], $p['from'][1] - $this->middle[1]];
            $hits = [];
            if ($p['circle'] === null) {
                [$eu, $ev] = [$p['to'][0] - $p['from'][0], $p['to'][1] - $p['from'][1]];
                $det = $du * $ev - $dv * $eu;
                if (abs($det) > 1e-12) {
                    $t = ($du * -$fv + $dv * $fu) / $det;
                    $r = ($fu * $ev - $fv * $eu) / $det;
                    if ($t >= -1e-9 && $t < 1 - 1e-9 && $r > 0) {
                        $hits[] = max(0.0, $t);
                    }
                }
            } else {
                [$cu, $cv, $radius] = $p['circle'];
                $cu -= $this->middle[0];
                $cv -= $this->middle[1];
                $b = $du * $cu + $dv * $cv;
                $root = $b * $b - $cu * $cu - $cv * $cv + $radius * $radius;
                foreach ($root < 0 ? [] : [$b + sqrt($root), $b - sqrt($root)] as $r) {
                    if ($r <= 0) {
                        continue;
                    }
                    $turn = (atan2($r * $dv - $cv, $r * $du - $cu) - $p['start']) / ($p['sweep'] ?: 1e-300);
                    $full = (2 * M_PI) / abs($p['sweep'] ?: 1e-300);
                    $turn -= $full * floor(($turn + 1e-9) / $full);
                    if ($turn < 1 - 1e-9) {
                        $hits[] = max(0.0, $turn);
                    }
                }
            }
            foreach ($hits as $t) {
                if ($found !== null) {
                    return null;
                }
                $found = $s + $t * $p['length'];
            }
            $s += $p['length'];
        }

        return $found;
    }

    /** How many chords a stretch needs so that equal circles get equal facets: 1 for a line. */
    public function chords(float $from, float $to): int
    {
        $most = 0;
        $s = 0.0;
        foreach ([0.0, $this->length] as $round) {
            $s = $round;
            foreach ($this->pieces as $p) {
                $share = (min($to, $s + $p['length']) - max($from, $s)) / $p['length'];
                if ($p['circle'] !== null && $share > 1e-9) {
                    $most += (int) ceil(((Fineness::facets($p['circle'][2]) * abs($p['sweep'])) / (2 * M_PI)) * $share - 1e-6);
                } elseif ($share > 1e-9) {
                    $most += 1;
                }
                $s += $p['length'];
            }
        }

        return max(1, $most);
    }
}
