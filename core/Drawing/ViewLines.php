<?php

declare(strict_types=1);

namespace Cubo\Drawing;

/** The lines of one view in view coordinates (mm, right and up). */
final readonly class ViewLines
{
    /**
     * @param list<list<array{float,float}>> $visible polylines
     * @param list<list<array{float,float}>> $hidden polylines
     */
    public function __construct(public array $visible, public array $hidden) {}

    /** @return array{float,float,float,float} least and greatest right and up */
    public function box(): array
    {
        $box = [INF, INF, -INF, -INF];
        foreach ([...$this->visible, ...$this->hidden] as $line) {
            foreach ($line as [$u, $v]) {
                $box = [min($box[0], $u), min($box[1], $v), max($box[2], $u), max($box[3], $v)];
            }
        }

        return $box[0] === INF ? [0.0, 0.0, 1.0, 1.0] : $box;
    }
}
