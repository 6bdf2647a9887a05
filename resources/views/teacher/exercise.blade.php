<x-layout title="{{ $exercise->title }}">
<x-person-strip caption="Exercise" heading="{{ $exercise->title }}">
<div><span class="cap">Asked</span>{{ count($sheet->asked()) }} sizes, {{ array_sum(array_map(fn ($r) => $r->points, $sheet->asked())) }} points</div>
<div data-saved="{{ $errors->any() ? 'waits' : 'all' }}"><span class="cap">Saved</span><span role="status" id="kept">{{ session('said', $errors->any() ? 'not saved, see below' : 'all') }}</span></div>
<x-slot:acts><button class="btn go" form="exercise">Save what is asked</button></x-slot:acts>
</x-person-strip>
<main class="cols ed">
<div class="ed-main">
@if ($drawing !== '')<div class="paper">{!! $drawing !!}</div>@else<p style="padding:40px 28px;font-size:17px">The drawing is made from the reference part. <a class="link" href="{{ route('exercises.bench', $exercise) }}">Build it first</a>.</p>@endif
<div class="ed-low">
<div style="padding:0;display:flex;flex-direction:column"><div class="mini" data-stage="small" data-glb="{{ $glb }}" data-unit="{{ $unit->value }}" data-alt="The reference part" style="flex:1"></div>
<div style="padding:8px 14px 12px"><h2>Reference part</h2><p class="small quiet">@if ($readouts){{ count($exercise->reference->document()->steps) }} steps, {{ $readouts['bodies'] === 1 ? 'one solid' : $readouts['bodies'] . ' pieces' }}, {{ \Cubo\Quantity\Amount::volume($readouts['volume'], $unit) }}@elseif ($glb === '')Nothing built yet.@endif</p><a class="btn s" style="margin-top:6px" href="{{ route('exercises.bench', $exercise) }}">Open its build log</a></div></div>
<div><label class="lab" for="title">Title</label><input class="field" form="exercise" id="title" name="title" value="{{ old('title', $exercise->title) }}" maxlength="80">@error('title')<span class="wrong" role="alert">{{ $message }}</span>@enderror
<label class="lab" for="brief" style="margin-top:10px">Brief</label><textarea class="field" form="exercise" id="brief" name="brief" rows="3">{{ old('brief', $exercise->brief) }}</textarea>@error('brief')<span class="wrong" role="alert">{{ $message }}</span>@enderror
<p style="margin-top:10px"><label><input type="hidden" form="exercise" name="turned" value="0"><input type="checkbox" form="exercise" name="turned" value="1" @checked(old('turned', $exercise->turned ? '1' : '0') === '1')> may lie in any of its ways</label></p>
<p><label for="printer">Printed on</label> <select class="val word" form="exercise" id="printer" name="printer">@foreach (\Cubo\Printing\PrintProfile::all() as $p)<option value="{{ $p->key }}" @selected(old('printer', $exercise->printer) === $p->key)>{{ $p->name }}</option>@endforeach</select></p></div>
<div style="border-right:0"><h2>Give it to a class</h2>
<div class="say" style="margin-top:4px">
Class <select class="val" form="exercise" name="class_id" aria-label="class">@foreach ($classes as $c)<option value="{{ $c->id }}" @selected((string) old('class_id') === (string) $c->id)>{{ $c->name }}</option>@endforeach</select>
hands in by <input class="val" form="exercise" type="date" name="due_on" aria-label="due date" value="{{ old('due_on', today()->addWeek()->toDateString()) }}">
and may check <input class="val" form="exercise" name="checks_allowed" aria-label="checks allowed, empty for as often as wanted" inputmode="numeric" size="3" value="{{ old('checks_allowed') }}" placeholder="any"> times. They see <select class="val word" form="exercise" name="shows" aria-label="what students see">@foreach (['hints' => 'values and hints', 'values' => 'values', 'verdict' => 'met or not'] as $k => $word)<option value="{{ $k }}" @selected(old('shows', 'hints') === $k)>{{ $word }}</option>@endforeach</select> <select class="val word" form="exercise" name="shown_when" aria-label="when students see it">@foreach (\Cubo\Check\Disclosure::WHEN as $k => $word)<option value="{{ $k }}" @selected(old('shown_when', 'check') === $k)>{{ $word }}</option>@endforeach</select>
@foreach ($errors->getBag('give')->all() as $m)<span class="wrong" role="alert">{{ $m }}</span>@endforeach
<div style="margin-top:6px">@if ($errors->getBag('give')->has('past'))<input type="hidden" form="exercise" name="past" value="1">@endif<button class="btn ink" form="exercise" name="give" value="1">{{ $errors->getBag('give')->has('past') ? 'Set it all the same' : 'Save and set it' }}</button></div></div>
@if ($handIns > 0)<form method="post" action="{{ route('exercises.mark-again', $exercise) }}" style="margin-top:10px">@csrf<button class="btn s" @disabled($errors->any())>Mark {{ $handIns === 1 ? 'the hand-in' : "all $handIns hand-ins" }} again</button><p class="small quiet">After you corrected what is asked: save first.</p></form>@endif
@include('teacher.exercise-whole')
@if ($assignments->isNotEmpty())<h3 style="margin-top:10px">Set for</h3><ul class="small">@foreach ($assignments as $a)<li><a class="link" href="{{ route('assignments.show', $a) }}">{{ $a->schoolClass->name }}</a>, due {{ $a->due_on->format('D j M') }}, {{ $a->checks_allowed === null ? 'checks as often as wanted' : $a->checks_allowed . ' checks' }} <form method="post" action="{{ route('assignments.take-back', $a) }}" style="display:inline">@csrf<button class="link" data-asks="Take it back from {{ $a->schoolClass->name }}?" aria-label="Take it back from {{ $a->schoolClass->name }}">take it back</button></form></li>@endforeach</ul>@endif
</div>
</div>
</div>
<section class="ed-req" aria-labelledby="asked">
<header style="padding:10px 16px 4px"><h2 id="asked">What is asked</h2><p class="small quiet">Read from the reference part. Untick what you do not want measured.</p>
@if (! $whole)<p class="small">This part has so many faces that not everything in it was looked for. What is missing can be added below, between two places of your own.</p>@endif
<p class="small" style="margin-top:4px"><label>All lengths within <input class="val" form="exercise" name="tolerance" value="{{ old('tolerance', $exercise->tolerance) }}" size="8" maxlength="40" autocomplete="off" placeholder="as below" title="0.2, +0.1 -0.3, a class of ISO 2768 (f, m, c, v) or a fit of ISO 286 (H7, g6 ...)"></label> @error('tolerance')<span class="wrong" role="alert">{{ $message }}</span>@enderror</p></header>
<form id="exercise" method="post" action="{{ route('exercises.update', $exercise) }}" data-keeps @if ($errors->any()) data-changed @endif>@csrf<input type="hidden" name="rows" value="{{ count($sheet->requirements) }}">
<table class="tbl"><thead><tr><th><span class="vh">Asked</span></th><th></th><th>Size</th><th class="r">On the drawing</th><th class="r">Tolerance</th><th class="r">Points</th></tr></thead><tbody>
@php $sorted = [...array_filter($sheet->requirements, fn ($r) => $r->asked), ...collect($sheet->requirements)->filter(fn ($r) => ! $r->asked)->groupBy(fn ($r) => $r->kind->heading()->label())->flatten(1)->all()]; $sub = ''; @endphp
@foreach ($sorted as $r)
@php $family = $r->asked ? '' : $r->kind->heading()->label(); @endphp
@if ($family !== $sub)@php $sub = $family; $of = array_filter($sorted, fn ($q) => ! $q->asked && $q->kind->heading()->label() === $family); $opens = false; foreach ($of as $q) { foreach ($errors->keys() as $k) { $opens = $opens || str_starts_with($k, "requirements.{$q->id}."); } } $fold = 'fold-' . \Illuminate\Support\Str::slug($family); @endphp
</tbody><tbody><tr class="sub"><th colspan="6" scope="colgroup"><button type="button" class="unfold" data-unfolds aria-expanded="{{ $opens ? 'true' : 'false' }}" aria-controls="{{ $fold }}">{{ $family }} <span class="quiet num">{{ count($of) }}</span></button></th></tr></tbody><tbody id="{{ $fold }}" @if (! $opens) hidden @endif>@endif
@php $f = "requirements.{$r->id}"; $n = "requirements[{$r->id}]"; @endphp
<tr class="{{ $r->asked ? '' : 'un' }}">
<td style="width:36px"><input type="hidden" name="{{ $n }}[asked]" value="0"><input type="checkbox" name="{{ $n }}[asked]" value="1" aria-label="ask for {{ $r->label }}" @checked(old("$f.asked", $r->asked ? '1' : '0') === '1')></td>
<td style="width:26px">@if ($r->letter)<span class="tag">{{ $r->letter }}</span>@endif</td>
<td class="grow"><textarea class="field plain" name="{{ $n }}[label]" rows="1" aria-label="name of {{ $r->label }}" maxlength="60">{{ old("$f.label", $r->label) }}</textarea>@if (\Cubo\Check\Proposing\OwnRequirements::isOwn($r))<button class="link small" name="drop" value="{{ $r->id }}" aria-label="take out {{ $r->label }}">Take it out</button>@endif @error("$f.label")<span class="wrong" role="alert">{{ $message }}</span>@enderror</td>
<td class="r num" style="white-space:nowrap">
@if (($limit = $r->kind->limit()) !== null){{ $limit->words() }} <input class="field num limit" name="{{ $n }}[limit]" value="{{ old("$f.limit", $limit->unit->shown($r->nominal, $unit)) }}" aria-label="limit of {{ $r->label }}">{{ $limit->unit->sign($unit) }}
@elseif (isset($r->where['becomes'])){{ $r->where['was'] }} becomes <input class="field num limit" name="{{ $n }}[becomes]" value="{{ old("$f.becomes", $r->where['becomes']) }}" aria-label="new value of {{ $r->where['size'] }}">
@elseif ($r->kind->typed() !== [])@foreach ($r->kind->typed() as $k)<input class="field num limit three" name="{{ $n }}[{{ $k }}]" value="{{ old("$f.$k", $unit->brief((float) $r->where[$k])) }}" aria-label="{{ $r->label }}, {{ $k }}">@endforeach

@else{{ $r->askedText($unit) }}@endif
@foreach (['limit', 'becomes', 'x', 'y', 'z'] as $k)@error("$f.$k")<span class="wrong" role="alert">{{ $message }}</span>@enderror @endforeach</td>
<td class="r" style="width:66px">@if ($r->kind->hasTolerance())<span style="display:inline-flex;align-items:center;gap:3px"><input class="field num" style="width:54px" maxlength="40" name="{{ $n }}[tolerance]" value="{{ old("$f.tolerance", $r->as !== '' ? $r->as : ($r->kind->isShare() || $r->kind->isAngle() ? \Cubo\Quantity\Number::brief($r->tolerance, 2) : $unit->brief($r->tolerance))) }}" aria-label="tolerance of {{ $r->label }}"@if ($r->kind->isLength()) title="±: 0.2. Unequal: +0.1 -0.3. Limits: 49.8 to 50.2. ISO 2768: f, m, c, v. ISO 286: H7, g6 ..."@elseif ($r->kind->isAngle()) title="Degrees, or a class of ISO 2768: f, m, c, v"@endif>{{ $r->kind->isShare() ? '%' : ($r->kind->isAngle() ? '°' : '') }}</span>@endif @error("$f.tolerance")<span class="wrong" role="alert">{{ $message }}</span>@enderror</td>
<td class="r" style="width:58px"><input class="field num" style="width:42px" name="{{ $n }}[points]" value="{{ old("$f.points", $r->points) }}" inputmode="numeric" aria-label="points for {{ $r->label }}">@error("$f.points")<span class="wrong" role="alert">{{ $message }}</span>@enderror</td>
</tr>
@endforeach
@if ($data !== [])</tbody><tbody><tr class="own"><td colspan="6">
<p><b>Ask for more:</b> <select class="val word" name="own[what]" aria-label="what is asked between the two">@foreach (\Cubo\Check\Proposing\OwnRequirements::WHAT as $k => $word)<option value="{{ $k }}" @selected(old('own.what') === $k)>{{ $word }}</option>@endforeach</select>
between @foreach (['from' => 'and', 'to' => ''] as $end => $after)<select class="val word" name="own[{{ $end }}]" aria-label="{{ $end === 'from' ? 'first' : 'second' }} face, axis or corner"><option value="">…</option>@foreach (collect($data)->groupBy(fn ($w, $k) => strtok($k, '-'), true) as $kind => $of)<optgroup label="{{ ['face' => 'flat faces', 'hole' => 'axes of holes', 'pin' => 'axes of rounds', 'corner' => 'corners'][$kind] }}">@foreach ($of as $k => $word)<option value="{{ $k }}" @selected(old("own.$end") === $k)>{{ $word }}</option>@endforeach</optgroup>@endforeach</select> {{ $after }} @endforeach
<button class="btn s" name="add" value="1">Add it</button> @error('own')<span class="wrong" role="alert">{{ $message }}</span>@enderror</p></td></tr>@endif
@if ($aside !== [])<tr class="own"><td colspan="6"><p class="small"><b>Asked, but not on the reference part now:</b> {{ implode('; ', array_map(fn ($r) => $r->label, array_slice($aside, 0, 8))) }}{{ count($aside) > 8 ? ' and ' . (count($aside) - 8) . ' more' : '' }}. {{ count($aside) === 1 ? 'It is' : 'They are' }} asked again, with {{ count($aside) === 1 ? 'its' : 'their' }} tolerance, when the place comes back. <button class="btn s" name="forget" value="1">Leave {{ count($aside) === 1 ? 'it' : 'them' }} out</button></p></td></tr>@endif
@if ($sheet->requirements === [])<tr><td colspan="6" class="quiet">Nothing to measure yet: the reference part is empty.</td></tr>@endif
</tbody></table></form>
</section>
</main>
</x-layout>
