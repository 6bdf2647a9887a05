<x-layout title="{{ $step->name }}, {{ $exercise->title }}" class="bench pad">
<header class="strip">
<x-mark/>
<div><span class="cap">Sketch of</span><h1 style="font-size:14.5px;line-height:19px">{{ $exercise->title }}</h1></div>
<div><span class="cap">Step</span>{{ $step->name }}</div>
<div><span class="cap">Plane</span>{{ ['ground' => 'ground', 'face' => $face][$step->text('plane')] ?? $step->text('plane') . ' plane' }}@if (! in_array($step->text('offset'), ['0', ''], true)), {{ $step->text('offset') }} {{ $unit->value }} from it @endif</div>
<div><span class="cap">Unit</span><span class="num">{{ $unit->word() }}</span></div>
<div data-saved="all"><span class="cap">Saved</span><span id="saved" role="status">all</span></div>
<div class="grow"></div>
<div class="acts"><a class="btn ink" id="finish" href="{{ $back }}">Back to the bench</a></div>
</header>
<aside class="sheet" aria-label="Sheet">
<header><h2>Sheet</h2></header>
@if ($drawing !== '')<div class="paper">{!! $drawing !!}</div>@endif
@if (trim($exercise->brief) !== '')<div class="brief">{{ $exercise->brief }}</div>@endif
</aside>
<main class="stage" id="pad" tabindex="0" aria-label="Pad. What is drawn is listed beside it; the line below draws what you type." data-post="{{ route('pad.edit', [$recipe, $step->id], false) }}" data-now="{{ route('pad.now', [$recipe, $step->id], false) }}" data-arrived="{{ route('recipes.arrived', $recipe, false) }}" data-recipe="{{ $recipe->id }}.{{ $step->id }}" data-token="{{ csrf_token() }}" data-unit="{{ $unit->value }}" data-mm="{{ $unit->inMillimetres() }}" data-behind="{{ $behind }}" data-axes="{{ ['ground' => 'to the right,to the back', 'front' => 'to the right,up', 'side' => 'to the back,up'][$step->text('plane')] ?? 'along the face,up the face' }}">
<svg class="paper" role="img" aria-label="The sketch as drawn"></svg>
<p class="hint" id="pad-hint" aria-live="polite"></p>
<div id="pad-forms" role="group" aria-label="How to draw it" hidden></div>
<form id="pad-grid"><label for="pad-squares">Squares of</label> <input class="val" id="pad-squares" value="{{ $squares[1] }}" size="4" maxlength="40" autocomplete="off"> {{ $unit->value }}</form>
<form id="pad-value" hidden><input class="val" aria-label="value" autocomplete="off"></form>
<div class="slip" id="pad-slip" hidden></div>
</main>
<section class="log" aria-label="What is drawn">
<header><h2>Drawn</h2><span class="small"><button class="link" id="undo">Undo</button>&ensp;<button class="link" id="redo">Redo</button></span></header>
<div id="pad-said" role="alert" hidden></div>
<div class="scroll">
<div id="pad-list"></div>
@if ($edges !== [])<details class="part-edges"><summary>Edges of the part to take over</summary>
@foreach (collect($edges)->flatMap(fn ($x) => array_map(fn ($f) => [$f, $x], $x['faces']))->groupBy(0)->sortKeys(SORT_NATURAL) as $face => $list)<p><button type="button" class="link" data-takes="{{ $face }}">all {{ count($list) }} of {{ $face }}</button><br>@foreach ($list as [, $x])<button type="button" class="link small" data-takes="{{ $x['key'] }}">{{ $x['words'] }}</button>@if (! $loop->last), @endif @endforeach</p>
@endforeach
</details>@endif
</div>
<div class="freedom" role="status"><svg id="pad-chain" width="300" height="18" aria-hidden="true"></svg><div id="pad-free"></div></div>
</section>
<footer class="composer" aria-label="Draw">
<form id="pad-line" class="typed"><label for="pad-text">Type a line</label><input id="pad-text" autocomplete="off" spellcheck="false" maxlength="300" placeholder="line 40 at 30 deg" list="pad-examples"><kbd>Enter</kbd><span class="small quiet">draws it</span></form>
<datalist id="pad-examples">@foreach (\Cubo\Sketch\Draw\TypedLine::EXAMPLES as $x)<option value="{{ $x }}">@endforeach</datalist>
<div class="verbs">
<div><span>Draw</span><ul>@foreach (['line', 'rectangle', 'circle', 'arc', 'slot', 'polygon', 'ellipse', 'curve', 'text', 'point', 'guide'] as $t)<li><button type="button" class="verb" data-tool="{{ $t }}" aria-pressed="false">{{ $t }}</button></li>@endforeach @if ($behind !== '')<li><button type="button" class="verb" data-tool="take" aria-pressed="false">take over</button></li>@endif</ul></div>
<div><span>Size and role</span><ul><li><button type="button" class="verb" data-size>size</button></li>@foreach (['construction', 'centre', 'outline'] as $r)<li><button type="button" class="verb" data-role="{{ $r }}">{{ $r === 'centre' ? 'centre line' : $r }}</button></li>@endforeach</ul></div>
<div><span>Change: trim, extend and split where you click, the others in the line above</span><ul>@foreach (['trim' => '', 'extend' => '', 'split' => '', 'round' => ' by 4', 'chamfer' => ' by 2', 'offset' => ' by 3 inside', 'mirror' => ' over v-axis', 'row' => ' 4 by 10, 0', 'around' => ' 6 about origin', 'divide' => ' 4', 'shift' => ' by 10, 0', 'copy' => ' by 10, 0', 'turn' => ' by 90 about origin', 'scale' => ' by 2 about origin'] as $verb => $tail)<li><button type="button" class="verb" @if ($tail === '') data-tool="{{ $verb }}" aria-pressed="false" @else data-change="{{ $verb }}" data-tail="{{ $tail }}" @endif>{{ ['row' => 'in a row', 'around' => 'around a point'][$verb] ?? $verb }}</button></li>@endforeach<li><button type="button" class="verb" data-remove>remove</button></li></ul></div>
<div><span>Settle what is picked</span><ul>@foreach (['horizontal', 'vertical', 'parallel', 'perpendicular', 'equal', 'tangent', 'coincident', 'midpoint', 'concentric', 'symmetric', 'collinear', 'fixed'] as $r)<li><button type="button" class="verb" data-relate="{{ $r }}">{{ $r }}</button></li>@endforeach</ul></div>
</div>
</footer>
<script type="application/json" id="pad-edges">{!! json_encode($edges, JSON_HEX_TAG | JSON_HEX_AMP) !!}</script>
<script type="application/json" id="pad-state">{!! json_encode($state, JSON_HEX_TAG | JSON_HEX_AMP) !!}</script>
</x-layout>
