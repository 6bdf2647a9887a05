<?php

declare(strict_types=1);

use Cubo\Exchange\MeshFile;
use Cubo\Exchange\StlFile;
use Cubo\Measure\MeshFaults;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;
use Tests\Outside;

/*
 * Sources: the meshes of the npm packages bunny 1.0.1 and teapot 1.0.0 (test meshes of computer graphics), measured by the
 * npm package manifold-3d 3.5.4 where they close, their open edges counted in tests/Reference/outside/meshes.mjs.
 */

beforeEach(function (): void {
    $this->folder = sys_get_temp_dir() . '/cubo-meshes-' . bin2hex(random_bytes(4));
    mkdir($this->folder);
    $this->theirs = Outside::run('meshes.mjs', '', $this->folder);
});

afterEach(function (): void {
    array_map(unlink(...), glob("{$this->folder}/*") ?: []);
    rmdir($this->folder);
});

it('measures a mesh from elsewhere as manifold-3d does', function (): void {
    $m = new PartMeasures(($mesh = MeshFile::read((string) file_get_contents("{$this->folder}/bunny.obj"), Unit::Millimetre)[0]));
    $theirs = $this->theirs['bunny'];
    expect($mesh->triangleCount())
        ->toBe($theirs['triangles'])
        ->and($m->isClosed())
        ->toBeTrue()
        ->and($m->bodyCount())
        ->toBe(1)
        ->and(MeshFaults::shells($mesh))
        ->toBe(1)
        ->and($m->mass()->volume)
        ->toEqualWithDelta($theirs['volume'], 1e-6 * $theirs['volume'])
        ->and($m->mass()->area)
        ->toEqualWithDelta($theirs['area'], 1e-6 * $theirs['area']);
    foreach ([0, 1, 2] as $k) {
        expect($m->bounds()->min[$k])
            ->toEqualWithDelta($theirs['min'][$k], 1e-5)
            ->and($m->bounds()->max[$k])
            ->toEqualWithDelta($theirs['max'][$k], 1e-5);
    }
    // through another format, which keeps single precision
    $again = new PartMeasures(MeshFile::read(StlFile::write($mesh), Unit::Millimetre)[0]);
    expect($again->mass()->volume)->toEqualWithDelta($theirs['volume'], 1e-5 * $theirs['volume']);
});

it('counts the open edges of a mesh that does not close', function (): void {
    $mesh = MeshFile::read((string) file_get_contents("{$this->folder}/teapot.obj"), Unit::Millimetre)[0];
    $open = array_values(array_filter(MeshFaults::of($mesh), static fn(array $f): bool => $f['kind'] === 'open'))[0] ?? null;
    expect((new PartMeasures($mesh))->isClosed())
        ->toBeFalse()
        ->and($open)
        ->not->toBeNull()
        ->and($open['count'])
        ->toBe($this->theirs['teapot']['open']);
});
