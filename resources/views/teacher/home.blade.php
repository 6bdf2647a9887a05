<x-layout title="Classes and exercises">
<x-person-strip caption="{{ auth()->user()->name }}" heading="Classes and exercises">
<x-slot:acts><a class="btn" href="{{ route('classes.index') }}">{{ __('school.classes.title') }}</a><a class="btn" href="{{ route('library') }}">Library</a><a class="btn" href="{{ route('guide') }}">How a part is built</a><a class="btn go" href="{{ route('exercises.create') }}">New exercise</a></x-slot:acts>
</x-person-strip>
@if (session('said'))<p class="saidline" role="status">{{ session('said') }}</p>@endif
<main class="cols" style="grid-template-columns:minmax(0,1fr) minmax(0,1fr)">
<section aria-labelledby="classes" style="border-right:1.5px solid var(--color-ink);padding-bottom:30px">
<div class="group"><h2 id="classes">Classes</h2></div>
@forelse ($classes as $c)
<div style="padding:14px 28px 4px;display:flex;gap:14px;align-items:baseline"><h3 style="font-size:17px">{{ $c->name }}</h3><span class="quiet small">{{ $c->students_count }} students, class code <b class="num">{{ $c->code }}</b>, <a class="link" href="{{ route('classes.show', $c) }}">codes and cards</a>, <a class="link" href="{{ route('marks.show', $c) }}">{{ __('marks.word') }}</a></span></div>
<table class="tbl" style="background:var(--color-sheet)"><thead><tr><th style="padding-left:28px">Exercise</th><th>Due</th><th>Handed in</th><th>Need you</th></tr></thead><tbody>
@forelse ($c->assignments as $a)
@php $in = $a->works->filter(fn ($w) => $w->lastHandIn !== null); $wait = $in->filter(fn ($w) => $w->lastHandIn->state === 'waiting')->count(); @endphp
<tr><th scope="row" style="padding-left:28px"><a class="link" href="{{ route('assignments.show', $a) }}">{{ $a->exercise->title }}</a></th><td>{{ $a->due_on->format('D j M') }}</td><td class="num">{{ $in->count() }} of {{ $c->students_count }}</td><td>@if ($wait)<b class="num">{{ $wait }}</b> waiting @else<span class="quiet">none</span>@endif</td></tr>
@empty
<tr><td colspan="4" style="padding-left:28px" class="quiet">Nothing set yet.</td></tr>
@endforelse
</tbody></table>
@empty
<p style="padding:20px 28px">No class is yours yet.</p>
@endforelse
</section>
<section aria-labelledby="exercises">
<div class="group"><h2 id="exercises">Exercises</h2><span class="quiet small">Yours; set them for as many classes as you like</span></div>
<table class="tbl" style="background:var(--color-sheet)"><thead><tr><th style="padding-left:28px">Title</th><th>Unit</th><th>Asked</th><th>Set for</th></tr></thead><tbody>
@forelse ($exercises as $e)
@php $asked = array_filter($e->requirements, fn ($r) => $r['asked']); @endphp
<tr><th scope="row" style="padding-left:28px"><a class="link" href="{{ route('exercises.edit', $e) }}">{{ $e->title }}</a></th><td class="num">{{ $e->unit }}</td><td>{{ count($asked) }} sizes, {{ array_sum(array_column($asked, 'points')) }} points</td><td>@forelse ($e->assignments as $a)<a class="link" href="{{ route('assignments.show', $a) }}">{{ $a->schoolClass->name }}</a>@if (! $loop->last), @endif @empty<span class="quiet">no class yet</span>@endforelse</td></tr>
@empty
<tr><td colspan="4" style="padding-left:28px" class="quiet">No exercise yet. Begin with New exercise.</td></tr>
@endforelse
</tbody></table>
@if ($archived->isNotEmpty())<details style="padding:12px 28px"><summary>{{ __('exercises.put_away') }} ({{ $archived->count() }})</summary><ul>@foreach ($archived as $e)<li><a class="link" href="{{ route('exercises.edit', $e) }}">{{ $e->title }}</a></li>@endforeach</ul></details>@endif
</section>
</main>
</x-layout>
