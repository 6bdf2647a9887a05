<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Layer\Face;
use Cubo\Solid\Layer\Inset;
use Cubo\Solid\Layer\LevelCut;
use Cubo\Solid\Layer\Skin;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * Tilts faces about where they meet a neutral plane by cutting and adding what lies between. Flats stay flat, cylinders along
 * the direction become cones. Rounds between tilted faces follow as cones where they stand along the direction; other
 * rounds beside them are made again.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Drafting
{
    private const ALONG = 1e-6;

    /** mm per mm of radius by which a cone may miss its tip */
    private const TIP = 1e-9;

    /**
     * @param V $point of the neutral plane
     * @param V $d unit, its normal: at a positive angle the solid gets narrower in this direction
     */
    private function __construct(
        private readonly array $point,
        private readonly array $d,
        private readonly float $angle,
        private readonly Budget $budget,
    ) {}

    /**
     * @param list<string> $faces names
     * @param V $point of the neutral plane
     * @param V $d unit, its normal
     * @param float $angle degrees
     *
     * @throws Refused not-flat, parallel-face, no-room
     */
    public static function run(Solid $solid, array $faces, array $point, array $d, float $angle, ?Budget $budget = null): Solid
    {
        return (new self($point, $d, $angle, $budget ?? Budget::unlimited()))->all($solid, $faces);
    }

    /** @param list<string> $faces */
    private function all(Solid $solid, array $faces): Solid
    {
        $faces = $this->withRounds($solid, $faces);
        // rounds that are not tilted themselves are in the way of faces beside them
        try {
            [$solid, $taken] = Sharpening::of($solid, $faces, $this->budget);
        } catch (Refused $r) {
            return $this->outright($solid, $faces) ?? throw $r;
        }
        $groups = $this->groups($solid, $faces);
        foreach ($groups as $group) {
            try {
                $solid = $this->tilted($solid, $group);
            } catch (Refused $r) {
                $solid = $r->reason !== 'no-room' ? throw $r : $this->outright($solid, $group) ?? throw $r;
            }
        }

        return Sharpening::again($solid, $taken, $this->budget);
    }

    /**
     * The faces, and the rounds between two of them that stand along the direction.
     *
     * @param list<string> $faces
     * @return list<string>
     */
    private function withRounds(Solid $solid, array $faces): array
    {
        $skin = new Skin($solid, static fn(): float => 0.0);
        $inset = new Inset($skin);
        $smooth = $inBall = [];
        foreach ($solid->start as $h => $_) {
            $f = $skin->faceOf[intdiv($h, 3)];
            $g = $skin->beyond($h);
            if ($f !== $g && $inset->runOn($f, $g)) {
                $smooth[$f][$skin->faces[$g]->surface->name] = true;
                $inBall[$f] = ($inBall[$f] ?? false) || $skin->faces[$g]->surface->kind === SurfaceKind::Sphere;
            }
        }
        foreach ($smooth as $f => $names) {
            $u = $skin->faces[$f]->surface;
            // one that ends in a ball is made again with it
            if (
                !$inBall[$f] &&
                $u->kind === SurfaceKind::Cylinder &&
                abs(Vector::dot($u->axis, $this->d)) > 1 - self::ALONG &&
                count(array_intersect(array_keys($names), $faces)) >= 2
            ) {
                $faces[] = $u->name;
            }
        }

        return array_values(array_unique($faces));
    }

    /**
     * Faces that run on smoothly into each other are tilted together, others one after the other.
     *
     * @param list<string> $faces
     * @return list<list<string>>
     */
    private function groups(Solid $solid, array $faces): array
    {
        $skin = new Skin($solid, static fn(): float => 0.0);
        $inset = new Inset($skin);
        $group = array_combine($faces, array_keys($faces));
        foreach ($solid->start as $h => $_) {
            $f = $skin->faceOf[intdiv($h, 3)];
            $g = $skin->beyond($h);
            [$a, $b] = [$skin->faces[$f]->surface->name, $skin->faces[$g]->surface->name];
            if ($a !== $b && isset($group[$a], $group[$b]) && $group[$a] !== $group[$b] && $inset->runOn($f, $g)) {
                [$keep, $drop] = [$group[$a], $group[$b]];
                foreach ($group as $name => $id) {
                    $group[$name] = $id === $drop ? $keep : $id;
                }
            }
        }
        $out = [];
        foreach ($group as $name => $id) {
            $out[$id][] = (string) $name;
        }

        return array_values($out);
    }

    /** @param list<string> $names */
    private function tilted(Solid $solid, array $names): Solid
    {
        $chosen = static fn(int $t): bool => in_array($solid->surfaceOfTriangle($t)->name, $names, true);
        $solid = LevelCut::at($solid, $chosen, fn(array $p): float => Vector::dot(Vector::sub($p, $this->point), $this->d));
        $skin = new Skin($solid, static fn(): float => 0.0);
        $inset = new Inset($skin);
        $places = [];
        foreach ($skin->faces as $f => $face) {
            if (in_array($face->surface->name, $names, true)) {
                $places[$f] = $this->place($face, $skin);
            }
        }
        $between = new Between($inset, $places);
        $out = $solid;
        foreach ([true, false] as $outwards) {
            $only = fn(int $t): bool => $outwards === $this->isOutwards($t, $solid, $skin);
            $tool = $between->solid($outwards, $only);
            $this->budget->spend(20 * ($tool?->triangleCount() ?? 0));
            if ($tool !== null) {
                $out = $outwards
                    ? BooleanOperation::union($out, $tool, $this->budget)
                    : BooleanOperation::difference($out, $tool, $this->budget);
            }
        }
        if ($out->isEmpty()) {
            throw new Refused('no-room', 'Nothing would be left.');
        }

        return $out;
    }

    /**
     * The same for flats whose corners cannot be led on, or whose rounds cannot be made again: these then end at the face.
     *
     * @param list<string> $names
     */
    private function outright(Solid $solid, array $names): ?Solid
    {
        foreach ($names as $name) {
            $chosen = static fn(int $t): bool => $solid->surfaceOfTriangle($t)->name === $name;
            $solid = LevelCut::at($solid, $chosen, fn(array $p): float => Vector::dot(Vector::sub($p, $this->point), $this->d));
            foreach ((new Skin($solid, static fn(): float => 0.0))->faces as $face) {
                if ($face->surface->name === $name && !$face->surface->isFlat()) {
                    return null;
                }
            }
            $solid = Outright::filled(
                $solid,
                $name,
                fn(Face $f, Skin $skin): Place => $this->place($f, $skin),
                fn(int $t, Skin $skin): bool => $this->isOutwards($t, $skin->solid, $skin),
                $this->budget,
            );
            $solid = Outright::lowered($solid, $name, fn(Face $f): array => $this->plane($f), $this->budget);
        }

        return $solid;
    }

    private function isOutwards(int $t, Solid $solid, Skin $skin): bool
    {
        [$a, $b, $c] = [
            $skin->point($solid->start[3 * $t]),
            $skin->point($solid->start[3 * $t + 1]),
            $skin->point($solid->start[3 * $t + 2]),
        ];
        $middle = [($a[0] + $b[0] + $c[0]) / 3, ($a[1] + $b[1] + $c[1]) / 3, ($a[2] + $b[2] + $c[2]) / 3];

        // at a positive angle what lies above the neutral plane is cut
        return Vector::dot(Vector::sub($middle, $this->point), $this->d) > 0 !== $this->angle > 0;
    }

    /**
     * The plane into which a flat is tilted.
     *
     * @return array{V, float} normal and offset
     */
    private function plane(Face $face): array
    {
        $line = Vector::cross($this->d, $face->normal);
        if (Vector::length($line) < self::ALONG) {
            throw new Refused('parallel-face', 'A face that lies along the neutral plane has no line to be tilted about.');
        }
        // a point of the line in both planes, nearest to the given one
        $line = Vector::unit($line);
        $in = Vector::cross($line, $this->d);
        $on = Vector::add($this->point, $in, ($face->offset - Vector::dot($face->normal, $this->point)) / Vector::dot($face->normal, $in));
        $m = Vector::turned($face->normal, $line, -$this->angle);

        return [$m, Vector::dot($m, $on)];
    }

    private function place(Face $face, Skin $skin): Place
    {
        $u = $face->surface;
        if ($u->isFlat()) {
            return new Tilted($u->name, $face->normal, ...$this->plane($face));
        }
        if (
            !in_array($u->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone], true) ||
            abs(Vector::dot($u->axis, $this->d)) < 1 - self::ALONG
        ) {
            throw new Refused('not-flat', 'Only flat faces, and round ones that stand along the direction, can be tilted.');
        }
        $up = Vector::dot($u->axis, $this->d) > 0 ? 1.0 : -1.0;
        $height = Vector::dot(Vector::sub($this->point, $u->point), $u->axis);
        $radius = $u->radius + $u->slope * $height;
        $slope = tan(atan($u->slope * $up) - $face->sign * deg2rad($this->angle));
        $at = Vector::add($u->point, $u->axis, $height);
        if ($radius <= 0) {
            throw new Refused('no-room', 'The round face does not reach the neutral plane.');
        }
        foreach ($face->triangles as $t) {
            for ($k = 0; $k < 3; $k++) {
                $h = Vector::dot(Vector::sub($skin->point($skin->solid->start[3 * $t + $k]), $at), $this->d);
                if ($radius + $slope * $h < -self::TIP * (1 + $radius)) {
                    throw new Refused('no-room', 'The round face would end in a point before its end.');
                }
            }
        }
        $new =
            abs($slope) < 1e-12
                ? Surface::cylinder($u->name, $at, $this->d, $radius)
                : Surface::cone($u->name, $at, $this->d, $radius, $slope);

        return new Replaced($new, $face->sign, function (array $p) use ($at, $radius, $slope): array {
            $e = Vector::sub($p, $at);
            $h = Vector::dot($e, $this->d);
            $across = Vector::add($e, $this->d, -$h);
            $r = Vector::length($across);

            return $r > 0 && abs($h) > 1e-9 ? Vector::add($p, $across, ($radius + $slope * $h - $r) / $r) : $p;
        });
    }
}
