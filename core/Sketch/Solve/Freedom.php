<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

/**
 * What equations leave free: rows of derivatives are taken in one by one and brought to reduced row echelon form
 * (G. Golub, C. Van Loan, "Matrix Computations", 3.4 and 5.5 on rank and its tolerance). A row that vanishes adds
 * nothing to those before it; columns without a leading entry are the free movements.
 */
final class Freedom
{
    /** Entries below this, in rows of length 1, count as none. */
    private const NONE = 1e-7;

    /** @var array<int, array<int, float>> reduced rows by the column of their leading 1 */
    private array $reduced = [];

    /** @var array<int, array<int, true>> leading columns of the rows that have an entry in a column */
    private array $rowsWith = [];

    /** @var array<int, array<int, float>> by leading column: what of the rows taken in the reduced row is made of */
    private array $made = [];

    /** @var list<int> numbers of the rows that add nothing */
    public array $idle = [];

    /** @var array<int, array<int, float>> by idle row: the rows it follows from, with factors */
    public array $from = [];

    private int $count = 0;

    /** @param int $columns count of unknowns */
    public function __construct(private readonly int $columns) {}

    /** @param array<int, float> $row by unknown */
    public function take(array $row): void
    {
        $number = $this->count++;
        $length = 0.0;
        foreach ($row as $v) {
            $length += $v * $v;
        }
        $length = sqrt($length);
        if ($length < 1e-12) {
            $this->idle[] = $number;
            $this->from[$number] = [];

            return;
        }
        $made = [$number => 1.0 / $length];
        $work = [];
        foreach ($row as $c => $v) {
            if ($v != 0.0) {
                $work[$c] = $v / $length;
            }
        }
        foreach ($work as $c => $_) {
            if (isset($this->reduced[$c])) {
                // reduced rows have no entry in each other's leading columns, so one pass is enough
                $f = $work[$c];
                foreach ($this->reduced[$c] as $d => $v) {
                    $work[$d] = ($work[$d] ?? 0.0) - $f * $v;
                }
                foreach ($this->made[$c] as $r => $v) {
                    $made[$r] = ($made[$r] ?? 0.0) - $f * $v;
                }
                unset($work[$c]);
            }
        }
        $lead = -1;
        $most = self::NONE;
        foreach ($work as $c => $v) {
            if (abs($v) > $most) {
                $most = abs($v);
                $lead = $c;
            }
        }
        if ($lead < 0) {
            $this->idle[] = $number;
            $own = $made[$number];
            unset($made[$number]);
            $this->from[$number] = array_map(
                static fn(float $v): float => -$v / $own,
                array_filter($made, static fn(float $v): bool => abs($v) > 1e-9 * abs($own)),
            );

            return;
        }
        $f = 1.0 / $work[$lead];
        foreach ($work as $c => $v) {
            if (abs($v) < 1e-13) {
                unset($work[$c]);
            } else {
                $work[$c] = $v * $f;
                $this->rowsWith[$c][$lead] = true;
            }
        }
        foreach ($made as $r => $v) {
            $made[$r] = $v * $f;
        }
        foreach ($this->rowsWith[$lead] as $other => $_) {
            if ($other === $lead || !isset($this->reduced[$other][$lead])) {
                continue;
            }
            $f = $this->reduced[$other][$lead];
            foreach ($work as $c => $v) {
                $this->reduced[$other][$c] = ($this->reduced[$other][$c] ?? 0.0) - $f * $v;
                $this->rowsWith[$c][$other] = true;
            }
            unset($this->reduced[$other][$lead]);
            foreach ($made as $r => $v) {
                $this->made[$other][$r] = ($this->made[$other][$r] ?? 0.0) - $f * $v;
            }
        }
        $this->reduced[$lead] = $work;
        $this->made[$lead] = $made;
    }

    public function rank(): int
    {
        return count($this->reduced);
    }

    /**
     * Independent movements: by free column, how much each unknown moves with it.
     *
     * @return array<int, array<int, float>>
     */
    public function movements(): array
    {
        $out = [];
        for ($c = 0; $c < $this->columns; $c++) {
            if (!isset($this->reduced[$c])) {
                $out[$c] = [$c => 1.0];
            }
        }
        foreach ($this->reduced as $lead => $row) {
            foreach ($row as $c => $v) {
                if ($c !== $lead && isset($out[$c]) && abs($v) > 1e-9) {
                    $out[$c][$lead] = -$v;
                }
            }
        }

        return $out;
    }
}
