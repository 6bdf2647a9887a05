<?php

declare(strict_types=1);

namespace Cubo\Quantity;

/**
 * Reads what people type into a size field: "12.25/2", "3*0.25", "1 3/8 in", "7/16\"", "(20 + 5) / 2", "25.4 mm".
 *
 * Grammar: sum = product {(+|-) product}; product = factor {(*|/) factor}; factor = [-|+] (number | "(" sum ")") [unit].
 * "1 3/8" is a mixed number. A unit after a quotient of plain numbers covers the whole quotient (7/16"). Plain numbers
 * take the drawing's unit, also when added to a length. A comma between digits is a decimal comma. A name, where the
 * place it stands in knows names, is the value that goes by it.
 */
final class Expression
{
    public const UNITS = ['mm' => 1.0, 'cm' => 10.0, 'm' => 1000.0, 'in' => 25.4, 'inch' => 25.4, 'inches' => 25.4, '"' => 25.4];

    /** @var list<array{string, float|string|array{float,int}}> kind and value */
    private array $tokens = [];

    private int $at = 0;

    /** @param (callable(string): (array{float,int}|null))|null $named */
    private function __construct(private readonly string $typed, private readonly float $default, private $named = null) {}

    /**
     * A length in millimetres.
     *
     * @param (callable(string): (array{float,int}|null))|null $named the value behind a name: in mm with 1, or a plain number with 0
     *
     * @throws UnreadableExpression
     */
    public static function length(string $typed, Unit $unit, ?callable $named = null): float
    {
        $e = new self($typed, $unit->inMillimetres(), $named);
        [$value, $dimension] = $e->read();
        if ($dimension > 1) {
            throw new UnreadableExpression('This multiplies two lengths, which makes an area. A size is one length.');
        }
        if ($dimension < 0) {
            throw new UnreadableExpression('This divides by a length. Leave the unit away below the line.');
        }

        return $dimension === 1 ? $value : $value * $unit->inMillimetres();
    }

    /**
     * What is typed as it is: a length in mm with 1, or a plain number with 0, which takes the unit of where it is used.
     *
     * @param (callable(string): (array{float,int}|null))|null $named
     * @return array{float, 0|1}
     *
     * @throws UnreadableExpression
     */
    public static function value(string $typed, Unit $unit, ?callable $named = null): array
    {
        $e = new self($typed, $unit->inMillimetres(), $named);
        [$value, $dimension] = $e->read();

        return match ($dimension) {
            0 => [$value, 0],
            1 => [$value, 1],
            default => throw new UnreadableExpression('This is neither a length nor a plain number.'),
        };
    }

    /**
     * A plain number, for angles in degrees and counts.
     *
     * @param (callable(string): (array{float,int}|null))|null $named as for length()
     *
     * @throws UnreadableExpression
     */
    public static function number(string $typed, ?callable $named = null): float
    {
        $e = new self(preg_replace('/(°|degrees?|deg)\s*$/u', '', trim($typed)) ?? $typed, 1.0, $named);
        [$value, $dimension] = $e->read();
        if ($dimension !== 0) {
            throw new UnreadableExpression('This is a length; a plain number is needed here.');
        }

        return $value;
    }

    /** @return array{float,int} value (mm to the power of the dimension) and dimension */
    private function read(): array
    {
        if (trim($this->typed) === '') {
            throw new UnreadableExpression('Nothing is typed here yet.');
        }
        if (mb_strlen($this->typed) > 120) {
            throw new UnreadableExpression('This is longer than any size needs to be.');
        }
        $this->split();
        $result = $this->sum(0);
        if (isset($this->tokens[$this->at])) {
            throw new UnreadableExpression('Cubo cannot read on from “' . $this->word($this->at) . '”.');
        }
        if (!is_finite($result[0])) {
            throw new UnreadableExpression('This number is too large.');
        }

        return $result;
    }

    private function split(): void
    {
        $text = str_replace(
            ["\u{2212}", "\u{2013}", '×', '÷', '″', '”', '“', "''"],
            ['-', '-', '*', '/', '"', '"', '"', '"'],
            $this->typed,
        );
        $text = preg_replace('/(?<=\d),(?=\d)/', '.', trim($text)) ?? '';
        $rest = $text;
        while (($rest = ltrim($rest)) !== '') {
            if (preg_match('/^(\d[\d.]*|\.[\d.]+)/', $rest, $m)) {
                if (substr_count($m[1], '.') > 1) {
                    throw new UnreadableExpression("“{$m[1]}” has more than one decimal point.");
                }
                $this->tokens[] = ['number', (float) $m[1]];
            } elseif (
                $this->named !== null &&
                preg_match('/^[a-zA-Z][a-zA-Z0-9_]*/', $rest, $m) &&
                !isset(self::UNITS[strtolower($m[0])]) &&
                ($value = ($this->named)($m[0])) !== null
            ) {
                $this->tokens[] = ['name', $value];
            } elseif (preg_match('/^("|[a-zA-Zµ]+)/u', $rest, $m)) {
                if (!isset(self::UNITS[strtolower($m[1])])) {
                    throw new UnreadableExpression(
                        $this->named === null
                            ? "“{$m[1]}” is not a unit Cubo knows. Use mm, cm, m, in or \"."
                            : "“{$m[1]}” is not a unit Cubo knows (mm, cm, m, in, \"), and nothing here has that name.",
                    );
                }
                $this->tokens[] = ['unit', strtolower($m[1])];
            } elseif (preg_match('/^[-+*\/()]/', $rest, $m)) {
                $this->tokens[] = [$m[0], $m[0]];
            } else {
                throw new UnreadableExpression('“' . mb_substr($rest, 0, 1) . '” does not belong in a size.');
            }
            $rest = substr($rest, strlen($m[0]));
        }
    }

    private function word(int $at): string
    {
        $value = $this->tokens[$at][1];

        return is_array($value) ? 'a name' : (string) $value;
    }

    private function next(): string
    {
        return $this->tokens[$this->at][0] ?? '';
    }

    /** @return array{float,int} */
    private function sum(int $depth): array
    {
        [$value, $dimension] = $this->product($depth);
        while (($op = $this->next()) === '+' || $op === '-') {
            $this->at++;
            [$v, $d] = $this->product($depth);
            if ($d !== $dimension) {
                if ($d + $dimension !== 1) {
                    throw new UnreadableExpression('A length and something that is no length cannot be added.');
                }
                // the plain number takes the drawing's unit
                $d === 0 ? ($v *= $this->default) : ($value *= $this->default);
                $dimension = 1;
            }
            $value += $op === '+' ? $v : -$v;
        }

        return [$value, $dimension];
    }

    /** @return array{float,int} */
    private function product(int $depth): array
    {
        [$value, $dimension] = $this->factor($depth);
        while (($op = $this->next()) === '*' || $op === '/') {
            $this->at++;
            $from = $this->at;
            [$v, $d] = $this->factor($depth);
            if ($op === '*') {
                $value *= $v;
                $dimension += $d;

                continue;
            }
            if ($v == 0.0) {
                throw new UnreadableExpression('This divides by zero.');
            }
            if ($dimension === 0 && $d === 1 && $this->at - $from === 2) {
                // 7/16": the unit covers the fraction
                $unit = self::UNITS[$this->word($this->at - 1)];
                $value = ($value / ($v / $unit)) * $unit;
                $dimension = 1;
            } else {
                $value /= $v;
                $dimension -= $d;
            }
        }

        return [$value, $dimension];
    }

    /** @return array{float,int} */
    private function factor(int $depth): array
    {
        if ($depth > 20) {
            throw new UnreadableExpression('There are too many brackets.');
        }
        $sign = 1.0;
        while (($op = $this->next()) === '-' || $op === '+') {
            $sign = $op === '-' ? -$sign : $sign;
            $this->at++;
        }
        if ($op === '(') {
            $this->at++;
            [$value, $dimension] = $this->sum($depth + 1);
            if ($this->next() !== ')') {
                throw new UnreadableExpression('A bracket is not closed.');
            }
            $this->at++;
        } elseif ($op === 'number') {
            $value = (float) $this->word($this->at++);
            $dimension = 0;
            // a mixed number: 1 3/8
            if ($this->next() === 'number') {
                $top = (float) $this->word($this->at);
                if (($this->tokens[$this->at + 1][0] ?? '') !== '/' || ($this->tokens[$this->at + 2][0] ?? '') !== 'number') {
                    throw new UnreadableExpression('Two numbers stand side by side. Write a sum with +, or a fraction as 1 3/8.');
                }
                $bottom = (float) $this->word($this->at + 2);
                if ($bottom == 0.0) {
                    throw new UnreadableExpression('This divides by zero.');
                }
                $value += $top / $bottom;
                $this->at += 3;
            }
        } elseif ($op === 'name' && is_array($named = $this->tokens[$this->at][1])) {
            [$value, $dimension] = $named;
            $this->at++;
        } elseif ($op === '') {
            throw new UnreadableExpression('Something is missing at the end.');
        } else {
            throw new UnreadableExpression('A number is missing before “' . $this->word($this->at) . '”.');
        }
        if ($this->next() === 'unit') {
            $value *= self::UNITS[$this->word($this->at++)];
            $dimension++;
        }

        return [$sign * $value, $dimension];
    }
}
