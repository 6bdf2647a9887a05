<x-layout title="{{ $exercise->title }}">
<x-person-strip caption="Exercise" heading="{{ $exercise->title }}"><x-slot:acts><a class="btn" href="{{ route('home') }}">Classes and exercises</a></x-slot:acts></x-person-strip>
<main style="max-width:720px;margin:0 auto;padding:44px 28px">
<div role="status" data-looks-again><h2 style="font-size:22px">The reference part is being read.</h2><p class="quiet">It is a large one. What can be asked of it comes here by itself; nothing that was asked before is lost.</p></div>
<p style="margin-top:18px"><a class="btn s" href="{{ route('exercises.bench', $exercise) }}">Open its build log</a></p>
</main>
</x-layout>
