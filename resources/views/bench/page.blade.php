<x-layout title="{{ $exercise->title }}" class="bench">
<div id="work">
@include('bench.work')
</div>
<main class="stage" data-stage="full" data-unit="{{ $unit->value }}" tabindex="0" aria-label="Stage. Keys 0 to 7 choose the view, arrows turn, plus and minus change the size, F fits; M measures, C cuts open, L looks straight at a face, P paints, B shows and hides bodies, A lines shapes up." data-alt="{{ $exercise->title }}, the part as built">
<div class="look" role="group" aria-label="Look from">
@foreach (['isometric' => 0, 'front' => 1, 'top' => 2, 'right' => 3, 'back' => 4, 'left' => 5, 'bottom' => 6, 'behind' => 7] as $v => $k)<button type="button" data-view="{{ $v }}" aria-pressed="{{ $k === 0 ? 'true' : 'false' }}">{{ $v }} <kbd>{{ $k }}</kbd></button>@endforeach
<button type="button" data-fit>fit <kbd>F</kbd></button></div>
<div class="empty" @if ($glb !== '') hidden @endif><p>The paper is empty.<br>Add a solid below, or begin with a sketch.</p></div>
<label class="slip plain shown-as">Shown as <select class="val word" data-shown-as aria-label="Shown as"><option value="wood">wood with edges</option><option value="plain">wood alone</option><option value="lines">edges, hidden ones dashed</option><option value="glass">see-through</option></select></label>
<div class="slip plain" data-square></div>
<div class="bottom">
<div class="slip legend" data-legend hidden><span data-added><i class="key added"></i>added</span><span data-removed><i class="key removed"></i>taken away</span></div>
<div class="slip pickhint" data-pickhint role="status" hidden></div>
<section class="slip panel" data-panel="measure" data-url="{{ route('stage.measure', $recipe, false) }}" aria-label="Measure" hidden><header><h3>Measure</h3><button type="button" class="link small" data-close>Close</button></header><div data-read></div><select class="val word" aria-label="what to measure"></select><p><button type="button" class="btn s" data-pin hidden>Keep in view</button> <button type="button" class="link small" data-clear>Begin anew</button></p></section>
<section class="slip panel" data-panel="cut" aria-label="Cut open" hidden><header><h3>Cut open</h3><button type="button" class="link small" data-close>Close</button></header>
<p>along the <select class="val word" data-cut="plane" aria-label="plane of the cut"><option value="front">front plane</option><option value="side">side plane</option><option value="ground">ground</option><option value="face" hidden>picked face</option></select> at <input class="val" data-cut="value" aria-label="place of the cut" size="6" inputmode="decimal" autocomplete="off"> {{ $unit->value }}</p>
<input type="range" data-cut="slide" aria-label="place of the cut, by slider"><p><button type="button" class="btn s" data-cut="turn">Other half</button> <button type="button" class="btn s" data-cut="off">Whole again</button></p></section>
<section class="slip panel" data-panel="paint" aria-label="Paint" hidden><header><h3>Paint</h3><button type="button" class="link small" data-close>Close</button></header>
<div class="palette">@foreach (\Cubo\Recipe\Recipe::COLOURS as $i => $c)<label><input type="radio" name="colour" value="{{ $c }}" @checked($i === 5)><i data-swatch="{{ $c }}"></i>{{ $c }}</label>@endforeach<label><input type="radio" name="colour" value=""><i data-swatch=""></i>bare wood</label></div>
<p><label><input type="checkbox" name="whole"> the whole body at once</label></p><select class="val word" aria-label="face to paint"></select></section>
<section class="slip panel" data-panel="bodies" aria-label="Bodies and steps in view" hidden><header><h3>In view</h3><button type="button" class="link small" data-close>Close</button></header><div data-list></div></section>
<section class="slip panel" data-panel="arrange" aria-label="Line up" hidden><header><h3>Line up</h3><button type="button" class="link small" data-close>Close</button></header>
<p class="quiet" data-none hidden>Place at least two ready solids first.</p>
<div data-arrange><p>these shapes</p><div data-list></div><p>with <select class="val word" data-against aria-label="shape they are lined up with"></select>, which stays:</p>
<div class="ways">@foreach (['x' => ['left', 'middle', 'right', 'side by side'], 'y' => ['front', 'middle', 'back', 'behind each other'], 'z' => ['low', 'middle', 'high', 'above each other']] as $way => $words)@foreach (['low', 'middle', 'high'] as $i => $how)<button type="button" class="btn s" data-how="{{ $how }}" data-way="{{ $way }}" aria-label="line up {{ $words[$i] }}{{ $i === 1 ? ', ' . $words[0] . ' to ' . $words[2] : '' }}">{{ $words[$i] }}</button>@endforeach<button type="button" class="btn s" data-how="space" data-way="{{ $way }}" aria-label="equal gaps, {{ $words[3] }}">equal gaps</button>@endforeach</div>
<p><button type="button" class="btn s" data-how="stack" data-way="z">Stack them in order</button></p></div></section>
<section class="slip panel" data-panel="straight" aria-label="Straight at a face" hidden><header><h3>Straight at a face</h3><button type="button" class="link small" data-close>Close</button></header><p class="quiet">Pick the face to look at.</p><select class="val word" aria-label="face to look at"></select><p><button type="button" class="btn s" data-cut-here hidden>Cut open along it</button></p></section>
<section class="slip replay" data-replay aria-label="Step by step" hidden><button type="button" class="btn s go" data-replay-play>Play</button> <input type="range" min="1" value="1" step="1" data-replay-at aria-label="step"> <label class="small">pace <select class="val word" data-replay-speed aria-label="pace"><option value="2000">slow</option><option value="1000" selected>steady</option><option value="350">quick</option></select></label> <button type="button" class="link small" data-replay-close>Show all</button><p class="small" data-replay-says></p></section>
<div class="stagetools" data-tools role="group" aria-label="Tools of the stage">@foreach (['measure' => 'M', 'cut' => 'C', 'straight' => 'L', 'paint' => 'P', 'bodies' => 'B', 'arrange' => 'A'] as $tool => $key)<button type="button" data-tool="{{ $tool }}" aria-expanded="false">{{ ['measure' => 'measure', 'cut' => 'cut open', 'straight' => 'straight at', 'paint' => 'paint', 'bodies' => 'bodies', 'arrange' => 'line up'][$tool] }} <kbd>{{ $key }}</kbd></button>@endforeach</div>
</div>
</main>
@if ($work)<dialog class="large" id="large" aria-label="Drawing"><form method="dialog" class="row"><h2>{{ $exercise->title }}</h2><button class="btn">Close</button></form><div id="large-drawing"></div></dialog>@endif
</x-layout>
