@php $asked = $sheet->asked(); $worst = null; foreach ($table->mistakes as $m) { $worst ??= $m['requirement']->id; } $in = count(array_filter($table->lines, fn ($l) => $l['handIn'] !== null)); @endphp
<x-layout title="{{ $assignment->exercise->title }}, {{ $assignment->schoolClass->name }}">
<x-person-strip caption="Class {{ $assignment->schoolClass->name }}" heading="{{ $assignment->exercise->title }}">
<div><span class="cap">Due</span>{{ $assignment->due_on->format('D j M') }}</div>
<div><span class="cap">Handed in</span><b>{{ $in }} of {{ count($table->lines) }}</b></div>
<div><span class="cap">Wait for you</span><b>{{ count(array_filter($table->lines, fn ($l) => $l['group'] === 0)) }}</b></div>
<x-slot:acts>@can('edit', $assignment->exercise)<a class="btn" href="{{ route('exercises.edit', $assignment->exercise) }}">Exercise</a>@endcan</x-slot:acts>
</x-person-strip>
<main class="cols bd">
<div class="bd-main">
<table class="board"><caption class="vh">Students by size: met, off, not found or not checked</caption><thead><tr><th scope="col">Student</th>@foreach ($asked as $r)<th scope="col" class="{{ $r->id === $worst ? 'worst' : '' }}"><span class="tag">{{ $r->letter }}</span> <span style="display:block;margin-top:3px">{{ $r->label }}</span><span class="num">{{ $r->askedText($sheet->unit) }}</span></th>@endforeach<th scope="col" class="now">State</th></tr></thead>
<tbody>@php $group = null; @endphp
@foreach ($table->lines as $l)
<tr class="{{ $group !== null && $group !== $l['group'] ? 'newgrp' : '' }}">@php $group = $l['group']; @endphp
<th scope="row"><span class="num quiet">{{ sprintf('%02d', $l['student']->bench) }}</span> @if ($l['handIn'])<a class="link" href="{{ route('hand-ins.show', $l['handIn']) }}">{{ $l['student']->name }}</a>@else{{ $l['student']->name }}@endif</th>
@foreach ($asked as $r)@php $s = $l['cells'][$r->id]; $col = ['met' => 'violet', 'off' => 'chalk', 'missing' => 'chalk'][$s] ?? 'graphite'; @endphp
<td class="c {{ $r->id === $worst ? 'worst' : '' }}" title="{{ $r->letter }} {{ $l['words'][$r->id] }}"><svg viewBox="0 0 60 16" preserveAspectRatio="none" aria-hidden="true">
@if ($s === 'met')<path d="M0 8H60" stroke="var(--color-violet)" stroke-width="5"/>@elseif ($s === 'off')<path d="M0 8H23l4 -6 6 12 4 -6H60" fill="none" stroke="var(--color-chalk)" stroke-width="2" vector-effect="non-scaling-stroke"/>@elseif ($s === 'open')<path d="M0 8H60" stroke="var(--color-graphite)" stroke-width="1.2" stroke-dasharray="4 3"/>@endif
<path d="M-3 14L3 2M57 14L63 2" stroke="var(--color-{{ $col }})" stroke-width="2" vector-effect="non-scaling-stroke"/></svg><span class="vh">{{ $l['words'][$r->id] }}</span></td>@endforeach
<td class="now">@if ($l['group'] === 0)<b>{{ $l['state'] }}</b>@else{{ $l['state'] }}@endif @if ($l['handIn'])<span class="quiet small">{{ $l['handIn']->points() }} points{{ $l['handIn']->attempt > 1 ? ', try ' . $l['handIn']->attempt : '' }}</span>@elseif ($l['work']?->checks_used)<span class="quiet small">{{ $l['work']->checks_used }} {{ $l['work']->checks_used === 1 ? 'check' : 'checks' }}</span>@endif</td>
</tr>
@endforeach
</tbody>
<tfoot><tr><th scope="row">Met by</th>@foreach ($asked as $r)<td class="num" style="text-align:center">{{ $table->met[$r->id] ?? 0 }}</td>@endforeach<td class="now quiet">of {{ count($table->lines) }} students</td></tr></tfoot></table>
<div class="legend"><span><x-shape state="met"/> Met</span><span><x-shape state="off"/> Off</span><span><x-shape state="missing"/> Not found</span><span><x-shape state="open"/> Not checked</span></div>
</div>
<aside class="bd-side" aria-labelledby="slips" tabindex="0"><header><h2 id="slips">Most common slips</h2><p class="small quiet">Over the last hand-in or check of everyone</p></header>
<ul class="slips">@forelse (array_slice($table->slips, 0, 5) as $s)
<li><b>{{ $s['slip']->title() }}</b><div style="display:flex;gap:10px;align-items:center;margin:3px 0"><x-shape state="off" :width="26 + (int) round(150 * count($s['names']) / max(1, count($table->lines)))"/><span class="num"><b>{{ count($s['names']) }}</b> of {{ count($table->lines) }}</span></div>
<span class="small">{{ implode(', ', array_slice($s['names'], 0, 8)) }}{{ count($s['names']) > 8 ? ' and ' . (count($s['names']) - 8) . ' more' : '' }}</span></li>
@empty<li style="background:none">No slips found yet.</li>@endforelse</ul>
<header><h2 id="mistakes">Sizes most often off</h2></header>
<ul>@forelse ($table->mistakes as $m)
<li><div style="display:flex;gap:9px;align-items:baseline"><span class="tag">{{ $m['requirement']->letter }}</span><b>{{ $m['requirement']->label }}</b></div>
<div style="display:flex;gap:10px;align-items:center;margin:3px 0"><x-shape state="off" :width="26 + (int) round(150 * $m['count'] / max(1, count($table->lines)))"/><span class="num"><b>{{ $m['count'] }}</b> of {{ count($table->lines) }}</span></div>
<span class="small quiet">{{ $m['diagnosis'] }}</span></li>
@empty<li style="background:none">No mistakes yet.</li>@endforelse</ul></aside>
</main>
</x-layout>
