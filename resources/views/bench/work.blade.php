@php
    $address = route('recipes.edit', $recipe, false);
    // once: sent when it is pressed; each: every field by itself when it changes; all: the whole form when one changes
    $edit = 'data-edits="once"'; $each = 'data-edits="each"'; $whole_ = 'data-edits="all"';
    $asked = $sheet->asked();
@endphp
<span id="state" hidden data-version="{{ $recipe->version }}" data-glb="{{ $glb }}" data-fresh="{{ $fresh ?? '' }}" data-words="{{ $words }}" data-door="{{ $address }}" data-recipe="{{ $recipe->id }}" data-now="{{ route('recipes.now', $recipe, false) }}" data-arrived="{{ route('recipes.arrived', $recipe, false) }}" data-unseen="{{ route('stage.unseen', $recipe, false) }}" data-ground="{{ $document->ground }}" data-open="{{ $open->id ?? '' }}" data-unfinished="{{ $unfinished || $measured === 'later' ? 1 : 0 }}"></span>
<header class="strip">
<x-mark/>
<div><span class="cap">{{ $work ? 'Exercise' : 'Reference part of' }}</span><h1 style="font-size:14.5px;line-height:19px">{{ $exercise->title }}</h1></div>
<div><span class="cap">Unit</span><span class="num">{{ $unit->word() }}</span></div>
@if ($work)<div><span class="cap">Due</span>{{ $work->assignment->due_on->format('D j M') }}</div>@endif
<div data-saved="all" title="Every change is sent at once and kept for good"><span class="cap">Saved</span><span id="saved" role="status">all</span></div>
<div><span class="cap">Help</span><a class="link" href="{{ route('guide') }}">Guide</a></div>
@if ($work)<div role="status"><span class="cap">Last check{{ $work->last_check ? ', ' . \Illuminate\Support\Carbon::parse($work->last_check['at'])->format('H:i') : '' }}</span>@if ($work->last_check)<b>{{ $metCount }} of {{ count($asked) }} met</b>{{ $stale ? ', changed since' : ($metCount < count($asked) ? ', ' . (count($asked) - $metCount) . ' to go' : '') }}@else none yet @endif</div>@endif
<div class="grow"></div>
<div class="acts">
@if ($work)
<form {!! $edit !!} data-to="{{ route('works.check', $work, false) }}"><button class="btn go" id="check" @disabled($checksLeft === 0 || $shownWhen !== 'check') @if ($shownWhen !== 'check') title="Your teacher shows the results {{ \Cubo\Check\Disclosure::WHEN[$shownWhen] }}." @endif>Check <kbd>Ctrl Enter</kbd>@if ($checksLeft !== null)<span class="small">{{ $checksLeft }} left</span>@endif</button></form>
<form method="post" action="{{ route('works.hand-in', $work) }}" data-when-saved>@csrf<input type="hidden" name="version" value="{{ $recipe->version }}"><button class="btn ink" data-asks="Hand it in now?" @disabled($glb === '')>{{ $handIn ? 'Hand in again' : 'Hand in' }}</button></form>
@else
<a class="btn go" href="{{ route('exercises.edit', $exercise) }}">Choose what is asked</a>
@endif
</div>
</header>
<aside class="sheet" aria-label="Sheet">
<div id="notice" role="alert" hx-morph-skip @if ($errors->has('hand-in')) class="notice" @else hidden @endif>{{ $errors->first('hand-in') }}</div>
<p id="trouble" class="trouble" role="status" hidden></p>
<header><h2>Sheet</h2>@if ($work && $drawing !== '')<button type="button" class="link small" data-opens="large" hx-get="{{ route('work.sheet', $work->assignment_id, false) }}" hx-target="#large-drawing" hx-swap="innerHTML">Show it large</button>@endif</header>
@if ($handIn !== null && $work)<p class="small" style="padding:0 16px 8px"><a class="link" href="{{ route('hand-ins.show', $handIn) }}">{{ ['waiting' => 'Handed in, waiting', 'returned' => 'Came back', 'accepted' => 'Accepted'][$handIn->state] }}</a>@if ($handIn->comment !== ''): {{ $handIn->comment }}@endif</p>@endif
@if ($drawing !== '' || $sheetFrom !== '')<div class="paper" data-sheet="{{ $sheetFrom }}">{!! $drawing !!}</div>@endif
@if (trim($exercise->brief) !== '')<div class="brief">{{ $exercise->brief }}</div>@endif
@if ($findings !== [])<section class="likely" aria-label="What probably happened"><h3>What probably happened</h3><ul>@foreach (array_slice($findings, 0, 3) as $f)<li><b>{{ $f->slip->title() }}</b> <span class="quiet small">{{ $f->sure() }}</span><br><span class="small">{{ $f->words }}</span></li>@endforeach</ul></section>@endif
@if ($said !== '')<p class="{{ ($told ?? false) ? 'said small' : 'vh' }}" role="status">{{ $said }}</p>@endif
@if ($work)
<ul>@foreach ($asked as $i => $r)
@php $row = $rows[$r->id] ?? null; $s = $states[$r->id] ?? 'open'; @endphp
<li class="req" id="req-{{ $r->id }}" data-requirement="{{ $r->id }}">
<span class="tag">{{ $r->letter }}</span><span>{{ $r->label }}</span><span class="num">{{ $r->askedText($unit) }} <span class="quiet">{{ $r->toleranceText($unit) }}</span></span>
<span class="got"><x-shape :state="$s" :width="64" :i="$i"/>@if ($row && $row->measured !== '')<span class="num {{ $s === 'met' ? 'met' : ($s === 'off' ? 'off' : 'quiet') }}">@if ($s === 'stale')<s>{{ $row->measured }}</s>@else{{ $row->measured }}@endif</span>@endif
<b class="{{ $s === 'met' || $s === 'stale' ? 'met' : (in_array($s, ['open', 'unknown'], true) ? 'quiet' : 'off') }}" style="font-weight:{{ $s === 'off' || $s === 'missing' ? 640 : 420 }}">{{ $s === 'stale' ? 'Changed since' : ($row->word ?? 'Not checked') }}</b></span>
@if ($row && $row->diagnosis !== '' && ! $stale)<span class="why">{{ $row->diagnosis }}</span>@endif
@if ($r->kind->asksForAnotherWay() && $handIn !== null && ! $open)<form class="why" {!! $edit !!}><input type="hidden" name="do" value="anew"><button class="btn s" data-asks="Put the steps aside and begin on an empty paper?" @disabled($document->steps === [])>Begin another way</button> <span class="small quiet">What you handed in stays; Undo brings these steps back.</span></form>@endif
</li>@endforeach</ul>
@else
<p class="small" style="padding:6px 16px">Build the part as the class should. Its sizes become what is asked; nothing is typed twice.</p>
@endif
<script type="application/json" id="paint">{!! json_encode((object) $paint, JSON_HEX_TAG | JSON_HEX_AMP) !!}</script>
<script type="application/json" id="body-words">{!! json_encode((object) $bodyWords, JSON_HEX_TAG | JSON_HEX_AMP) !!}</script>
<script type="application/json" id="marks">{!! json_encode($marks, JSON_HEX_TAG | JSON_HEX_AMP) !!}</script>
</aside>
<section class="log" aria-label="Build log">
<header><h2>Build log</h2><span class="small" id="bench-sync"><button type="button" class="link" data-replay-open @disabled(count($document->steps) < 2)>Step by step</button>&ensp;
<form style="display:inline" {!! $edit !!}><input type="hidden" name="do" value="undo"><button class="link" id="undo" @disabled(! $canUndo)>Undo</button></form>&ensp;
<form style="display:inline" {!! $edit !!}><input type="hidden" name="do" value="redo"><button class="link" id="redo" @disabled(! $canRedo)>Redo</button></form></span></header>
@if ($open)
<div class="opened" role="region" aria-label="Group {{ $open->name() }}, open">
<p><b>Inside {{ $open->name() }}.</b> What changes here changes wherever it is placed.</p>
<form {!! $edit !!}><input type="hidden" name="do" value="close"><button class="btn s go" id="close-group">Close the group</button></form>
</div>
@endif
@php $named = $document->named(); $rows = [...array_map(null, array_keys($document->sizes), array_values($document->sizes)), ['', '']]; @endphp
<details class="sizes" id="sizes" @if ($named->problems !== [] || $document->sizes !== []) open @endif><summary>Named sizes</summary>
<form {!! $each !!}>
@foreach ($rows as $i => [$n, $v])<div class="size-row"><input class="val" id="size-{{ $i }}-name" name="name" data-size="{{ $n }}" data-part="name" value="{{ $n }}" aria-label="{{ $n === '' ? 'name of a new size' : "name of size $n" }}" placeholder="wall" maxlength="24" autocomplete="off" spellcheck="false" size="8"> is <input class="val {{ isset($named->problems[$n]) ? 'bad' : '' }}" id="size-{{ $i }}-value" name="value" data-size="{{ $n }}" data-part="value" value="{{ $v }}" aria-label="{{ $n === '' ? 'value of a new size' : "value of $n" }}" placeholder="2" maxlength="120" autocomplete="off" spellcheck="false" size="10">@if ($n !== '') <span class="small quiet">{{ $named->shown($n) === $v ? '' : $named->shown($n) }}</span>@endif @if (isset($named->problems[$n]))<span class="why" role="alert"><b class="off">This size cannot be read.</b> {{ $named->problems[$n] }}</span>@endif</div>
@endforeach
<p class="small quiet">A name can stand in every value below: “width - 2*wall”.</p><button class="vh">Keep these sizes</button></form>
@if ($open && $document->sizes !== [])<form {!! $each !!}><input type="hidden" name="group" value="{{ $open->id }}"><p class="small">Locked, so that no place of the group can set them: @foreach (array_keys($document->sizes) as $n)<label class="lock"><input type="checkbox" id="lock-{{ $n }}" name="locked" value="{{ $n }}" data-lock="{{ $n }}" @checked(in_array($n, $open->locked, true))>{{ $n }}</label> @endforeach</p></form>@endif
</details>
@include('bench.groups')
@if ($unfinished)<p class="working" role="status"><b>Cubo is working on the part.</b> It comes by itself; what you change meanwhile is kept.</p>@endif
@if ($document->steps === [])<p class="empty">No step yet. Each step is a sentence here; every value in it can be changed at any time.</p>@endif
<ol>@foreach ($document->steps as $i => $step)@include('bench.step', ['n' => $i + 1])@endforeach</ol>
@if ($measured === 'later' && ! $unfinished)<p class="working small" role="status">The part is being measured; its sizes come by themselves.</p>@elseif ($measured === 'never')<p class="working small">The part has too many curved faces to show its sizes here. Handed in, it is measured all the same.</p>@endif
@if ($readouts !== null)
<dl class="readouts"><dt>Overall</dt><dd class="num" style="grid-column:2/5">{{ implode(' × ', array_map(fn ($v) => $unit->show($v), $readouts['size'])) }} {{ $unit->value }}</dd>
<dt>Volume</dt><dd class="num">{{ \Cubo\Quantity\Amount::volume($readouts['volume'], $unit) }}</dd><dt>Pieces</dt><dd class="num">{{ $readouts['bodies'] }}</dd>
<dt>Surface</dt><dd class="num" style="grid-column:2/5">{{ \Cubo\Quantity\Amount::area($readouts['area'], $unit) }}</dd></dl>
@php $m = $document->material; @endphp
<form class="mass" {!! $whole_ !!}><input type="hidden" name="do" value="material"><label for="material">Made of</label> <select class="val word" id="material" name="material"><option value="">nothing chosen</option>@foreach (\Cubo\Measure\Material::TABLE as $k => $d)<option @selected($m?->name === $k)>{{ $k }}</option>@endforeach<option value="own" @selected($m?->name === 'own')>own density</option></select>@if ($m?->name === 'own') <input class="val {{ $massWhy === '' ? '' : 'bad' }}" id="density" name="density" value="{{ $m->density }}" aria-label="density" size="6" maxlength="40" autocomplete="off"> <select class="val word" id="density-unit" name="density_unit" aria-label="unit of the density">@foreach (\Cubo\Quantity\DensityUnit::cases() as $du)<option value="{{ $du->value }}" @selected($m->unit === $du)>{{ str_replace('3', '³', $du->value) }}</option>@endforeach</select>@endif @if ($mass !== null)<span class="num" id="mass">{{ $mass }}</span>@elseif ($massWhy !== '')<span class="why" role="alert">{{ $massWhy }}</span>@endif</form>
@if (abs($readouts['low']) > 1e-6)<p class="ground small">{{ $readouts['low'] < 0 ? 'The part reaches ' . $unit->brief(-$readouts['low']) . " {$unit->value} below the ground." : 'The part hangs ' . $unit->brief($readouts['low']) . " {$unit->value} above the ground." }}</p>@endif
@if ($readouts['head'])<p class="ground small">It may stand on its head: what touches the ground is much smaller than what lies flat on top.</p>@elseif ($readouts['balances'])<p class="ground small">It balances on an edge or a point: nothing of it lies flat on the ground.</p>@endif
<p class="ground small" data-unseen-list hidden></p>
@if ($pins !== [])
<section class="pins" aria-label="Kept in view">@foreach ($pins as $i => $pin)
<div><span>{{ implode(' and ', $pin['words']) }}</span>@if ($pin['read']->problem !== '')<span class="off">{{ $pin['read']->problem }}</span>@else<span class="num">{{ implode(', ', array_map(fn ($r) => "{$r[0]} {$r[1]}", array_slice($pin['read']->rows, 0, 2))) }}</span>@endif
<form {!! $edit !!}><input type="hidden" name="do" value="pin">@foreach ($pin['of'] as $n)<input type="hidden" name="of[]" value="{{ $n }}">@endforeach<button class="link small" aria-label="Do not keep {{ implode(' and ', $pin['words']) }} in view">remove</button></form></div>
@endforeach</section>
@endif
@endif
</section>
<footer class="composer" aria-label="Next step">
<div class="verbs">
@php($hasSketch = collect($document->steps)->contains(fn ($s) => $s->kind->draws()))
@foreach (\Cubo\Recipe\Kind\Family::cases() as $family)
<div><span>{{ $family->label() }}@if ($family === \Cubo\Recipe\Kind\Family::Solid && $document->ground !== ''), standing on {{ \Cubo\Recipe\PartNames::face($document->ground, $document) }} <form style="display:inline" {!! $edit !!}><input type="hidden" name="do" value="ground"><input type="hidden" name="face" value=""><button class="link">put the ground back</button></form>@endif</span>
<ul>
@foreach (\Cubo\Recipe\Kind\Kinds::in($family) as $k)
@continue($k->placesGroup())
<li><form {!! $edit !!}><input type="hidden" name="do" value="add"><input type="hidden" name="kind" value="{{ $k->id() }}"><input type="hidden" name="after" value=""><button class="verb" id="verb-{{ $k->id() }}" @disabled(! $k->needs()->isMet($hasSketch, $glb !== ''))><x-verb :kind="$k->id()"/><span>{{ $k->label() }}</span></button></form></li>
@endforeach
</ul></div>
@endforeach
<div><span>Own parts</span><ul><li><button type="button" class="verb" id="verb-library" data-opens-tool="library"><x-verb kind="library"/><span>library</span></button></li>@foreach (array_slice($document->groups, 0, 4) as $g)@continue($open && in_array($open->id, $document->reach($g->id), true))<li><form {!! $edit !!}><input type="hidden" name="do" value="place"><input type="hidden" name="group" value="{{ $g->id }}"><input type="hidden" name="after" value=""><button class="verb own" id="verb-{{ $g->id }}" title="Place {{ $g->name() }} once more"><x-verb kind="group"/><span>{{ \Illuminate\Support\Str::limit($g->name(), 12, '…') }}</span></button></form></li>@endforeach</ul></div>
<div class="files">@if ($work)<a class="link" href="{{ route('files.create', $work->assignment_id) }}">Hand in a file instead</a><br>@endif @if ($glb !== '')Take the part with you<br><x-formats route="recipes.download" :of="$recipe"/> <a class="link" href="{{ route('recipes.download', [$recipe, 'json']) }}">Recipe</a>@endif</div>
</div>
</footer>
