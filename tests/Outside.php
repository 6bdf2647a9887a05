<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Solid\Solid;
use RuntimeException;

/** Runs the outside readers and libraries that reference tests compare with. They run in Node. */
final class Outside
{
    public static function run(string $script, string $input = '', string ...$arguments): mixed
    {
        $root = dirname(__DIR__);
        $p = proc_open(
            ['node', "$root/tests/Reference/outside/$script", ...$arguments],
            [0 => ['pipe', 'r'], 1 => ['pipe', 'w'], 2 => STDERR],
            $pipes,
            $root,
        );
        if ($p === false) {
            throw new RuntimeException('node could not be started');
        }
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $out = (string) stream_get_contents($pipes[1]);
        if (proc_close($p) !== 0) {
            throw new RuntimeException("$script failed");
        }

        return json_decode($out, true, 512, JSON_THROW_ON_ERROR);
    }

    /** What an outside reader finds in a file. */
    public static function read(string $script, string $bytes, string $ending): mixed
    {
        $path = sys_get_temp_dir() . '/outside-' . bin2hex(random_bytes(6)) . $ending;
        file_put_contents($path, $bytes);
        try {
            return self::run($script, '', $path);
        } finally {
            unlink($path);
        }
    }

    /** @return array{v: list<float>, t: array<int, int>} */
    public static function mesh(Solid $s): array
    {
        $v = [];
        foreach ($s->x as $i => $x) {
            array_push($v, $x, $s->y[$i], $s->z[$i]);
        }

        return ['v' => $v, 't' => $s->start];
    }
}
