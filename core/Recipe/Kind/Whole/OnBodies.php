<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Whole;

use Cubo\Recipe\Kind\Changes;
use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Need;
use Cubo\Recipe\Make\Joining;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** Work on the part or one of its bodies; what is done to the body is put together with the rest again. */
abstract class OnBodies extends Kind implements Changes
{
    /** Keys that the refusals of repeating are about. */
    private const BLAMED = ['no-count' => 'count', 'no-angle' => 'angle', 'no-offset' => 'x'];

    protected const PRINCIPAL = ['x' => 0, 'y' => 1, 'z' => 2];

    /**
     * @param Solid|null $rest of the part
     *
     * @throws Refused
     * @throws StepProblem
     */
    abstract protected function arranged(Task $t, Solid $chosen, ?Solid $rest): Solid;

    final public function family(): Family
    {
        return Family::Whole;
    }

    final public function needs(): Need
    {
        return Need::Part;
    }

    final public function change(Task $t): Solid
    {
        [$chosen, $rest] = $t->body();
        try {
            return $this->arranged($t, $chosen, $rest);
        } catch (Refused $r) {
            throw self::problem($t, $r, 'This cannot be done.');
        }
    }

    final protected static function problem(Task $t, Refused $r, string $what): StepProblem
    {
        return $t->refused($r, $what, self::BLAMED[$r->reason] ?? null, $r->reason === 'no-angle');
    }

    final protected static function joined(Task $t, ?Solid $rest, Solid $solid): Solid
    {
        return match (true) {
            $rest === null => $solid,
            // bodies stay what they are; the one that was moved gives way
            $t->apart => Joining::apart($rest, $solid, $t->budget) ?? $rest,
            default => BooleanOperation::union($rest, $solid, $t->budget),
        };
    }

    final protected static function body(): Field
    {
        return new Field('body', FieldType::Body, 'all');
    }

    /**
     * A way, or a place.
     *
     * @param array<string, list<string>> $when
     * @return list<Field>
     */
    final protected static function way(array $when = []): array
    {
        return array_map(static fn(string $key): Field => new Field($key, FieldType::Length, '0', when: $when), ['x', 'y', 'z']);
    }

    /**
     * What is done again: the part or one of its bodies, or what another step makes.
     *
     * @return list<Field>
     */
    final protected static function of(): array
    {
        return [
            Field::choice('of', ['body', 'step']),
            new Field('source', FieldType::Step, when: ['of' => ['step']]),
            new Field('body', FieldType::Body, 'all', when: ['of' => ['body']]),
        ];
    }

    /**
     * A principal plane or a flat face, at a distance.
     *
     * @return list<Field>
     */
    final protected static function plane(): array
    {
        return [
            Field::choice('plane', ['ground', 'front', 'side', 'face'], 'side'),
            new Field('face', FieldType::Face, when: ['plane' => ['face']]),
            new Field('offset', FieldType::Length, '0'),
        ];
    }
}
