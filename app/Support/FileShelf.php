<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\HandIn;
use App\Models\PartFile;
use App\Models\Work;
use Cubo\Check\LikelyUnit;
use Cubo\Exchange\GlbFile;
use Cubo\Exchange\MeshFile;
use Cubo\Exchange\MeshRepair;
use Cubo\Exchange\UnreadableFile;
use Cubo\Measure\FoundFaces;
use Cubo\Measure\MeshFaults;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;
use Illuminate\Support\Facades\Storage;

/** Keeps the files students hand in, and reads them as parts. */
final class FileShelf
{
    /** Files of one work that are kept beside those that were handed in. */
    private const KEPT = 5;

    /** Raise when files are read or recognised in another way. */
    private const VERSION = 3;

    public function __construct(private readonly PartFiles $cache, private readonly Workbench $bench) {}

    /** Keeps a file as it came; it waits to be read. */
    public function take(Work $work, string $name, string $bytes): PartFile
    {
        $sha = sha1($bytes);
        $this->clear($work);
        Storage::disk('local')->put("files/$sha", $bytes);

        return PartFile::create([
            'work_id' => $work->id,
            'name' => mb_substr($name, 0, 120),
            'sha' => $sha,
            'unit' => Unit::Millimetre->value,
            'repaired' => false,
            'state' => 'waiting',
            'info' => [
                'format' => '',
                'ownUnit' => false,
                'triangles' => 0,
                'sizes' => [0.0, 0.0, 0.0],
                'faults' => [],
                'shells' => 0,
                'mends' => [],
            ],
        ]);
    }

    /**
     * Reads a file, or takes it in another way than before, up to its picture; each stage is told as it begins.
     *
     * @throws UnreadableFile with the reason in words
     */
    public function work(PartFile $file): void
    {
        $tell = static fn(string $stage): bool => $file->update(['state' => 'reading', 'stage' => $stage]);
        if ($file->info['triangles'] === 0) {
            $tell('Reading it');
            $bytes = Storage::disk('local')->get("files/{$file->sha}") ?? throw new UnreadableFile('The file is no longer there.');
            [$mesh, $note] = MeshFile::read($bytes, Unit::Millimetre);
            unset($bytes);
            $tell('Looking for faults of its surface');
            $box = $mesh->vertexBox();
            $sizes = [$box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2]];
            $format = (string) strtok($note, ' ');
            $exercise = $file->work->assignment->exercise;
            $reference = $this->bench->evaluate($exercise->reference->document());
            $asked = $reference->isEmpty() ? null : $this->bench->readouts($reference)['size'];
            $file->update([
                // this format says its unit itself: it comes in millimetres
                'unit' => $format === '3MF' ? Unit::Millimetre->value : LikelyUnit::of($sizes, $asked, Unit::from($exercise->unit))->value,
                'info' => [
                    'format' => $format,
                    'ownUnit' => $format === '3MF',
                    'triangles' => $mesh->triangleCount(),
                    'sizes' => $sizes,
                    'faults' => MeshFaults::ofFile($mesh),
                    'shells' => MeshFaults::shells($mesh),
                    'mends' => MeshRepair::of($mesh)[1] ?? [],
                ],
            ]);
            unset($mesh);
        }
        if ($file->isShown()) {
            $tell('Looking for its faces');
            $this->solid($file);
            $tell('Making its picture');
            $this->found($file);
            $this->glb($file);
        }
        $file->update(['state' => 'read', 'stage' => '']);
    }

    /** Whether what a page shows of it is there. */
    public function isReady(PartFile $file): bool
    {
        return $this->cache->remembers(self::key($file), 'glb') && $this->cache->remembers(self::key($file), 'found');
    }

    /** Older files that were only looked at make room. */
    private function clear(Work $work): void
    {
        $old = PartFile::query()
            ->where('work_id', $work->id)
            ->whereNotIn('id', HandIn::query()->whereNotNull('file_id')->select('file_id'))
            ->orderByDesc('id')
            ->skip(self::KEPT - 1)
            ->take(100)
            ->get();
        foreach ($old as $file) {
            $file->delete();
            if (!PartFile::query()->where('sha', $file->sha)->exists()) {
                Storage::disk('local')->delete("files/{$file->sha}");
            }
        }
    }

    /** @throws UnreadableFile when the bytes have gone */
    public function solid(PartFile $file): Solid
    {
        $key = self::key($file);
        $known = $this->cache->get($key);
        if ($known !== null) {
            return $known;
        }
        $solid = SurfaceRecognition::of($this->mesh($file));
        $this->cache->put($key, $solid);

        return $solid;
    }

    /** @throws UnreadableFile when the bytes have gone */
    public function facets(PartFile $file): Solid
    {
        return $this->cache->get(self::key($file)) ?? $this->mesh($file);
    }

    /** @throws UnreadableFile */
    private function mesh(PartFile $file): Solid
    {
        $bytes = Storage::disk('local')->get("files/{$file->sha}") ?? throw new UnreadableFile('The file is no longer there.');
        $mesh = MeshFile::read($bytes, $file->unit())[0];

        return $file->repaired ? MeshRepair::of($mesh)[0] ?? $mesh : $mesh;
    }

    public function glb(PartFile $file): string
    {
        return $this->cache->remember(self::key($file), 'glb', fn(): string => GlbFile::write($this->solid($file)));
    }

    /** @return array{count: array<string, int>, diameters: list<float>, residual: float} what was found in its facets */
    public function found(PartFile $file): array
    {
        return json_decode(
            $this->cache->remember(self::key($file), 'found', fn(): string => (string) json_encode(FoundFaces::in($this->solid($file)))),
            true,
        );
    }

    /** Names the geometry, for caches. */
    public static function key(PartFile $file): string
    {
        return sha1(implode(' ', [self::VERSION, $file->sha, $file->unit, $file->repaired ? 'mended' : 'as it came']));
    }
}
