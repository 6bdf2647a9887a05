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
    case Tube = 'tube';
    case HalfBall = 'halfball';
    case HalfCylinder = 'halfcylinder';
    case Ring = 'ring';
    case Wedge = 'wedge';
    case Roof = 'roof';
    case Prism = 'prism';
    case Pyramid = 'pyramid';
    case Letters = 'letters';
    case Group = 'group';
    case Sketch = 'sketch';
    case Extrude = 'extrude';
    case Revolve = 'revolve';
    case Sweep = 'sweep';
    case Loft = 'loft';
    case Rib = 'rib';
    case Hole = 'hole';
    case Text = 'text';
    case Round = 'round';
    case Chamfer = 'chamfer';
    case Hollow = 'hollow';
    case Draft = 'draft';
    case Pull = 'pull';
    case Move = 'move';
    case Turn = 'turn';
    case Copy = 'copy';
    case Mirror = 'mirror';
    case Repeat = 'repeat';
    case Split = 'split';
    case Scale = 'scale';

    public const EFFECTS = ['add' => 'adds to the part', 'cut' => 'takes away', 'keep' => 'keeps only what both share', 'apart' => 'is a body of its own'];

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
        $plane = [
            new Field('plane', FieldType::Choice, 'plane', 'side', ['ground' => 'ground', 'front' => 'front plane', 'side' => 'side plane', 'face' => 'flat face']),
            new Field('face', FieldType::Face, 'face', ''),
            new Field('offset', FieldType::Length, 'distance from the plane', '0'),
        ];
        $body = new Field('body', FieldType::Body, 'body', 'all');
        $again = [
            new Field('of', FieldType::Choice, 'of what', 'body', ['body' => 'the part', 'step' => 'the step']),
            new Field('source', FieldType::Step, 'step', ''),
            $body,
        ];
        // where a ready solid stands: at a typed place, or with its base on the ground or a face, aligned and sunk, or
        // with the middle of its base at a corner, the middle of an edge or of a face
        $stands = [
            ...$place(),
            new Field('stand', FieldType::Choice, 'where it stands', 'place', ['place' => 'at the place', 'ground' => 'on the ground', 'face' => 'on', 'point' => 'at']),
            new Field('on', FieldType::Face, 'face it stands on', ''),
            new Field('at', FieldType::Spot, 'corner, edge or face at whose middle it stands', ''),
            new Field('alignx', FieldType::Choice, 'aligned left and right', 'origin', ['origin' => 'from the origin', 'middle' => 'centred', 'low' => 'flush left', 'high' => 'flush right']),
            new Field('aligny', FieldType::Choice, 'aligned front and back', 'origin', ['origin' => 'from the origin', 'middle' => 'centred', 'low' => 'flush in front', 'high' => 'flush behind']),
            new Field('sink', FieldType::Length, 'sunk by', '0'),
            new Field('facing', FieldType::Angle, 'turned about its middle', '0'),
            new Field('leans', FieldType::Choice, 'how it leans', 'none', ['none' => 'upright', 'front' => 'leaning to the front', 'back' => 'leaning to the back', 'left' => 'leaning to the left', 'right' => 'leaning to the right']),
            new Field('lean', FieldType::Angle, 'leaning by', '30'),
        ];
        $effect = new Field('effect', FieldType::Choice, 'what it does', 'add', self::EFFECTS);
        $along = new Field('along', FieldType::Choice, 'direction of the axis', 'z', self::AXES);
        $list = match ($this) {
            self::Block => [
                new Field('width', FieldType::Size, 'width', '40'),
                new Field('depth', FieldType::Size, 'depth', '20'),
                new Field('height', FieldType::Size, 'height', '10'),
                new Field('from', FieldType::Choice, 'measured from', 'middle', ['middle' => 'middle of its base', 'corner' => 'front left corner']),
                new Field('edges', FieldType::Choice, 'its edges', 'sharp', ['sharp' => 'sharp', 'round' => 'all rounded', 'upright' => 'upright ones rounded', 'cut' => 'all chamfered', 'uprightcut' => 'upright ones chamfered']),
                new Field('bevel', FieldType::Size, 'size of its edges', '2'),
                ...$stands, $effect,
            ],
            self::Cylinder => [
                new Field('by', FieldType::Choice, 'how the round is given', 'diameter', self::ROUND),
                new Field('round', FieldType::Size, 'diameter or radius', '10'),
                new Field('length', FieldType::Size, 'length', '20'),
                $along, ...$stands, $effect,
            ],
            self::Cone => [
                new Field('by', FieldType::Choice, 'how the rounds are given', 'diameter', self::ROUND),
                new Field('round', FieldType::SizeOrZero, 'round at the base', '20'),
                new Field('tip', FieldType::SizeOrZero, 'round at the far end', '0'),
                new Field('length', FieldType::Size, 'length', '20'),
                $along, ...$stands, $effect,
            ],
            self::Ball => [
                new Field('by', FieldType::Choice, 'how the round is given', 'diameter', self::ROUND),
                new Field('round', FieldType::Size, 'diameter or radius', '20'),
                ...$stands, $effect,
            ],
            self::Tube => [
                new Field('by', FieldType::Choice, 'how the round is given', 'diameter', self::ROUND),
                new Field('round', FieldType::Size, 'diameter or radius', '20'),
                new Field('wall', FieldType::Size, 'wall', '2'),
                new Field('length', FieldType::Size, 'length', '20'),
                $along, ...$stands, $effect,
            ],
            self::HalfBall => [
                new Field('by', FieldType::Choice, 'how the round is given', 'diameter', self::ROUND),
                new Field('round', FieldType::Size, 'diameter or radius', '20'),
                ...$stands, $effect,
            ],
            self::HalfCylinder => [
                new Field('by', FieldType::Choice, 'how the round is given', 'diameter', self::ROUND),
                new Field('round', FieldType::Size, 'diameter or radius', '20'),
                new Field('length', FieldType::Size, 'length', '40'),
                ...$stands, $effect,
            ],
            self::Ring => [
                new Field('by', FieldType::Choice, 'how the round is given', 'diameter', self::ROUND),
                new Field('round', FieldType::Size, 'diameter or radius', '40'),
                new Field('thick', FieldType::Size, 'thickness', '8'),
                ...$stands, $effect,
            ],
            self::Wedge => [
                new Field('width', FieldType::Size, 'width', '40'),
                new Field('depth', FieldType::Size, 'depth', '20'),
                new Field('height', FieldType::Size, 'height behind', '20'),
                new Field('low', FieldType::SizeOrZero, 'height in front', '0'),
                ...$stands, $effect,
            ],
            self::Roof => [
                new Field('width', FieldType::Size, 'width', '40'),
                new Field('depth', FieldType::Size, 'depth', '40'),
                new Field('height', FieldType::Size, 'height', '20'),
                ...$stands, $effect,
            ],
            self::Prism => [
                new Field('sides', FieldType::Count, 'number of sides', '6'),
                new Field('across', FieldType::Choice, 'measured', 'corners', ['corners' => 'across the corners', 'flats' => 'across the flats']),
                new Field('round', FieldType::Size, 'width across', '20'),
                new Field('height', FieldType::Size, 'height', '20'),
                ...$stands, $effect,
            ],
            self::Pyramid => [
                new Field('sides', FieldType::Count, 'number of sides', '4'),
                new Field('across', FieldType::Choice, 'measured', 'flats', ['corners' => 'across the corners', 'flats' => 'across the flats']),
                new Field('round', FieldType::Size, 'width across at the base', '20'),
                new Field('tip', FieldType::SizeOrZero, 'width across at the top', '0'),
                new Field('height', FieldType::Size, 'height', '20'),
                ...$stands, $effect,
            ],
            self::Letters => [
                new Field('text', FieldType::Text, 'letters', 'GARDEN'),
                new Field('height', FieldType::Size, 'height of a capital', '20'),
                new Field('depth', FieldType::Size, 'thickness', '5'),
                new Field('lie', FieldType::Choice, 'how they lie', 'upright', ['upright' => 'upright', 'flat' => 'lying flat']),
                ...$stands, $effect,
            ],
            self::Group => [
                new Field('group', FieldType::Group, 'group', ''),
                new Field('set', FieldType::Sizes, 'its sizes', ''),
                ...$stands, $effect,
            ],
            self::Sketch => [
                new Field('plane', FieldType::Choice, 'plane', 'ground', ['ground' => 'ground', 'front' => 'front plane', 'side' => 'side plane', 'face' => 'flat face']),
                new Field('face', FieldType::Face, 'face', ''),
                new Field('offset', FieldType::Length, 'distance from the plane', '0'),
                new Field('turn', FieldType::Angle, 'turn about its origin', '0'),
                new Field('u', FieldType::Length, 'its origin to the right', '0'),
                new Field('v', FieldType::Length, 'its origin up', '0'),
                new Field('shapes', FieldType::Shapes, 'outlines', '[]'),
                new Field('drawn', FieldType::Drawing, 'drawing', ''),
            ],
            self::Extrude => [
                new Field('sketch', FieldType::Sketch, 'sketch', ''),
                new Field('regions', FieldType::Regions, 'regions', 'all'),
                new Field('extent', FieldType::Choice, 'how far', 'distance', ['distance' => 'by a distance', 'both' => 'both ways', 'middle' => 'evenly to both sides', 'through' => 'through everything', 'face' => 'up to a face', 'level' => 'up to the height of']),
                new Field('distance', FieldType::Size, 'distance', '10'),
                new Field('second', FieldType::Size, 'distance the other way', '10'),
                new Field('until', FieldType::Face, 'face it goes up to', ''),
                new Field('level', FieldType::Spot, 'corner or edge it goes up to', ''),
                new Field('past', FieldType::Length, 'distance past that', '0'),
                new Field('from', FieldType::Choice, 'where it begins', 'sketch', ['sketch' => 'the sketch', 'face' => 'the face']),
                new Field('base', FieldType::Face, 'face it begins at', ''),
                new Field('start', FieldType::Length, 'distance from there where it begins', '0'),
                new Field('taper', FieldType::Angle, 'taper', '0'),
                new Field('direction', FieldType::Choice, 'direction', 'up', ['up' => 'up', 'down' => 'down']),
                $effect,
            ],
            self::Revolve => [
                new Field('sketch', FieldType::Sketch, 'sketch', ''),
                new Field('regions', FieldType::Regions, 'regions', 'all'),
                new Field('about', FieldType::Choice, 'about what', 'line', ['line' => 'the sketch’s', 'edge' => 'the edge']),
                new Field('axis', FieldType::Line, 'axis', 'v-axis'),
                new Field('edge', FieldType::Edge, 'edge it turns about', ''),
                new Field('close', FieldType::Choice, 'open outlines', 'no', ['no' => 'stay open', 'yes' => 'are closed against the axis']),
                new Field('angle', FieldType::Angle, 'angle', '360'),
                new Field('way', FieldType::Choice, 'which way', 'down', ['down' => 'away from you', 'up' => 'towards you', 'middle' => 'evenly to both sides']),
                $effect,
            ],
            self::Sweep => [
                new Field('sketch', FieldType::Sketch, 'sketch', ''),
                new Field('regions', FieldType::Regions, 'regions', 'all'),
                new Field('along', FieldType::Choice, 'along what', 'sketch', ['sketch' => 'along the path in', 'face' => 'around the edge of']),
                new Field('path', FieldType::Sketch, 'sketch of the path', ''),
                new Field('face', FieldType::Face, 'face it goes around', ''),
                $effect,
            ],
            self::Loft => [
                new Field('sketches', FieldType::Sketches, 'sketches', ''),
                new Field('skin', FieldType::Choice, 'skin', 'straight', ['straight' => 'straight', 'smooth' => 'smooth']),
                new Field('guide', FieldType::MaybeSketch, 'sketch of lines that guide the skin', ''),
                new Field('across', FieldType::MaybeSketch, 'sketch of guides across it', ''),
                $effect,
            ],
            self::Rib => [
                new Field('sketch', FieldType::Sketch, 'sketch', ''),
                new Field('lie', FieldType::Choice, 'how it lies', 'flat', ['flat' => 'flat in the sketch', 'upright' => 'upright on the sketch']),
                new Field('thickness', FieldType::Size, 'thickness', '4'),
                new Field('side', FieldType::Choice, 'which side is filled', 'near', ['near' => 'the nearer side', 'other' => 'the other side']),
                new Field('direction', FieldType::Choice, 'direction', 'down', ['up' => 'up', 'down' => 'down']),
            ],
            self::Hole => [
                new Field('where', FieldType::Choice, 'where', 'points', ['points' => 'at the points of', 'face' => 'on']),
                new Field('sketch', FieldType::Sketch, 'sketch', ''),
                new Field('face', FieldType::Face, 'face', ''),
                new Field('u', FieldType::Length, 'along the face', '0'),
                new Field('v', FieldType::Length, 'up the face', '0'),
                new Field('by', FieldType::Choice, 'how the round is given', 'diameter', [...self::ROUND, 'screw' => 'screw']),
                new Field('round', FieldType::Size, 'diameter or radius', '5'),
                new Field('screw', FieldType::Choice, 'screw', 'M4', array_combine(array_keys(ScrewSizes::CLEARANCE), array_keys(ScrewSizes::CLEARANCE))),
                new Field('fit', FieldType::Choice, 'fit', 'medium', ['fine' => 'fine', 'medium' => 'medium', 'coarse' => 'coarse']),
                new Field('extent', FieldType::Choice, 'how deep', 'through', ['through' => 'through', 'depth' => 'to a depth']),
                new Field('depth', FieldType::Size, 'depth', '10'),
                new Field('bottom', FieldType::Choice, 'bottom', 'point', ['point' => 'with a drill point', 'flat' => 'with a flat bottom']),
                new Field('head', FieldType::Choice, 'head', 'plain', ['plain' => 'plain', 'bore' => 'counterbored', 'sink' => 'countersunk']),
                new Field('wide', FieldType::Size, 'diameter of the head', '10'),
                new Field('deep', FieldType::Size, 'depth of the head', '4'),
                new Field('angle', FieldType::Angle, 'angle of the countersink', '90'),
                new Field('direction', FieldType::Choice, 'direction', 'down', ['down' => 'down', 'up' => 'up']),
            ],
            self::Text => [
                new Field('text', FieldType::Text, 'letters', 'NEST 4'),
                new Field('height', FieldType::Size, 'height of a capital', '8'),
                new Field('depth', FieldType::Size, 'depth', '1'),
                new Field('face', FieldType::Face, 'face', ''),
                new Field('u', FieldType::Length, 'along the face', '0'),
                new Field('v', FieldType::Length, 'up the face', '0'),
                new Field('angle', FieldType::Angle, 'turn', '0'),
                new Field('effect', FieldType::Choice, 'what it does', 'add', ['add' => 'stands out', 'cut' => 'is cut in']),
            ],
            self::Round => [
                new Field('edges', FieldType::Edges, 'edges', ''),
                new Field('faces', FieldType::Faces, 'all edges of faces', ''),
                new Field('radius', FieldType::Size, 'radius', '2'),
            ],
            self::Chamfer => [
                new Field('edges', FieldType::Edges, 'edges', ''),
                new Field('faces', FieldType::Faces, 'all edges of faces', ''),
                new Field('by', FieldType::Choice, 'how it is given', 'one', ['one' => 'by one distance', 'two' => 'by two distances', 'angle' => 'by a distance and an angle']),
                new Field('distance', FieldType::Size, 'distance', '1'),
                new Field('second', FieldType::Size, 'distance on the other face', '2'),
                new Field('angle', FieldType::Angle, 'angle', '30'),
                new Field('side', FieldType::Choice, 'which face first', 'first', ['first' => 'one way', 'second' => 'the other way']),
            ],
            self::Hollow => [
                new Field('wall', FieldType::Size, 'wall', '2'),
                new Field('side', FieldType::Choice, 'where its walls lie', 'inside', ['inside' => 'inside of it', 'outside' => 'laid around it']),
                new Field('faces', FieldType::Faces, 'open faces', ''),
                new Field('others', FieldType::Faces, 'faces with another wall', ''),
                new Field('second', FieldType::Size, 'wall there', '4'),
            ],
            self::Draft => [
                new Field('faces', FieldType::Faces, 'faces', ''),
                new Field('angle', FieldType::Angle, 'angle', '3'),
                ...[new Field('plane', FieldType::Choice, 'plane', 'ground', $plane[0]->options), $plane[1], $plane[2]],
            ],
            self::Pull => [
                new Field('faces', FieldType::Faces, 'faces', ''),
                new Field('distance', FieldType::Length, 'distance', '2'),
            ],
            self::Mirror => [
                ...$again, ...$plane,
                new Field('keep', FieldType::Choice, 'what stays', 'both', ['both' => 'and keeps the first half', 'image' => 'and keeps only the image']),
            ],
            self::Repeat => [
                ...$again,
                new Field('way', FieldType::Choice, 'how', 'row', ['row' => 'in a row', 'grid' => 'in a grid', 'around' => 'around an axis']),
                new Field('count', FieldType::Count, 'how many with the first', '3'),
                ...$place(),
                new Field('rows', FieldType::Count, 'rows', '2'),
                new Field('x2', FieldType::Length, 'to the right from row to row', '0'),
                new Field('y2', FieldType::Length, 'to the back from row to row', '20'),
                new Field('z2', FieldType::Length, 'up from row to row', '0'),
                new Field('about', FieldType::Choice, 'about', 'z', ['z' => 'the upright axis', 'x' => 'the left-right axis', 'y' => 'the front-back axis']),
                new Field('angle', FieldType::Angle, 'angle over all', '360'),
                new Field('every', FieldType::Count, 'of them only every', '1'),
            ],
            self::Split => [
                $body, ...$plane,
                new Field('keep', FieldType::Choice, 'which side stays', 'up', ['up' => 'the side the plane looks to', 'down' => 'the other side']),
            ],
            self::Scale => [
                $body,
                new Field('by', FieldType::Choice, 'how', 'all', ['all' => 'evenly', 'each' => 'each way by its own', 'size' => 'along one axis']),
                new Field('factor', FieldType::Factor, 'factor', '2'),
                new Field('factorx', FieldType::Factor, 'factor to the right', '1'),
                new Field('factory', FieldType::Factor, 'factor to the back', '1'),
                new Field('factorz', FieldType::Factor, 'factor up', '1'),
                new Field('axis', FieldType::Choice, 'axis', 'x', ['x' => 'left to right', 'y' => 'front to back', 'z' => 'upward']),
                new Field('size', FieldType::Size, 'size along the axis', '40'),
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
                new Field('about', FieldType::Choice, 'about', 'z', ['z' => 'the upright axis', 'x' => 'the left-right axis', 'y' => 'the front-back axis', 'edge' => 'the edge']),
                new Field('edge', FieldType::Edge, 'edge it turns about', ''),
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

    /**
     * The kinds that are ready solids.
     *
     * @return list<self>
     */
    public static function solids(): array
    {
        return [self::Block, self::Cylinder, self::Tube, self::Cone, self::Ball, self::HalfBall, self::HalfCylinder, self::Ring, self::Wedge, self::Roof, self::Prism, self::Pyramid, self::Letters, self::Group];
    }

    /** Whether it makes something of its own that can be mirrored or repeated. */
    public function makes(): bool
    {
        return isset($this->fields()['effect']) || in_array($this, [self::Hole, self::Rib], true);
    }

    public function word(): string
    {
        return ucfirst($this->label());
    }

    /** What the kind is called. */
    public function label(): string
    {
        return match ($this) {
            self::HalfBall => 'half ball',
            self::HalfCylinder => 'half cylinder',
            default => $this->value,
        };
    }
}
