@php
    $work = $handIn->work; $off = array_filter($report->rows, fn ($r) => ! in_array($states[$r->id], ['met', 'unknown'], true)); $unknown = array_filter($report->rows, fn ($r) => $states[$r->id] === 'unknown'); $met = array_filter($report->rows, fn ($r) => $states[$r->id] === 'met');
    $gauge = function ($r) { if ($r->deviation === null || $r->allowed <= 0) { return null; } $k = max(-1, min(1, $r->deviation / ($r->allowed * 4.5))); return $k; };
@endphp
<x-layout title="Report, {{ $exercise->title }}">
<header class="strip"><x-mark/>
<div><span class="cap">Report</span><h1 style="font-size:14.5px;line-height:19px">{{ $exercise->title }}</h1></div>
<div><span class="cap">Class {{ $work->assignment->schoolClass->name }}</span>{{ $work->student->name }}</div>
<div><span class="cap">Handed in</span>{{ $handIn->created_at->format('j M, H:i') }}, try {{ $handIn->attempt }}</div>
@if ($handIn->file)<div><span class="cap">File</span>{{ \Illuminate\Support\Str::limit($handIn->file->name, 26) }}</div>@endif
<div><span class="cap">Unit</span><span class="num">{{ $unit->word() }}</span></div>
<div><span class="cap">State</span><b>{{ ['waiting' => 'Waiting for a word', 'returned' => 'Sent back', 'accepted' => 'Accepted'][$handIn->state] }}</b></div>
<div class="grow"></div>
<div class="acts">@foreach (['before' => $beside[0], 'next' => $beside[1]] as $way => $id)@if ($id !== null)<a class="btn" href="{{ route('hand-ins.show', $id) }}" data-key="{{ $way === 'next' ? 'n' : 'b' }}" title="{{ __("lesson.{$way}_about") }}">{{ __("lesson.$way") }}</a>@endif @endforeach @if ($handIn->isShown())<a class="btn" href="{{ route('hand-ins.layers', $handIn) }}">Layers</a>@endif <a class="btn" href="{{ route('hand-ins.pdf', $handIn) }}">PDF</a>@if ($judge)<a class="btn" href="{{ route('assignments.show', $work->assignment_id) }}">Back to the class</a>@else<a class="btn go" href="{{ route('work', $work->assignment_id) }}">Back to the bench</a>@endif</div></header>
<main class="cols rp">
<div class="rp-pic">
<div class="stage" data-stage="full" data-glb="{{ $glb }}" data-unit="{{ $unit->value }}" tabindex="0" aria-label="The part as handed in. Keys 0 to 3 choose the view, arrows turn." data-alt="The part as handed in">
<div class="look" role="group" aria-label="Look from">@foreach (['isometric' => 0, 'front' => 1, 'top' => 2, 'right' => 3] as $v => $k)<button type="button" data-view="{{ $v }}" aria-pressed="{{ $k === 0 ? 'true' : 'false' }}">{{ $v }}</button>@endforeach</div>
@if ($glb === '')<p class="slip" style="left:16px;bottom:48px;position:absolute">Too fine for a picture.</p>@endif
<div class="slip plain" data-square></div></div>
<div style="padding:8px 6px 6px"><h2 style="padding:0 10px;font-size:14.5px">The drawing, as it was met</h2>@if ($drawing !== ''){!! $drawing !!}@else<div hx-get="{{ $drawingFrom }}" hx-trigger="load" hx-swap="innerHTML" role="status"><p class="quiet" style="padding:0 10px">The drawing is being made.</p></div>@endif</div>
</div>
<div class="rp-main">
<div class="rp-sum"><div><div style="font-size:22px;line-height:27px;font-weight:740">{{ count($met) }} of {{ count($report->rows) }} met</div><span class="quiet">{{ $handIn->points() }} of {{ $report->mostPoints() }} points</span></div>
<div><x-chain :states="array_map(fn ($r) => $states[$r->id], $report->rows)" :letters="array_map(fn ($r) => $r->letter, $report->rows)" :width="430"/></div></div>
@if ($handIn->comment !== '' && ! $judge)<div style="padding:10px 16px;border-bottom:1px solid var(--color-rule)"><b>Your teacher says</b><p style="white-space:pre-line;padding-left:10px;border-left:3px solid var(--color-violet);margin-top:4px">{{ $handIn->comment }}</p></div>@endif
<div class="rp-rows">@if ($report->findings !== [])<section class="likely" aria-label="What probably happened"><h2>What probably happened</h2><ul>@foreach ($report->findings as $f)<li><b>{{ $f->slip->title() }}</b> <span class="quiet small">{{ $f->sure() }}</span> @foreach ($f->rows as $id)@php $fr = collect($report->rows)->firstWhere('id', $id); @endphp @if ($fr)<span class="tag">{{ $fr->letter }}</span>@endif @break($loop->index === 5) @endforeach<br><span>{{ $f->words }}</span></li>@endforeach</ul></section>@endif
@if ($changes !== [] && $judge)<p class="small" style="padding:8px 16px;border-bottom:1px solid var(--color-rule)"><b>Marked again {{ $handIn->checked_at->format('j M, H:i') }}:</b> @foreach ($changes as $c){{ $c['label'] }}: {{ $c['from'] }} → {{ $c['to'] }}{{ $loop->last ? '.' : '; ' }}@endforeach</p>@endif
<table class="tbl"><thead><tr><th></th><th>{{ count($off) ? count($off) . ' to mend' : 'All met' }}</th><th class="r">Asked</th><th class="r">Measured</th><th class="gauge"><span>less</span><span>more</span></th><th class="r">Off by</th><th>State</th><th class="r">Points</th>@if ($judge)<th><span class="vh">Overrule</span></th>@endif</tr></thead><tbody>
@foreach ([...$off, ...$unknown, ...$met] as $r)
@php $s = $states[$r->id]; $over = $handIn->overrules[$r->id] ?? null; $isOff = $s !== 'met'; $k = $gauge($r); @endphp
@if ($loop->index === count($off) && count($unknown) > 0)<tr class="sub"><th colspan="9" scope="colgroup">{{ count($unknown) }} could not be measured</th></tr>@endif
@if ($loop->index === count($off) + count($unknown) && count($off) + count($unknown) > 0 && count($met) > 0)<tr class="sub"><th colspan="9" scope="colgroup">{{ count($met) }} met</th></tr>@endif
@php $wide = ($isOff && $r->diagnosis !== '') || $over || ($judge && ($errors->getBag('row-' . $r->id)->any() || request('overrule') === $r->id)); @endphp
<tr class="{{ $wide ? 'w' : '' }}" id="row-{{ $r->id }}" data-requirement="{{ $r->id }}">
<td style="width:42px"><span class="tag">{{ $r->letter }}</span></td><th scope="row"><b style="font-weight:{{ $isOff ? 640 : 420 }}">{{ $r->label }}</b></th>
<td class="r num asked"><span>{{ $r->asked }}</span> <span class="quiet">{{ $r->tolerance }}</span></td><td class="r num {{ $r->status === 'met' ? 'met' : ($r->status === 'unknown' ? 'quiet' : 'off') }}">{{ $r->measured === '' ? '–' : $r->measured }}</td>
<td class="gauge">@if ($k !== null)<svg width="112" height="15" viewBox="0 0 132 18" aria-hidden="true"><path d="M0 9H132" stroke="var(--color-rule)" stroke-width="1.5"/><path d="M52 3H80V15H52Z" fill="var(--color-birch-side)"/><path d="M66 1V17" stroke="var(--color-ink)" stroke-width="1.5"/>@if ($r->status === 'met')<path d="M{{ round(63 + $k * 63, 1) }} 4h6v10h-6Z" fill="var(--color-violet)"/>@else<path d="M66 9H{{ round(66 + $k * 58, 1) }}" stroke="var(--color-chalk)" stroke-width="3"/><path d="M{{ round(66 + $k * 64, 1) }} 9l{{ $k < 0 ? 9 : -9 }} -6v12Z" fill="var(--color-chalk)"/>@if (abs($k) >= 1)<path d="M{{ $k < 0 ? 1 : 131 }} 1V17" stroke="var(--color-chalk)" stroke-width="2"/>@endif @endif</svg>@endif</td>
<td class="r num">{{ $r->deviationText }}</td><td style="white-space:nowrap"><x-shape :state="$s" :width="34"/> <span class="{{ $s === 'unknown' ? 'quiet' : ($isOff ? 'off' : 'met') }}">{{ $over ? ($over['met'] ? 'Met' : 'Off') . ', overruled' : ($r->status === 'off' && $r->deviationText !== '' ? 'Off' : $r->word) }}</span></td><td class="r num">{{ $handIn->rowMet($r->id, $r->status) ? $r->points : 0 }}/{{ $r->points }}</td>@if ($judge)<td class="r small"><a class="link" href="{{ route('hand-ins.show', [$handIn, 'overrule' => $r->id]) }}#row-{{ $r->id }}">Overrule<span class="vh"> {{ $r->label }}</span></a></td>@endif</tr>
@php $bag = $errors->getBag('row-' . $r->id); $asks = $judge && ($bag->any() || request('overrule') === $r->id); @endphp
@if (($isOff && $r->diagnosis !== '') || $over || $asks)<tr class="why2"><td></td><td colspan="8">@if ($isOff && $r->diagnosis !== '')<p>{{ $r->diagnosis }}</p>@endif @if ($over)<p class="small said"><b>{{ $judge ? 'Overruled' : 'Your teacher' }}:</b> {{ $over['reason'] }}</p>@endif
@if ($asks)<form class="overrule" method="post" action="{{ route('hand-ins.overrule', $handIn) }}">@csrf<input type="hidden" name="row" value="{{ $r->id }}">
<select class="val" name="met" aria-label="{{ $r->label }} counts as"><option value="{{ $r->status === 'met' ? 0 : 1 }}">{{ $r->status === 'met' ? 'counts as off' : 'counts as met' }}</option>@if ($over)<option value="as measured">as measured again</option>@endif</select> because <input class="field" name="reason" value="{{ $bag->any() ? old('reason') : ($over['reason'] ?? '') }}" aria-label="reason" maxlength="400" autofocus> <button class="btn s">Overrule</button> <a class="link small" href="{{ route('hand-ins.show', $handIn) }}#row-{{ $r->id }}">leave it</a>@foreach ($bag->all() as $m)<span class="wrong" role="alert" style="flex-basis:100%">{{ $m }}</span>@endforeach</form>@endif</td></tr>@endif
@endforeach
</tbody></table></div>
<div class="verdict">
@if ($judge)
<form method="post" action="{{ route('hand-ins.decide', $handIn) }}">@csrf
<label class="lab" for="comment">Comment to {{ $work->student->name }}</label><textarea class="field" id="comment" name="comment" rows="2">{{ old('comment', $handIn->comment) }}</textarea>@error('comment')<span class="wrong" role="alert">{{ $message }}</span>@enderror
<div style="display:flex;gap:8px;margin-top:8px;align-items:center"><button class="btn go" name="state" value="accepted">Accept</button><button class="btn ink" name="state" value="returned">Send back</button>
@if ($work->handIns->count() > 1)<span class="small">Tries: @foreach ($work->handIns as $h)<a class="link" href="{{ route('hand-ins.show', $h) }}" @if ($h->id === $handIn->id) aria-current="page" @endif>{{ $h->attempt }}</a> @endforeach</span>@endif
<span style="margin-left:auto" class="small">Part as <x-formats route="hand-ins.part" :of="$handIn"/></span></div></form>
@else
<div class="small" style="display:flex;gap:20px;align-items:center"><span>This part and its report are kept as handed in.</span>
@if ($work->handIns->count() > 1)<span>Tries: @foreach ($work->handIns as $h)<a class="link" href="{{ route('hand-ins.show', $h) }}" @if ($h->id === $handIn->id) aria-current="page" @endif>{{ $h->attempt }}</a> @endforeach</span>@endif
<span style="margin-left:auto">Part as <x-formats route="hand-ins.part" :of="$handIn"/></span></div>
@endif
</div>
</div>
</main>
<script type="application/json" id="marks">{!! json_encode($marks, JSON_HEX_TAG | JSON_HEX_AMP) !!}</script>
</x-layout>
