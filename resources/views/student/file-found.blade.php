@php
$words = ['plane' => ['flat face', 'flat faces'], 'cylinder' => ['cylinder', 'cylinders'], 'cone' => ['cone', 'cones'], 'sphere' => ['ball', 'balls'], 'torus' => ['ring', 'rings']];
$list = [];
foreach ($words as $kind => [$one, $many]) {
    $n = $found['count'][$kind] ?? 0;
    if ($n > 0) {
        $list[] = "$n " . ($n === 1 ? $one : $many) . ($kind === 'cylinder' ? ' (' . implode(', ', array_map(fn ($d) => '⌀ ' . $unit->show($d), array_slice($found['diameters'], 0, 6))) . (count($found['diameters']) > 6 ? ' …' : '') . ')' : '');
    }
}
@endphp
<p class="small" style="margin:8px 0">Found in it: {{ implode(', ', $list) }}.@if (count($found['count']) > 1) The round ones fit its corners within {{ $found['residual'] < 0.0005 * $unit->inMillimetres() ? $unit->show(0.001 * $unit->inMillimetres(), 3) : $unit->show($found['residual'], 3) }} {{ $unit->word() }}.@endif</p>
