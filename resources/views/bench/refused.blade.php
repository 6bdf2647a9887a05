<p><b>{{ $problem->what }}</b> {{ $problem->why }} Nothing was changed.</p>
