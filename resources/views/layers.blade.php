@php $work = $handIn->work; @endphp
<x-layout title="Layers, {{ $exercise->title }}">
<x-person-strip caption="{{ $exercise->title }}, {{ $work->student->name }}" heading="Layers of the print">
<div><span class="cap">Layers</span>{{ $estimate->layers }} of <span class="num">{{ $unit->brief($profile->layer) }} {{ $unit->value }}</span></div>
<div><span class="cap">About</span><b>{{ $estimate->minutes < 90 ? round($estimate->minutes) . ' min' : round($estimate->minutes / 60, 1) . ' h' }}, {{ \Cubo\Quantity\Amount::mass($estimate->mass, $unit) }}</b></div>
<x-slot:acts><a class="btn" href="{{ route('hand-ins.show', $handIn) }}">Back to the report</a></x-slot:acts>
</x-person-strip>
<main class="layers">
<form hx-get="{{ route('hand-ins.layer', [$handIn, 0], false) }}" data-layers>
<label class="lab" for="at">Layer, from the bed up</label>
<input id="at" type="range" min="1" max="{{ max(1, $count) }}" value="1" step="1" data-layer-at data-from="{{ route('hand-ins.layers', $handIn, false) }}">
<p><button type="button" class="btn s" data-layer-step="-1">Down</button> <button type="button" class="btn s" data-layer-step="1">Up</button> <button type="button" class="btn s" data-layer-step="10">Ten up</button></p>
</form>
<div id="layer" role="status">@include('layer')</div>
<aside>
<form method="get" action="{{ route('hand-ins.layers', $handIn) }}"><label class="lab" for="printer">Printer</label><select class="val word" id="printer" name="printer" data-submits>@foreach (\Cubo\Printing\PrintProfile::all() as $p)<option value="{{ $p->key }}" @selected($p->key === $profile->key)>{{ $p->name }}</option>@endforeach</select> <button class="btn s">Show</button></form>
<p class="small"><svg width="30" height="10" aria-hidden="true"><path d="M2 5H28" stroke="var(--color-violet)" stroke-width="1.6" stroke-dasharray="5 4"/></svg> rim of the layer below: what reaches far past it hangs in the air.</p>
<p class="small quiet">Time and mass are estimates: two threads along each outline, a fifth of the inside filled. Your printer may differ.</p>
</aside>
</main>
</x-layout>
