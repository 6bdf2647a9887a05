<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Quantity\DensityUnit;
use Cubo\Quantity\Expression;
use Cubo\Quantity\UnreadableExpression;

/**
 * What a part is thought to be made of. The table holds usual values at room temperature (common practice, no single
 * source; written down from memory); woods vary by a sixth, plastics by maker.
 */
final readonly class Material
{
    /** kg/m3 by name */
    public const TABLE = [
        'spruce' => 450.0,
        'pine' => 520.0,
        'birch' => 650.0,
        'beech' => 720.0,
        'oak' => 700.0,
        'birch plywood' => 680.0,
        'cork' => 200.0,
        'PLA' => 1240.0,
        'PETG' => 1270.0,
        'ABS' => 1040.0,
        'nylon' => 1140.0,
        'acrylic' => 1190.0,
        'polypropylene' => 905.0,
        'polystyrene' => 1050.0,
        'aluminium' => 2700.0,
        'steel' => 7850.0,
        'stainless steel' => 7900.0,
        'cast iron' => 7200.0,
        'brass' => 8500.0,
        'copper' => 8960.0,
        'titanium' => 4510.0,
        'glass' => 2500.0,
        'concrete' => 2400.0,
    ];

    /** The name of one whose density is typed. */
    public const OWN = 'own';

    /** kg in a pound, exactly (international yard and pound agreement of 1959) */
    private const POUND = 0.45359237;

    /**
     * @param string $name of the table, or OWN
     * @param string $density as typed, for an own one
     */
    public function __construct(
        public string $name,
        public string $density = '',
        public DensityUnit $unit = DensityUnit::GramPerCubicCentimetre,
    ) {}

    /**
     * kg/m3
     *
     * @throws UnreadableExpression when what is typed is no density
     */
    public function kilogramsPerCubicMetre(): float
    {
        if ($this->name !== self::OWN) {
            return self::TABLE[$this->name] ?? throw new UnreadableExpression('There is no such material.');
        }
        $d = $this->unit->toKilogramsPerCubicMetre(Expression::number($this->density));

        return $d > 0 && $d <= 1e5 ? $d : throw new UnreadableExpression('A density lies above 0 and below 100 g/cm³.');
    }

    /**
     * Mass of a part in words: grams or kilograms, and pounds.
     *
     * @param float $volume mm3
     *
     * @throws UnreadableExpression
     */
    public function mass(float $volume): string
    {
        $kg = $volume * 1e-9 * $this->kilogramsPerCubicMetre();

        return ($kg < 1 ? self::digits(1000 * $kg) . ' g' : self::digits($kg) . ' kg') . ', ' . self::digits($kg / self::POUND) . ' lb';
    }

    /** Four digits that count. */
    private static function digits(float $v): string
    {
        return $v == 0.0 ? '0' : number_format($v, max(0, min(6, 3 - (int) floor(log10(abs($v))))), '.', '');
    }
}
