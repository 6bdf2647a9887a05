<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;

/**
 * The numbers nearest to given ones at which equations hold: D. Marquardt, "An Algorithm for Least-Squares Estimation
 * of Nonlinear Parameters", SIAM Journal 11(2), 1963. With little damping the step is the shortest one that satisfies
 * the equations in first order, so what no equation asks for stays where it was drawn.
 */
final class LeastSquares
{
    /** Residuals below this share of the sketch's size are none; a hundredth of what is promised. */
    public const NEAR = 1e-13;

    private const MOST_ROUNDS = 200;

    /** What is left where relations only just touch, as a circle touches a line it may not cross: good enough to count as held. */
    private const TOUCHING = 1e-9;

    /** Residuals below this share of the sketch's size are nearly none. */
    private const CLOSE = 1e-5;

    /** @var list<float> the residuals at the last place looked at, mm */
    public array $residuals = [];

    /** @var list<array<int, float>> */
    public array $gradients = [];

    private ?NormalEquations $normal = null;

    /** @var list<list<int>> by equation: where each of its numbers stands among its different unknowns, -1 for none */
    private readonly array $slots;

    /** @var list<list<int>> by equation: its different unknowns, 0 ... n-1 */
    private readonly array $rows;

    /**
     * @param list<Equation> $equations
     * @param list<int> $unknowns places of the numbers that may change
     * @param Budget|null $budget what solving may cost
     */
    public function __construct(
        private readonly array $equations,
        private readonly array $unknowns,
        private readonly ?Budget $budget = null,
    ) {
        $local = array_flip($unknowns);
        $rows = $slots = [];
        foreach ($equations as $e) {
            $row = $slot = [];
            foreach ($e->vars as $v) {
                $slot[] = isset($local[$v]) ? ($row[$local[$v]] ??= count($row)) : -1;
            }
            $rows[] = array_keys($row);
            $slots[] = $slot;
        }
        $this->rows = $rows;
        $this->slots = $slots;
    }

    /**
     * @param array<int, float> $x all numbers; those that may change are changed
     * @param float $size of the sketch, mm: no step moves a number by more than half of it
     * @param int $rounds work limit
     * @return bool whether all equations hold
     */
    public function solve(array &$x, float $size, int $rounds = self::MOST_ROUNDS): bool
    {
        $near = self::NEAR * max(1.0, $size);
        $error = $this->look($x);
        $damping = 1e-4;
        $slow = 0;
        for ($round = 0; $round < $rounds; $round++) {
            if ($this->worst() <= $near) {
                return true;
            }
            $step = $this->normal()->step($this->derivatives(), $this->residuals, $damping);
            $longest = 0.0;
            foreach ($step as $s) {
                $longest = max($longest, abs($s));
            }
            $k = $longest > $size / 2 ? $size / 2 / $longest : 1.0;
            $old = $x;
            $before = [$this->residuals, $this->gradients];
            foreach ($this->unknowns as $i => $v) {
                $x[$v] += $k * $step[$i];
            }
            $now = $this->look($x);
            if ($now < $error) {
                // the last rounds only polish what rounding leaves
                if ($now > 0.98 * $error && $this->worst() <= 100 * $near) {
                    return true;
                }
                $slow = $now > 0.5 * $error ? $slow + 1 : 0;
                $stuck = $now > (1 - 1e-10) * $error;
                $error = $now;
                $damping = max(1e-11, $damping / 10);
                if ($stuck || ($slow > 5 && $this->worst() < self::CLOSE * $size)) {
                    break;
                }
            } else {
                $x = $old;
                [$this->residuals, $this->gradients] = $before;
                if ($this->worst() <= 100 * $near) {
                    return true;
                }
                $damping *= 8;
                if ($damping > 1e9) {
                    break;
                }
            }
        }

        return $this->worst() <= 100 * $near ||
            ($this->worst() < self::CLOSE * $size && $this->finish($x, $size, $near)) ||
            $this->worst() <= self::TOUCHING * max(1.0, $size);
    }

    /**
     * Where two equations say almost the same the way to the end is long and bends: each step makes the others a little
     * worse before the next one mends that. So near to the end steps are taken as they come.
     *
     * @param array<int, float> $x
     */
    private function finish(array &$x, float $size, float $near): bool
    {
        $old = $x;
        $before = [$this->residuals, $this->gradients];
        for ($round = 0; $round < 60; $round++) {
            $step = $this->normal()->step($this->derivatives(), $this->residuals, 1e-12);
            $longest = 0.0;
            foreach ($step as $s) {
                $longest = max($longest, abs($s));
            }
            $k = $longest > 0.01 * $size ? (0.01 * $size) / $longest : 1.0;
            foreach ($this->unknowns as $i => $v) {
                $x[$v] += $k * $step[$i];
            }
            $this->look($x);
            if ($this->worst() <= 100 * $near) {
                return true;
            }
        }
        $x = $old;
        [$this->residuals, $this->gradients] = $before;

        return false;
    }

    /** Made when a step is needed: a sketch that is opened again mostly holds as it is. */
    private function normal(): NormalEquations
    {
        try {
            // a round goes through all equations a few times, and through a band of the normal equations
            $n = count($this->unknowns);
            $this->budget?->spend(5 * count($this->equations) + 2 * $n + intdiv($n * $n, 20));
        } catch (OverBudget $e) {
            throw $e->limit === Limit::Work ? new SolvingTooLong() : $e;
        }

        return $this->normal ??= new NormalEquations(count($this->unknowns), $this->rows);
    }

    /** @param array<int, float> $x */
    public function look(array $x): float
    {
        $sum = 0.0;
        $this->residuals = $this->gradients = [];
        foreach ($this->equations as $e) {
            $g = [];
            $this->residuals[] = $r = $e->evaluate($x, $g);
            $this->gradients[] = $g;
            $sum += $r * $r;
        }

        return is_finite($sum) ? $sum : INF;
    }

    public function worst(): float
    {
        $worst = 0.0;
        foreach ($this->residuals as $r) {
            $worst = max($worst, abs($r));
        }

        return $worst;
    }

    /**
     * Derivatives by the unknowns, those of a number that stands twice in an equation added up.
     *
     * @return list<array<int, float>> in the order of the equation's different unknowns
     */
    private function derivatives(): array
    {
        $out = [];
        foreach ($this->gradients as $r => $g) {
            $row = array_fill(0, count($this->rows[$r]), 0.0);
            foreach ($this->slots[$r] as $i => $k) {
                if ($k >= 0) {
                    $row[$k] += $g[$i];
                }
            }
            $out[] = $row;
        }

        return $out;
    }

    /** @return list<array<int, float>> by equation and unknown 0 ... n-1 */
    public function jacobian(): array
    {
        $out = [];
        foreach ($this->derivatives() as $r => $row) {
            $out[] = $row === [] ? [] : array_combine($this->rows[$r], $row);
        }

        return $out;
    }
}
