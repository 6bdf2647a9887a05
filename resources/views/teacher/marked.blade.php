<x-layout title="Marked again, {{ $exercise->title }}">
<x-person-strip caption="Marked again" heading="{{ $exercise->title }}">
<div><span class="cap">Marked</span><b>{{ $handIns->count() - $open }} of {{ $handIns->count() }}</b></div>
<x-slot:acts><a class="btn" href="{{ route('exercises.edit', $exercise) }}">Back to the exercise</a></x-slot:acts>
</x-person-strip>
<main style="max-width:1100px;width:100%;margin:0 auto;padding:16px 28px 40px" id="marked" @if ($open > 0) hx-get="{{ route('exercises.marked', $exercise, false) }}" hx-trigger="every 1s" hx-select="#marked" hx-swap="outerHTML" @endif>
@if ($open > 0)<p role="status">{{ $open }} still to be measured ...</p>@endif
@php $changed = $handIns->filter(fn ($h) => $h->isChecked() && \App\Support\Marking::changes($h) !== []); @endphp
@if ($handIns->isEmpty())<p>Nothing has been handed in yet.</p>
@elseif ($open === 0 && $changed->isEmpty())<p role="status"><b>Nothing changed.</b> Every report says what it said before.</p>
@else
<table class="tbl"><thead><tr><th>Student</th><th></th><th>Size</th><th>Before</th><th>Now</th><th class="r">Measured</th><th class="r">Points</th></tr></thead><tbody>
@foreach ($changed as $h)@foreach (\App\Support\Marking::changes($h) as $c)
<tr>@if ($loop->first)<th scope="row" rowspan="{{ $loop->count }}"><a class="link" href="{{ route('hand-ins.show', $h) }}">{{ $h->work->student->name }}</a> <span class="quiet small">{{ $h->work->assignment->schoolClass->name }}</span></th>@endif
<td style="width:42px">@if ($c['letter'] !== '')<span class="tag">{{ $c['letter'] }}</span>@endif</td><td>{{ $c['label'] }}</td><td class="{{ $c['from'] === 'Met' ? 'met' : 'off' }}">{{ $c['from'] }}</td><td class="{{ $c['to'] === 'Met' ? 'met' : 'off' }}"><b>{{ $c['to'] }}</b></td><td class="r num">{{ $c['measured'] === '' ? '–' : $c['measured'] }}</td>@if ($loop->first)<td class="r num" rowspan="{{ $loop->count }}">{{ $h->points() }}</td>@endif</tr>
@endforeach @endforeach
</tbody></table>
<p class="small quiet" style="margin-top:10px">{{ $handIns->count() - $changed->count() - $open }} others are as before. What you overruled stays overruled; earlier reports are kept.</p>
@endif
</main>
</x-layout>
