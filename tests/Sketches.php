<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\Solve\SketchSolver;
use Cubo\Sketch\Solve\SolvedSketch;

/** Builds sketches for tests in few words; dimensions get their value at once. */
final class Sketches
{
    public Sketch $sketch;

    /** @var array<string, float> */
    public array $values = [];

    private int $count = 0;

    public function __construct()
    {
        $this->sketch = new Sketch();
    }

    public function point(float $u, float $v): string
    {
        $id = 'p' . ++$this->count;
        $this->sketch = $this->sketch->withPoint($id, $u, $v);

        return $id;
    }

    public function line(string $a, string $b, Role $role = Role::Outline): string
    {
        return $this->entity(EntityKind::Line, [$a, $b], 0.0, $role);
    }

    public function circle(string $middle, float $radius): string
    {
        return $this->entity(EntityKind::Circle, [$middle], $radius);
    }

    public function arc(string $middle, string $from, string $to): string
    {
        [$m, $f] = [$this->sketch->point($middle), $this->sketch->point($from)];

        return $this->entity(EntityKind::Arc, [$middle, $from, $to], hypot($f[0] - $m[0], $f[1] - $m[1]));
    }

    /** @param list<string> $points */
    public function entity(EntityKind $kind, array $points, float $size = 0.0, Role $role = Role::Outline): string
    {
        $id = 'e' . ++$this->count;
        $this->sketch = $this->sketch->withEntity(new Entity($id, $kind, $points, $size, $role));

        return $id;
    }

    public function ask(RelationKind $kind, string ...$of): string
    {
        $id = 'r' . ++$this->count;
        $this->sketch = $this->sketch->withRelation(new Relation($id, $kind, array_values($of)));

        return $id;
    }

    public function size(RelationKind $kind, float $value, string ...$of): string
    {
        $id = $this->ask($kind, ...$of);
        $this->values[$id] = $value;

        return $id;
    }

    public function solved(): SolvedSketch
    {
        return SketchSolver::solve($this->sketch, $this->values);
    }
}
