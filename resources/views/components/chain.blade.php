@props(['states' => [], 'width' => 280, 'letters' => []])
{{-- A chain dimension: one link per size, each in its condition; the words stand beside it. --}}
@php
    $n = max(1, count($states)); $w = ($width - 12) / $n; $tall = $letters === [] ? 16 : 32;
    $colour = fn (?string $s) => ['met' => 'violet', 'stale' => 'violet', 'off' => 'chalk', 'missing' => 'chalk'][$s ?? ''] ?? 'graphite';
    $x = fn (int $i) => round(6 + $i * $w, 2);
@endphp
<svg class="chain" width="{{ $width }}" height="{{ $tall }}" viewBox="0 0 {{ $width }} {{ $tall }}" aria-hidden="true">
@foreach ($states as $i => $s)@php $a = $x($i); $b = $x($i + 1); $m = round(($a + $b) / 2, 2); $z = round(min(4, $w / 6), 2); @endphp
@switch($s)
@case('met')<path d="M{{ $a }} 8H{{ $b }}" stroke="var(--color-violet)" stroke-width="5"/>@break
@case('stale')<path d="M{{ $a }} 5.4H{{ $b }}M{{ $a }} 10.6H{{ $b }}" stroke="var(--color-violet)" stroke-width="1.4"/>@break
@case('off')<path d="M{{ $a }} 8H{{ $m - 2 * $z }}l{{ $z }} -5.5 {{ 2 * $z }} 11 {{ $z }} -5.5H{{ $b }}" fill="none" stroke="var(--color-chalk)" stroke-width="2" stroke-linejoin="bevel"/>@break
@case('missing')@break
@default<path d="M{{ $a }} 8H{{ $b }}" stroke="var(--color-graphite)" stroke-width="1.4" stroke-dasharray="4 3"/>
@endswitch
@if (isset($letters[$i]))<text x="{{ $m }}" y="28" text-anchor="middle" style="font:640 12px var(--font-size)" fill="var(--color-ink)">{{ $letters[$i] }}</text>@endif
@endforeach
@for ($i = 0; $i <= count($states); $i++)@php $l = $states[$i - 1] ?? null; $r = $states[$i] ?? null; $c = in_array('chalk', [$colour($l ?? $r), $colour($r ?? $l)], true) ? 'chalk' : (in_array('violet', [$colour($l ?? $r), $colour($r ?? $l)], true) ? 'violet' : 'graphite'); @endphp<path d="M{{ $x($i) - 3.5 }} 13L{{ $x($i) + 3.5 }} 3" stroke="var(--color-{{ $c }})" stroke-width="2"/>@endfor
</svg>