<?php

declare(strict_types=1);

namespace Cubo\Drawing;

use Cubo\Measure\PartMeasures;
use Cubo\Solid\Solid;

/** One view of a part as a small picture: its visible lines, and lines of a sketch laid over them. */
final class Picture
{
    /**
     * @param list<list<array{float,float,float}>> $sketch polylines in space, mm
     * @return string an svg of that size in pixels
     */
    public static function svg(Solid $part, View $view, int $width, int $height, array $sketch = [], string $label = ''): string
    {
        [$right, $up] = $view->frame();
        $seen = static fn(array $p): array => [
            $p[0] * $right[0] + $p[1] * $right[1] + $p[2] * $right[2],
            $p[0] * $up[0] + $p[1] * $up[1] + $p[2] * $up[2],
        ];
        $lines = $part->isEmpty()
            ? []
            : HiddenLines::draw($part, $view, (new PartMeasures($part))->tree(), FeatureEdges::of($part))->visible;
        $over = array_map(static fn(array $line): array => array_map($seen, $line), $sketch);
        $box = (new ViewLines($lines, $over))->box();
        $scale = min(($width - 12) / max(1e-9, $box[2] - $box[0]), ($height - 12) / max(1e-9, $box[3] - $box[1]));
        $at = static fn(array $p): string => round($width / 2 + $scale * ($p[0] - ($box[0] + $box[2]) / 2), 1) .
            ' ' .
            round($height / 2 - $scale * ($p[1] - ($box[1] + $box[3]) / 2), 1);
        $path = static fn(array $all): string => implode(
            '',
            array_map(static fn(array $line): string => 'M' . implode('L', array_map($at, $line)), $all),
        );

        return "<svg class=\"drawing\" width=\"$width\" height=\"$height\" viewBox=\"0 0 $width $height\" role=\"img\" aria-label=\"" .
            htmlspecialchars($label, ENT_QUOTES) .
            '">' .
            ($lines === []
                ? ''
                : '<path d="' .
                    $path($lines) .
                    '" fill="none" stroke="var(--color-ink)" stroke-width="1.8" stroke-linejoin="round" stroke-linecap="round"/>') .
            ($over === []
                ? ''
                : '<path d="' . $path($over) . '" fill="none" stroke="var(--color-violet)" stroke-width="2.4" stroke-linejoin="round"/>') .
            '</svg>';
    }
}
