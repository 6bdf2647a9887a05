<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

/** What a value of a step may be. */
enum FieldType
{
    /** a place: any length, negative too */
    case Length;
    /** a size: a length above zero */
    case Size;
    /** a size or zero, for the tip of a cone */
    case SizeOrZero;
    case Angle;
    case Count;
    case Choice;
    /** a choice between both sides of a sketch, told in words for its plane */
    case Direction;
    /** the id of an earlier sketch */
    case Sketch;
    /** the same, or nothing */
    case MaybeSketch;
    /** a list of ids of earlier sketches */
    case Sketches;
    /** the name of a flat face of the part */
    case Face;
    /** a list of names of faces */
    case Faces;
    /** a list of names of edges */
    case Edges;
    /** the name of one edge of the part */
    case Edge;
    /** the name of a corner or an edge of the part, or, where a shape is placed there, of a flat face */
    case Spot;
    /** the id of an earlier step that makes something */
    case Step;
    /** the name of a line in the sketch, or an axis */
    case Line;
    /** letters */
    case Text;
    /** a plain number above zero */
    case Factor;
    /** "all" or the id of the step that began the body */
    case Body;
    /** "all" or a list of region numbers and keys */
    case Regions;
    /** the outlines of a sketch that are given by numbers alone */
    case Shapes;
    /** what is drawn in a sketch, with its relations */
    case Drawing;
    /** the id of a group of the recipe */
    case Group;
    /** values for named sizes of a group, by name */
    case Sizes;

    /** Whether it is a list of names that are picked. */
    public function isList(): bool
    {
        return in_array($this, [self::Faces, self::Edges, self::Sketches], true);
    }

    /** Whether it is the name of something of the part. */
    public function isName(): bool
    {
        return in_array($this, [self::Face, self::Edge, self::Spot], true);
    }

    /** Whether it is one of some choices. */
    public function isChoice(): bool
    {
        return $this === self::Choice || $this === self::Direction;
    }

    /** Whether it is picked on the part or from the steps before. */
    public function isPicked(): bool
    {
        return $this->isList() || $this->isName() || in_array($this, [self::Sketch, self::Step, self::Body], true);
    }

    /** Whether it is worked out from what is typed, so that named sizes may stand in it. */
    public function isTyped(): bool
    {
        return in_array($this, [self::Length, self::Size, self::SizeOrZero, self::Angle, self::Count, self::Factor], true);
    }
}
