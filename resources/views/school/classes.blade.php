@php $in = $class !== null; @endphp
<x-layout :title="__('school.classes.title')" class="page school">
<x-person-strip :caption="$me->name" :heading="__('school.classes.title')">
<div><span class="cap">{{ __('school.classes.head') }}</span><b class="num">{{ $classes->whereNull('archived_at')->count() }}</b></div>
<div><span class="cap">{{ __('school.classes.pupils_head') }}</span><b class="num">{{ $classes->whereNull('archived_at')->sum('students_count') }}</b></div>
<x-slot:acts>@if ($in && $me->teaches($class->id))<a class="btn" href="{{ route('marks.show', $class) }}">{{ __('school.classes.marks') }}</a>@endif<a class="btn" href="{{ route('people') }}">{{ __('school.people.title') }}</a><a class="btn" href="{{ route('home') }}">{{ __('school.classes_and_exercises') }}</a></x-slot:acts>
</x-person-strip>
<main class="sc">
@include('school.class-list')
<section class="sc-main" aria-labelledby="class-head">
@if (! $in)<h2 id="class-head" class="vh">{{ __('school.classes.title') }}</h2><p class="sc-none">{{ __('school.classes.none') }}</p>
@else
<header class="sc-head"><h2 id="class-head">{{ $class->name }}</h2><p class="quiet">{{ __('school.classes.sign_in_with') }} <b class="num">{{ $class->code }}</b>{{ __('school.classes.own_and_pin') }}@if ($class->archived_at !== null), <b>{{ __('school.classes.archived_mark') }}</b>@endif</p>
@if ($students->isNotEmpty())<a class="btn" href="{{ route('classes.cards', $class) }}" target="_blank">{{ trans_choice('school.classes.cards', $students->count()) }}</a>@endif</header>
@if (session('said'))<p class="saidline" role="status">{{ session('said') }}</p>@endif
@if ($students->isEmpty())<p class="sc-none">{{ __('school.classes.nobody_yet') }}</p>
@else
<table class="roster"><thead><tr>@foreach (__('school.classes.columns') as $k => $column)<th scope="col" class="{{ $k === 5 ? 'r' : '' }}">{{ $column }}</th>@endforeach</tr></thead><tbody>
@foreach ($students as $s)
@php $open = isset($opened) && $opened->is($s); @endphp
<tr class="{{ $open ? 'open' : '' }}" id="pupil-{{ $s->id }}"><td class="num quiet">{{ sprintf('%02d', $s->bench) }}</td><th scope="row"><a class="link" href="{{ $open ? route('classes.show', $class) : route('pupils.show', [$class, $s]) }}#pupil-{{ $s->id }}" @if ($open) aria-expanded="true" @endif>{{ $s->name }}</a></th><td class="num">{{ $s->code }}</td>
<td>@if ($s->last_seen_at === null)<span class="off">{{ __('school.classes.never') }}</span>@else<x-moment :at="$s->last_seen_at"/>@endif</td>
<td>@if (isset($troubled[$s->id]))<x-shape state="off" width="28"/> <span class="off">{{ __('school.classes.wrong_tries', ['count' => $troubled[$s->id]]) }}</span>@elseif ($s->first_pin === null)<x-shape state="met" width="28"/> {{ __('school.classes.pin_set') }}@elseif ($s->last_seen_at === null)<x-shape state="open" width="28"/> {{ __('school.classes.pin_unused') }}@else<x-shape state="stale" width="28"/> {{ __('school.classes.pin_card') }}@endif</td>
<td class="num r">{{ $s->works_count }}</td></tr>
@if ($open)@include('school.pupil')@endif
@endforeach
</tbody></table>
@endif
<section class="sc-changes" aria-labelledby="changes"><h3 id="changes">{{ __('school.classes.changes', ['class' => $class->name]) }}</h3>
@if ($happenings->isEmpty())<p class="quiet">{{ __('school.classes.no_changes') }}</p>
@else<dl>@foreach ($happenings as $h)<dt class="num quiet"><x-moment :at="$h->created_at"/></dt><dd>{{ $h->words() }}@if ($h->by), {{ __('school.classes.by', ['name' => $h->by->name]) }}@endif</dd>@endforeach</dl>@endif
<p class="small quiet">{{ __('school.classes.pin_once') }}</p></section>
@include('school.class-more')
@endif
</section>
<aside class="sc-side" aria-labelledby="list-head">@if ($in && $class->archived_at === null)@include(isset($plan) ? 'school.list-read' : 'school.list')@endif</aside>
</main>
</x-layout>
