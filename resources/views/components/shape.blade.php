@props(['state' => 'open', 'width' => 44, 'i' => 0])
{{-- The dimension line in one of its conditions; its word always stands beside it. --}}
@php
    $a = 5; $b = $width - 5; $m = round($a + ($b - $a) * .58, 1);
    $c = ['met' => 'violet', 'stale' => 'violet', 'off' => 'chalk', 'missing' => 'chalk'][$state] ?? 'graphite';
@endphp
<svg class="shape" width="{{ $width }}" height="16" viewBox="0 0 {{ $width }} 16" aria-hidden="true" style="--i:{{ $i }}">
@switch($state)
    @case('met')<path class="fill" d="M{{ $a }} 8H{{ $b }}" stroke="var(--color-{{ $c }})" stroke-width="5"/>@break
    @case('off')<path d="M{{ $a }} 8H{{ $m - 7 }}l3.5 -5.5 5 11 3.5 -5.5H{{ $b }}" fill="none" stroke="var(--color-{{ $c }})" stroke-width="2.2" stroke-linejoin="bevel"/>@break
    @case('missing')@break
    @case('stale')<path d="M{{ $a }} 5.4H{{ $b }}M{{ $a }} 10.6H{{ $b }}" stroke="var(--color-{{ $c }})" stroke-width="1.4"/>@break
    @default<path d="M{{ $a }} 8H{{ $b }}" stroke="var(--color-{{ $c }})" stroke-width="1.5" stroke-dasharray="4 3.2"/>
@endswitch
<path d="M{{ $a - 3.5 }} 13L{{ $a + 3.5 }} 3M{{ $b - 3.5 }} 13L{{ $b + 3.5 }} 3" stroke="var(--color-{{ $c }})" stroke-width="2.2"/></svg>