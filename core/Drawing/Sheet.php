<?php

declare(strict_types=1);

namespace Cubo\Drawing;

/**
 * Lays the views out by projection method 3 (ISO 5456-2:1996) and writes them as SVG: top view above the front view,
 * right view to its right, the isometric one in the corner. Lines and dimensions carry classes only; how they look is
 * the style sheet's business. Slanted strokes end the dimension lines (ISO 129-1:2018 allows oblique strokes).
 */
final class Sheet
{
    private const STACK = 22.0;

    private const FIRST = 17.0;

    /** Width of a letter of the dimension text. */
    private const LETTER = 7.8;

    private readonly float $stack;

    private string $svg = '';

    /** @var array<string, array<string, int>> dimension lines already on each side of each view */
    private array $used = [];

    /** @var array<string, int> */
    private array $leaders = [];

    /** share of the width */
    private const COLUMN = 0.26;

    /** @var array<string, array<string, int>> dimensions by view and side */
    private array $count = [];

    /**
     * @param array<string, string> $states requirement id => met, off, missing, unknown or open
     * @param bool $lettersOnly for a small sheet that stands beside a list of the sizes
     */
    public function __construct(
        private readonly Drawing $drawing,
        private readonly float $width,
        private readonly float $height,
        private readonly array $states = [],
        private readonly string $title = 'Drawing of the part',
        private readonly bool $lettersOnly = false,
    ) {
        $this->stack = $lettersOnly ? 16.0 : self::STACK;
    }

    /** @param list<Dimension> $dimensions */
    public function svg(array $dimensions): string
    {
        $count = [];
        foreach ($dimensions as $d) {
            $count[$d->view->value][$d->side] = ($count[$d->view->value][$d->side] ?? 0) + 1;
        }
        $room = function (View $v, string $side) use (&$count): float {
            $n = $count[$v->value][$side] ?? 0;

            // the outermost line's own distance and its text
            return $n === 0 ? 10.0 : self::FIRST + ($n - 1) * $this->stack + 18;
        };
        $b = $this->drawing->bounds;
        $size = $b->size();
        $label = 16.0;
        // margins: around the columns left | right and the rows top | front
        $above = $label + $room(View::Top, 'above');
        $between = $room(View::Top, 'below') + $label + max($room(View::Front, 'above'), $room(View::Right, 'above'));
        $below = max($room(View::Front, 'below'), $room(View::Right, 'below'));
        // leaders land beyond the dimension lines, on the side of the view their circle is nearer to
        $landings = [];
        foreach ($dimensions as $d) {
            if ($d->side === 'leader') {
                $key = $this->landsLeft($d) ? 'left' : 'right';
                $landings[$d->view->value][$key] = max(
                    $landings[$d->view->value][$key] ?? 0.0,
                    12 + self::LETTER * mb_strlen($this->words($d)),
                );
            }
        }
        $landing = static fn(View $v, string $side): float => $landings[$v->value][$side] ?? 0.0;
        $this->count = $count;
        $left = max($room(View::Front, 'left') + $landing(View::Front, 'left'), $room(View::Top, 'left') + $landing(View::Top, 'left'));
        $gap =
            max($room(View::Front, 'right') + $landing(View::Front, 'right'), $room(View::Top, 'right') + $landing(View::Top, 'right')) +
            $room(View::Right, 'left') +
            $landing(View::Right, 'left');
        $right = $room(View::Right, 'right') + $landing(View::Right, 'right');
        $iso = $this->drawing->views['isometric']->box();
        $scale = min(
            ($this->width - $left - $gap - $right) / max(1e-9, $size[0] + $size[1]),
            ($this->height - $above - $between - $below) / max(1e-9, $size[1] + $size[2]),
        );
        // the column on the right is never too narrow for the isometric picture and its caption
        $least = self::COLUMN * $this->width;
        if ($scale * $size[1] < $least) {
            $scale = min($scale, ($this->width - $left - $gap - $right - $least) / max(1e-9, $size[0]));
        }
        $scale = max($scale, 1e-6);
        $column = max($scale * $size[1], $least);
        // centred on what is left over
        $spareX = max(0.0, $this->width - $left - $gap - $right - $scale * $size[0] - $column) / 2;
        $spareY = max(0.0, $this->height - $above - $between - $below - $scale * ($size[1] + $size[2])) / 2;
        $x0 = $left + $spareX;
        $x1 = $x0 + $scale * $size[0] + $gap;
        $y0 = $above + $spareY;
        $y1 = $y0 + $scale * $size[1] + $between;
        $origin = [
            'top' => [$x0 - $scale * $b->min[0], $y0 + $scale * $b->max[1]],
            'front' => [$x0 - $scale * $b->min[0], $y1 + $scale * $b->max[2]],
            'right' => [$x1 - $scale * $b->min[1], $y1 + $scale * $b->max[2]],
        ];
        $this->label('Top', $x0, $y0 - $room(View::Top, 'above') - 1);
        $this->label('Front', $x0, $y1 - max($room(View::Front, 'above'), 10) - 1);
        $this->label('Right', $x1, $y1 - max($room(View::Right, 'above'), 10) - 1);
        foreach (['top', 'front', 'right'] as $v) {
            $this->view($v, $origin[$v], $scale);
        }
        $this->isometric(
            $iso,
            $x1,
            $above - $room(View::Top, 'above'),
            $this->width - 4,
            $y1 - $label - $room(View::Right, 'above') - 4,
            $scale,
        );
        foreach ($dimensions as $d) {
            $this->dimension($d, $origin[$d->view->value], $scale, [
                $d->view === View::Right ? $x1 : $x0,
                $d->view === View::Top ? $y0 : $y1,
                $d->view === View::Right ? $x1 + $scale * $size[1] : $x0 + $scale * $size[0],
                $d->view === View::Top ? $y0 + $scale * $size[1] : $y1 + $scale * $size[2],
            ]);
        }

        return sprintf(
            '<svg class="drawing" viewBox="0 0 %s %s" role="img" aria-label="%s" xmlns="http://www.w3.org/2000/svg">%s</svg>',
            self::n($this->width),
            self::n($this->height),
            htmlspecialchars($this->title, ENT_QUOTES),
            $this->svg,
        );
    }

    private function label(string $text, float $x, float $y): void
    {
        $this->svg .= sprintf('<text class="dwg-view" x="%s" y="%s">%s</text>', self::n($x), self::n($y), $text);
    }

    /** @param array{float,float} $o */
    private function view(string $name, array $o, float $scale): void
    {
        $lines = $this->drawing->views[$name];
        foreach (['hid' => $lines->hidden, 'vis' => $lines->visible] as $class => $list) {
            $path = '';
            foreach ($list as $line) {
                $path .= self::path($line, $o, $scale);
            }
            if ($path !== '') {
                $this->svg .= "<path class=\"$class\" d=\"$path\"/>";
            }
        }
    }

    /** @param array{float,float,float,float} $box */
    private function isometric(array $box, float $x0, float $y0, float $x1, float $y1, float $scale): void
    {
        $w = max(1e-9, $box[2] - $box[0]);
        $h = max(1e-9, $box[3] - $box[1]);
        $k = min(($x1 - $x0) / $w, ($y1 - $y0 - 16) / $h, $scale * 1.1);
        if ($k <= 0) {
            return;
        }
        $this->label('Isometric', $x0, $y0 + 9);
        $o = [($x0 + $x1) / 2 - ($k * ($box[0] + $box[2])) / 2, ($y0 + 14 + $y1) / 2 + ($k * ($box[1] + $box[3])) / 2];
        $path = '';
        foreach ($this->drawing->views['isometric']->visible as $line) {
            $path .= self::path($line, $o, $k);
        }
        $this->svg .= "<path class=\"vis thin\" d=\"$path\"/>";
    }

    /**
     * @param list<array{float,float}> $line
     * @param array{float,float} $o
     */
    private static function path(array $line, array $o, float $scale): string
    {
        $d = '';
        foreach ($line as $i => [$u, $v]) {
            $d .= ($i === 0 ? 'M' : 'L') . self::n($o[0] + $scale * $u) . ' ' . self::n($o[1] - $scale * $v);
        }

        return $d;
    }

    /**
     * @param array{float,float} $o
     * @param array{float,float,float,float} $box of the view on the sheet
     */
    private function dimension(Dimension $d, array $o, float $scale, array $box): void
    {
        $state = $this->worst($d);
        $a = [$o[0] + $scale * $d->a[0], $o[1] - $scale * $d->a[1]];
        $b = [$o[0] + $scale * $d->b[0], $o[1] - $scale * $d->b[1]];
        $this->svg .= sprintf(
            '<g class="dim %s" data-requirement="%s">',
            $state,
            htmlspecialchars(implode(' ', $d->requirements), ENT_QUOTES),
        );
        $d->side === 'leader' ? $this->leader($d, $a, $scale, $box, $state) : $this->linear($d, $a, $b, $box, $state);
        $this->svg .= '</g>';
    }

    /**
     * @param array{float,float} $a
     * @param array{float,float} $b
     * @param array{float,float,float,float} $box
     */
    private function linear(Dimension $d, array $a, array $b, array $box, string $state): void
    {
        $k = $this->used[$d->view->value][$d->side] = ($this->used[$d->view->value][$d->side] ?? -1) + 1;
        $off = self::FIRST + $k * $this->stack;
        $horizontal = $d->side === 'below' || $d->side === 'above';
        $at = match ($d->side) {
            'below' => $box[3] + $off,
            'above' => $box[1] - $off,
            'left' => $box[0] - $off,
            default => $box[2] + $off,
        };
        $sign = $d->side === 'below' || $d->side === 'right' ? 1 : -1;
        $ends = [];
        foreach ([$a, $b] as $p) {
            $q = $horizontal ? [$p[0], $at] : [$at, $p[1]];
            $from = $horizontal ? [$p[0], $p[1] + 3 * $sign] : [$p[0] + 3 * $sign, $p[1]];
            $to = $horizontal ? [$p[0], $at + 5 * $sign] : [$at + 5 * $sign, $p[1]];
            $this->svg .= self::lineTag('ext', $from, $to);
            $ends[] = $q;
        }
        [$p, $q] = $ends;
        $length = hypot($q[0] - $p[0], $q[1] - $p[1]);
        if ($state === 'off') {
            // broken by a zigzag: the size is not what is asked
            $u = [($q[0] - $p[0]) / max($length, 1e-9), ($q[1] - $p[1]) / max($length, 1e-9)];
            $n = [-$u[1], $u[0]];
            $m = [($p[0] + 3 * $q[0]) / 4, ($p[1] + 3 * $q[1]) / 4];
            $pt = static fn(float $s, float $t): string => self::n($m[0] + $s * $u[0] + $t * $n[0]) .
                ' ' .
                self::n($m[1] + $s * $u[1] + $t * $n[1]);
            $this->svg .= sprintf(
                '<path class="line" d="M%s %sL%s %s %s %sL%s %s"/>',
                self::n($p[0]),
                self::n($p[1]),
                $pt(-6, 0),
                $pt(-3, -5),
                $pt(3, 5),
                $pt(6, 0),
                self::n($q[0]),
                self::n($q[1]),
            );
        } elseif ($state !== 'missing') {
            $this->svg .= self::lineTag('line', $p, $q);
        }
        foreach ([$p, $q] as [$x, $y]) {
            $this->svg .= self::lineTag('end', [$x - 4, $y + 4], [$x + 4, $y - 4]);
        }
        $x = ($p[0] + $q[0]) / 2;
        $y = ($p[1] + $q[1]) / 2;
        $this->svg .= $horizontal ? $this->text($x, $y - 5, $d, 0) : $this->text($x - 5, $y, $d, -90);
    }

    /**
     * @param array{float,float} $c
     * @param array{float,float,float,float} $box
     */
    private function leader(Dimension $d, array $c, float $scale, array $box, string $state): void
    {
        $r = $d->radius * $scale;
        foreach ([[1, 0], [0, 1]] as [$u, $v]) {
            $this->svg .= self::lineTag(
                'mid',
                [$c[0] - $u * ($r + 5), $c[1] - $v * ($r + 5)],
                [$c[0] + $u * ($r + 5), $c[1] + $v * ($r + 5)],
            );
        }
        $left = $this->landsLeft($d);
        $side = $left ? 'left' : 'right';
        $way = $left ? -1 : 1;
        $n = $this->leaders[$d->view->value . $side] = ($this->leaders[$d->view->value . $side] ?? -1) + 1;
        // from the circle's upper outer side, to a landing beside the view
        $from = [$c[0] + $way * $r * M_SQRT1_2, $c[1] - $r * M_SQRT1_2];
        $beside = $this->count[$d->view->value][$side] ?? 0;
        $away = 8 + $beside * $this->stack;
        // where dimension lines stand on that side, above their upper ends, so that no text is crossed
        $y = $beside > 0 ? $box[1] - 5 - 18 * $n : max($box[1] + 10, min($from[1] - 8, $box[3] - 4)) + 18 * $n;
        $land = [$left ? $box[0] - $away : $box[2] + $away, $y];
        $this->svg .= sprintf(
            '<path class="line lead" d="M%s %sL%s %sh%d"/><circle class="dot" cx="%s" cy="%s" r="2.4"/>',
            self::n($from[0]),
            self::n($from[1]),
            self::n($land[0]),
            self::n($land[1]),
            $way * (int) (self::LETTER * mb_strlen($this->words($d))),
            self::n($from[0]),
            self::n($from[1]),
        );
        $this->svg .= $this->text($land[0] + 2 * $way, $land[1] - 4, $d, 0, $left ? 'end' : 'start');
    }

    /** Whether a circle lies in the left half of its view, so that its leader goes that way. */
    private function landsLeft(Dimension $d): bool
    {
        $axis = $d->view->axes()[0];
        $b = $this->drawing->bounds;

        return $d->a[0] < ($b->min[$axis] + $b->max[$axis]) / 2 - 1e-6;
    }

    private function words(Dimension $d): string
    {
        return implode(' ', $d->letters) . ($this->lettersOnly ? '' : ' ' . $d->text);
    }

    /** The state of a dimension that answers several requirements is that of the worst of them. */
    private function worst(Dimension $d): string
    {
        // what could not be measured is drawn as what was not checked
        $states = array_map(
            fn(string $id): string => ['unknown' => 'open'][$this->states[$id] ?? 'open'] ?? ($this->states[$id] ?? 'open'),
            $d->requirements,
        );
        foreach (['off', 'missing', 'stale', 'open'] as $s) {
            if (in_array($s, $states, true)) {
                return $s;
            }
        }

        return 'met';
    }

    private function text(float $x, float $y, Dimension $d, int $turn, string $anchor = 'middle'): string
    {
        return sprintf(
            '<text class="dwg-num" x="%s" y="%s" text-anchor="%s"%s><tspan class="dwg-tag">%s</tspan> %s</text>',
            self::n($x),
            self::n($y),
            $anchor,
            $turn === 0 ? '' : sprintf(' transform="rotate(%d %s %s)"', $turn, self::n($x), self::n($y)),
            htmlspecialchars(implode(' ', $d->letters)),
            $this->lettersOnly ? '' : htmlspecialchars($d->text),
        );
    }

    /**
     * @param array{float,float} $p
     * @param array{float,float} $q
     */
    private static function lineTag(string $class, array $p, array $q): string
    {
        return sprintf('<path class="%s" d="M%s %sL%s %s"/>', $class, self::n($p[0]), self::n($p[1]), self::n($q[0]), self::n($q[1]));
    }

    private static function n(float $v): string
    {
        return rtrim(rtrim(sprintf('%.2F', $v), '0'), '.');
    }
}
