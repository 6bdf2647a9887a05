@php $a = $handIn->work->assignment; @endphp
<x-layout title="Handed in, {{ $exercise->title }}">
<x-person-strip caption="Handed in" heading="{{ $exercise->title }}"><x-slot:acts><a class="btn" href="{{ route('home') }}">{{ auth()->user()->isTeacher() ? 'Classes and exercises' : 'My work' }}</a></x-slot:acts></x-person-strip>
<main style="max-width:720px;margin:0 auto;padding:44px 28px">
@if (! $checked)
<div role="status" data-looks-again><h2 style="font-size:22px">Handed in. It is being measured.</h2><p class="quiet">The report comes here by itself; you may also go on.</p></div>
@else
<h2 style="font-size:22px">Handed in.</h2><p>Your teacher shows the results after {{ $a->due_on->format('D j M') }}.</p>
@endif
</main>
</x-layout>
