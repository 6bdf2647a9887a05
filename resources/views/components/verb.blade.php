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
    @case('sketch')<path d="M2 20H28" {!! $pencil !!}/><path d="M5 20V7L12 7A6 6 0 0 1 24 9V20Z" {!! $ink !!}/>@break
    @case('extrude')<path d="M5 9L15 4L25 9L15 14Z" {!! $top !!}/><path d="M15 20V10M12 13L15 9.5L18 13" {!! $violet !!}/><path d="M5 9L15 4L25 9L15 14ZM5 9V17M25 9V17M5 17L15 22L25 17" {!! $ink !!}/>@break
    @case('move')<path d="M3 12H11V20H3Z" {!! $pencil !!}/><path d="M17 6H27V16H17Z" {!! $top !!}/><path d="M17 6H27V16H17Z" {!! $ink !!}/><path d="M5 7H12M9.5 4L12.5 7L9.5 10" {!! $violet !!}/>@break
    @case('turn')<path d="M9 9H21V19H9Z" {!! $top !!}/><path d="M9 9H21V19H9Z" {!! $ink !!}/><path d="M22 6A10 6 0 0 0 7 5M7.2 1.8L6.8 5.4L10.4 5.6" {!! $violet !!}/>@break
    @case('copy')<path d="M2 9H8V15H2Z" {!! $top !!}/><path d="M2 9H8V15H2ZM12 9H18V15H12ZM22 9H28V15H22Z" {!! $ink !!}/>@break
@endswitch
</svg>
