<x-layout title="{{ $exercise->title }}" class="bench">
<div id="work">
@include('bench.work')
</div>
<main class="stage" data-stage="full" data-unit="{{ $unit->value }}" tabindex="0" aria-label="Stage. Keys 0 to 7 choose the view, arrows turn, plus and minus change the size, F fits." data-alt="{{ $exercise->title }}, the part as built">
<div class="look" role="group" aria-label="Look from">
@foreach (['isometric' => 0, 'front' => 1, 'top' => 2, 'right' => 3, 'back' => 4, 'left' => 5, 'bottom' => 6, 'behind' => 7] as $v => $k)<button type="button" data-view="{{ $v }}" aria-pressed="{{ $k === 0 ? 'true' : 'false' }}">{{ $v }} <kbd>{{ $k }}</kbd></button>@endforeach
<button type="button" data-fit>fit <kbd>F</kbd></button></div>
<div class="empty" @if ($glb !== '') hidden @endif><p>The paper is empty.<br>Add a solid below, or begin with a sketch.</p></div>
<label class="slip plain shown-as">Shown as <select class="val word" data-shown-as aria-label="Shown as"><option value="wood">wood with edges</option><option value="plain">wood alone</option><option value="lines">edges, hidden ones dashed</option><option value="glass">see-through</option></select></label>
<div class="slip plain" data-square></div>
<div class="slip pickhint" data-pickhint hidden></div>
</main>
@if ($work)<dialog class="large" id="large" aria-label="Drawing"><form method="dialog" class="row"><h2>{{ $exercise->title }}</h2><button class="btn">Close</button></form><div id="large-drawing"></div></dialog>@endif
</x-layout>
