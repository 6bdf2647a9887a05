@if ($problem)
<p role="alert"><b>{{ $problem->what }}</b> {{ $problem->why }}</p>
@else
<p role="status"><b>{{ $part->name }}</b> is in the library, version {{ $part->version }}. {{ $part->class_id === null ? 'Only you see it.' : 'Your class ' . $part->schoolClass->name . ' sees it.' }} <a class="link" href="{{ route('library') }}">Look after the library</a></p>
@endif
