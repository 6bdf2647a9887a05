<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/** The kinds of steps a recipe may hold, and the values each one has. */
enum StepKind: string
{
    case Block = 'block';
    case Cylinder = 'cylinder';
    case Cone = 'cone';
    case Ball = 'ball';
    case Sketch = 'sketch';
    case Extrude = 'extrude';
    case Move = 'move';
    case Turn = 'turn';
    case Copy = 'copy';

    public const EFFECTS = ['add' => 'adds to the part', 'cut' => 'takes away', 'keep' => 'keeps only what both share'];

    private const AXES = ['z' => 'upright', 'x' => 'left to right', 'y' => 'front to back'];

    private const ROUND = ['diameter' => 'diameter', 'radius' => 'radius'];

    /** @return array<string, Field> by key */
    public function fields(): array
    {
        static $cache = [];
        if (isset($cache[$this->value])) {
            return $cache[$this->value];
        }
        $place = static fn (string $z = '0'): array => [
            new Field('x', FieldType::Length, 'right of the origin', '0'),
            new Field('y', FieldType::Length, 'behind the origin', '0'),
            new Field('z', FieldType::Length, 'above the ground', $z),
        ];
        $effect = new Field('effect', FieldType::Choice, 'what it does', 'add', self::EFFECTS);
        $along = new Field('along', FieldType::Choice, 'direction of the axis', 'z', self::AXES);
        $list = match ($this) {
            self::Block => [
                new Field('width', FieldType::Size, 'width', '40'),
                new Field('depth', FieldType::Size, 'depth', '20'),
                new Field('height', FieldType::Size, 'height', '10'),
                new Field('from', FieldType::Choice, 'measured from', 'middle', ['middle' => 'middle of its base', 'corner' => 'front left corner']),
                ...$place(), $effect,
            ],
            self::Cylinder => [
                new Field('by', FieldType::Choice, 'how the round is given', 'diameter', self::ROUND),
                new Field('round', FieldType::Size, 'diameter or radius', '10'),
                new Field('length', FieldType::Size, 'length', '20'),
                $along, ...$place(), $effect,
            ],
            self::Cone => [
                new Field('by', FieldType::Choice, 'how the rounds are given', 'diameter', self::ROUND),
                new Field('round', FieldType::SizeOrZero, 'round at the base', '20'),
                new Field('tip', FieldType::SizeOrZero, 'round at the far end', '0'),
                new Field('length', FieldType::Size, 'length', '20'),
                $along, ...$place(), $effect,
            ],
            self::Ball => [
                new Field('by', FieldType::Choice, 'how the round is given', 'diameter', self::ROUND),
                new Field('round', FieldType::Size, 'diameter or radius', '20'),
                ...$place(), $effect,
            ],
            self::Sketch => [
                new Field('plane', FieldType::Choice, 'plane', 'ground', ['ground' => 'ground', 'front' => 'front plane', 'side' => 'side plane', 'face' => 'flat face']),
                new Field('face', FieldType::Face, 'face', ''),
                new Field('offset', FieldType::Length, 'distance from the plane', '0'),
                new Field('shapes', FieldType::Shapes, 'outlines', '[]'),
                new Field('drawn', FieldType::Drawing, 'drawing', ''),
            ],
            self::Extrude => [
                new Field('sketch', FieldType::Sketch, 'sketch', ''),
                new Field('regions', FieldType::Regions, 'regions', 'all'),
                new Field('distance', FieldType::Size, 'distance', '10'),
                new Field('direction', FieldType::Choice, 'direction', 'up', ['up' => 'up', 'down' => 'down']),
                $effect,
            ],
            self::Move => [
                new Field('body', FieldType::Body, 'body', 'all'),
                new Field('x', FieldType::Length, 'to the right', '0'),
                new Field('y', FieldType::Length, 'to the back', '0'),
                new Field('z', FieldType::Length, 'up', '0'),
            ],
            self::Turn => [
                new Field('body', FieldType::Body, 'body', 'all'),
                new Field('angle', FieldType::Angle, 'angle', '90'),
                new Field('about', FieldType::Choice, 'about', 'z', ['z' => 'the upright axis', 'x' => 'the left-right axis', 'y' => 'the front-back axis']),
                ...$place(),
            ],
            self::Copy => [
                new Field('body', FieldType::Body, 'body', 'all'),
                new Field('times', FieldType::Count, 'number of copies', '1'),
                new Field('x', FieldType::Length, 'to the right', '0'),
                new Field('y', FieldType::Length, 'to the back', '0'),
                new Field('z', FieldType::Length, 'up', '0'),
            ],
        };

        return $cache[$this->value] = array_combine(array_map(static fn (Field $f): string => $f->key, $list), $list);
    }

    public function word(): string
    {
        return ucfirst($this->value);
    }
}
