<?php

declare(strict_types=1);

namespace Cubo\Recipe;

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
}
