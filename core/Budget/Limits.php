<?php

declare(strict_types=1);

namespace Cubo\Budget;

/**
 * What a document may hold: read and written by these numbers alone, so that all that is stored can be read again. Lengths
 * of what people type are in letters, of names that Cubo makes in bytes.
 */
final class Limits
{
    public const STEPS = 200;

    /** Letters of an id. */
    public const ID = 12;

    public const GROUPS = 40;

    /** named sizes of a recipe or a group */
    public const SIZES = 60;

    /** outlines of a sketch that are given by numbers */
    public const OUTLINES = 60;

    public const PINS = 20;

    /** edges, faces or sketches a step may name, and faces that are painted */
    public const NAMES = 400;

    /** bytes of the name of a face, an edge or a corner */
    public const NAME = 900;

    public const TITLE = 120;

    /** what a step, a group or a heading is called */
    public const WORD = 60;

    public const NOTE = 400;

    /** a value that is typed; one letter more is kept, so that what is too long can be told */
    public const TYPED = 120;

    public const POINTS = 1000;

    public const LINES = 400;

    public const RELATIONS = 1000;

    /** points of one curve */
    public const CURVE = 200;

    /** things one relation is about */
    public const RELATED = 60;

    /** letters of a text in a sketch */
    public const LETTERS = 60;

    /** bytes of a whole document */
    public const DOCUMENT = 4_000_000;

    /** how deep a document is nested */
    public const DEPTH = 32;
}
