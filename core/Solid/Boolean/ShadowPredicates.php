<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

/**
 * The yes-no questions a boolean rests on, answered so that the answers always fit together.
 *
 * Method: J. Smith, N. Dodgson, "A topologically robust algorithm for Boolean operations on polyhedral shapes
 * using approximate arithmetic", Computer-Aided Design 39(2), 2007. Each question is one of "shadows": which of two
 * things is lower in y at equal x (edge against vertex), or lower in z at equal x and y (edge against edge, vertex
 * against face). A crossing of an edge with a face is then a sum of shadows, and for every pair of faces the
 * crossings add up to zero whatever the rounding, because each shadow is computed once per pair of canonical edges,
 * always with the first solid first.
 *
 * Ties (gaps up to `tolerance`) are decided as if each vertex p of the first solid stood at p + eps * d(p), where
 * d(p) is the angle-weighted mean normal of its facets, outward for a union and inward otherwise: the sign of the
 * true first derivative of the gap decides.
 *
 * Results that are more than one number are left in public fields, which a hot loop can read without an allocation.
 */
final class ShadowPredicates
{
    // one crossing of two things seen along z: its place, both heights, the tie derivative, multiplicity, shadow
    public float $crossX = 0.0;

    public float $crossY = 0.0;

    public float $crossZp = 0.0;

    public float $crossZq = 0.0;

    public float $crossTie = 0.0;

    public int $crossCount = 0;

    public int $crossShadow = 0;

    // the point where an edge meets a face
    public float $outX = 0.0;

    public float $outY = 0.0;

    public float $outZ = 0.0;

    private float $edgeY = 0.0;

    private float $edgeZ = 0.0;

    private float $edgeTie = 0.0;

    // the two bracketing events of an edge against a face: A below, B above
    private bool $hasA = false;

    private bool $hasB = false;

    /** @var array{float,float,float,float,float} x, y, z of P, z of Q, tie */
    private array $eventA = [0.0, 0.0, 0.0, 0.0, 0.0];

    /** @var array{float,float,float,float,float} */
    private array $eventB = [0.0, 0.0, 0.0, 0.0, 0.0];

    /** @var array<int, float> displacement of P vertices, filled as asked for */
    private array $dx = [];

    /** @var array<int, float> */
    private array $dy = [];

    /** @var array<int, float> */
    private array $dz = [];

    // answers are asked for several times, by every face around a vertex or beside an edge
    /** @var array<int, array{float,float,float,float,float,int,int}|false> */
    private array $knownVertexFace = [];

    /** @var array<int, array{float,float,float,float,float,int,int}|false> */
    private array $knownFaceVertex = [];

    /** @var array<int, array{float,float,float,float,float,int,int}|false> */
    private array $knownEdgeEdge = [];

    private readonly int $faces;

    private readonly int $sides;

    /**
     * @param float $outward +1 moves the first solid's vertices outward in ties, -1 inward
     * @param float $tolerance millimetres
     * @param array<int, int> $leaving a half-edge leaving each P vertex, where it is known
     */
    public function __construct(
        private readonly OperandPair $pair,
        private readonly float $outward,
        public readonly float $tolerance,
        private array $leaving = [],
    ) {
        $this->faces = max(count($pair->pFacet), count($pair->qFacet));
        $this->sides = count($pair->qStart);
    }

    /**
     * Direction in which vertex v of P moves in a tie.
     *
     * @return array{float,float,float}
     */
    public function displacement(int $v): array
    {
        $this->dispX($v);

        return [$this->dx[$v], $this->dy[$v], $this->dz[$v]];
    }

    private function dispX(int $v): float
    {
        if (isset($this->dx[$v])) {
            return $this->dx[$v];
        }
        $m = $this->pair;
        if (!isset($this->leaving[$v])) {
            foreach ($m->pStart as $h => $w) {
                $this->leaving[$w] = $h;
            }
        }
        $x0 = $m->px[$v];
        $y0 = $m->py[$v];
        $z0 = $m->pz[$v];
        $angles = [];
        $first = $h = $this->leaving[$v];
        do {
            $before = $h % 3 === 0 ? $h + 2 : $h - 1;
            $b = $m->pStart[$h % 3 === 2 ? $h - 2 : $h + 1];
            $c = $m->pStart[$before];
            $ux = $m->px[$b] - $x0;
            $uy = $m->py[$b] - $y0;
            $uz = $m->pz[$b] - $z0;
            $wx = $m->px[$c] - $x0;
            $wy = $m->py[$c] - $y0;
            $wz = $m->pz[$c] - $z0;
            $uu = $ux * $ux + $uy * $uy + $uz * $uz;
            $ww = $wx * $wx + $wy * $wy + $wz * $wz;
            if ($uu > 0 && $ww > 0) {
                $cos = ($ux * $wx + $uy * $wy + $uz * $wz) / sqrt($uu * $ww);
                $f = $m->pFacet[intdiv($h, 3)];
                $angles[$f] = ($angles[$f] ?? 0.0) + acos(max(-1.0, min(1.0, $cos)));
            }
            $h = $m->pTwin[$before];
        } while ($h !== $first);
        $sx = $sy = $sz = 0.0;
        foreach ($angles as $f => $a) {
            $sx += $a * $m->fx[$f];
            $sy += $a * $m->fy[$f];
            $sz += $a * $m->fz[$f];
        }
        $l = sqrt($sx * $sx + $sy * $sy + $sz * $sz);
        if ($l > 0) {
            $sx /= $l;
            $sy /= $l;
            $sz /= $l;
        } else {
            $sx = $sy = $sz = 0.57735;
        }
        // noise is cut off so that symmetric input is decided symmetrically
        $this->dx[$v] = (abs($sx) < 1e-12 ? 0.0 : $sx) * $this->outward;
        $this->dy[$v] = (abs($sy) < 1e-12 ? 0.0 : $sy) * $this->outward;
        $this->dz[$v] = (abs($sz) < 1e-12 ? 0.0 : $sz) * $this->outward;

        return $this->dx[$v];
    }

    /** Vertex p against edge q0 q1 at x of p: 1 if p is lower in y. Leaves y, z of the edge there and the tie derivative. */
    private function vertexEdge(int $p, int $q0, int $q1): int
    {
        $m = $this->pair;
        $x = $m->px[$p];
        $x0 = $m->qx[$q0];
        $x1 = $m->qx[$q1];
        $l = $x1 - $x0;
        $dy = $m->qy[$q1] - $m->qy[$q0];
        // interpolate from the nearer end: values at the ends stay exact
        if (abs($x - $x0) < abs($x1 - $x)) {
            $t = ($x - $x0) / $l;
            if ($t < 0) {
                $t = 0.0;
            }
            $y = $m->qy[$q0] + $t * $dy;
            $z = $m->qz[$q0] + $t * ($m->qz[$q1] - $m->qz[$q0]);
        } else {
            $t = ($x1 - $x) / $l;
            if ($t < 0) {
                $t = 0.0;
            }
            $y = $m->qy[$q1] - $t * $dy;
            $z = $m->qz[$q1] - $t * ($m->qz[$q1] - $m->qz[$q0]);
        }
        $this->edgeY = $y;
        $this->edgeZ = $z;
        $gap = $m->py[$p] - $y;
        if ($gap <= $this->tolerance && $gap >= -$this->tolerance) {
            $d = $this->dispX($p);
            $this->edgeTie = $this->dy[$p] - ($d * $dy) / $l;

            return $this->edgeTie < 0.0 ? 1 : 0;
        }
        $this->edgeTie = 0.0;

        return $gap < 0 ? 1 : 0;
    }

    /** Edge p0 p1 at x of vertex q: 1 if the edge is lower in y. */
    private function edgeVertex(int $p0, int $p1, int $q): int
    {
        $m = $this->pair;
        $x = $m->qx[$q];
        $x0 = $m->px[$p0];
        $x1 = $m->px[$p1];
        $l = $x1 - $x0;
        $dy = $m->py[$p1] - $m->py[$p0];
        $dz = $m->pz[$p1] - $m->pz[$p0];
        $upright = abs($l) <= $this->tolerance;
        if ($upright) {
            $a = $this->dispX($p0);
            $b = $this->dispX($p1);
            $t = $a == $b ? 0.5 : max(0.0, min(1.0, $a / ($a - $b)));
            $y = $m->py[$p0] + $t * $dy;
            $z = $m->pz[$p0] + $t * $dz;
        } elseif (abs($x - $x0) < abs($x1 - $x)) {
            $t = ($x - $x0) / $l;
            if ($t < 0) {
                $t = 0.0;
            }
            $y = $m->py[$p0] + $t * $dy;
            $z = $m->pz[$p0] + $t * $dz;
        } else {
            $t = ($x1 - $x) / $l;
            if ($t < 0) {
                $t = 0.0;
            }
            $y = $m->py[$p1] - $t * $dy;
            $z = $m->pz[$p1] - $t * $dz;
            $t = 1 - $t;
        }
        $this->edgeY = $y;
        $this->edgeZ = $z;
        $gap = $y - $m->qy[$q];
        if ($gap <= $this->tolerance && $gap >= -$this->tolerance) {
            $a = $this->dispX($p0);
            $b = $this->dispX($p1);
            $e = $this->dy[$p0] + $t * ($this->dy[$p1] - $this->dy[$p0]);
            if (!$upright) {
                $e -= (($a + $t * ($b - $a)) * $dy) / $l;
            }
            $this->edgeTie = $e;

            return $e < 0.0 ? 1 : 0;
        }
        $this->edgeTie = 0.0;

        return $gap < 0 ? 1 : 0;
    }

    /**
     * Canonical half-edge pe of P against canonical half-edge qe of Q, seen along z.
     *
     * @return int the signed shadow: multiplicity of the crossing times "P is lower in z"
     */
    private function edgeEdge(int $pe, int $qe): int
    {
        $key = $pe * $this->sides + $qe;
        $known = $this->knownEdgeEdge[$key] ?? null;
        if ($known !== null) {
            return $this->recall($known);
        }
        $value = $this->findEdgeEdge($pe, $qe);
        $this->knownEdgeEdge[$key] = $this->answer();

        return $value;
    }

    private function findEdgeEdge(int $pe, int $qe): int
    {
        $m = $this->pair;
        $this->crossCount = 0;
        $p0 = $m->pStart[$pe];
        $p1 = $m->pStart[$pe % 3 === 2 ? $pe - 2 : $pe + 1];
        $q0 = $m->qStart[$qe];
        $q1 = $m->qStart[$qe % 3 === 2 ? $qe - 2 : $qe + 1];
        // early way out, widened by the tolerance or the sums below would not close
        if (
            $this->areApart($m->px[$p0], $m->px[$p1], $m->qx[$q0], $m->qx[$q1]) ||
            $this->areApart($m->py[$p0], $m->py[$p1], $m->qy[$q0], $m->qy[$q1])
        ) {
            return 0;
        }
        [$count, $under, $over] = $this->brackets($p0, $p1, $q0, $q1);
        $one = $under ?? $over;
        if ($count === 0 || $one === null) {
            return 0;
        }
        $this->crossCount = $count;
        $this->crossBetween($under ?? $one, $over ?? $one);
        if (abs($this->crossZp - $this->crossZq) <= $this->tolerance) {
            $this->crossTie = $this->tieOfEdges($p0, $p1, $q0, $q1);
            $this->crossShadow = $this->crossTie < 0.0 ? 1 : 0;
        } else {
            $this->crossTie = 0.0;
            $this->crossShadow = $this->crossZp < $this->crossZq ? 1 : 0;
        }

        return $count * $this->crossShadow;
    }

    /** Whether both ends a of one edge lie before or behind both ends b of the other by more than the tolerance. */
    private function areApart(float $a0, float $a1, float $b0, float $b1): bool
    {
        $high = ($a0 > $a1 ? $a0 : $a1) + $this->tolerance;
        if ($high < $b0 && $high < $b1) {
            return true;
        }
        $low = ($a0 < $a1 ? $a0 : $a1) - $this->tolerance;

        return $low > $b0 && $low > $b1;
    }

    /** Whether a vertex of P lies before one of Q in x; a tie is decided by the way P moves. */
    private function isBefore(int $p, float $x, float $of): int
    {
        $gap = $x - $of;

        return $gap < -$this->tolerance ? 1 : ($gap > $this->tolerance ? 0 : ($this->dispX($p) < 0.0 ? 1 : 0));
    }

    /**
     * Ends of either edge that lie over or under the other one, seen in y: the crossing lies between one where P is lower
     * in y and one where it is not.
     *
     * @return array{int, ?array{float,float,float,float,float,float}, ?array{float,float,float,float,float,float}} how often
     *         they cross, and the last bracket of either side: x, y and z of P, y and z of Q, tie
     */
    private function brackets(int $p0, int $p1, int $q0, int $q1): array
    {
        $m = $this->pair;
        [$a0, $a1, $b0, $b1] = [$m->px[$p0], $m->px[$p1], $m->qx[$q0], $m->qx[$q1]];
        $s00 = $this->isBefore($p0, $a0, $b0);
        $s01 = $this->isBefore($p0, $a0, $b1);
        $s10 = $this->isBefore($p1, $a1, $b0);
        $s11 = $this->isBefore($p1, $a1, $b1);
        $count = 0;
        $under = $over = null;
        foreach ([[$s00 - $s01, $p0, -1], [$s11 - $s10, $p1, -1], [$s10 - $s00, -1, $q0], [$s01 - $s11, -1, $q1]] as [$change, $p, $q]) {
            if ($change === 0) {
                continue;
            }
            if ($q < 0) {
                $lower = $this->vertexEdge($p, $q0, $q1);
                $at = [$m->px[$p], $m->py[$p], $m->pz[$p], $this->edgeY, $this->edgeZ, $this->edgeTie];
            } else {
                $lower = $this->edgeVertex($p0, $p1, $q);
                $at = [$m->qx[$q], $this->edgeY, $this->edgeZ, $m->qy[$q], $m->qz[$q], $this->edgeTie];
            }
            if ($lower === 1) {
                $count += $change;
                $under = $at;
            } else {
                $over = $at;
            }
        }

        return [$count, $under, $over];
    }

    /**
     * The crossing between two brackets, from the nearer one.
     *
     * @param array{float,float,float,float,float,float} $a
     * @param array{float,float,float,float,float,float} $b
     */
    private function crossBetween(array $a, array $b): void
    {
        [$xA, $ypA, $zpA, $yqA, $zqA, $tieA] = $a;
        [$xB, $ypB, $zpB, $yqB, $zqB, $tieB] = $b;
        $gapA = $ypA - $yqA;
        $gapB = $ypB - $yqB;
        $den = $gapA - $gapB;
        if ($den == 0.0 || (abs($gapA) <= $this->tolerance && abs($gapB) <= $this->tolerance)) {
            $gapA = $tieA;
            $den = $tieA - $tieB;
        }
        $t = $den == 0.0 ? 0.5 : max(0.0, min(1.0, $gapA / $den));
        // y comes from the operand that changes least between the brackets
        $fromP = abs($ypB - $ypA) < abs($yqB - $yqA);
        if ($t <= 0.5) {
            $this->crossX = $xA + $t * ($xB - $xA);
            $this->crossY = $fromP ? $ypA + $t * ($ypB - $ypA) : $yqA + $t * ($yqB - $yqA);
            $this->crossZp = $zpA + $t * ($zpB - $zpA);
            $this->crossZq = $zqA + $t * ($zqB - $zqA);

            return;
        }
        $u = $den != 0.0 && $gapA != 0.0 ? ($gapA - $den) / -$den : 1 - $t;
        $u = $u < 0 ? 0.0 : ($u > 0.5 ? 1 - $t : $u);
        $this->crossX = $xB - $u * ($xB - $xA);
        $this->crossY = $fromP ? $ypB - $u * ($ypB - $ypA) : $yqB - $u * ($yqB - $yqA);
        $this->crossZp = $zpB - $u * ($zpB - $zpA);
        $this->crossZq = $zqB - $u * ($zqB - $zqA);
    }

    /** Edges that meet: how P moves against the plane of both at the crossing. */
    private function tieOfEdges(int $p0, int $p1, int $q0, int $q1): float
    {
        $m = $this->pair;
        $ux = $m->px[$p1] - $m->px[$p0];
        $uy = $m->py[$p1] - $m->py[$p0];
        $uz = $m->pz[$p1] - $m->pz[$p0];
        $vx = $m->qx[$q1] - $m->qx[$q0];
        $vy = $m->qy[$q1] - $m->qy[$q0];
        $vz = $m->qz[$q1] - $m->qz[$q0];
        $l2 = $ux * $ux + $uy * $uy;
        $s = $l2 > 0 ? (($this->crossX - $m->px[$p0]) * $ux + ($this->crossY - $m->py[$p0]) * $uy) / $l2 : 0.5;
        $d0 = $this->dispX($p0);
        $d1 = $this->dispX($p1);
        $ddx = $d0 + $s * ($d1 - $d0);
        $ddy = $this->dy[$p0] + $s * ($this->dy[$p1] - $this->dy[$p0]);
        $ddz = $this->dz[$p0] + $s * ($this->dz[$p1] - $this->dz[$p0]);
        $nx = $uy * $vz - $uz * $vy;
        $ny = $uz * $vx - $ux * $vz;
        $nz = $ux * $vy - $uy * $vx;

        return $nz == 0.0 ? $ddz : ($ddx * $nx + $ddy * $ny + $ddz * $nz) / $nz;
    }

    /** Vertex p of P under face f of Q: signed shadow. */
    public function vertexFace(int $p, int $f): int
    {
        $key = $p * $this->faces + $f;
        $known = $this->knownVertexFace[$key] ?? null;
        if ($known !== null) {
            return $this->recall($known);
        }
        $value = $this->findVertexFace($p, $f);
        $this->knownVertexFace[$key] = $this->answer();

        return $value;
    }

    private function findVertexFace(int $p, int $f): int
    {
        $m = $this->pair;
        $this->crossCount = 0;
        $h = 3 * $f;
        $v = [$m->qStart[$h], $m->qStart[$h + 1], $m->qStart[$h + 2]];
        $x = $m->px[$p];
        // whether p lies before each corner in x; a tie is decided by the way p moves
        $tol = $this->tolerance;
        $s0 = ($gap = $x - $m->qx[$v[0]]) < -$tol ? 1 : ($gap > $tol ? 0 : ($this->dispX($p) < 0.0 ? 1 : 0));
        $s1 = ($gap = $x - $m->qx[$v[1]]) < -$tol ? 1 : ($gap > $tol ? 0 : ($this->dispX($p) < 0.0 ? 1 : 0));
        $s2 = ($gap = $x - $m->qx[$v[2]]) < -$tol ? 1 : ($gap > $tol ? 0 : ($this->dispX($p) < 0.0 ? 1 : 0));
        if ($s0 === $s1 && $s1 === $s2) {
            return 0;
        }
        $y = $m->py[$p];
        $w0 = $m->qy[$v[0]];
        $w1 = $m->qy[$v[1]];
        $w2 = $m->qy[$v[2]];
        $k = $y + $this->tolerance;
        if ($k < $w0 && $k < $w1 && $k < $w2) {
            return 0;
        }
        $k = $y - $this->tolerance;
        if ($k > $w0 && $k > $w1 && $k > $w2) {
            return 0;
        }
        $s = [$s0, $s1, $s2];
        $count = 0;
        $hasA = $hasB = false;
        $yA = $yB = $zA = $zB = 0.0;
        for ($k = 0; $k < 3; $k++) {
            $n = $k === 2 ? 0 : $k + 1;
            if ($s[$k] === $s[$n]) {
                continue;
            }
            // the canonical half-edge decides the direction, so both neighbours hear the same answer
            $lower = $m->qTwin[$h + $k] < $h + $k ? $this->vertexEdge($p, $v[$n], $v[$k]) : $this->vertexEdge($p, $v[$k], $v[$n]);
            if ($lower === 1) {
                $count += $s[$n] - $s[$k];
                $hasA = true;
                $yA = $this->edgeY;
                $zA = $this->edgeZ;
            } else {
                $hasB = true;
                $yB = $this->edgeY;
                $zB = $this->edgeZ;
            }
        }
        if ($count === 0) {
            return 0;
        }
        $z = self::between($y, $hasA, $yA, $zA, $hasB, $yB, $zB);
        $this->crossCount = $count;
        $this->crossX = $x;
        $this->crossY = $y;
        $this->crossZp = $zp = $m->pz[$p];
        $this->crossZq = $z;
        if (abs($zp - $z) <= $this->tolerance) {
            $q = $m->qFacet[$f];
            $nz = $m->fz[$q];
            $d = $this->dispX($p);
            $this->crossTie = $nz == 0.0 ? $this->dz[$p] : ($d * $m->fx[$q] + $this->dy[$p] * $m->fy[$q] + $this->dz[$p] * $nz) / $nz;
            $this->crossShadow = $this->crossTie < 0.0 ? 1 : 0;
        } else {
            $this->crossTie = 0.0;
            $this->crossShadow = $zp < $z ? 1 : 0;
        }

        return $count * $this->crossShadow;
    }

    /** Face f of P under vertex q of Q: signed shadow. */
    public function faceVertex(int $f, int $q): int
    {
        $key = $q * $this->faces + $f;
        $known = $this->knownFaceVertex[$key] ?? null;
        if ($known !== null) {
            return $this->recall($known);
        }
        $value = $this->findFaceVertex($f, $q);
        $this->knownFaceVertex[$key] = $this->answer();

        return $value;
    }

    private function findFaceVertex(int $f, int $q): int
    {
        $m = $this->pair;
        $this->crossCount = 0;
        $h = 3 * $f;
        $v = [$m->pStart[$h], $m->pStart[$h + 1], $m->pStart[$h + 2]];
        $x = $m->qx[$q];
        $tol = $this->tolerance;
        $s0 = ($gap = $m->px[$v[0]] - $x) < -$tol ? 1 : ($gap > $tol ? 0 : ($this->dispX($v[0]) < 0.0 ? 1 : 0));
        $s1 = ($gap = $m->px[$v[1]] - $x) < -$tol ? 1 : ($gap > $tol ? 0 : ($this->dispX($v[1]) < 0.0 ? 1 : 0));
        $s2 = ($gap = $m->px[$v[2]] - $x) < -$tol ? 1 : ($gap > $tol ? 0 : ($this->dispX($v[2]) < 0.0 ? 1 : 0));
        if ($s0 === $s1 && $s1 === $s2) {
            return 0;
        }
        $y = $m->qy[$q];
        $w0 = $m->py[$v[0]];
        $w1 = $m->py[$v[1]];
        $w2 = $m->py[$v[2]];
        $k = $y + $this->tolerance;
        if ($k < $w0 && $k < $w1 && $k < $w2) {
            return 0;
        }
        $k = $y - $this->tolerance;
        if ($k > $w0 && $k > $w1 && $k > $w2) {
            return 0;
        }
        $s = [$s0, $s1, $s2];
        $count = 0;
        $hasA = $hasB = false;
        $yA = $yB = $zA = $zB = 0.0;
        for ($k = 0; $k < 3; $k++) {
            $n = $k === 2 ? 0 : $k + 1;
            if ($s[$k] === $s[$n]) {
                continue;
            }
            $lower = $m->pTwin[$h + $k] < $h + $k ? $this->edgeVertex($v[$n], $v[$k], $q) : $this->edgeVertex($v[$k], $v[$n], $q);
            if ($lower === 1) {
                $count += $s[$n] - $s[$k];
                $hasA = true;
                $yA = $this->edgeY;
                $zA = $this->edgeZ;
            } else {
                $hasB = true;
                $yB = $this->edgeY;
                $zB = $this->edgeZ;
            }
        }
        if ($count === 0) {
            return 0;
        }
        $z = self::between($y, $hasA, $yA, $zA, $hasB, $yB, $zB);
        $this->crossCount = $count;
        $this->crossX = $x;
        $this->crossY = $y;
        $this->crossZp = $z;
        $this->crossZq = $zq = $m->qz[$q];
        if (abs($z - $zq) <= $this->tolerance) {
            $pf = $m->pFacet[$f];
            $nz = $m->fz[$pf];
            $ex = $this->dispX($v[0]) + $this->dispX($v[1]) + $this->dispX($v[2]);
            $ey = $this->dy[$v[0]] + $this->dy[$v[1]] + $this->dy[$v[2]];
            $ez = $this->dz[$v[0]] + $this->dz[$v[1]] + $this->dz[$v[2]];
            $this->crossTie = $nz == 0.0 ? $ez : ($ex * $m->fx[$pf] + $ey * $m->fy[$pf] + $ez * $nz) / $nz / 3;
            $this->crossShadow = $this->crossTie < 0.0 ? 1 : 0;
        } else {
            $this->crossTie = 0.0;
            $this->crossShadow = $z < $zq ? 1 : 0;
        }

        return $count * $this->crossShadow;
    }

    /** @return array{float,float,float,float,float,int,int}|false the answer just found, to be remembered */
    private function answer(): array|false
    {
        return $this->crossCount === 0
            ? false
            : [$this->crossX, $this->crossY, $this->crossZp, $this->crossZq, $this->crossTie, $this->crossCount, $this->crossShadow];
    }

    /** @param array{float,float,float,float,float,int,int}|false $known */
    private function recall(array|false $known): int
    {
        if ($known === false) {
            return $this->crossCount = 0;
        }
        [$this->crossX, $this->crossY, $this->crossZp, $this->crossZq, $this->crossTie, $this->crossCount, $this->crossShadow] = $known;

        return $this->crossCount * $this->crossShadow;
    }

    private static function between(float $y, bool $hasA, float $yA, float $zA, bool $hasB, float $yB, float $zB): float
    {
        if (!$hasA) {
            $yA = $yB;
            $zA = $zB;
        } elseif (!$hasB) {
            $yB = $yA;
            $zB = $zA;
        }
        $l = $yB - $yA;
        if ($l == 0.0) {
            return $zA;
        }
        if (abs($y - $yA) < abs($yB - $y)) {
            $t = ($y - $yA) / $l;

            return $t <= 0 ? $zA : $zA + $t * ($zB - $zA);
        }
        $t = ($yB - $y) / $l;

        return $t <= 0 ? $zB : $zB - $t * ($zB - $zA);
    }

    /** Canonical edge pe of P against face f of Q: how often it passes inward; the point is left in out*. */
    public function edgeFace(int $pe, int $f): int
    {
        $this->hasA = $this->hasB = false;
        $count = $this->vertexFace($this->pair->pStart[$pe % 3 === 2 ? $pe - 2 : $pe + 1], $f);
        $this->noteEvent();
        $count -= $this->vertexFace($this->pair->pStart[$pe], $f);
        $this->noteEvent();
        $twin = $this->pair->qTwin;
        for ($h = 3 * $f, $end = $h + 3; $h < $end; $h++) {
            $count += $twin[$h] < $h ? $this->edgeEdge($pe, $twin[$h]) : -$this->edgeEdge($pe, $h);
            $this->noteEvent();
        }
        if ($count !== 0) {
            $this->placeCrossing();
        }

        return $count;
    }

    /** Face f of P against canonical edge qe of Q. */
    public function faceEdge(int $f, int $qe): int
    {
        $this->hasA = $this->hasB = false;
        $count = $this->faceVertex($f, $this->pair->qStart[$qe % 3 === 2 ? $qe - 2 : $qe + 1]);
        $this->noteEvent();
        $count -= $this->faceVertex($f, $this->pair->qStart[$qe]);
        $this->noteEvent();
        $twin = $this->pair->pTwin;
        for ($h = 3 * $f, $end = $h + 3; $h < $end; $h++) {
            $count += $twin[$h] < $h ? -$this->edgeEdge($twin[$h], $qe) : $this->edgeEdge($h, $qe);
            $this->noteEvent();
        }
        if ($count !== 0) {
            $this->placeCrossing();
        }

        return $count;
    }

    private function noteEvent(): void
    {
        if ($this->crossCount === 0) {
            return;
        }
        $event = [$this->crossX, $this->crossY, $this->crossZp, $this->crossZq, $this->crossTie];
        if ($this->crossShadow === 1) {
            $this->hasA = true;
            $this->eventA = $event;
        } else {
            $this->hasB = true;
            $this->eventB = $event;
        }
    }

    private function placeCrossing(): void
    {
        [$xA, $yA, $pA, $qA, $tieA] = $this->hasA ? $this->eventA : $this->eventB;
        [$xB, $yB, $pB, $qB, $tieB] = $this->hasB ? $this->eventB : $this->eventA;
        $tieA = $this->hasA ? $tieA : 0.0;
        $tieB = $this->hasB ? $tieB : 0.0;
        $gapA = $pA - $qA;
        $gapB = $pB - $qB;
        $den = $gapA - $gapB;
        if ($den == 0.0 || (abs($gapA) <= $this->tolerance && abs($gapB) <= $this->tolerance)) {
            $gapA = $tieA;
            $gapB = $tieB;
            $den = $tieA - $tieB;
        }
        $t = $den == 0.0 ? 0.5 : max(0.0, min(1.0, $gapA / $den));
        $fromP = abs($pB - $pA) < abs($qB - $qA);
        if ($t <= 0.5) {
            $this->outX = $xA + $t * ($xB - $xA);
            $this->outY = $yA + $t * ($yB - $yA);
            $this->outZ = $fromP ? $pA + $t * ($pB - $pA) : $qA + $t * ($qB - $qA);
        } else {
            $u = $den == 0.0 ? 0.5 : max(0.0, min(1.0, -$gapB / $den));
            $this->outX = $xB - $u * ($xB - $xA);
            $this->outY = $yB - $u * ($yB - $yA);
            $this->outZ = $fromP ? $pB - $u * ($pB - $pA) : $qB - $u * ($qB - $qA);
        }
    }
}
