<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Measure\Material;
use Cubo\Quantity\DensityUnit;
use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Sketch\SketchFormat;
use InvalidArgumentException;

/** The document a student edits: a unit and an ordered list of steps. An immutable value; see docs/recipe.md. */
final readonly class Recipe
{
    public const FORMAT = 'cubo-recipe/1';

    public const MOST_STEPS = 200;

    public const MOST_SHAPES = 60;

    /** bytes of the name of a face, an edge or a corner */
    public const LONGEST_NAME = 900;

    /** edges or faces a step may name */
    public const MOST_NAMES = 400;

    public const LONGEST_NOTE = 400;

    public const MOST_PINS = 20;

    /** colours that faces are painted in */
    public const COLOURS = ['white', 'graphite', 'red', 'orange', 'yellow', 'green', 'blue', 'violet'];

    /** What is chosen, not typed, about an outline of a sketch. */
    public const OUTLINE_CHOICES = ['from' => ['middle', 'corner'], 'by' => ['diameter', 'radius']];

    /**
     * @param list<Step> $steps
     * @param int $spent the highest number a step's id has had, deleted steps included
     * @param array<string, string> $sizes the table of named sizes, as typed
     * @param Material|null $material what it is thought to be made of
     * @param array<string, string> $paint colours of faces, by their names
     * @param list<list<string>> $pins measurements that stay in view: what each one is of, one name or two
     */
    public function __construct(
        public Unit $unit,
        public array $steps = [],
        public string $title = '',
        private int $spent = 0,
        public array $sizes = [],
        public ?Material $material = null,
        public array $paint = [],
        public array $pins = [],
    ) {}

    /** @throws UnreadableRecipe */
    public static function fromJson(string $json): self
    {
        $data = json_decode($json, true, 32);
        if (! is_array($data)) {
            throw new UnreadableRecipe('This is not JSON: ' . json_last_error_msg() . '.');
        }

        return self::fromArray($data);
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws UnreadableRecipe
     */
    public static function fromArray(array $data): self
    {
        if (($data['format'] ?? null) !== self::FORMAT) {
            throw new UnreadableRecipe('"format" must be "' . self::FORMAT . '".');
        }
        $unit = Unit::tryFrom(is_string($data['unit'] ?? null) ? $data['unit'] : '') ?? throw new UnreadableRecipe('"unit" must be "mm" or "in".');
        if (! is_array($data['steps'] ?? null) || ! array_is_list($data['steps'])) {
            throw new UnreadableRecipe('"steps" must be a list.');
        }
        if (count($data['steps']) > self::MOST_STEPS) {
            throw new UnreadableRecipe('A recipe has at most ' . self::MOST_STEPS . ' steps.');
        }
        $steps = $ids = [];
        foreach ($data['steps'] as $i => $raw) {
            $step = self::readStep($raw, $i + 1);
            if (isset($ids[$step->id])) {
                throw new UnreadableRecipe("Two steps have the id \"{$step->id}\".");
            }
            $ids[$step->id] = true;
            $steps[] = $step;
        }

        $spent = $data['spent'] ?? 0;
        if (! is_int($spent) || $spent < 0 || $spent > 1_000_000_000) {
            throw new UnreadableRecipe('"spent" must be a whole number.');
        }

        return new self($unit, $steps, is_string($data['title'] ?? null) ? mb_substr($data['title'], 0, 120) : '', $spent, self::readSizes($data['sizes'] ?? []), self::readMaterial($data['material'] ?? null), self::readPaint($data['paint'] ?? []), self::readPins($data['pins'] ?? []));
    }

    private static function readMaterial(mixed $raw): ?Material
    {
        if ($raw === null) {
            return null;
        }
        $name = is_array($raw) ? $raw['name'] ?? null : null;
        if (! is_string($name) || ($name !== Material::OWN && ! isset(Material::TABLE[$name]))) {
            throw new UnreadableRecipe('"material" needs a "name": ' . implode(', ', [...array_keys(Material::TABLE), Material::OWN]) . '.');
        }
        $density = $raw['density'] ?? '';
        $unit = DensityUnit::tryFrom(is_string($raw['unit'] ?? null) ? $raw['unit'] : 'g/cm3') ?? throw new UnreadableRecipe('"material": the unit is kg/m3, g/cm3 or lb/in3.');

        return new Material($name, is_scalar($density) ? mb_substr((string) $density, 0, 40) : '', $unit);
    }

    /** @return array<string, string> */
    private static function readPaint(mixed $raw): array
    {
        if (! is_array($raw) || count($raw) > self::MOST_NAMES) {
            throw new UnreadableRecipe('"paint" must be an object of at most ' . self::MOST_NAMES . ' faces.');
        }
        foreach ($raw as $face => $colour) {
            if (! is_string($face) || ! str_contains($face, ':') || strlen($face) > self::LONGEST_NAME || ! in_array($colour, self::COLOURS, true)) {
                throw new UnreadableRecipe('"paint": a colour is one of ' . implode(', ', self::COLOURS) . '.');
            }
        }

        return $raw;
    }

    /** @return list<list<string>> */
    private static function readPins(mixed $raw): array
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) > self::MOST_PINS) {
            throw new UnreadableRecipe('"pins" must be a list of at most ' . self::MOST_PINS . ' measurements.');
        }

        return array_map(static fn (mixed $of): array => is_array($of) && array_is_list($of) && count($of) > 0 && count($of) < 4 && array_filter($of, static fn (mixed $n): bool => ! is_string($n) || $n === '' || strlen($n) > self::LONGEST_NAME) === []
            ? $of : throw new UnreadableRecipe('"pins": a measurement is of one to three names.'), $raw);
    }

    /**
     * @return array<string, string>
     */
    private static function readSizes(mixed $raw): array
    {
        if (! is_array($raw) || count($raw) > NamedSizes::MOST) {
            throw new UnreadableRecipe('"sizes" must be an object of at most ' . NamedSizes::MOST . ' names.');
        }
        $out = [];
        foreach ($raw as $name => $value) {
            if (! is_string($name) || ! preg_match(NamedSizes::NAME, $name) || isset(Expression::UNITS[$name])) {
                throw new UnreadableRecipe("\"sizes\": a name is a small letter with small letters, digits and _ after it and no unit, \"$name\" is not.");
            }
            $out[$name] = is_string($value) || is_int($value) || is_float($value) ? mb_substr((string) $value, 0, 121) : throw new UnreadableRecipe("\"sizes\": $name must be text or a number.");
        }

        return $out;
    }

    private static function readStep(mixed $raw, int $n): Step
    {
        if (! is_array($raw)) {
            throw new UnreadableRecipe("Step $n is not an object.");
        }
        $id = $raw['id'] ?? null;
        if (! is_string($id) || ! preg_match('/^[a-z0-9]{1,12}$/', $id)) {
            throw new UnreadableRecipe("Step $n: \"id\" must be 1 to 12 small letters or digits.");
        }
        $kind = StepKind::tryFrom(is_string($raw['kind'] ?? null) ? $raw['kind'] : '') ?? throw new UnreadableRecipe("Step $n: \"kind\" is none of " . implode(', ', array_column(StepKind::cases(), 'value')) . '.');
        $values = [];
        foreach ($kind->fields() as $key => $field) {
            if (! array_key_exists($key, $raw)) {
                continue;
            }
            $v = $raw[$key];
            $values[$key] = match ($field->type) {
                FieldType::Shapes => self::readShapes($v, $n),
                FieldType::Drawing => self::readDrawing($v, $n),
                FieldType::Regions => $v === 'all' ? 'all' : (is_array($v) ? array_values(array_map(static fn (mixed $r): int|string => is_int($r) || (is_string($r) && strlen($r) <= 4000) ? $r : throw new UnreadableRecipe("Step $n: \"regions\" are whole numbers and keys."), $v)) : throw new UnreadableRecipe("Step $n: \"regions\" must be \"all\" or a list of numbers and keys.")),
                FieldType::Faces, FieldType::Edges, FieldType::Sketches => self::readNames($v, $key, $n),
                FieldType::Face, FieldType::Edge, FieldType::Spot => is_string($v) ? mb_strcut($v, 0, self::LONGEST_NAME) : throw new UnreadableRecipe("Step $n: \"$key\" must be text."),
                default => is_string($v) || is_int($v) || is_float($v) ? mb_substr((string) $v, 0, 121) : throw new UnreadableRecipe("Step $n: \"$key\" must be text or a number."),
            };
            if ($field->type === FieldType::Choice && ! array_key_exists(is_string($values[$key]) ? $values[$key] : '', $field->options)) {
                throw new UnreadableRecipe("Step $n: \"$key\" is none of " . implode(', ', array_keys($field->options)) . '.');
            }
        }
        $unknown = array_diff(array_keys($raw), array_keys($kind->fields()), ['id', 'kind', 'name', 'off', 'note', 'heading']);
        if ($unknown !== []) {
            throw new UnreadableRecipe("Step $n: a {$kind->value} has no \"" . reset($unknown) . '".');
        }

        return new Step($id, $kind, is_string($raw['name'] ?? null) ? mb_substr($raw['name'], 0, 60) : $kind->word(), $values, ($raw['off'] ?? false) === true,
            is_string($raw['note'] ?? null) ? mb_substr($raw['note'], 0, self::LONGEST_NOTE) : '', is_string($raw['heading'] ?? null) ? mb_substr($raw['heading'], 0, 60) : '');
    }

    /** @return list<string> */
    private static function readNames(mixed $v, string $key, int $n): array
    {
        if (! is_array($v) || ! array_is_list($v) || count($v) > self::MOST_NAMES) {
            throw new UnreadableRecipe("Step $n: \"$key\" must be a list of at most " . self::MOST_NAMES . ' names.');
        }

        return array_map(static fn (mixed $name): string => is_string($name) && $name !== '' && strlen($name) <= self::LONGEST_NAME ? $name : throw new UnreadableRecipe("Step $n: \"$key\" must be a list of names."), $v);
    }

    /** @return array<string, mixed> */
    private static function readDrawing(mixed $raw, int $n): array
    {
        try {
            return SketchFormat::write(SketchFormat::read($raw));
        } catch (InvalidArgumentException $e) {
            throw new UnreadableRecipe("Step $n: " . $e->getMessage() . '.');
        }
    }

    /** @return list<array<string, string>> */
    private static function readShapes(mixed $raw, int $n): array
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) > self::MOST_SHAPES) {
            throw new UnreadableRecipe("Step $n: \"shapes\" must be a list of at most " . self::MOST_SHAPES . ' outlines.');
        }
        $out = [];
        foreach ($raw as $i => $s) {
            $kind = is_array($s) ? ($s['kind'] ?? null) : null;
            if ($kind !== 'rectangle' && $kind !== 'circle') {
                throw new UnreadableRecipe("Step $n, outline " . ($i + 1) . ': "kind" must be "rectangle" or "circle".');
            }
            $shape = ['kind' => $kind];
            foreach ($kind === 'rectangle' ? ['u' => '0', 'v' => '0', 'width' => '20', 'height' => '10', 'from' => 'middle'] : ['u' => '0', 'v' => '0', 'by' => 'diameter', 'round' => '10'] as $key => $default) {
                $v = $s[$key] ?? $default;
                if (! is_string($v) && ! is_int($v) && ! is_float($v)) {
                    throw new UnreadableRecipe("Step $n, outline " . ($i + 1) . ": \"$key\" must be text or a number.");
                }
                $shape[$key] = mb_substr((string) $v, 0, 121);
            }
            if (! in_array($shape['from'] ?? 'middle', self::OUTLINE_CHOICES['from'], true) || ! in_array($shape['by'] ?? 'radius', self::OUTLINE_CHOICES['by'], true)) {
                throw new UnreadableRecipe("Step $n, outline " . ($i + 1) . ': "from" is middle or corner, "by" is diameter or radius.');
            }
            $out[] = $shape;
        }

        return $out;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['format' => self::FORMAT, 'title' => $this->title, 'unit' => $this->unit->value]
            + ($this->spent > 0 ? ['spent' => $this->spent] : [])
            + ($this->sizes !== [] ? ['sizes' => $this->sizes] : [])
            + ($this->material !== null ? ['material' => ['name' => $this->material->name] + ($this->material->name === Material::OWN ? ['density' => $this->material->density, 'unit' => $this->material->unit->value] : [])] : [])
            + ($this->paint !== [] ? ['paint' => $this->paint] : [])
            + ($this->pins !== [] ? ['pins' => $this->pins] : [])
            + ['steps' => array_map(static fn (Step $s): array => $s->toArray(), $this->steps)];
    }

    public function toJson(): string
    {
        return (string) json_encode($this->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function step(string $id): ?Step
    {
        foreach ($this->steps as $s) {
            if ($s->id === $id) {
                return $s;
            }
        }

        return null;
    }

    public function named(): NamedSizes
    {
        return new NamedSizes($this->sizes, $this->unit);
    }

    public function of(?Material $material): self
    {
        return $this->changed(['material' => $material]);
    }

    /** @param array<string, string> $sizes */
    public function withSizes(array $sizes): self
    {
        return $this->changed(['sizes' => $sizes]);
    }

    /** @param array<string, string> $paint */
    public function painted(array $paint): self
    {
        return $this->changed(['paint' => $paint]);
    }

    /** @param list<list<string>> $pins */
    public function pinned(array $pins): self
    {
        return $this->changed(['pins' => $pins]);
    }

    /** @param list<Step> $steps */
    public function withSteps(array $steps): self
    {
        return $this->changed(['steps' => $steps]);
    }

    /** Whether some step makes a body that stays apart even where it touches others. */
    public function keepsBodiesApart(): bool
    {
        foreach ($this->steps as $s) {
            if (! $s->off && $s->text('effect') === 'apart') {
                return true;
            }
        }

        return false;
    }

    /** The recipe up to a step, that one included; the whole of it for a step that is not there. */
    public function upTo(string $id): self
    {
        foreach ($this->steps as $i => $s) {
            if ($s->id === $id) {
                return $this->withSteps(array_slice($this->steps, 0, $i + 1));
            }
        }

        return $this;
    }

    /** @param array<string, mixed> $new */
    private function changed(array $new): self
    {
        return new self(...[...get_object_vars($this), ...$new]);
    }

    /** An id no step has had: numbers only grow, so a name is never reused. */
    public function freshId(): string
    {
        return 's' . ($this->highest() + 1);
    }

    private function highest(): int
    {
        $most = $this->spent;
        foreach ($this->steps as $s) {
            if (preg_match('/^s(\d{1,9})$/', $s->id, $m)) {
                $most = max($most, (int) $m[1]);
            }
        }

        return $most;
    }

    /** @param string|null $after id of the step that a new one comes after; at the end without */
    public function withStep(Step $new, ?string $after = null): self
    {
        $steps = $this->steps;
        $place = count($steps);
        foreach ($steps as $i => $s) {
            if ($s->id === $new->id) {
                $steps[$i] = $new;

                return $this->withSteps($steps);
            }
            if ($s->id === $after) {
                $place = $i + 1;
            }
        }
        array_splice($steps, $place, 0, [$new]);

        return $this->withSteps($steps);
    }

    public function without(string $id): self
    {
        return $this->changed(['steps' => array_values(array_filter($this->steps, static fn (Step $s): bool => $s->id !== $id)), 'spent' => $this->highest()]);
    }

    /** @param int $places up (negative) or down the log */
    public function shifted(string $id, int $places): self
    {
        $steps = $this->steps;
        foreach ($steps as $i => $s) {
            if ($s->id === $id) {
                array_splice($steps, $i, 1);
                array_splice($steps, max(0, min(count($steps), $i + $places)), 0, [$s]);
                break;
            }
        }

        return $this->withSteps($steps);
    }
}
