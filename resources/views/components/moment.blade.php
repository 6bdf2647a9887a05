@props(['at'])
{{-- how long ago, as people say it --}}
<time datetime="{{ $at->toIso8601String() }}" title="{{ $at->format('D j M Y, H:i') }}">{{ \App\Support\Moments::ago($at) }}</time>
