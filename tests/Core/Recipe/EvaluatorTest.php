<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Measure\PartMeasures;
use Cubo\Recipe\Attempt;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\MemoryCache;
use Cubo\Recipe\Message;
use Cubo\Recipe\SolidCache;
use Cubo\Recipe\StepProblem;
use Cubo\Recipe\StepResult;
use Cubo\Recipe\StepStatus;
use Cubo\Solid\Solid;
use Tests\Pace;
use Tests\Parts;
use Tests\Soundness;

function volume(array $steps, string $unit = 'mm'): float
{
    return Parts::measure($steps, $unit)->mass()->volume;
}

const BLOCK = ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10'];

it('places solids with their base on the ground', function (array $step, array $box): void {
    $s = Parts::build([$step])->part();
    expect(Soundness::faults($s))
        ->toBe([])
        ->and((new PartMeasures($s))->bounds()->min)
        ->toEqualWithDelta(array_slice($box, 0, 3), 1e-9)
        ->and((new PartMeasures($s))->bounds()->max)
        ->toEqualWithDelta(array_slice($box, 3), 1e-9);
})->with([
    'block by its middle' => [BLOCK, [-20, -10, 0, 20, 10, 10]],
    'block by its corner' => [BLOCK + ['from' => 'corner', 'x' => '1', 'y' => '2', 'z' => '3'], [1, 2, 3, 41, 22, 13]],
    'cylinder by diameter' => [['kind' => 'cylinder', 'by' => 'diameter', 'round' => '10', 'length' => '20'], [-5, -5, 0, 5, 5, 20]],
    'cylinder by radius' => [['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '20'], [-10, -10, 0, 10, 10, 20]],
    'cylinder left to right' => [
        ['kind' => 'cylinder', 'round' => '10', 'length' => '20', 'along' => 'x', 'x' => '5'],
        [5, -5, -5, 25, 5, 5],
    ],
    'cylinder front to back' => [
        ['kind' => 'cylinder', 'round' => '10', 'length' => '20', 'along' => 'y', 'y' => '5'],
        [-5, 5, -5, 5, 25, 5],
    ],
    'cone' => [['kind' => 'cone', 'round' => '20', 'tip' => '0', 'length' => '15'], [-10, -10, 0, 10, 10, 15]],
    'cone, wide at the far end' => [['kind' => 'cone', 'round' => '10', 'tip' => '20', 'length' => '15'], [-10, -10, 0, 10, 10, 15]],
    'ball by its middle' => [['kind' => 'ball', 'by' => 'radius', 'round' => '6', 'z' => '6'], [-6, -6, 0, 6, 6, 12]],
    'expressions as places' => [BLOCK + ['x' => '40/2', 'y' => '-(3+7)'], [0, -20, 0, 40, 0, 10]],
]);

it('reads sizes in the recipe\'s unit', function (): void {
    expect(volume([['kind' => 'block', 'width' => '1', 'depth' => '1', 'height' => '25.4 mm']], 'in'))->toEqualWithDelta(25.4 ** 3, 1e-9);
});

it('adds, takes away and keeps what both share', function (): void {
    $second = fn(string $effect) => [
        BLOCK,
        ['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '10', 'x' => '20', 'effect' => $effect],
    ];
    expect(volume($second('add')))
        ->toEqualWithDelta(10000.0, 1e-9)
        ->and(volume($second('cut')))
        ->toEqualWithDelta(6000.0, 1e-9)
        ->and(volume($second('keep')))
        ->toEqualWithDelta(2000.0, 1e-9);
});

it('extrudes single regions, all of them, up and down', function (): void {
    $sketch = [
        'kind' => 'sketch',
        'plane' => 'ground',
        'shapes' => [['kind' => 'rectangle', 'width' => '40', 'height' => '20'], ['kind' => 'circle', 'by' => 'radius', 'round' => '5']],
    ];
    $extrude = fn(mixed $regions, array $more = []) => [
        $sketch,
        ['kind' => 'extrude', 'sketch' => 's1', 'regions' => $regions, 'distance' => '10'] + $more,
    ];
    expect(volume($extrude('all')))
        ->toEqualWithDelta(8000.0, 1e-9)
        ->and(volume($extrude([1])))
        ->toEqualWithDelta(8000 - M_PI * 250, 1e-6 * 8000)
        ->and(volume($extrude([2])))
        ->toEqualWithDelta(M_PI * 250, 1e-6 * 800)
        ->and(volume($extrude([1, 2])))
        ->toEqualWithDelta(8000.0, 1e-9)
        ->and(Parts::build($extrude([1], ['direction' => 'down']))->part()->vertexBox()[2])
        ->toBe(-10.0);
});

it('makes the same part by different ways', function (): void {
    // a bush: cylinder minus cylinder, ring extruded, large circle minus small circle extruded apart
    $ring = [
        'kind' => 'sketch',
        'plane' => 'ground',
        'shapes' => [['kind' => 'circle', 'by' => 'radius', 'round' => '10'], ['kind' => 'circle', 'by' => 'radius', 'round' => '6']],
    ];
    $ways = [
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '8'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '6', 'length' => '8', 'effect' => 'cut'],
        ],
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '8'],
            ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '12', 'length' => '30', 'z' => '-10', 'effect' => 'cut'],
        ],
        [$ring, ['kind' => 'extrude', 'sketch' => 's1', 'regions' => [1], 'distance' => '8']],
        [
            $ring,
            ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '8'],
            ['kind' => 'extrude', 'sketch' => 's1', 'regions' => [2], 'distance' => '8', 'effect' => 'cut'],
        ],
        [
            $ring,
            ['kind' => 'extrude', 'sketch' => 's1', 'regions' => [1], 'distance' => '3'],
            ['kind' => 'block', 'width' => '1', 'depth' => '1', 'height' => '1', 'x' => '100'],
            ['kind' => 'extrude', 'sketch' => 's1', 'regions' => [1], 'distance' => '8'],
            ['kind' => 'block', 'width' => '1', 'depth' => '1', 'height' => '1', 'x' => '100', 'effect' => 'cut'],
        ],
    ];
    foreach ($ways as $i => $steps) {
        $m = Parts::measure($steps);
        expect($m->mass()->volume)
            ->toEqualWithDelta(M_PI * 64 * 8, 1e-6 * 1600, "way $i")
            ->and($m->mass()->area)
            ->toEqualWithDelta(2 * M_PI * (16 * 8 + 64), 1e-5 * 1600, "way $i")
            ->and($m->bodyCount())
            ->toBe(1);
    }
});

it('moves, turns and copies bodies by name', function (): void {
    $two = [BLOCK, ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '4', 'x' => '50']];
    $part = fn(array $step) => Parts::measure([...$two, $step]);
    expect($part(['kind' => 'move', 'body' => 's2', 'z' => '7'])->bounds()->max)
        ->toEqualWithDelta([52.0, 10.0, 11.0], 1e-9)
        ->and($part(['kind' => 'move', 'body' => 'all', 'z' => '7'])->bounds()->min[2])
        ->toEqualWithDelta(7.0, 1e-12)
        ->and($part(['kind' => 'turn', 'body' => 's1', 'angle' => '90', 'about' => 'z'])->bounds()->min)
        ->toEqualWithDelta([-10.0, -20.0, 0.0], 1e-12)
        ->and($part(['kind' => 'turn', 'body' => 's2', 'angle' => '360/4', 'about' => 'y', 'x' => '50', 'z' => '2'])->bodyCount())
        ->toBe(2)
        ->and($part(['kind' => 'copy', 'body' => 's2', 'times' => '3', 'x' => '10'])->bodyCount())
        ->toBe(5)
        ->and($part(['kind' => 'copy', 'body' => 's2', 'times' => '3', 'x' => '10'])->bounds()->max[0])
        ->toEqualWithDelta(82.0, 1e-12)
        ->and($part(['kind' => 'copy', 'body' => 's2', 'times' => '2', 'x' => '4'])->mass()->volume)
        ->toEqualWithDelta(8000.0 + 3 * 64, 1e-9);
});

it('joins a body that is moved against another one', function (): void {
    $m = Parts::measure([
        BLOCK,
        ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10', 'x' => '50'],
        ['kind' => 'move', 'body' => 's2', 'x' => '-25'],
    ]);
    expect($m->bodyCount())->toBe(1)->and($m->mass()->volume)->toEqualWithDelta(9000.0, 1e-9);
});

it('says at the step what does not work', function (array $steps, string $code): void {
    expect(Parts::outcome($steps))->toBe($code);
})->with([
    'a cut that touches nothing' => [[BLOCK, BLOCK + ['x' => '100', 'effect' => 'cut']], 'cuts-nothing'],
    'a cut that only touches' => [[BLOCK, BLOCK + ['z' => '10', 'effect' => 'cut']], 'cuts-nothing'],
    'a cut before anything is there' => [[BLOCK + ['effect' => 'cut']], 'nothing-there@effect'],
    'keeping before anything is there' => [[BLOCK + ['effect' => 'keep']], 'nothing-there@effect'],
    'keeping what is not shared' => [[BLOCK, BLOCK + ['x' => '100', 'effect' => 'keep']], 'vanishes@effect'],
    'a body that vanishes' => [
        [BLOCK, ['kind' => 'block', 'width' => '60', 'depth' => '60', 'height' => '60', 'z' => '-20', 'effect' => 'cut']],
        'vanishes@effect',
    ],
    'a region that does not exist' => [
        [['kind' => 'sketch', 'shapes' => [['kind' => 'circle']]], ['kind' => 'extrude', 'sketch' => 's1', 'regions' => [2]]],
        'no-region@regions',
    ],
    'no region at all' => [[['kind' => 'sketch', 'shapes' => []], ['kind' => 'extrude', 'sketch' => 's1']], 'no-region@sketch'],
    'a sketch that does not exist' => [[['kind' => 'extrude', 'sketch' => 's9']], 'no-sketch@sketch'],
    'a sketch that is switched off' => [
        [['kind' => 'sketch', 'off' => true, 'shapes' => [['kind' => 'circle']]], ['kind' => 'extrude', 'sketch' => 's1']],
        'no-sketch@sketch',
    ],
    'a zero size' => [[['kind' => 'block', 'width' => '0', 'depth' => '1', 'height' => '1']], 'not-positive@width'],
    'a negative size' => [[['kind' => 'cylinder', 'round' => '-4', 'length' => '1']], 'not-positive@round'],
    'a size below a micrometre' => [[['kind' => 'ball', 'round' => '0.0001']], 'too-small@round'],
    'an unreadable size' => [[['kind' => 'block', 'width' => '12..5', 'depth' => '1', 'height' => '1']], 'unreadable@width'],
    'an unreadable place' => [[BLOCK + ['x' => 'left']], 'unreadable@x'],
    'an empty size' => [[['kind' => 'block', 'width' => '', 'depth' => '1', 'height' => '1']], 'unreadable@width'],
    'more than ten metres' => [[['kind' => 'block', 'width' => '10001', 'depth' => '1', 'height' => '1']], 'too-large@width'],
    'a place beyond ten metres' => [[BLOCK + ['x' => '10.001 m']], 'too-large@x'],
    'moved beyond ten metres bit by bit' => [[BLOCK, ['kind' => 'copy', 'body' => 'all', 'times' => '50', 'x' => '9 m']], 'too-far'],
    'a cone without any round' => [[['kind' => 'cone', 'round' => '0', 'tip' => '0', 'length' => '5']], 'not-positive@round'],
    'a body that is not there' => [[BLOCK, ['kind' => 'move', 'body' => 's7', 'x' => '1']], 'no-body@body'],
    'nothing to move' => [[['kind' => 'move', 'body' => 'all', 'x' => '1']], 'nothing-there'],
    'a copy onto itself' => [[BLOCK, ['kind' => 'copy', 'body' => 'all', 'times' => '2']], 'no-offset@x'],
    'half a copy' => [[BLOCK, ['kind' => 'copy', 'body' => 'all', 'times' => '1.5', 'x' => '50']], 'not-a-count@times'],
    'a thousand copies' => [[BLOCK, ['kind' => 'copy', 'body' => 'all', 'times' => '1000', 'x' => '50']], 'not-a-count@times'],
    'an angle with a unit of length' => [[BLOCK, ['kind' => 'turn', 'body' => 'all', 'angle' => '5 mm']], 'unreadable@angle'],
    'an outline of no size' => [[['kind' => 'sketch', 'shapes' => [['kind' => 'circle', 'round' => '0']]]], 'not-positive@shapes.a.round'],
]);

it('keeps the last good part and goes on with what does not depend on a failed step', function (): void {
    $state = Parts::build([
        BLOCK,
        ['kind' => 'ball', 'round' => '12..5'],
        ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10', 'z' => '10'],
    ]);
    expect($state->results['s2']->status)
        ->toBe(StepStatus::Failed)
        ->and($state->results['s3']->status)
        ->toBe(StepStatus::Done)
        ->and($state->part()->facettedVolume())
        ->toEqualWithDelta(9000.0, 1e-9)
        ->and($state->isSound())
        ->toBeFalse();
});

it('follows an edit of any earlier step', function (): void {
    $steps = fn(string $width) => [
        ['kind' => 'block', 'width' => $width, 'depth' => '20', 'height' => '10'],
        ['kind' => 'cylinder', 'by' => 'radius', 'round' => '4', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
    ];
    expect(volume($steps('60')) - volume($steps('40')))->toEqualWithDelta(4000.0, 1e-6);
});

it('leaves out what is switched off', function (): void {
    expect(volume([BLOCK, BLOCK + ['x' => '10', 'off' => true]]))->toEqualWithDelta(8000.0, 1e-9);
});

/** Counts what is computed anew. */
final class CountingCache implements SolidCache
{
    public int $made = 0;

    public function __construct(private readonly MemoryCache $inner = new MemoryCache()) {}

    public function has(string $key): bool
    {
        return $this->inner->has($key);
    }

    public function get(string $key): ?Solid
    {
        return $this->inner->get($key);
    }

    public function put(string $key, Solid $solid): void
    {
        $this->made++;
        $this->inner->put($key, $solid);
    }

    public function problem(string $key): ?Message
    {
        return $this->inner->problem($key);
    }

    public function putProblem(string $key, Message $message): void
    {
        $this->made++;
        $this->inner->putProblem($key, $message);
    }

    public function sketch(string $key): ?array
    {
        return $this->inner->sketch($key);
    }

    public function putSketch(string $key, array $read): void
    {
        $this->inner->putSketch($key, $read);
    }

    public function cost(string $key): int
    {
        return $this->inner->cost($key);
    }

    public function putCost(string $key, int $units): void
    {
        $this->inner->putCost($key, $units);
    }

    public function begin(string $key): Attempt
    {
        return $this->inner->begin($key);
    }

    public function end(string $key): void
    {
        $this->inner->end($key);
    }
}

it('computes only what an edit changes', function (): void {
    $cache = new CountingCache();
    $evaluator = new Evaluator($cache);
    $steps = fn(string $last, string $first = '40') => [
        ['kind' => 'block', 'width' => $first, 'depth' => '20', 'height' => '10'],
        BLOCK + ['x' => '10'],
        BLOCK + ['x' => '20'],
        BLOCK + ['x' => $last],
    ];
    $made = function (array $steps) use ($cache, $evaluator): int {
        $cache->made = 0;
        $evaluator->evaluate(Parts::recipe($steps));

        return $cache->made;
    };
    expect($made($steps('30')))
        ->toBe(4)
        ->and($made($steps('30')))
        ->toBe(0)
        ->and($made($steps('35')))
        ->toBe(1)
        ->and($made($steps('35', '41')))
        ->toBe(4)
        ->and($made($steps('30')))
        ->toBe(0);
});

it('does not compute a renamed step anew', function (): void {
    $cache = new CountingCache();
    $evaluator = new Evaluator($cache);
    $evaluator->evaluate(Parts::recipe([BLOCK]));
    $cache->made = 0;
    $evaluator->evaluate(Parts::recipe([BLOCK + ['name' => 'Plate']]));
    expect($cache->made)->toBe(0);
});

it('remembers what did not work as well', function (): void {
    $cache = new CountingCache();
    $evaluator = new Evaluator($cache);
    $steps = [BLOCK, BLOCK + ['x' => '100', 'effect' => 'cut']];
    $first = $evaluator->evaluate(Parts::recipe($steps));
    $cache->made = 0;
    $second = $evaluator->evaluate(Parts::recipe($steps));
    expect($cache->made)->toBe(0)->and($second->results['s2']->messages)->toEqual($first->results['s2']->messages);
});

it('does not find an extrusion whose sketch was moved behind it', function (): void {
    $cache = new MemoryCache();
    $sketch = ['id' => 's1', 'kind' => 'sketch', 'shapes' => [['kind' => 'circle']]];
    $extrude = ['id' => 's2', 'kind' => 'extrude', 'sketch' => 's1'];
    expect((new Evaluator($cache))->evaluate(Parts::recipe([$sketch, $extrude]))->results['s2']->status)
        ->toBe(StepStatus::Done)
        ->and((new Evaluator($cache))->evaluate(Parts::recipe([$extrude, $sketch]))->results['s2']->status)
        ->toBe(StepStatus::Failed);
});

it('gives the same part with and without a cache, whatever was built before', function (): void {
    mt_srand(5);
    $cache = new MemoryCache();
    for ($i = 0; $i < 20; $i++) {
        $steps = [BLOCK];
        for ($k = mt_rand(1, 4); $k > 0; $k--) {
            $steps[] = [
                'kind' => ['block', 'cylinder', 'ball'][mt_rand(0, 2)],
                'x' => (string) mt_rand(-10, 10),
                'z' => (string) mt_rand(0, 9),
                'effect' => ['add', 'cut'][mt_rand(0, 1)],
            ];
        }
        $with = (new Evaluator($cache))->evaluate(Parts::recipe($steps));
        $without = (new Evaluator())->evaluate(Parts::recipe($steps));
        expect($with->key)
            ->toBe($without->key)
            ->and($with->part()->facettedVolume())
            ->toBe($without->part()->facettedVolume());
    }
});

it('leaves what nobody waits for to another time, and goes on from there', function (): void {
    $cache = new MemoryCache();
    $steps = Parts::recipe([BLOCK, ['kind' => 'copy', 'body' => 'all', 'times' => '50', 'x' => '50'], ['kind' => 'block', 'x' => '-60']]);
    (new Evaluator($cache))->evaluate(Parts::recipe([BLOCK]));
    $state = (new Evaluator($cache, 0.0))->evaluate($steps);
    expect(array_map(static fn(StepResult $r): string => $r->status->value, array_values($state->results)))
        ->toBe(['done', 'waiting', 'waiting'])
        ->and($state->isFinished())
        ->toBeFalse()
        ->and($state->isSound())
        ->toBeFalse()
        ->and($state->part()->facettedVolume())
        ->toEqualWithDelta(8000.0, 1e-9);
    $later = (new Evaluator($cache))->evaluate($steps);
    expect($later->isFinished())
        ->toBeTrue()
        ->and($later->part()->facettedVolume())
        ->toBeGreaterThan(51 * 8000.0);
});

it('gives up what is too much by counting, says what to do instead, and remembers it', function (array $steps, string $failing): void {
    $cache = new MemoryCache();
    $state = (new Evaluator($cache))->evaluate(Parts::recipe($steps));
    $note = $state->results[$failing]->messages[0];
    expect($note->code)
        ->toBe(StepProblem::TOO_MUCH)
        ->and($note->why)
        ->toContain('fewer')
        ->and($state->isFinished())
        ->toBeTrue()
        ->and($state->isEmpty())
        ->toBeFalse();
    // the outcome is kept: nobody has to wait for it again
    expect((new Evaluator($cache, 0.0))->evaluate($steps = Parts::recipe($steps))->results[$failing]->messages[0]->code)->toBe(
        StepProblem::TOO_MUCH,
    );
})->with([
    'rings through each other' => [
        [['kind' => 'ring'], ['kind' => 'repeat', 'of' => 'body', 'body' => 'all', 'way' => 'around', 'about' => 'x', 'count' => '24']],
        's2',
    ],
    'the same step by step' => [
        [['kind' => 'ring'], ['kind' => 'repeat', 'of' => 'step', 'source' => 's1', 'way' => 'around', 'about' => 'x', 'count' => '24']],
        's2',
    ],
    'a grid of balls that overlap' => [
        [
            ['kind' => 'ball', 'round' => '5'],
            [
                'kind' => 'repeat',
                'of' => 'body',
                'body' => 'all',
                'way' => 'grid',
                'count' => '20',
                'rows' => '20',
                'x' => '4',
                'y' => '0',
                'x2' => '0',
                'y2' => '4',
            ],
        ],
        's2',
    ],
]);

it('makes what stands apart however often', function (array $step, float $volume): void {
    $state = Parts::build([
        ['kind' => 'block', 'width' => '320', 'depth' => '240', 'height' => '8'],
        $step + ['x' => '-142.5', 'y' => '-105'],
        [
            'kind' => 'repeat',
            'of' => 'step',
            'source' => 's2',
            'way' => 'grid',
            'count' => '20',
            'rows' => '12',
            'x' => '15',
            'y' => '0',
            'x2' => '0',
            'y2' => '19',
        ],
    ]);
    expect($state->isSound())
        ->toBeTrue()
        ->and((new MassProperties($state->part()))->volume)
        ->toEqualWithDelta(320 * 240 * 8 + 240 * $volume, 1e-2);
})->with([
    '240 holes' => [
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '40', 'z' => '-5', 'effect' => 'cut'],
        -M_PI * 16 * 8,
    ],
    '240 pins' => [['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '20', 'z' => '4'], M_PI * 16 * 16],
]);

it('tells balls that touch at once', function (): void {
    $state = null;
    $took = Pace::of(static function () use (&$state): void {
        $state = Parts::build([['kind' => 'ball', 'round' => '20'], ['kind' => 'ball', 'round' => '20', 'x' => '20']]);
    });
    expect($state->results['s2']->messages[0]->code)
        ->toBe('touches-edge')
        ->and($state->results['s2']->messages[0]->what)
        ->toContain('point')
        // three minutes once
        ->and($took)
        ->toBeLessThan(5.0);
});

it('does not carry along faces of other bodies, however often bodies are told apart and joined', function (): void {
    $block = static fn(string $x): array => ['kind' => 'block', 'width' => '5', 'depth' => '5', 'height' => '5', 'x' => $x];
    $steps = array_map($block, ['0', '10', '20', '30', '40', '50']);
    foreach (range(1, 6) as $i) {
        $steps[] = ['kind' => 'cone', 'round' => '3', 'tip' => '1', 'length' => '2', 'x' => '0', 'z' => '1'];
    }
    $part = Parts::build($steps)->part();
    expect(count($part->surfaces))
        ->toBe(6 * 6)
        ->and(count($part->nx))
        ->toBe(6 * 6)
        ->and($part->facettedVolume())
        ->toEqualWithDelta(6 * 125.0, 1e-9);
});
