<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Solid;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Kind\Effect;
use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Makes;
use Cubo\Recipe\Kind\Need;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Placing;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/**
 * A solid that is there ready made: its sizes, where it stands (at a typed place, or with its base on the ground or a
 * face, aligned and sunk, or with the middle of its base at a corner, the middle of an edge or of a face), and what it
 * does to the part.
 */
abstract class ReadySolid extends Kind implements HasArrows, Makes
{
    private const AXES = ['x' => 0, 'y' => 1, 'z' => 2];

    /** How far a side may lie off the solid's own plane to count as in it, mm: rounding. */
    private const IN_PLANE = 1e-9;

    /** @return list<Field> */
    abstract protected function sizes(): array;

    /**
     * The solid in its own frame: upright ones around the z axis on the ground.
     *
     * @throws StepProblem
     * @throws Refused
     */
    abstract protected function shape(Task $t): Solid;

    final public function family(): Family
    {
        return Family::Solid;
    }

    final public function needs(): Need
    {
        return Need::Nothing;
    }

    /** The key of the value that is to blame for a refusal, where it is known. */
    protected function blamed(Refused $r): ?string
    {
        return null;
    }

    /** The axis its length runs along: 0, 1 or 2. */
    protected function axis(Task $t): int
    {
        return self::AXES[$t->text('along')] ?? self::AXES['z'];
    }

    final protected function values(): array
    {
        $onFace = ['stand' => ['face']];
        $aligned = ['stand' => ['face', 'point']];

        return [
            ...$this->sizes(),
            new Field('x', FieldType::Length, '0'),
            new Field('y', FieldType::Length, '0'),
            new Field('z', FieldType::Length, '0', when: ['stand' => ['place', 'ground', 'point']]),
            Field::choice('stand', ['place', 'ground', 'face', 'point']),
            new Field('on', FieldType::Face, when: $onFace),
            new Field('at', FieldType::Spot, when: ['stand' => ['point']]),
            Field::choice('alignx', ['origin', 'middle', 'low', 'high'], when: $aligned),
            Field::choice('aligny', ['origin', 'middle', 'low', 'high'], when: $aligned),
            new Field('sink', FieldType::Length, '0', when: $onFace),
            new Field('facing', FieldType::Angle, '0'),
            Field::choice('leans', ['none', 'front', 'back', 'left', 'right']),
            new Field('lean', FieldType::Angle, '30', when: ['leans' => ['front', 'back', 'left', 'right']]),
            Effect::field(),
        ];
    }

    /** How a round is given. */
    final protected static function by(): Field
    {
        return Field::choice('by', ['diameter', 'radius']);
    }

    /** What its axis runs along. */
    final protected static function along(): Field
    {
        return Field::choice('along', ['z', 'x', 'y']);
    }

    /** An upright solid laid along the step's axis. */
    final protected static function laid(Task $t, Solid $solid): Solid
    {
        return match ($t->text('along')) {
            'x' => $solid->moved(Transform::rotation(1, 90.0)),
            'y' => $solid->moved(Transform::rotation(0, -90.0)),
            default => $solid,
        };
    }

    /**
     * The solid before it is stood in its place.
     *
     * @throws StepProblem
     */
    final public function own(Task $t): Solid
    {
        try {
            return $this->shape($t);
        } catch (Refused $r) {
            throw $t->refused($r, 'This shape cannot be.', $this->blamed($r));
        }
    }

    final public function tool(Task $t): Solid
    {
        return Placing::placed($t, $this->own($t));
    }

    /** Its sizes at its sides, its place at the middle of its base. */
    final public function arrows(Task $t): array
    {
        $own = $this->own($t);
        $motion = Placing::motion($t, $own);
        $box = $own->vertexBox();
        $mid = [($box[0] + $box[3]) / 2, ($box[1] + $box[4]) / 2, ($box[2] + $box[5]) / 2];
        $along = $this->axis($t);
        $out = [];
        $sides = ['width' => 0, 'depth' => 1, 'height' => 2, 'length' => $along, 'round' => $along === 0 ? 1 : 0];
        foreach (array_intersect_key($sides, $this->fields()) as $key => $k) {
            $at = $mid;
            $at[$k] = $box[$k + 3];
            $way = [0.0, 0.0, 0.0];
            $way[$k] = 1.0;
            if ($t->text('stand') === 'place' || $k === 2 || self::aligned($t, $k) !== 'high') {
                $out[] = Arrow::of(
                    $t,
                    $key,
                    $motion->point([$at[0], $at[1], $at[2]]),
                    $motion->direction($way),
                    self::per($t, $key, $k, $box),
                );
            }
        }
        // moved in the plane it stands on, which a turn about its middle does not turn along
        $plane = $t->text('stand') === 'face' ? $t->flatFace('on') : Transform::identity();
        $base = $motion->point([$mid[0], $mid[1], $box[2]]);

        return [
            ...$out,
            Arrow::of($t, 'x', $base, $plane->direction([1.0, 0.0, 0.0])),
            Arrow::of($t, 'y', $base, $plane->direction([0.0, 1.0, 0.0])),
        ];
    }

    /** How it is aligned along one of the axes of what it stands on. */
    private static function aligned(Task $t, int $axis): string
    {
        return $t->text($axis === 0 ? 'alignx' : 'aligny');
    }

    /**
     * How far a side moves for a mm of its size: by half of it where the solid grows to both sides.
     *
     * @param array{float,float,float,float,float,float} $box
     */
    private static function per(Task $t, string $key, int $axis, array $box): float
    {
        if ($key === 'round') {
            return $t->text('by') === 'radius' ? 1.0 : 0.5;
        }
        $placed = $t->text('stand') === 'place';
        if ($axis === 2) {
            $oneSided = $box[2] > -self::IN_PLANE || !$placed;
        } elseif ($placed) {
            $oneSided = abs($box[$axis]) < self::IN_PLANE;
        } else {
            $aligned = self::aligned($t, $axis);
            $oneSided = $aligned === 'low' || ($t->text('from') === 'corner' && $aligned === 'origin');
        }

        return $oneSided ? 1.0 : 0.5;
    }
}
