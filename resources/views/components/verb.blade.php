@props(['kind'])
{{-- Small ink drawings of what a step does. --}}
@php
    $ink = 'fill="none" stroke="var(--color-ink)" stroke-width="1.4" stroke-linejoin="round" stroke-linecap="round"';
    $top = 'fill="var(--color-birch-top)"'; $side = 'fill="var(--color-birch-side)"';
    $violet = 'fill="none" stroke="var(--color-violet)" stroke-width="1.8" stroke-linejoin="round"';
    $pencil = 'fill="none" stroke="var(--color-graphite)" stroke-width="1.3" stroke-dasharray="2.5 2"';
@endphp
<svg width="30" height="24" viewBox="0 0 30 24" aria-hidden="true">
@switch($kind)
    @case('block')<path d="M15 3L25 8V17L15 22L5 17V8Z" {!! $side !!}/><path d="M15 3L25 8L15 13L5 8Z" {!! $top !!}/><path d="M15 3L25 8V17L15 22L5 17V8ZM5 8L15 13L25 8M15 13V22" {!! $ink !!}/>@break
    @case('cylinder')<path d="M6 6.5V17.5a9 3.6 0 0 0 18 0V6.5Z" {!! $side !!}/><path d="M6 6.5a9 3.6 0 1 0 18 0a9 3.6 0 1 0 -18 0" {!! $top !!}/><path d="M6 6.5a9 3.6 0 1 0 18 0a9 3.6 0 1 0 -18 0M6 6.5V17.5a9 3.6 0 0 0 18 0V6.5" {!! $ink !!}/>@break
    @case('cone')<path d="M15 2L5.5 17a9.5 4 0 0 0 19 0Z" {!! $top !!}/><path d="M15 2L5.5 17a9.5 4 0 0 0 19 0Z" {!! $ink !!}/>@break
    @case('ball')<path d="M15 2.5a9.5 9.5 0 1 0 .01 0" {!! $top !!}/><path d="M15 2.5a9.5 9.5 0 1 0 .01 0M5.5 12a9.5 3.6 0 0 0 19 0" {!! $ink !!}/>@break
    @case('tube')<path d="M6 6.5V17.5a9 3.6 0 0 0 18 0V6.5Z" {!! $side !!}/><path d="M6 6.5a9 3.6 0 1 0 18 0a9 3.6 0 1 0 -18 0" {!! $top !!}/><path d="M10.5 6.5a4.5 1.7 0 1 0 9 0a4.5 1.7 0 1 0 -9 0" {!! $side !!}/><path d="M6 6.5a9 3.6 0 1 0 18 0a9 3.6 0 1 0 -18 0M6 6.5V17.5a9 3.6 0 0 0 18 0V6.5M10.5 6.5a4.5 1.7 0 1 0 9 0a4.5 1.7 0 1 0 -9 0" {!! $ink !!}/>@break
    @case('halfball')<path d="M5 17a10 11 0 0 1 20 0a10 4 0 0 1 -20 0" {!! $top !!}/><path d="M5 17a10 11 0 0 1 20 0M5 17a10 4 0 0 0 20 0" {!! $ink !!}/>@break
    @case('halfcylinder')<path d="M4 19V15a6 6 0 0 1 12 0L27 10V13L16 20Z" {!! $side !!}/><path d="M4 17a6 7 0 0 1 12 0Z" {!! $top !!}/><path d="M4 17a6 7 0 0 1 12 0H4M9 10L19 5a6 7 0 0 1 7.5 7L16 17" {!! $ink !!}/>@break
    @case('ring')<path d="M3 12a12 6.5 0 1 0 24 0a12 6.5 0 1 0 -24 0M10 12a5 2 0 1 0 10 0a5 2 0 1 0 -10 0" fill="var(--color-birch-top)" fill-rule="evenodd"/><path d="M3 12a12 6.5 0 1 0 24 0a12 6.5 0 1 0 -24 0M10 11.5a5 2 0 1 0 10 0a5 2 0 1 0 -10 0" {!! $ink !!}/>@break
    @case('wedge')<path d="M4 17L14 21L26 16V6L14 11Z" {!! $side !!}/><path d="M4 17L16 11L26 6L14 21Z" {!! $top !!}/><path d="M4 17L14 21L26 16V6L4 17M14 21L26 6" {!! $ink !!}/>@break
    @case('roof')<path d="M4 17L10 7L21 4L26 14L16 20Z" {!! $side !!}/><path d="M10 7L21 4L26 14L16 20Z" {!! $top !!}/><path d="M4 17L10 7L16 20ZM10 7L21 4L26 14L16 20" {!! $ink !!}/>@break
    @case('prism')<path d="M5 7L10 4H20L25 7L20 10H10Z" {!! $top !!}/><path d="M5 7V17L10 21H20L25 17V7L20 10H10Z" {!! $side !!}/><path d="M5 7L10 4H20L25 7L20 10H10ZM5 7V17L10 21H20L25 17V7M10 10V21M20 10V21" {!! $ink !!}/>@break
    @case('pyramid')<path d="M15 3L26 16L15 21L4 16Z" {!! $side !!}/><path d="M15 3L15 21L4 16Z" {!! $top !!}/><path d="M15 3L26 16L15 21L4 16ZM15 3V21" {!! $ink !!}/>@break
    @case('letters')<path d="M6 19L11 5L16 19H13.2L12.2 16H9.8L8.8 19Z" {!! $top !!}/><path d="M6 19L11 5L16 19H13.2L12.2 16H9.8L8.8 19ZM11 5L14 3.5L19 17L16 19M10.5 13.4L11 11.6L11.5 13.4Z" {!! $ink !!}/>@break
    @case('group')<path d="M4 12H14V21H4Z" {!! $top !!}/><path d="M16 15a5 5 0 1 0 10 0a5 5 0 1 0 -10 0" {!! $top !!}/><path d="M4 12H14V21H4ZM16 15a5 5 0 1 0 10 0a5 5 0 1 0 -10 0" {!! $ink !!}/><path d="M2 8V4H28V8" {!! $violet !!}/>@break
    @case('library')<path d="M4 3H26V21H4Z" {!! $top !!}/><path d="M4 3H26V21H4ZM4 12H26" {!! $ink !!}/><path d="M7 12V7H12V12M15 12V9H19V12M9 21V16H14V21M18 21V15H22V21" {!! $violet !!}/>@break
    @case('sketch')<path d="M2 20H28" {!! $pencil !!}/><path d="M5 20V7L12 7A6 6 0 0 1 24 9V20Z" {!! $ink !!}/>@break
    @case('extrude')<path d="M5 9L15 4L25 9L15 14Z" {!! $top !!}/><path d="M15 20V10M12 13L15 9.5L18 13" {!! $violet !!}/><path d="M5 9L15 4L25 9L15 14ZM5 9V17M25 9V17M5 17L15 22L25 17" {!! $ink !!}/>@break
    @case('move')<path d="M3 12H11V20H3Z" {!! $pencil !!}/><path d="M17 6H27V16H17Z" {!! $top !!}/><path d="M17 6H27V16H17Z" {!! $ink !!}/><path d="M5 7H12M9.5 4L12.5 7L9.5 10" {!! $violet !!}/>@break
    @case('turn')<path d="M9 9H21V19H9Z" {!! $top !!}/><path d="M9 9H21V19H9Z" {!! $ink !!}/><path d="M22 6A10 6 0 0 0 7 5M7.2 1.8L6.8 5.4L10.4 5.6" {!! $violet !!}/>@break
    @case('copy')<path d="M2 9H8V15H2Z" {!! $top !!}/><path d="M2 9H8V15H2ZM12 9H18V15H12ZM22 9H28V15H22Z" {!! $ink !!}/>@break
    @case('revolve')<path d="M15 2V22" {!! $pencil !!}/><path d="M15 6H23V18H15Z" {!! $top !!}/><path d="M15 6H23V18H15Z" {!! $ink !!}/><path d="M11 8A8 4 0 0 0 9 16M6.5 13.5L9 16.4L11.8 14.4" {!! $violet !!}/>@break
    @case('sweep')<path d="M5 21C5 9 12 6 25 6" {!! $violet !!}/><path d="M2 16H9V22H2Z" {!! $top !!}/><path d="M2 16H9V22H2ZM22 3V9" {!! $ink !!}/>@break
    @case('loft')<path d="M11 4H19L25 19H5Z" {!! $top !!}/><path d="M11 4H19M5 19H25" {!! $violet !!}/><path d="M11 4L5 19M19 4L25 19" {!! $ink !!}/>@break
    @case('rib')<path d="M4 4H8V18H26V21H4Z" {!! $side !!}/><path d="M8 7L22 18H8Z" {!! $top !!}/><path d="M8 18V4H4V21H26V18H22" {!! $ink !!}/><path d="M8 7L22 18" {!! $violet !!}/>@break
    @case('hole')<path d="M3 10L15 4L27 10L15 16Z" {!! $top !!}/><path d="M3 10L15 4L27 10L15 16ZM3 10V15L15 21L27 15V10" {!! $ink !!}/><path d="M10.5 10a4.5 2.2 0 1 0 9 0a4.5 2.2 0 1 0 -9 0" {!! $violet !!}/>@break
    @case('text')<path d="M3 4H27V20H3Z" {!! $top !!}/><path d="M3 4H27V20H3Z" {!! $ink !!}/><path d="M9 17L15 7L21 17M11.5 13.5H18.5" {!! $violet !!}/>@break
    @case('round')<path d="M4 21V4H14A10 10 0 0 1 24 14V21Z" {!! $top !!}/><path d="M14 4H4V21H24V14" {!! $ink !!}/><path d="M14 4A10 10 0 0 1 24 14" {!! $violet !!}/><path d="M16 4H24V12" {!! $pencil !!}/>@break
    @case('chamfer')<path d="M4 21V4H14L24 14V21Z" {!! $top !!}/><path d="M14 4H4V21H24V14" {!! $ink !!}/><path d="M14 4L24 14" {!! $violet !!}/><path d="M16 4H24V12" {!! $pencil !!}/>@break
    @case('hollow')<path d="M4 4H9V16H21V4H26V21H4Z" {!! $side !!}/><path d="M4 4H9M21 4H26V21H4V4" {!! $ink !!}/><path d="M9 4V16H21V4" {!! $violet !!}/>@break
    @case('draft')<path d="M9 4H21L26 20H4Z" {!! $top !!}/><path d="M9 4H21M4 20H26" {!! $ink !!}/><path d="M9 4L4 20M21 4L26 20" {!! $violet !!}/><path d="M9 4V20M21 4V20" {!! $pencil !!}/>@break
    @case('pull')<path d="M4 8H16V20H4Z" {!! $top !!}/><path d="M16 8H4V20H16" {!! $ink !!}/><path d="M16 8V20M18 14H26M23 11L26.3 14L23 17" {!! $violet !!}/>@break
    @case('mirror')<path d="M15 2V22" {!! $pencil !!}/><path d="M4 18V7L12 18Z" {!! $top !!}/><path d="M4 18V7L12 18Z" {!! $ink !!}/><path d="M26 18V7L18 18Z" {!! $violet !!}/>@break
    @case('repeat')<path d="M3 8H9V14H3Z" {!! $top !!}/><path d="M3 8H9V14H3Z" {!! $ink !!}/><path d="M12 8H18V14H12ZM21 8H27V14H21ZM3 19H27M24.5 16.5L27 19L24.5 21.5" {!! $violet !!}/>@break
    @case('split')<path d="M4 7H13V19H4Z" {!! $top !!}/><path d="M4 7H13V19H4Z" {!! $ink !!}/><path d="M16 2V22" {!! $violet !!}/><path d="M19 7H27V19H19" {!! $pencil !!}/>@break
    @case('scale')<path d="M4 12H13V21H4Z" {!! $top !!}/><path d="M4 12H13V21H4Z" {!! $ink !!}/><path d="M4 9V3H22V21H16" {!! $pencil !!}/><path d="M14 11L20 5M16 4.6H20.4V9" {!! $violet !!}/>@break
@endswitch
</svg>
