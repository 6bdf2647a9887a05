{{-- The outlines of a sketch that are given by numbers, and the way to its pad. --}}
@if (! $f->reading)
<a class="link small" href="{{ route('pad', [$recipe, $step->id], false) }}">Open it on the pad</a>&ensp;
@endif
@foreach ($step->outlines() as $letter => $outline)
<span class="shape-line"><b class="num">{{ $letter }}</b> @include('bench.fields', ['pieces' => $f->outline((string) $letter, $outline)])
@if (! $f->reading)
 <button type="button" class="link small" data-edit="{{ $f->edit('drop-shape', ['letter' => (string) $letter]) }}" aria-label="Remove outline {{ $letter }}">remove</button>
@endif
</span>
@endforeach
@if (! $f->reading)
<span class="small"><button type="button" class="link" data-edit="{{ $f->edit('add-shape', ['kind' => 'rectangle']) }}">Add a rectangle</button>&ensp;<button type="button" class="link" data-edit="{{ $f->edit('add-shape', ['kind' => 'circle']) }}">Add a circle</button></span>
@include('bench.regions', ['regions' => $f->result?->regions ?? []])
@endif
