{{-- The regions of a sketch with their numbers, as an extrude asks for them. --}}
@if (($result?->regions ?? []) !== [])
@php
    $pts = []; foreach ($result->regions as $r) { foreach ($r->loops as $l) { foreach ($l as $p) { $pts[] = $p; } } }
    $u0 = min(array_column($pts, 0)); $u1 = max(array_column($pts, 0)); $v0 = min(array_column($pts, 1)); $v1 = max(array_column($pts, 1));
    $k = min(250 / max(1e-9, $u1 - $u0), 120 / max(1e-9, $v1 - $v0)); $w = round($k * ($u1 - $u0) + 8, 1); $h = round($k * ($v1 - $v0) + 8, 1);
    $X = fn ($u) => round(4 + $k * ($u - $u0), 2); $Y = fn ($v) => round(4 + $k * ($v1 - $v), 2);
@endphp
<svg width="{{ $w }}" height="{{ $h }}" viewBox="0 0 {{ $w }} {{ $h }}" role="img" aria-label="Sketch with {{ $count }} numbered regions" style="display:block;margin:4px 0">
@foreach ($result->regions as $r)<path d="@foreach ($r->loops as $l)@foreach ($l as $i => $p){{ $i ? 'L' : 'M' }}{{ $X($p[0]) }} {{ $Y($p[1]) }}@endforeach Z @endforeach" fill="var(--color-birch-top)" fill-rule="evenodd" stroke="var(--color-ink)" stroke-width="1.3"/>@endforeach
@foreach ($result->regions as $r)@php $c = $r->spot(); @endphp<text x="{{ $X($c[0]) }}" y="{{ $Y($c[1]) + 4 }}" text-anchor="middle" style="font:640 12px var(--font-size)" fill="var(--color-ink)">{{ $r->number }}</text>@endforeach
</svg>
@endif
