<?php

declare(strict_types=1);

namespace Cubo\Check\Tolerance;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;

/** How far a length may be from its nominal size: deviations in mm, the lower one first. */
final readonly class Tolerance
{
    private function __construct(public float $lower, public float $upper) {}

    /**
     * As it is typed: "0.2" for plus and minus, "+0.1 -0.3" or "+0.1/-0.3", limits as "49.8 to 50.2", a class of ISO 2768
     * ("m", "ISO 2768-m"), or a fit of ISO 286 ("H7").
     *
     * @param bool $edge whether it is a rounded or chamfered edge: ISO 2768 has a table of its own for these
     *
     * @throws UnreadableExpression with the reason in words
     */
    public static function typed(string $text, float $nominal, Unit $unit, bool $edge = false): self
    {
        $text = trim(str_replace("\u{2212}", '-', $text));
        $mm = static fn(string $t): float => Expression::length(trim($t), $unit);
        $class = GeneralTolerances::named($text);
        if ($class !== null) {
            $by =
                ($edge ? $class->brokenEdge($nominal) : $class->length($nominal)) ??
                throw new UnreadableExpression('ISO 2768 gives no tolerance for a size like this.');

            return new self(-$by, $by);
        }
        if (preg_match('/^[A-Za-z]{1,2}\d{1,2}$/', $text)) {
            [$low, $high] =
                Fit::of($text, $nominal) ??
                throw new UnreadableExpression(
                    "The fit {$text} is not in the table for this size. There are " . implode(', ', Fit::CLASSES) . ', up to 120 mm.',
                );

            return new self($low, $high);
        }
        if (preg_match('/^(.+?)\s+to\s+(.+)$/', $text, $m)) {
            return self::between($mm($m[1]) - $nominal, $mm($m[2]) - $nominal);
        }
        if (preg_match('#^\+\s*(.+?)\s*[/,]?\s*-\s*([^-+]+)$#', $text, $m)) {
            return self::between(-$mm($m[2]), $mm($m[1]));
        }
        $by = $mm(ltrim($text, "\u{00B1}+ "));

        return $by < 0 ? throw new UnreadableExpression('A tolerance is not below zero.') : new self(-$by, $by);
    }

    public static function between(float $lower, float $upper): self
    {
        return $lower > $upper ? throw new UnreadableExpression('The lower limit lies above the upper one.') : new self($lower, $upper);
    }

    /** @param float $off measured less nominal, mm; $slack for what computing rounds */
    public function holds(float $off, float $slack = 1e-6): bool
    {
        return $off >= $this->lower - $slack && $off <= $this->upper + $slack;
    }

    public function text(Unit $unit): string
    {
        if (abs($this->lower + $this->upper) < 1e-9) {
            return '±' . $unit->brief($this->upper);
        }
        $signed = static fn(float $v): string => ($v > 0 ? '+' : '') . $unit->brief($v);

        return $signed($this->upper) . ' / ' . $signed($this->lower);
    }
}
