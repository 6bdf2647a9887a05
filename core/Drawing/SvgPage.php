<?php

declare(strict_types=1);

namespace Cubo\Drawing;

use XMLWriter;

/**
 * A page of paper as SVG, in points from its upper left corner: texts, lines and frames with what they are for. How an end
 * looks is a matter of the style sheet; a role is its class there.
 */
final class SvgPage
{
    /** A4 upright (ISO 216), points. */
    public const A4 = [595.28, 841.89];

    private readonly XMLWriter $x;

    public function __construct(public readonly float $width, public readonly float $height)
    {
        $this->x = new XMLWriter();
        $this->x->openMemory();
        $this->begin('svg', [
            'xmlns' => 'http://www.w3.org/2000/svg',
            'width' => self::number($width) . 'pt',
            'height' => self::number($height) . 'pt',
            'viewBox' => '0 0 ' . self::number($width) . ' ' . self::number($height),
        ]);
        $this->empty('rect', ['width' => '100%', 'height' => '100%', 'fill' => '#fff']);
    }

    public static function a4(bool $lying = false): self
    {
        return $lying ? new self(self::A4[1], self::A4[0]) : new self(...self::A4);
    }

    /**
     * @param string $role classes, such as “t” for text and “t b” for bold
     * @param 'start'|'middle'|'end' $anchor
     */
    public function text(float $x, float $y, float $size, string $text, string $role = 't', string $anchor = 'start'): self
    {
        $this->begin('text', [
            'x' => self::number($x),
            'y' => self::number($y),
            'font-size' => self::number($size),
            'class' => $role,
            'text-anchor' => $anchor,
        ]);
        $this->x->text((string) preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', '', mb_scrub($text)));
        $this->x->endElement();

        return $this;
    }

    public function line(float $x1, float $y1, float $x2, float $y2, string $role = 'rule'): self
    {
        return $this->empty('line', [
            'x1' => self::number($x1),
            'y1' => self::number($y1),
            'x2' => self::number($x2),
            'y2' => self::number($y2),
            'class' => $role,
        ]);
    }

    public function frame(float $x, float $y, float $w, float $h, string $role = 'frame'): self
    {
        return $this->empty('rect', [
            'x' => self::number($x),
            'y' => self::number($y),
            'width' => self::number($w),
            'height' => self::number($h),
            'class' => $role,
        ]);
    }

    public function svg(): string
    {
        $this->x->endElement();

        return $this->x->outputMemory();
    }

    /** A text cut to a width, by the mean width of its letters; what is cut is told by dots. */
    public static function fitted(string $text, float $width, float $size): string
    {
        $most = max(1, (int) floor($width / (0.5 * $size)));

        return mb_strlen($text) <= $most ? $text : mb_substr($text, 0, $most - 1) . '…';
    }

    /** @param array<string, string> $attributes */
    private function begin(string $name, array $attributes): void
    {
        $this->x->startElement($name);
        foreach ($attributes as $key => $value) {
            $this->x->writeAttribute($key, $value);
        }
    }

    /** @param array<string, string> $attributes */
    private function empty(string $name, array $attributes): self
    {
        $this->begin($name, $attributes);
        $this->x->endElement();

        return $this;
    }

    private static function number(float $v): string
    {
        return rtrim(rtrim(number_format($v, 2, '.', ''), '0'), '.');
    }
}
