<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Budget\Budget;

/**
 * Numbers and the equations between them, solved group by group: numbers that hang together by no equation do not
 * disturb each other. The order of the equations decides which of two that say the same adds nothing: the later.
 */
final class EquationSystem
{
    /** Work limit of one solving, units. */
    private const MOST_WORK = 4_000_000;

    /** @var list<float> */
    public array $x = [];

    /** @var list<bool> */
    private array $given = [];

    /** @var list<Equation> */
    private array $equations = [];

    /** @var list<string> what each equation stands for */
    private array $owners = [];

    /** @var list<string> owners of equations that do not hold after solving, those that pull hardest first */
    public array $clash = [];

    /** @var list<string> owners none of whose equations adds anything */
    public array $idle = [];

    /** @var array<string, list<string>> by idle owner: the owners it follows from */
    public array $follows = [];

    /** Count of independent movements left. */
    public int $free = 0;

    /** @var list<array<int, float>> the movements: how much each number changes */
    public array $movements = [];

    /** @return int its place */
    public function number(float $value, bool $given = false): int
    {
        $this->x[] = $value;
        $this->given[] = $given;

        return count($this->x) - 1;
    }

    public function add(Equation $equation, string $owner): void
    {
        $this->equations[] = $equation;
        $this->owners[] = $owner;
    }

    /**
     * @param float $size of the sketch, mm
     * @return bool whether all equations hold now; if not, the groups that do not are as they were
     *
     * @throws SolvingTooLong
     */
    public function solve(float $size, ?Budget $budget = null): bool
    {
        $own = ($budget ?? Budget::unlimited())->part(self::MOST_WORK);
        $all = true;
        $pull = [];
        foreach ($this->groups() as [$unknowns, $which]) {
            if ($which === []) {
                continue;
            }
            $ls = new LeastSquares(array_map(fn(int $i): Equation => $this->equations[$i], $which), $unknowns, $own);
            $x = $this->x;
            if ($ls->solve($x, $size) || $this->fromElsewhere($ls, $x, $unknowns, $size)) {
                $this->x = array_values($x);

                continue;
            }
            $all = false;
            // where nothing can be improved any more the residuals are in balance: those that are left clash
            $worst = $ls->worst();
            foreach ($ls->residuals as $k => $r) {
                if (abs($r) > 1e-3 * $worst) {
                    $pull[$this->owners[$which[$k]]] = max(abs($r), $pull[$this->owners[$which[$k]]] ?? 0.0);
                }
            }
        }
        arsort($pull);
        $this->clash = array_map('strval', array_keys($pull));

        return $all;
    }

    /**
     * Goes as near as possible to where all equations hold, for when some of them only pull.
     *
     * @param float $size of the sketch, mm
     */
    public function approach(float $size): void
    {
        foreach ($this->groups() as [$unknowns, $which]) {
            if (in_array('pull', array_map(fn(int $i): string => $this->owners[$i], $which), true)) {
                $x = $this->x;
                (new LeastSquares(array_map(fn(int $i): Equation => $this->equations[$i], $which), $unknowns))->solve($x, $size, 30);
                $this->x = array_values($x);
            }
        }
    }

    /**
     * A drawing may stand exactly between two solutions, where no step leads anywhere: other beginnings are tried, always
     * the same ones.
     *
     * @param array<int, float> $x
     * @param list<int> $unknowns
     */
    private function fromElsewhere(LeastSquares $ls, array &$x, array $unknowns, float $size): bool
    {
        foreach ([0.003, 0.02, 0.08] as $k => $share) {
            $y = $this->x;
            foreach ($unknowns as $i => $v) {
                $y[$v] += $share * $size * sin(12.9898 * ($i + 1) + 78.233 * ($k + 1));
            }
            if ($ls->solve($y, $size)) {
                $x = $y;

                return true;
            }
        }
        $ls->look($x);

        return false;
    }

    /** Counts movements and finds what adds nothing, at the present place. */
    public function analyse(): void
    {
        $this->free = 0;
        $this->movements = [];
        $says = $any = [];
        $this->follows = [];
        foreach ($this->groups() as [$unknowns, $which]) {
            $freedom = new Freedom(count($unknowns));
            $ls = new LeastSquares(array_map(fn(int $i): Equation => $this->equations[$i], $which), $unknowns);
            $ls->look($this->x);
            foreach ($ls->jacobian() as $row) {
                $freedom->take($row);
            }
            foreach ($which as $k => $i) {
                $any[$this->owners[$i]] = true;
                if (!in_array($k, $freedom->idle, true)) {
                    $says[$this->owners[$i]] = true;

                    continue;
                }
                foreach (array_keys($freedom->from[$k]) as $other) {
                    if ($this->owners[$which[$other]] !== $this->owners[$i]) {
                        $this->follows[$this->owners[$i]][] = $this->owners[$which[$other]];
                    }
                }
            }
            $this->free += count($unknowns) - $freedom->rank();
            foreach ($freedom->movements() as $movement) {
                $this->movements[] = array_combine(array_map(static fn(int $c): int => $unknowns[$c], array_keys($movement)), $movement);
            }
        }
        $this->idle = array_map('strval', array_keys(array_diff_key($any, $says)));
        $this->follows = array_map(
            static fn(array $l): array => array_values(array_unique($l)),
            array_intersect_key($this->follows, array_fill_keys($this->idle, true)),
        );
    }

    /**
     * Unknowns that hang together, with the numbers of their equations in order.
     *
     * @return list<array{list<int>, list<int>}>
     */
    private function groups(): array
    {
        $parent = array_keys($this->x);
        $root = static function (int $a) use (&$parent): int {
            while ($parent[$a] !== $a) {
                $a = $parent[$a] = $parent[$parent[$a]];
            }

            return $a;
        };
        foreach ($this->equations as $e) {
            $first = null;
            foreach ($e->vars as $v) {
                if (!$this->given[$v]) {
                    $first ??= $root($v);
                    $parent[$root($v)] = $first;
                }
            }
        }
        $groups = [];
        foreach ($this->x as $v => $_) {
            if (!$this->given[$v]) {
                $groups[$root($v)][0][] = $v;
            }
        }
        foreach ($this->equations as $i => $e) {
            foreach ($e->vars as $v) {
                if (!$this->given[$v]) {
                    $groups[$root($v)][1][] = $i;

                    continue 2;
                }
            }
            // between given numbers only: holds or does not
            $groups['given'][1][] = $i;
        }

        return array_map(static fn(array $g): array => [$g[0] ?? [], $g[1] ?? []], array_values($groups));
    }
}
