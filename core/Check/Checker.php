<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Measure\Hole;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\Through;
use Cubo\Quantity\Unit;

/** Measures a part against an exercise. Looks at geometry only, not at how the part was made. */
final class Checker
{
    private readonly Unit $unit;

    /** @var array<int, array<string, Hole>> */
    private array $pairs = [];

    /** Rounding slack: a size that is met to the last digits counts as met, mm. */
    private const SLACK = 1e-6;

    public function __construct(private readonly PartMeasures $part, private readonly Exercise $exercise)
    {
        $this->unit = $exercise->unit;
    }

    public static function check(PartMeasures $part, Exercise $exercise): Report
    {
        $c = new self($part, $exercise);

        return new Report(array_map($c->row(...), $exercise->asked()));
    }

    private function row(Requirement $r): Row
    {
        if ($this->part->solid->isEmpty()) {
            return $this->missing($r, 'There is no part yet.');
        }

        return match ($r->kind) {
            RequirementKind::Size => $this->size($r),
            RequirementKind::HoleDiameter, RequirementKind::HolePlace => $this->hole($r),
            RequirementKind::HoleDepth => $this->depth($r),
            RequirementKind::FaceDistance => $this->faceDistance($r),
            RequirementKind::Volume => $this->volume($r),
            RequirementKind::Symmetry => $this->symmetry($r),
            RequirementKind::Bodies => $this->bodies($r),
            RequirementKind::Closed => $this->closed($r),
            RequirementKind::FitsBed => $this->fitsBed($r),
            RequirementKind::Standing => $this->standing($r),
            RequirementKind::Wall => $this->wall($r),
        };
    }

    private function size(Requirement $r): Row
    {
        $axis = (int) $r->where['axis'];
        $b = $this->part->bounds();
        $got = $b->size()[$axis];
        $a = $b->middle();
        $z = $a;
        $a[$axis] = $b->min[$axis];
        $z[$axis] = $b->max[$axis];

        return $this->length($r, $got, Diagnosis::size($got, $r, $this->part, $this->exercise), ['kind' => 'span', 'a' => $a, 'b' => $z, 'axis' => $axis]);
    }

    private function hole(Requirement $r): Row
    {
        $axis = (int) $r->where['axis'];
        $hole = $this->findHole($r, $axis);
        if ($hole === null) {
            return $this->missing($r, Diagnosis::noHole($r, $this->part, $this->unit));
        }
        $place = ['kind' => 'ring', 'centre' => $this->mouth($hole, $axis), 'axis' => $axis, 'radius' => $hole->radius, 'asked' => $r->kind === RequirementKind::HoleDiameter ? $r->nominal / 2 : null];
        if ($r->kind === RequirementKind::HoleDiameter) {
            return $this->length($r, 2 * $hole->radius, Diagnosis::diameter(2 * $hole->radius, $r, $this->unit), $place, '⌀ ');
        }
        [$a, $b] = Proposer::others($axis);
        $min = $this->part->bounds()->min;
        $u = $hole->point[$a] - $min[$a];
        $v = $hole->point[$b] - $min[$b];
        $off = hypot($u - $r->where['u'], $v - $r->where['v']);
        $met = $off <= $r->tolerance + self::SLACK;

        return $this->make($r, $this->unit->show($u) . ', ' . $this->unit->show($v), $off, $this->unit->show($off), $met ? 'met' : 'off',
            $met ? 'Met' : $this->unit->show($off) . ' off its place', $met ? '' : Diagnosis::place([$u, $v], $r, $this->part, $this->unit), $place);
    }

    private function depth(Requirement $r): Row
    {
        $axis = (int) $r->where['axis'];
        $hole = $this->findHole($r, $axis);
        if ($hole === null) {
            return $this->missing($r, Diagnosis::noHole($r, $this->part, $this->unit));
        }
        $place = ['kind' => 'ring', 'centre' => $this->mouth($hole, $axis), 'axis' => $axis, 'radius' => $hole->radius, 'asked' => null];
        if (! $r->goesThrough()) {
            return $hole->through
                ? $this->make($r, 'through', null, '', 'off', 'Goes through', 'The hole should end at a depth of ' . $this->unit->brief($r->nominal) . '; it goes right through the part.', $place)
                : $this->length($r, $hole->depth(), 'The hole is ' . $this->unit->show($hole->depth()) . ' deep to where its full width ends; ' . $this->unit->brief($r->nominal) . ' is asked.', $place);
        }
        $skin = $hole->through ? 0.0 : Through::skin($this->part, $hole);

        return $this->make($r, $hole->through ? 'through' : $this->unit->show($hole->depth()), $hole->through ? 0.0 : -$skin, $hole->through ? '' : $this->unit->show($skin), $hole->through ? 'met' : 'off',
            $hole->through ? 'Met' : 'Not through', $hole->through ? '' : 'The hole does not go through: ' . $this->unit->show($skin) . ' ' . $this->unit->word() . ' are left at its end. Make it deeper, or choose “through”.', $place);
    }

    /** The hole that is most likely meant. */
    private function findHole(Requirement $r, int $axis): ?Hole
    {
        return $this->pairs($axis)[self::placeKey($r)] ?? null;
    }

    private static function placeKey(Requirement $r): string
    {
        return round((float) $r->where['u'], 6) . '|' . round((float) $r->where['v'], 6);
    }

    /**
     * Gives every asked hole along an axis at most one hole of the part, nearest pairs first, so that a missing hole is
     * told as missing and not as its neighbour. A hole farther off than about a third of the part is another hole,
     * unless there is only one of each.
     *
     * @return array<string, Hole> by asked place
     */
    private function pairs(int $axis): array
    {
        if (isset($this->pairs[$axis])) {
            return $this->pairs[$axis];
        }
        [$a, $b] = Proposer::others($axis);
        $min = $this->part->bounds()->min;
        $size = $this->part->bounds()->size();
        $found = array_values(array_filter($this->part->features()->holes, static fn (Hole $h): bool => $h->principal() === $axis));
        $places = [];
        foreach ($this->exercise->asked() as $r) {
            if ($r->kind->isOfHole() && (int) $r->where['axis'] === $axis) {
                $places[self::placeKey($r)] = [(float) $r->where['u'], (float) $r->where['v'], $r->kind === RequirementKind::HoleDiameter ? $r->nominal : ($places[self::placeKey($r)][2] ?? null)];
            }
        }
        $far = count($found) === 1 && count($places) === 1 ? INF : 0.35 * max($size[$a], $size[$b]);
        $candidates = [];
        foreach ($places as $key => [$u, $v, $diameter]) {
            foreach ($found as $i => $h) {
                $away = hypot($h->point[$a] - $min[$a] - $u, $h->point[$b] - $min[$b] - $v);
                if ($away <= $far) {
                    // of holes on one axis the one nearer in width
                    $candidates[] = [$away + ($diameter === null ? 0.0 : 0.1 * abs(2 * $h->radius - $diameter)), $key, $i];
                }
            }
        }
        usort($candidates, static fn (array $p, array $q): int => $p[0] <=> $q[0] ?: $p[2] <=> $q[2]);
        $pairs = $taken = [];
        foreach ($candidates as [, $key, $i]) {
            if (! isset($pairs[$key]) && ! isset($taken[$i])) {
                $pairs[$key] = $found[$i];
                $taken[$i] = true;
            }
        }

        return $this->pairs[$axis] = $pairs;
    }

    /** @return array{float,float,float} the end of the hole nearer the usual viewer: top, front or right */
    private function mouth(Hole $h, int $axis): array
    {
        $p = $h->point;
        $p[$axis] += ($axis === 1 ? -1 : 1) * $h->depth() / 2;

        return $p;
    }

    private function faceDistance(Requirement $r): Row
    {
        $axis = (int) $r->where['axis'];
        $b = $this->part->bounds();
        $best = null;
        foreach ($this->part->features()->flats as $f) {
            if (abs($f->normal[$axis] - $r->where['highSign']) > 1e-6) {
                continue;
            }
            $at = $f->centroid[$axis] - $b->min[$axis];
            // an outermost face is no step
            if ($at < 1e-6 || $at > $b->size()[$axis] - 1e-6) {
                continue;
            }
            if ($best === null || abs($at - $r->nominal) < abs($best->centroid[$axis] - $b->min[$axis] - $r->nominal)) {
                $best = $f;
            }
        }
        if ($best === null) {
            return $this->missing($r, 'The part has no flat face between its outermost faces in this direction.');
        }
        $a = $z = $best->centroid;
        $a[$axis] = $b->min[$axis];
        $got = $best->centroid[$axis] - $b->min[$axis];

        return $this->length($r, $got, Diagnosis::factor($got, $r->nominal, $this->unit, 'face is'), ['kind' => 'span', 'a' => $a, 'b' => $z, 'axis' => $axis]);
    }

    private function volume(Requirement $r): Row
    {
        $got = $this->part->mass()->volume;
        $off = $got - $r->nominal;
        $percent = $r->nominal == 0.0 ? INF : 100 * $off / $r->nominal;
        $met = abs($percent) <= $r->tolerance + 1e-7;
        $word = $met ? 'Met' : Requirement::volume(abs($off), $this->unit) . ($off < 0 ? ' too little' : ' too much');

        return $this->make($r, Requirement::volume($got, $this->unit), $percent, \Cubo\Quantity\Number::show($percent) . ' %', $met ? 'met' : 'off', $word,
            $met ? '' : Diagnosis::volume($got, $r, $this->unit), ['kind' => 'spot', 'at' => $this->part->mass()->centroid]);
    }

    private function symmetry(Requirement $r): Row
    {
        $s = $this->part->symmetry((int) $r->where['axis']);
        $met = $s->deviation <= $r->tolerance + self::SLACK;
        $halves = [['left', 'right'], ['front', 'back'], ['bottom', 'top']][(int) $r->where['axis']];

        return $this->make($r, $met ? 'mirror' : $this->unit->show($s->deviation) . ' apart', $s->deviation, $this->unit->show($s->deviation), $met ? 'met' : 'off',
            $met ? 'Met' : $this->unit->show($s->deviation) . ' apart', $met ? '' : "Folded over the middle, the {$halves[0]} and {$halves[1]} halves differ most at the marked spot, by {$this->unit->show($s->deviation)} {$this->unit->word()}.",
            $s->worst === null ? null : ['kind' => 'spot', 'at' => $s->worst]);
    }

    private function bodies(Requirement $r): Row
    {
        $n = $this->part->bodyCount();
        $met = $n === (int) $r->nominal;

        return $this->make($r, (string) $n, (float) ($n - $r->nominal), (string) ($n - (int) $r->nominal), $met ? 'met' : 'off', $met ? 'Met' : ($n === 1 ? '1 piece' : "$n loose pieces"),
            $met ? '' : ($n > $r->nominal ? "The part is $n loose pieces. Do all of them touch over a face, not only along an edge or not at all?" : "The part is $n " . ($n === 1 ? 'piece' : 'pieces') . ', ' . (int) $r->nominal . ' are asked.'), null);
    }

    private function closed(Requirement $r): Row
    {
        $met = $this->part->isClosed();

        return $this->make($r, $met ? 'closed' : 'open', null, '', $met ? 'met' : 'off', $met ? 'Met' : 'Not closed', $met ? '' : 'The surface has a gap, so it encloses no solid.', null);
    }

    private function fitsBed(Requirement $r): Row
    {
        $size = $this->part->bounds()->size();
        $over = max($size[0] - $r->where['x'], $size[1] - $r->where['y'], $size[2] - $r->where['z']);
        $met = $over <= self::SLACK;
        $text = implode(' × ', array_map(fn (float $v): string => $this->unit->show($v), $size));

        return $this->make($r, $text, $over, $met ? '' : $this->unit->show($over), $met ? 'met' : 'off', $met ? 'Met' : $this->unit->show($over) . ' too large',
            $met ? '' : 'The part is larger than the printer’s bed. Was a size typed in the wrong unit?', null);
    }

    private function standing(Requirement $r): Row
    {
        $low = $this->part->bounds()->min[2];
        $area = $this->part->standingArea();
        $spot = ['kind' => 'spot', 'at' => [$this->part->bounds()->middle()[0], $this->part->bounds()->middle()[1], $low]];
        if (abs($low) > 1e-4) {
            $below = $low < 0;

            return $this->make($r, $this->unit->show(abs($low)) . ($below ? ' below' : ' above'), $low, $this->unit->show($low), 'off', $below ? 'Below the ground' : 'Floats above the ground', Diagnosis::ground($low, $this->part, $this->unit), $spot);
        }
        $met = $area >= $r->nominal - 1e-6;

        return $this->make($r, Requirement::area($area, $this->unit), $area - $r->nominal, '', $met ? 'met' : 'off', $met ? 'Met' : 'Stands on too little', $met ? '' : 'Too little of the part lies flat on the ground. Does another side make a better base?', $spot);
    }

    private function wall(Requirement $r): Row
    {
        $w = $this->part->wall();
        if ($w->thinnest === INF) {
            return $this->missing($r, 'No wall could be measured.');
        }
        $met = $w->thinnest >= $r->nominal - 1e-4;

        return $this->make($r, $this->unit->show($w->thinnest), $w->thinnest - $r->nominal, $this->unit->show($w->thinnest - $r->nominal), $met ? 'met' : 'off',
            $met ? 'Met' : $this->unit->show($r->nominal - $w->thinnest) . ' too thin', $met ? '' : 'The wall at the marked spot is ' . $this->unit->show($w->thinnest) . ' ' . $this->unit->word() . ' thick. It may not print.', ['kind' => 'spot', 'at' => $w->spot]);
    }

    /** @param array<string, mixed> $place */
    private function length(Requirement $r, float $got, string $diagnosis, array $place, string $prefix = ''): Row
    {
        $off = $got - $r->nominal;
        $limits = $r->limits($this->unit);
        $met = $limits->holds($off, self::SLACK);
        // from the nominal size where that is allowed, else from the nearer limit
        $beyond = $limits->lower <= 0 && $limits->upper >= 0 ? $off : ($off > $limits->upper ? $off - $limits->upper : $limits->lower - $off);

        return $this->make($r, $prefix . $this->unit->show($got), $off, $this->unit->show($off), $met ? 'met' : 'off',
            $met ? 'Met' : $this->unit->show(abs($beyond)) . ($off < $limits->lower ? ' too small' : ' too large'), $met ? '' : $diagnosis, $place);
    }

    private function missing(Requirement $r, string $diagnosis): Row
    {
        return $this->make($r, '', null, '', 'missing', 'Not found', $diagnosis, null);
    }

    /**
     * @param 'met'|'off'|'missing' $status
     * @param array<string, mixed>|null $place
     */
    private function make(Requirement $r, string $measured, ?float $off, string $offText, string $status, string $word, string $diagnosis, ?array $place): Row
    {
        return new Row($r->id, $r->letter, $r->label, $r->kind->value, $r->askedText($this->unit), $r->toleranceText($this->unit), $measured,
            $off === null || ! is_finite($off) ? null : $off, $r->tolerance, $offText, $status, $word, $diagnosis, $r->points, $place);
    }
}
