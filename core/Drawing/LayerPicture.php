<?php

declare(strict_types=1);

namespace Cubo\Drawing;

/** One layer of a print seen from above: what is laid, over the outline of the layer below. */
final class LayerPicture
{
    private const MARGIN = 16.0;

    /**
     * @param list<list<array{float,float}>> $outlines mm
     * @param list<list<array{float,float}>> $below of the layer below
     * @param array{float,float,float,float} $box least x, least y, greatest x, greatest y of the whole part, mm
     */
    public static function svg(array $outlines, array $below, array $box, int $width, int $height, string $label): string
    {
        $scale = min(
            ($width - 2 * self::MARGIN) / max(1e-6, $box[2] - $box[0]),
            ($height - 2 * self::MARGIN) / max(1e-6, $box[3] - $box[1]),
        );
        $left = ($width - $scale * ($box[2] - $box[0])) / 2;
        $top = ($height - $scale * ($box[3] - $box[1])) / 2;
        $n = static fn(float $v): string => rtrim(rtrim(sprintf('%.2f', $v), '0'), '.');
        $path = static function (array $list) use ($scale, $left, $top, $box, $n): string {
            $d = '';
            foreach ($list as $outline) {
                foreach ($outline as $i => [$x, $y]) {
                    $d .= ($i === 0 ? 'M' : 'L') . $n($left + $scale * ($x - $box[0])) . ' ' . $n($top + $scale * ($box[3] - $y));
                }
                $d .= 'Z';
            }

            return $d;
        };

        return "<svg class=\"layer\" viewBox=\"0 0 $width $height\" role=\"img\" aria-label=\"" .
            htmlspecialchars($label, ENT_QUOTES) .
            '" xmlns="http://www.w3.org/2000/svg">' .
            '<path d="' .
            $path([[[$box[0], $box[1]], [$box[2], $box[1]], [$box[2], $box[3]], [$box[0], $box[3]]]]) .
            '" fill="none" stroke="var(--color-rule)" stroke-width="1"/>' .
            '<path d="' .
            $path($outlines) .
            '" fill="var(--color-birch-side)" fill-rule="evenodd" stroke="var(--color-ink)" stroke-width="1.8" stroke-linejoin="round"/>' .
            ($below === []
                ? ''
                : '<path d="' . $path($below) . '" fill="none" stroke="var(--color-violet)" stroke-width="1.4" stroke-dasharray="5 4"/>') .
            '</svg>';
    }
}
