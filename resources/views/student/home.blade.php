<x-layout title="My work">
<x-person-strip caption="{{ $person->name }}, class {{ $person->schoolClass->name }}" heading="My work"><x-slot:acts>@if ($person->schoolClass->shows_marks)<a class="btn" href="{{ route('marks.own') }}">{{ __('marks.mine') }}</a>@endif<a class="btn" href="{{ route('library') }}">Library</a><a class="btn" href="{{ route('guide') }}">How a part is built</a></x-slot:acts></x-person-strip>
@php
    $groups = ['back' => [], 'set' => [], 'wait' => [], 'done' => []];
    foreach ($assignments as $a) {
        $h = ($works[$a->id] ?? null)?->lastHandIn;
        $groups[match ($h?->state) { 'returned' => 'back', 'waiting' => 'wait', 'accepted' => 'done', default => 'set' }][] = $a;
    }
    $heads = ['back' => 'Came back', 'set' => 'To do', 'wait' => 'Handed in, waiting for your teacher', 'done' => 'Accepted'];
@endphp
<main style="max-width:1180px;width:100%;margin:0 auto;padding:10px 0 40px">
@if ($assignments->isEmpty())<p style="padding:40px 28px">Your teacher has not set anything yet.</p>@endif
@foreach ($groups as $key => $list)
@continue($list === [])
<div class="group"><h2>{{ $heads[$key] }}</h2><span class="quiet small">{{ count($list) }}</span></div>
<ul class="todo">
@foreach ($list as $a)
@php
    $work = $works[$a->id] ?? null; $h = $work?->lastHandIn; $rows = $h !== null ? ($a->disclosure()->isOpen(now(), $a->due_on) ? $h->report : []) : ($work->last_check['rows'] ?? []);
    $asked = array_values(array_filter($a->exercise->requirements, fn ($r) => $r['asked']));
    $known = array_column($rows, null, 'id'); $met = 0; $cells = [];
    foreach ($asked as $r) { $s = $known[$r['id']]['status'] ?? 'open'; if ($h !== null && isset($known[$r['id']])) { $s = $h->rowMet($r['id'], $s) ? 'met' : $s; } $cells[] = $s; $met += $s === 'met' ? 1 : 0; }
    $late = $a->due_on->isBefore(today()) && $h === null;
@endphp
<li>
  <div><span class="small quiet">Due</span><br><b class="{{ $late ? 'off' : '' }}">{{ $a->due_on->format('D j M') }}</b>@if ($late)<br><span class="off small">overdue</span>@endif</div>
  <div><h3><a class="link" href="{{ route('work', $a) }}" style="text-decoration:none"><b>{{ $a->exercise->title }}</b></a></h3>
  <span class="quiet small">{{ $a->exercise->unit === 'in' ? 'in inches' : 'in mm' }}, {{ count($asked) }} sizes. {{ \Illuminate\Support\Str::words(strtok($a->exercise->brief, "\n") ?: '', 14, ' ...') }}</span>
  @if ($h !== null && $h->comment !== '')<p class="says"><span class="vh">Your teacher says: </span>{{ $h->comment }}</p>@endif</div>
  <div><x-chain :states="$cells" :width="290"/><br>
  <span class="small {{ $met === count($cells) && $met > 0 ? 'met' : 'quiet' }}">@if ($rows === [] && $h !== null && ! $a->disclosure()->isOpen(now(), $a->due_on)) Results after {{ $a->due_on->format('D j M') }} @elseif ($rows === []) {{ $h !== null ? 'Being measured' : 'Not checked yet' }} @else {{ $met }} of {{ count($cells) }} met @endif</span></div>
  <div style="text-align:right;display:grid;gap:6px;justify-items:end"><a class="btn {{ $key === 'back' || $key === 'set' ? 'ink' : '' }}" href="{{ route('work', $a) }}">{{ $work === null ? 'Begin' : ($key === 'back' ? 'Mend it' : 'Open') }}<span class="vh"> {{ $a->exercise->title }}</span></a>
  <a class="link small" href="{{ route('files.create', $a) }}">Hand in a file<span class="vh"> for {{ $a->exercise->title }}</span></a>
  @if ($h !== null)<a class="link small" href="{{ route('hand-ins.show', $h) }}">Report<span class="vh"> on {{ $a->exercise->title }}</span></a>@endif</div>
</li>
@endforeach
</ul>
@endforeach
@if ($before->isNotEmpty())<div class="group"><h2>{{ __('school.before') }}</h2></div><ul class="before">@foreach ($before as $w)<li><a class="link" href="{{ route('hand-ins.show', $w->lastHandIn) }}">{{ $w->assignment->exercise->title }}</a></li>@endforeach</ul>@endif
</main>
</x-layout>
