{{-- The regions of a sketch with their numbers, as an extrude asks for them. --}}
@if ($regions !== [])
@php
    $pts = array_merge(...array_map(fn ($r) => array_merge(...$r->loops), $regions));
    $u0 = min(array_column($pts, 0)); $u1 = max(array_column($pts, 0)); $v0 = min(array_column($pts, 1)); $v1 = max(array_column($pts, 1));
    $k = min(250 / max(1e-9, $u1 - $u0), 120 / max(1e-9, $v1 - $v0)); $w = round($k * ($u1 - $u0) + 8, 1); $h = round($k * ($v1 - $v0) + 8, 1);
    $at = fn (array $p) => round(4 + $k * ($p[0] - $u0), 2) . ' ' . round(4 + $k * ($v1 - $p[1]), 2);
    $path = fn (array $loops) => implode('', array_map(fn ($l) => 'M' . implode('L', array_map($at, $l)) . 'Z', $loops));
@endphp
<svg width="{{ $w }}" height="{{ $h }}" viewBox="0 0 {{ $w }} {{ $h }}" role="img" aria-label="Sketch with {{ count($regions) }} numbered regions" style="display:block;margin:4px 0">
@foreach ($regions as $r)<path class="{{ isset($choose) ? 'area' : '' }}" @if (isset($choose)) data-edit="{{ $choose($r->number) }}" @endif d="{{ $path($r->loops) }}" fill="var(--color-{{ isset($taken) && ! in_array($r->number, $taken, true) ? 'sheet' : 'birch-top' }})" fill-rule="evenodd" stroke="var(--color-ink)" stroke-width="1.3"/>@endforeach
@foreach ($regions as $r)@php [$x, $y] = explode(' ', $at($r->spot())); @endphp<text x="{{ $x }}" y="{{ (float) $y + 4 }}" text-anchor="middle" style="font:640 12px var(--font-size)" fill="var(--color-ink)">{{ $r->number }}</text>@endforeach
</svg>
@endif
