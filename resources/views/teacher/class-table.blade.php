@php $asked = $sheet->asked(); $worst = null; foreach ($table->mistakes as $m) { $worst ??= $m['requirement']->id; } $in = count(array_filter($table->lines, fn ($l) => $l['handIn'] !== null)); @endphp
<x-layout title="{{ $assignment->exercise->title }}, {{ $assignment->schoolClass->name }}">
<x-person-strip caption="Class {{ $assignment->schoolClass->name }}" heading="{{ $assignment->exercise->title }}">
<div><span class="cap">Due</span>{{ $assignment->due_on->format('D j M') }}</div>
<div><span class="cap">Handed in</span><b>{{ $in }} of {{ count($table->lines) }}</b></div>
<div><span class="cap">Wait for you</span><b>{{ count(array_filter($table->lines, fn ($l) => $l['group'] === 0)) }}</b></div>
<x-slot:acts>@if (array_filter($table->lines, fn ($l) => $l['group'] === 0) !== [])<form method="post" action="{{ route('assignments.accept-met', $assignment) }}">@csrf<button class="btn">{{ __('lesson.accept_met') }}</button></form>@endif @can('edit', $assignment->exercise)<a class="btn" href="{{ route('exercises.edit', $assignment->exercise) }}">Exercise</a>@endcan</x-slot:acts>
</x-person-strip>
<main class="cols bd">
<div class="bd-main">
@if (session('said'))<p class="saidline" role="status">{{ session('said') }}</p>@endif
@include('teacher.board')
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
