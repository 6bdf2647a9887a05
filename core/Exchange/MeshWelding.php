<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Budget\Budget;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;

/**
 * Gathers the corners and triangles of a mesh file and makes a solid of them: corners that lie in one place become one.
 * Everything is kept in flat lists, and given back as soon as it is used: half a million triangles must fit.
 */
final class MeshWelding
{
    public const MOST_TRIANGLES = 500_000;

    /** A mesh has about half as many corners as triangles; one with none in common has three times as many. */
    public const MOST_POINTS = 1_600_000;

    private const FARTHEST = 1e9;

    /** @var list<float> */
    private array $x = [];

    /** @var list<float> */
    private array $y = [];

    /** @var list<float> */
    private array $z = [];

    /** @var list<int> three a triangle */
    private array $corners = [];

    private float $span = 0.0;

    private readonly Budget $budget;

    public function __construct(?Budget $budget = null)
    {
        $this->budget = $budget ?? Budget::unlimited();
    }

    /**
     * In units of the file.
     *
     * @return int its number
     *
     * @throws UnreadableFile for what is no coordinate
     */
    public function point(float $x, float $y, float $z): int
    {
        if (count($this->x) >= self::MOST_POINTS) {
            throw new UnreadableFile('The file holds more than ' . number_format(self::MOST_POINTS, 0, '.', ' ') . ' corners.');
        }
        $this->budget->spend(1);
        $far = max(abs($x), abs($y), abs($z));
        if (!($far <= self::FARTHEST) || !is_finite($x + $y + $z)) {
            throw new UnreadableFile('The file holds a number that is no coordinate.');
        }
        $this->span = max($this->span, $far);
        $this->x[] = $x;
        $this->y[] = $y;
        $this->z[] = $z;

        return count($this->x) - 1;
    }

    /**
     * Numbers of points, counter-clockwise from outside; they may come before their points.
     *
     * @throws UnreadableFile for too many
     */
    public function triangle(int $a, int $b, int $c): void
    {
        if (count($this->corners) >= 3 * self::MOST_TRIANGLES) {
            throw new UnreadableFile('The file holds more than ' . number_format(self::MOST_TRIANGLES, 0, '.', ' ') . ' triangles.');
        }
        $this->budget->spend(1);
        $this->corners[] = $a;
        $this->corners[] = $b;
        $this->corners[] = $c;
    }

    public function points(): int
    {
        return count($this->x);
    }

    /**
     * Corners nearer than 1e-6 of the size are one point. A mesh that does not close is returned with twin -1 at its
     * borders; triangles without area are left out. What was gathered is gone then.
     *
     * @param float $scale millimetres per unit of the file
     *
     * @throws UnreadableFile for no triangles, or points that are not there
     */
    public function solid(float $scale): Solid
    {
        if ($this->corners === []) {
            throw new UnreadableFile('The file holds no triangles.');
        }
        $grid = max(1e-6 * $this->span, 1e-12);
        $b = new SolidBuilder();
        $plane = $b->surface(Surface::plane('file:face'));
        $known = $of = [];
        foreach ($this->corners as $k => $i) {
            if (!isset($of[$i])) {
                if (!isset($this->x[$i])) {
                    throw new UnreadableFile('A triangle names a corner that is not there.');
                }
                // a zero has no sign here
                $key =
                    round($this->x[$i] / $grid) +
                    0.0 .
                    ',' .
                    (round($this->y[$i] / $grid) + 0.0) .
                    ',' .
                    (round($this->z[$i] / $grid) + 0.0);
                $of[$i] = $known[$key] ??= $b->vertex($this->x[$i] * $scale, $this->y[$i] * $scale, $this->z[$i] * $scale);
            }
            $this->corners[$k] = $of[$i];
        }
        unset($known, $of);
        $this->x = $this->y = $this->z = [];
        for ($k = 0, $n = count($this->corners); $k < $n; $k += 3) {
            [$p, $q, $r] = [$this->corners[$k], $this->corners[$k + 1], $this->corners[$k + 2]];
            if ($p !== $q && $q !== $r && $p !== $r) {
                $b->triangle($p, $q, $r, $b->facetThrough($p, $q, $r, $plane));
            }
        }
        $this->corners = [];

        return $b->buildOpen();
    }
}
