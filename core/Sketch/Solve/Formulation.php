<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Sketch;

/** A sketch as numbers and equations. */
final readonly class Formulation
{
    /** Before the id of an arc, for what it asks of itself. */
    public const OWN = 'own:';

    public EquationSystem $system;

    private Places $on;

    /** @var array<string, array{int,int}> places of the coordinates by point */
    public array $at;

    /** @var array<string, int> place of the radius or half axis by entity */
    public array $size;

    /**
     * @param array<string, float> $values of the dimensions, mm or degrees; those left out ask nothing
     * @param Sketch|null $held where what is fixed stands, if not where it is drawn
     *
     * @throws UnfitRelation
     */
    public function __construct(private Sketch $sketch, array $values, ?Sketch $held = null)
    {
        $this->system = new EquationSystem();
        $this->on = new Places($sketch, $this->system);
        [$this->at, $this->size] = [$this->on->at, $this->on->size];
        foreach ($sketch->entities as $e) {
            if ($e->kind === EntityKind::Arc && $e->edge === '') {
                foreach ([1, 2] as $k) {
                    $this->system->add(
                        Equation::distance($this->on->points($e->points[$k], $e->points[0]), 0.0, [$this->size[$e->id]], [1.0]),
                        self::OWN . $e->id,
                    );
                }
            }
        }
        $relations = new RelationEquations($this->on, $values, $held);
        foreach ($sketch->relations as $r) {
            if (!$r->measured) {
                foreach ($relations->equations($r) as $e) {
                    $this->system->add($e, $r->id);
                }
            }
        }
    }

    /** The sketch with the numbers as they are now. */
    public function read(): Sketch
    {
        $x = $this->system->x;
        $points = [];
        foreach ($this->sketch->points as $id => $_) {
            $points[$id] = [$x[$this->at[$id][0]], $x[$this->at[$id][1]]];
        }
        $entities = [];
        foreach ($this->sketch->entities as $e) {
            $entities[$e->id] = isset($this->size[$e->id]) ? $e->sized($x[$this->size[$e->id]]) : $e;
        }

        return new Sketch($points, $entities, $this->sketch->relations);
    }
}
