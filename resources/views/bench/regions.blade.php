{{-- The regions of a sketch with their numbers, as an extrude asks for them. --}}
@if (($result?->regions ?? []) !== [])
@php
    $pts = []; foreach ($result->regions as $r) { foreach ($r->loops as $l) { foreach ($l as $p) { $pts[] = $p; } } }
    $u0 = min(array_column($pts, 0)); $u1 = max(array_column($pts, 0)); $v0 = min(array_column($pts, 1)); $v1 = max(array_column($pts, 1));
    $k = min(250 / max(1e-9, $u1 - $u0), 120 / max(1e-9, $v1 - $v0)); $w = round($k * ($u1 - $u0) + 8, 1); $h = round($k * ($v1 - $v0) + 8, 1);
    $X = fn ($u) => round(4 + $k * ($u - $u0), 2); $Y = fn ($v) => round(4 + $k * ($v1 - $v), 2);
    $inside = static function (array $loops): array { // a spot well inside: the middle of the widest stretch of a level line
        $best = [0, 0, -1]; $vs = array_column($loops[0], 1); $lo = min($vs); $hi = max($vs);
        for ($i = 1; $i < 12; $i++) { $v = $lo + ($hi - $lo) * ($i / 12 + .0037); $xs = [];
            foreach ($loops as $l) { foreach ($l as $j => $a) { $b = $l[($j + 1) % count($l)]; if (($a[1] > $v) !== ($b[1] > $v)) { $xs[] = $a[0] + ($v - $a[1]) / ($b[1] - $a[1]) * ($b[0] - $a[0]); } } }
            sort($xs); for ($j = 0; $j + 1 < count($xs); $j += 2) { if ($xs[$j + 1] - $xs[$j] > $best[2]) { $best = [($xs[$j] + $xs[$j + 1]) / 2, $v, $xs[$j + 1] - $xs[$j]]; } } }
        return $best; };
@endphp
<svg width="{{ $w }}" height="{{ $h }}" viewBox="0 0 {{ $w }} {{ $h }}" role="img" aria-label="Sketch with {{ $count }} numbered regions" style="display:block;margin:4px 0">
@foreach ($result->regions as $r)<path d="@foreach ($r->loops as $l)@foreach ($l as $i => $p){{ $i ? 'L' : 'M' }}{{ $X($p[0]) }} {{ $Y($p[1]) }}@endforeach Z @endforeach" fill="var(--color-birch-top)" fill-rule="evenodd" stroke="var(--color-ink)" stroke-width="1.3"/>@endforeach
@foreach ($result->regions as $r)@php $c = $inside($r->loops); @endphp<text x="{{ $X($c[0]) }}" y="{{ $Y($c[1]) + 4 }}" text-anchor="middle" style="font:640 12px var(--font-size)" fill="var(--color-ink)">{{ $r->number }}</text>@endforeach
</svg>
@endif
