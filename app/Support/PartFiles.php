<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Exchange\SolidPacking;
use Cubo\Recipe\Attempt;
use Cubo\Recipe\Message;
use Cubo\Recipe\PlacedSketch;
use Cubo\Recipe\SolidCache;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/**
 * The cache of solids on the shared file disk. A file that cannot be read or written only costs time, never a part.
 * Files are written beside their place and renamed, so that no reader sees half of one.
 */
final class PartFiles implements SolidCache
{
    /** Seconds for which a step that took too long is not tried again. */
    private const REST = 600;

    /** @var array<string, Solid> solids of this request */
    private array $here = [];

    /** @var array<string, true> keys whose file could not be read */
    private array $lost = [];

    public function __construct(private readonly string $folder) {}

    private function path(string $key, string $ending): string
    {
        return "{$this->folder}/" . substr($key, 0, 2) . "/$key.$ending";
    }

    public function has(string $key): bool
    {
        return isset($this->here[$key]) || (is_file($this->path($key, 'solid')) && !isset($this->lost[$key]));
    }

    public function get(string $key): ?Solid
    {
        if (isset($this->here[$key])) {
            return $this->here[$key];
        }
        $bytes = $this->read($key, 'solid');
        $solid = $bytes === null ? null : SolidPacking::unpack($bytes);
        if ($solid !== null) {
            $this->here[$key] = $solid;
        } else {
            // not there, or not to be read: the next one who asks makes it anew
            $this->lost[$key] = true;
            @unlink($this->path($key, 'solid'));
        }

        return $solid;
    }

    public function put(string $key, Solid $solid): void
    {
        $this->here[$key] = $solid;
        unset($this->lost[$key]);
        $this->write($key, 'solid', SolidPacking::pack($solid));
    }

    public function problem(string $key): ?Message
    {
        $text = $this->read($key, 'problem');
        $message = $text === null ? null : Message::read(json_decode($text, true));
        if ($message?->code === StepProblem::TOO_LONG && time() - (int) @filemtime($this->path($key, 'problem')) > self::REST) {
            return null;
        }

        return $message;
    }

    public function putProblem(string $key, Message $message): void
    {
        $this->write($key, 'problem', $message->toJson());
    }

    public function sketch(string $key): ?array
    {
        $bytes = $this->read($key, 'sketch');
        $read = $bytes === null ? null : @unserialize($bytes);

        return is_array($read) && ($read[0] ?? null) instanceof PlacedSketch && is_array($read[1] ?? null)
            ? [$read[0], array_values($read[1])]
            : null;
    }

    public function putSketch(string $key, array $read): void
    {
        $this->write($key, 'sketch', serialize($read));
    }

    public function cost(string $key): int
    {
        return (int) $this->read($key, 'cost');
    }

    public function putCost(string $key, int $units): void
    {
        $this->write($key, 'cost', (string) $units);
    }

    public function begin(string $key): Attempt
    {
        return Attempts::begin($this->path($key, 'tried'));
    }

    public function end(string $key): void
    {
        Attempts::end($this->path($key, 'tried'));
    }

    /** Bytes of any other derived file, made once. @param callable(): string $make */
    public function remember(string $key, string $ending, callable $make): string
    {
        $known = $this->read($key, $ending);
        if ($known !== null && $known !== '') {
            return $known;
        }
        $bytes = $make();
        $this->write($key, $ending, $bytes);

        return $bytes;
    }

    /** Whether such a file was made already. */
    public function remembers(string $key, string $ending): bool
    {
        return is_file($this->path($key, $ending));
    }

    private function read(string $key, string $ending): ?string
    {
        $path = $this->path($key, $ending);
        // asked first: a suppressed warning costs more than the look
        $bytes = is_file($path) ? @file_get_contents($path) : false;

        return $bytes === false ? null : $bytes;
    }

    private function write(string $key, string $ending, string $bytes): void
    {
        $path = $this->path($key, $ending);
        @mkdir(dirname($path), 0775, true);
        $temp = $path . '.' . bin2hex(random_bytes(4));
        if (@file_put_contents($temp, $bytes) === strlen($bytes)) {
            @rename($temp, $path);
        } else {
            @unlink($temp);
        }
    }
}
