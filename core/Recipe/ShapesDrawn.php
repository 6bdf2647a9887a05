<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Quantity\Unit;
use Cubo\Sketch\Draw\TypedLine;
use Cubo\Sketch\Draw\UnreadableLine;
use Cubo\Sketch\SketchFormat;

/** Outlines of a sketch that are given by numbers alone, made part of its drawing with these numbers as sizes. */
final class ShapesDrawn
{
    /** The step itself where it has none, or where one cannot be read. */
    public static function of(Step $step, Unit $unit, ?NamedSizes $named = null): Step
    {
        $shapes = $step->shapes();
        if ($shapes === []) {
            return $step;
        }
        $sketch = $step->drawn();
        try {
            foreach ($shapes as $s) {
                $line =
                    $s['kind'] === 'circle'
                        ? "circle {$s['by']} {$s['round']} at {$s['u']}; {$s['v']}"
                        : "rectangle {$s['width']} by {$s['height']} " .
                            ($s['from'] === 'corner' ? 'corner ' : '') .
                            "at {$s['u']}; {$s['v']}";
                $sketch = TypedLine::draw($sketch, $line, $unit, $named);
            }
        } catch (UnreadableLine) {
            return $step;
        }

        return $step->with('drawn', SketchFormat::write($sketch))->with('shapes', []);
    }
}
