<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Geometry\Transform;
use Cubo\Solid\Boolean\BooleanOperation;
use RuntimeException;
use Throwable;

/**
 * Builds random chains, looks at every result, and compares the last volume of each with manifold-3d on the same
 * facets. What disagrees is looked into: the reference works on single-precision input and is not the truth.
 */
final class ChainRun
{
    /** Volumes agree to this share of the greatest volume on the way. */
    public const AGREEMENT = 1e-6;

    public int $parts = 0;

    public int $booleans = 0;

    public int $triangles = 0;

    /** @var list<array{seed: int, what: string, plan: string}> */
    public array $faults = [];

    /** @var list<array{seed: int, ours: float, theirs: float}> reference beside ours, while ours keeps all laws and agrees with itself turned */
    public array $explained = [];

    /** @var resource */
    private $process;

    /** @var array<int, resource> */
    private array $pipes = [];

    /** @var array<string, true> */
    private array $sent = [];

    public function __construct()
    {
        $root = dirname(__DIR__);
        $p = proc_open(
            ['node', "$root/tests/Bench/chains.mjs"],
            [0 => ['pipe', 'r'], 1 => ['pipe', 'w'], 2 => STDERR],
            $this->pipes,
            $root,
        );
        $this->process = $p === false ? throw new RuntimeException('node could not be started') : $p;
    }

    public function __destruct()
    {
        fclose($this->pipes[0]);
        proc_close($this->process);
    }

    public function run(int $from, int $count): void
    {
        for ($first = $from; $first < $from + $count; $first += 50) {
            $this->batch(range($first, min($first + 49, $from + $count - 1)));
        }
    }

    /** @param list<int> $seeds */
    private function batch(array $seeds): void
    {
        $bases = $chains = $volumes = [];
        foreach ($seeds as $seed) {
            $this->parts++;
            $plan = RandomChains::plan($seed);
            $chain = [];
            foreach ($plan as $step) {
                $key = $step['kind'] . ' ' . implode(' ', $step['sizes']);
                if (!isset($this->sent[$key])) {
                    $this->sent[$key] = true;
                    $bases[$key] = Outside::mesh(RandomChains::base($step, 's'));
                }
                $t = RandomChains::placement($step);
                $r = $t->r;
                $chain[] = [
                    'op' => $step['op'],
                    'base' => $key,
                    'm' => [$r[0], $r[3], $r[6], 0, $r[1], $r[4], $r[7], 0, $r[2], $r[5], $r[8], 0, ...$t->t, 1],
                ];
            }
            $chains[] = $chain;
            $volumes[] = $this->build($seed, $plan);
        }
        fwrite($this->pipes[0], json_encode(['bases' => (object) $bases, 'chains' => $chains]) . "\n");
        $theirs = json_decode((string) fgets($this->pipes[1]), true, 512, JSON_THROW_ON_ERROR);
        foreach ($seeds as $i => $seed) {
            $t = $theirs[$i];
            if ($t['status'] !== 'NoError') {
                $this->fault($seed, "the reference reports {$t['status']}");
            } elseif ($volumes[$i] !== null && abs($volumes[$i] - $t['volume']) > self::AGREEMENT * $t['most']) {
                $why = self::lookInto($seed, $volumes[$i], $t['most']);
                if ($why === null) {
                    $this->explained[] = ['seed' => $seed, 'ours' => $volumes[$i], 'theirs' => $t['volume']];
                } else {
                    $this->fault($seed, sprintf('volume %.9g, reference %.9g; %s', $volumes[$i], $t['volume'], $why));
                }
            }
        }
    }

    /** @param list<array{op: string, kind: string, sizes: list<float>, turns: list<array{int, float}>, at: list<float>}> $plan */
    private function build(int $seed, array $plan): ?float
    {
        $volume = null;
        $i = -1;
        try {
            foreach (RandomChains::build($plan) as $i => $part) {
                $this->booleans += $i > 0 ? 1 : 0;
                $this->triangles += $part->triangleCount();
                $faults = Soundness::faults($part);
                if ($faults !== []) {
                    $this->fault($seed, "after step $i: " . implode('; ', $faults));

                    return null;
                }
                $volume = $part->facettedVolume();
            }
        } catch (Throwable $e) {
            $this->fault($seed, 'after step ' . $i . ': ' . $e::class . ' ' . $e->getMessage());

            return null;
        }

        return $volume;
    }

    /** Null if the chain keeps the laws of volumes at every step and has the same volume when it is made turned. */
    private static function lookInto(int $seed, float $volume, float $most): ?string
    {
        $plan = RandomChains::plan($seed);
        $part = null;
        foreach (RandomChains::build($plan) as $i => $next) {
            if ($part !== null) {
                $tool = RandomChains::solid($plan[$i], "s$i");
                $shared = BooleanOperation::intersection($part, $tool)->facettedVolume();
                $union = BooleanOperation::union($part, $tool)->facettedVolume();
                $cut = BooleanOperation::difference($part, $tool)->facettedVolume();
                $a = $part->facettedVolume();
                if (abs($a + $tool->facettedVolume() - $union - $shared) > 1e-9 * $most || abs($a - $shared - $cut) > 1e-9 * $most) {
                    return "step $i breaks a law of volumes";
                }
            }
            $part = $next;
        }
        $turned = 0.0;
        foreach (RandomChains::build($plan, Transform::rotation(0, 37.0)->then(Transform::rotation(2, 101.0))) as $part) {
            $turned = $part->facettedVolume();
        }

        return abs($turned - $volume) > 1e-8 * $most ? sprintf('turned it has %.9g', $turned) : null;
    }

    private function fault(int $seed, string $what): void
    {
        $this->faults[] = ['seed' => $seed, 'what' => $what, 'plan' => (string) json_encode(RandomChains::plan($seed))];
    }
}
