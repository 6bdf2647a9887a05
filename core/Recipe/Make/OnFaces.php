<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Closure;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\Transform;
use Cubo\Recipe\StepKind;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Maker\Lettering;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** Work on picked faces and edges of the part. */
final class OnFaces
{
    /** of the largest size that seems to fit, in the order in which they are tried */
    private const SHARES = [1.0, 0.8, 0.5];

    /** mm or degrees: nobody is offered less */
    private const LEAST_OFFER = 0.05;

    /** Work limit for trying an offer. */
    private const MOST_WORK = 400_000;

    /** The part changed; body by body where bodies stay apart, each by what is picked of it. */
    public static function change(Task $t): Solid
    {
        $t->needsPart();
        if (! $t->apart || count($bodies = Joining::bodies($t->part)) === 1) {
            return self::changed($t);
        }
        $out = [];
        $meant = false;
        foreach ($bodies as $body) {
            $there = ['faces' => self::faceNames($body), 'others' => self::faceNames($body), 'edges' => array_fill_keys(array_map(strval(...), array_keys(Topology::of($body)->edges)), true)];
            $step = $t->step;
            $of = $all = 0;
            foreach ($there as $key => $names) {
                $picked = array_values(array_filter($step->names($key), static fn (string $n): bool => isset($names[$n])));
                $all += count($step->names($key));
                $of += count($picked);
                $step = $step->with($key, $picked);
            }
            // nothing picked at all means all of it, as a hollow without an opening does
            $concerns = $of > 0 || ($all === 0 && $t->step->kind === StepKind::Hollow);
            $meant = $meant || $concerns;
            $out[] = $concerns ? self::changed($t->on($body)->for($step)) : $body;
        }

        // what is picked of no body says so for the whole part
        return $meant ? Joining::beside($out) : self::changed($t);
    }

    private static function changed(Task $t): Solid
    {
        [$what, $field, $degrees] = match ($t->step->kind) {
            StepKind::Round => ['These edges cannot be rounded so.', 'radius', false],
            StepKind::Chamfer => ['These edges cannot be cut off so.', 'distance', false],
            StepKind::Hollow => ['This cannot be hollowed out so.', 'wall', false],
            StepKind::Draft => ['These faces cannot be tilted so.', 'angle', true],
            default => [count($t->step->names('faces')) > 1 ? 'These faces cannot be moved so.' : 'This face cannot be moved so.', 'distance', false],
        };
        $work = self::work($t);
        $size = $t->number($field);
        try {
            return $work($size);
        } catch (Refused $r) {
            throw $t->refused(self::offering($t, $r, $work, $size, $degrees), $what, in_array($r->reason, ['no-edge', 'edge-shape', 'tangent-edge', 'too-sharp'], true) ? 'edges' : (in_array($r->reason, ['no-face', 'not-flat', 'parallel-face', 'free-face'], true) ? 'faces' : $field), $degrees);
        }
    }

    /** @return Closure(float): Solid the part by the size that is asked for */
    private static function work(Task $t): Closure
    {
        $faces = fn (): array => $t->picked('faces', self::faceNames($t->part), 'face');

        return match ($t->step->kind) {
            StepKind::Round => static fn (float $size): Solid => Blending::round($t->step->id, $t->part, self::edges($t), $size, $t->budget),
            StepKind::Chamfer => static fn (float $size): Solid => self::chamfer($t, $size),
            StepKind::Hollow => static fn (float $size): Solid => self::hollow($t, $size, $t->step->names('faces') === [] ? [] : $faces()),
            StepKind::Draft => static fn (float $size): Solid => self::draft($t, $size),
            default => static fn (float $size): Solid => array_reduce($faces(), static fn (Solid $part, string $face): Solid => FaceWork::pull($part, $face, $size, $t->budget, $t->step->id), $t->part),
        };
    }

    /**
     * The refusal with a size that was tried and works, as it will be shown, or without one.
     *
     * @param Closure(float): Solid $work
     */
    private static function offering(Task $t, Refused $r, Closure $work, float $size, bool $degrees): Refused
    {
        $step = $degrees ? 0.01 : $t->unit->inMillimetres() / 10 ** $t->unit->decimals();
        foreach ($r->largest === null ? [] : self::SHARES as $share) {
            $offer = floor($share * $r->largest / $step + 1e-9) * $step;
            if ($offer < self::LEAST_OFFER) {
                break;
            }
            try {
                $t->budget->within(self::MOST_WORK, static fn (): Solid => $work($size < 0 ? -$offer : $offer));

                return new Refused($r->reason, $r->getMessage(), $offer);
            } catch (Refused | OverBudget) {
                // a smaller one may do
            }
        }

        return new Refused($r->reason, $r->getMessage());
    }

    /** @return array<string, true> */
    private static function faceNames(Solid $s): array
    {
        $out = [];
        // a body taken out of a part still knows surfaces it has no triangle of
        foreach (array_unique($s->facet) as $f) {
            $out[$s->surfaces[$s->surfaceOf[$f]]->name] = true;
        }

        return $out;
    }

    /** @return list<string> picked edges, and those around picked faces */
    private static function edges(Task $t): array
    {
        $topology = Topology::of($t->part);
        $around = [];
        if ($t->step->names('faces') !== []) {
            $faces = $t->picked('faces', self::faceNames($t->part), 'face');
            foreach ($topology->edges as $name => $e) {
                if (array_intersect([$t->part->surfaces[$e->left]->name, $t->part->surfaces[$e->right]->name], $faces) !== []) {
                    $around[] = $name;
                }
            }
        }

        return array_values(array_unique([...($t->step->names('edges') === [] && $around !== [] ? [] : $t->picked('edges', $topology->edges, 'edge')), ...$around]));
    }

    /** @param list<string> $open names of faces */
    private static function hollow(Task $t, float $wall, array $open): Solid
    {
        $others = $t->step->names('others') === [] ? [] : array_fill_keys(array_diff($t->picked('others', self::faceNames($t->part), 'face'), $open), $t->number('second'));

        return $t->text('side') === 'outside' ? FaceWork::shellAround($t->step->id, $t->part, $wall, $open, $others, $t->budget) : FaceWork::shell($t->step->id, $t->part, $wall, $open, $others, $t->budget);
    }

    private static function chamfer(Task $t, float $distance): Solid
    {
        $edges = self::edges($t);
        $swapped = $t->text('side') === 'second';

        return match ($t->text('by')) {
            'two' => Blending::chamfer($t->step->id, $t->part, $edges, $distance, $t->number('second'), $swapped, $t->budget),
            'angle' => Blending::chamferAtAngle($t->step->id, $t->part, $edges, $distance, $t->number('angle'), $swapped, $t->budget),
            default => Blending::chamfer($t->step->id, $t->part, $edges, $distance, budget: $t->budget),
        };
    }

    private static function draft(Task $t, float $angle): Solid
    {
        $plane = $t->plane();

        return FaceWork::draft($t->part, $t->picked('faces', self::faceNames($t->part), 'face'), $plane->t, [$plane->r[2], $plane->r[5], $plane->r[8]], $angle, $t->budget);
    }

    /** Letters on a flat face, as a solid to add or to cut. */
    public static function text(Task $t): Solid
    {
        $t->needsPart();
        $depth = $t->number('depth');
        $place = Transform::rotation(2, $t->number('angle'))->then(Transform::translation([$t->number('u'), $t->number('v'), $t->text('effect') === 'cut' ? -$depth : 0.0]))->then($t->flatFace('face'));
        try {
            return Lettering::solid($t->step->id, $t->text('text'), $t->number('height'), $depth, $place, $t->budget);
        } catch (Refused $r) {
            throw $t->refused($r, 'This cannot be written.', 'text');
        }
    }
}
