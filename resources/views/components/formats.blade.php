@props(['route', 'of'])
{{-- A part in the formats people are offered. --}}
@foreach (\Cubo\Exchange\Format\Formats::offered() as $format)
<a class="link" href="{{ route($route, [$of, $format->ending()]) }}">{{ $format->name() }}</a>
@endforeach
