<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;
use Cubo\Solid\Maker\Lettering;
use Cubo\Solid\Refused;
use InvalidArgumentException;

/**
 * Draws what is typed: "line 40 at 30 deg", "rectangle 60 by 40", "circle diameter 8 at 10, 5", "equal l1 l2",
 * "length l1 = 40", "remove c2". What is typed as a number is meant exactly and becomes a dimension.
 */
final class TypedLine
{
    /** Examples of all that can be typed. */
    public const EXAMPLES = [
        'point 10, 5',
        'line 40 at 30 deg',
        'line from p1 to 20, 10',
        'rectangle 60 by 40',
        'rectangle 60 by 40 corner at 0, 0',
        'circle diameter 8 at 10, 5',
        'circle radius 4 at p3',
        'slot 85 by 20',
        'polygon 6 radius 10 at 0, 0',
        'ellipse 30 by 20',
        'circle radius 5 touching l1 l2',
        'arc from p1 to p2 through 5, 8',
        'arc about p1 from p2 to 0, 10',
        'arc on l1 from p2 to 20, 10',
        'guide 30 through p1',
        'text "NEST 4" 8 at 0, 0',
        'text "NEST 4" 8 along l1',
        'name d1 as width',
        'curve 0, 0; 10, 8; 20, 2',
        'horizontal l1',
        'equal l1 l2',
        'tangent l1 c1',
        'symmetric p1 p2 l5',
        'length l1 = 40',
        'distance p1 p2 = 30',
        'angle l1 l2 = 60',
        'construction l3',
        'centre l3',
        'outline l3',
        'move p1 to 5, 5',
        'remove l2',
        'trim l1 at 5, 0',
        'extend l1 at 20, 0',
        'split l1 at 10, 0',
        'divide c1 6',
        'offset l1 l2 by 3 inside',
        'round l1 l2 by 4',
        'chamfer l1 l2 by 2',
        'mirror c1 c2 over v-axis',
        'row c1 4 by 12, 0',
        'around c1 6 about origin',
        'shift l1 by 5, 0',
        'copy l1 l2 by 20, 0',
        'turn l1 l2 by 30 about origin',
        'scale c1 by 2 about origin',
    ];

    private readonly Words $words;

    private function __construct(private readonly Pen $pen, Unit $unit, ?callable $outer)
    {
        $this->words = new Words($pen, $unit, $outer);
    }

    /**
     * @param (callable(string): (array{float,int}|null))|null $outer names known beyond the sketch
     *
     * @throws UnreadableLine
     */
    public static function draw(Sketch $sketch, string $typed, Unit $unit, ?callable $outer = null): Sketch
    {
        $typed = trim((string) preg_replace('/\s+/', ' ', mb_substr($typed, 0, 300)));
        if ($typed === '') {
            throw new UnreadableLine('Type what to draw, for instance “' . self::EXAMPLES[1] . '”.');
        }
        $t = new self(new Pen($sketch), $unit, $outer);
        try {
            $t->read($typed);
        } catch (UnreadableExpression | InvalidArgumentException $e) {
            throw new UnreadableLine($e->getMessage());
        }

        return $t->pen->sketch;
    }

    private function read(string $typed): void
    {
        [$verb, $rest] = [...explode(' ', $typed, 2), ''];
        $rest = trim($rest);
        match (strtolower($verb)) {
            'point' => $this->words->spot($rest),
            'line' => $this->line($rest),
            'rectangle' => $this->rectangle($rest),
            'circle' => $this->circle($rest),
            'slot' => $this->slot($rest),
            'polygon' => $this->polygon($rest),
            'ellipse' => $this->ellipse($rest),
            'arc' => $this->arc($rest),
            'curve' => $this->pen->curve(array_map($this->words->spot(...), explode(';', $rest))),
            'text' => $this->text($rest),
            'guide' => $this->guide($rest),
            default => (new TypedChange($this->words))->read(strtolower($verb), $rest, $typed),
        };
    }

    private function line(string $rest): void
    {
        if (preg_match('/^(?:from (.+?) )?to (.+)$/i', $rest, $m)) {
            $from = $m[1] === '' ? $this->words->last() : $this->words->spot($m[1]);
            $this->pen->line($from, $this->words->spot($m[2]));

            return;
        }
        if (!preg_match('/^(?:from (.+?) long )?(.+?)(?: at (.+?)(?: ?deg| ?degrees| ?°)?)?$/iu', $rest, $m)) {
            throw new UnreadableLine('A line needs a length, for instance “line 40 at 30 deg”.');
        }
        $from = $m[1] === '' ? $this->words->last() : $this->words->spot($m[1]);
        $length = $this->words->length($m[2]);
        $turn = $m[3] ?? '0';
        $angle = fmod(Expression::number($turn) + 720, 360);
        [$u, $v] = $this->pen->sketch->point($from);
        $to = $this->pen->point(new Spot($u + $length * cos(deg2rad($angle)), $v + $length * sin(deg2rad($angle))));
        $l = $this->pen->line($from, $to);
        $this->pen->size(RelationKind::Length, $m[2], $l);
        if (fmod($angle, 180) === 0.0) {
            $this->pen->relate(RelationKind::Horizontal, $l);
        } elseif (fmod($angle, 180) === 90.0) {
            $this->pen->relate(RelationKind::Vertical, $l);
        } else {
            $this->pen->size(RelationKind::Angle, $angle < 180 ? $turn : Words::number(360 - $angle), 'u-axis', $l);
        }
    }

    private function rectangle(string $rest): void
    {
        [$width, $height, $rest] = Words::by($rest, 'rectangle');
        [$w, $h] = [$this->words->length($width), $this->words->length($height)];
        $at = $this->words->where($rest);
        [$u, $v] = $this->pen->sketch->point($at);
        if (stripos($rest, 'corner') !== false) {
            $sides = $this->pen->rectangle($at, $this->pen->point(new Spot($u + $w, $v + $h)));
        } else {
            $sides = $this->pen->rectangleAround($at, $this->pen->point(new Spot($u - $w / 2, $v - $h / 2)));
        }
        $this->pen->size(RelationKind::Length, $width, $sides[0]);
        $this->pen->size(RelationKind::Length, $height, $sides[1]);
    }

    private function circle(string $rest): void
    {
        if (preg_match('/^(diameter|radius) (.+) touching (\S+) (?:and )?(\S+)$/i', $rest, $m)) {
            $size = $this->words->length($m[2]);
            $round = strtolower($m[1]) === 'radius';
            $c = $this->pen->circleTouching($this->words->known($m[3]), $this->words->known($m[4]), $round ? $size : $size / 2);
            $this->pen->size($round ? RelationKind::Radius : RelationKind::Diameter, $m[2], $c);

            return;
        }
        if (!preg_match('/^(diameter|radius) (.+?)((?: at .+)?)$/i', $rest, $m)) {
            throw new UnreadableLine('A circle needs a diameter or radius, for instance “circle diameter 8 at 10, 5”.');
        }
        $size = $this->words->length($m[2]);
        $kind = strtolower($m[1]) === 'radius' ? RelationKind::Radius : RelationKind::Diameter;
        $this->pen->size(
            $kind,
            $m[2],
            $this->pen->circle($this->words->where(trim($m[3])), $kind === RelationKind::Radius ? $size : $size / 2),
        );
    }

    private function slot(string $rest): void
    {
        [$length, $width, $rest] = Words::by($rest, 'slot');
        [$l, $w] = [$this->words->length($length), $this->words->length($width)];
        if ($l <= $w) {
            throw new UnreadableLine('A slot is longer over all than it is wide.');
        }
        $at = $this->words->where($rest);
        [$u, $v] = $this->pen->sketch->point($at);
        $a = $this->pen->point(new Spot($u - ($l - $w) / 2, $v));
        $b = $this->pen->point(new Spot($u + ($l - $w) / 2, $v));
        [$round] = $this->pen->slot($a, $b, $w);
        $middle = (string) array_key_last($this->pen->sketch->entities);
        $this->pen->relate(RelationKind::Midpoint, $at, $middle);
        $this->pen->relate(RelationKind::Horizontal, $middle);
        $this->pen->size(RelationKind::Diameter, $width, $round);
        $this->pen->size(RelationKind::Length, Words::simple($length) . ' - ' . Words::simple($width), $middle);
    }

    private function text(string $rest): void
    {
        if (!preg_match('/^["“”](.+)["“”] (.+?)(?: along (\S+)|((?: at .+)?))$/u', $rest, $m)) {
            throw new UnreadableLine('Text stands in quotes, with the height of its capitals after it: “text "NEST 4" 8 at 0, 0”.');
        }
        $line = $m[3] ?? '';
        $along = $line === '' ? null : $this->pen->sketch->entities[$this->words->known($line)] ?? null;
        if ($line !== '' && $along?->kind !== EntityKind::Line) {
            throw new UnreadableLine("$line is no line that text could run along.");
        }
        $height = $this->words->length($m[2]);
        try {
            Lettering::profiles($m[1], $height);
        } catch (Refused $e) {
            throw new UnreadableLine($e->getMessage());
        }
        $this->pen->draw(EntityKind::Text, $along->points ?? [$this->words->where(trim($m[4] ?? ''))], $height, Role::Outline, $m[1]);
    }

    private function polygon(string $rest): void
    {
        if (!preg_match('/^(\d+) radius (.+?)((?: at .+)?)$/i', $rest, $m)) {
            throw new UnreadableLine(
                'A polygon needs the count of its sides and the radius of its corners, for instance “polygon 6 radius 10”.',
            );
        }
        $r = $this->words->length($m[2]);
        $middle = $this->words->where(trim($m[3]));
        [$u, $v] = $this->pen->sketch->point($middle);
        $corner = $this->pen->point(new Spot($u + $r, $v));
        $this->pen->polygon($middle, $corner, (int) $m[1]);
        if ($middle !== $corner) {
            $this->pen->relate(RelationKind::Horizontal, $middle, $corner);
        }
        $this->pen->size(RelationKind::Distance, $m[2], $middle, $corner);
    }

    private function ellipse(string $rest): void
    {
        [$width, $height, $rest] = Words::by($rest, 'ellipse');
        [$w, $h] = [$this->words->length($width), $this->words->length($height)];
        $middle = $this->words->where($rest);
        [$u, $v] = $this->pen->sketch->point($middle);
        $end = $this->pen->point(new Spot($u + $w / 2, $v));
        $e = $this->pen->ellipse($middle, $end, $h / 2);
        $this->pen->relate(RelationKind::Horizontal, $middle, $end);
        $this->pen->size(RelationKind::Distance, Words::simple($width) . ' / 2', $middle, $end);
        $top = $this->pen->point(new Spot($u, $v + $h / 2));
        $this->pen->relate(RelationKind::Coincident, $top, $e);
        $this->pen->relate(RelationKind::Vertical, $middle, $top);
        $this->pen->size(RelationKind::Distance, Words::simple($height) . ' / 2', $middle, $top);
    }

    private function arc(string $rest): void
    {
        if (preg_match('/^about (.+) from (.+) to (.+)$/i', $rest, $m)) {
            $this->pen->arcAround($this->words->spot($m[1]), $this->words->spot($m[2]), $this->words->spot($m[3]));

            return;
        }
        if (preg_match('/^on (\S+) from (.+) to (.+)$/i', $rest, $m)) {
            $this->pen->arcOn($this->words->known($m[1]), $this->words->spot($m[2]), $this->words->spot($m[3]));

            return;
        }
        if (!preg_match('/^from (.+) to (.+) through (.+)$/i', $rest, $m)) {
            throw new UnreadableLine('An arc needs its ends and a point it runs through, for instance “arc from p1 to p2 through 5, 8”.');
        }
        $this->pen->arcThrough($this->words->spot($m[1]), $this->words->spot($m[2]), $this->words->spot($m[3]));
    }

    /** A construction line through a point at an angle. */
    private function guide(string $rest): void
    {
        if (!preg_match('/^(.+?)(?: ?deg| ?degrees| ?°)? through (.+)$/iu', $rest, $m)) {
            throw new UnreadableLine('A guide needs an angle and a point, for instance “guide 30 through p1”.');
        }
        $angle = fmod(Expression::number($m[1]) + 360, 180);
        $from = $this->words->spot($m[2]);
        [$u, $v] = $this->pen->sketch->point($from);
        $l = 0.6 * $this->pen->sketch->size();
        $line = $this->pen->line($from, $this->pen->at($u + $l * cos(deg2rad($angle)), $v + $l * sin(deg2rad($angle))), Role::Construction);
        match ($angle) {
            0.0 => $this->pen->relate(RelationKind::Horizontal, $line),
            90.0 => $this->pen->relate(RelationKind::Vertical, $line),
            default => $this->pen->size(RelationKind::Angle, Words::number($angle), 'u-axis', $line),
        };
    }
}
