<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Recipe\Kind\FieldType;

/** Where a value of a step can be taken hold of on the part: an arrow that changes a length when it is drawn along. */
final readonly class Arrow
{
    /**
     * @param array{float,float,float} $at its tip now, mm
     * @param array{float,float,float} $way its unit direction
     * @param float $per mm it moves for one mm of the value
     * @param float $value mm
     * @param bool $turns whether the step's direction turns round when it is drawn past nothing
     * @param bool $size whether the value must stay above zero
     */
    private function __construct(
        public string $key,
        public array $at,
        public array $way,
        public float $per,
        public float $value,
        public bool $turns,
        public bool $size,
    ) {}

    /**
     * @param array{float,float,float} $at
     * @param array{float,float,float} $way
     */
    public static function of(Task $t, string $key, array $at, array $way, float $per = 1.0, bool $turns = false): self
    {
        return new self($key, $at, $way, $per, $t->number($key), $turns, $t->step->kind->field($key)?->type === FieldType::Size);
    }

    /**
     * Three arrows at the end of a way that begins in the middle of the part.
     *
     * @param array{string,string,string} $keys of the parts of the way to the right, to the back and up
     * @return list<self>
     */
    public static function along(Task $t, array $keys = ['x', 'y', 'z']): array
    {
        $b = $t->part->vertexBox();
        $to = [($b[0] + $b[3]) / 2, ($b[1] + $b[4]) / 2, ($b[2] + $b[5]) / 2];
        foreach ($keys as $k => $key) {
            $to[$k] += $t->number($key);
        }
        $ways = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]];

        return array_map(static fn(string $key, array $way): self => self::of($t, $key, $to, $way), $keys, $ways);
    }

    /** An arrow out of a plane, by its distance from the one it was given by. */
    public static function outOf(Task $t, Transform $plane): self
    {
        return self::of($t, 'offset', $plane->t, $plane->direction([0.0, 0.0, 1.0]));
    }

    /**
     * @param array{float,float,float} $from
     * @param array{float,float,float} $way unit
     */
    public static function from(Task $t, string $key, array $from, array $way, float $per = 1.0, bool $turns = false): self
    {
        return self::of($t, $key, Vector::add($from, $way, $per * $t->number($key)), $way, $per, $turns);
    }
}
