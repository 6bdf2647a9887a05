<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

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
            $there = ['faces' => self::faceNames($body), 'edges' => array_fill_keys(array_map(strval(...), array_keys(Topology::of($body)->edges)), true)];
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
            default => ['This face cannot be moved so.', 'distance', false],
        };
        try {
            return match ($t->step->kind) {
                StepKind::Round => Blending::round($t->step->id, $t->part, self::edges($t), $t->number('radius'), $t->budget),
                StepKind::Chamfer => self::chamfer($t),
                StepKind::Hollow => FaceWork::shell($t->step->id, $t->part, $t->number('wall'), $t->step->names('faces') === [] ? [] : $t->picked('faces', self::faceNames($t->part), 'face'), budget: $t->budget),
                StepKind::Draft => self::draft($t),
                default => FaceWork::pull($t->part, $t->picked('faces', self::faceNames($t->part), 'face')[0], $t->number('distance'), $t->budget),
            };
        } catch (Refused $r) {
            throw $t->refused($r, $what, in_array($r->reason, ['no-edge', 'edge-shape', 'tangent-edge', 'end-on-round'], true) ? 'edges' : (in_array($r->reason, ['no-face', 'not-flat', 'parallel-face', 'free-face'], true) ? 'faces' : $field), $degrees);
        }
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

    private static function chamfer(Task $t): Solid
    {
        $edges = self::edges($t);
        $swapped = $t->text('side') === 'second';

        return match ($t->text('by')) {
            'two' => Blending::chamfer($t->step->id, $t->part, $edges, $t->number('distance'), $t->number('second'), $swapped, $t->budget),
            'angle' => Blending::chamferAtAngle($t->step->id, $t->part, $edges, $t->number('distance'), $t->number('angle'), $swapped, $t->budget),
            default => Blending::chamfer($t->step->id, $t->part, $edges, $t->number('distance'), budget: $t->budget),
        };
    }

    private static function draft(Task $t): Solid
    {
        $plane = $t->plane();

        return FaceWork::draft($t->part, $t->picked('faces', self::faceNames($t->part), 'face'), $plane->t, [$plane->r[2], $plane->r[5], $plane->r[8]], $t->number('angle'), $t->budget);
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
