<?php

declare(strict_types=1);

namespace Cubo\Printing;

/**
 * What a printer and its material can do. The three that ship are common practice for printers that lay down molten
 * thread, no source; a school that knows its printer better asks for other limits in the exercise.
 */
final readonly class PrintProfile
{
    /**
     * @param array{float,float,float} $bed width, depth, height, mm
     * @param float $nozzle width of a laid thread, mm
     * @param float $layer height of a layer, mm
     * @param float $wall least wall, mm
     * @param float $gap least gap that stays open, mm
     * @param float $overhang least angle of a face to the horizontal that needs no support, degrees
     * @param float $bridge longest span laid over air, mm
     * @param float $density of the material, g/cm3
     * @param float $speed of laying, mm/s
     */
    public function __construct(
        public string $key,
        public string $name,
        public array $bed,
        public float $nozzle,
        public float $layer,
        public float $wall,
        public float $gap,
        public float $overhang,
        public float $bridge,
        public float $density,
        public float $speed,
    ) {}

    /** @return array<string, self> by key */
    public static function all(): array
    {
        return [
            'classroom' => new self('classroom', 'Classroom printer', [180.0, 180.0, 180.0], 0.4, 0.2, 1.2, 0.3, 45.0, 10.0, 1.24, 50.0),
            'coarse' => new self('coarse', 'Large and coarse', [300.0, 300.0, 340.0], 0.8, 0.4, 2.4, 0.6, 45.0, 15.0, 1.27, 60.0),
            'fine' => new self('fine', 'Small and fine', [120.0, 120.0, 120.0], 0.25, 0.1, 0.75, 0.2, 40.0, 6.0, 1.24, 35.0),
        ];
    }

    public static function of(string $key): self
    {
        return self::all()[$key] ?? self::all()['classroom'];
    }
}
