<x-layout title="Library">
<x-person-strip caption="{{ $person->name }}" heading="Library"><x-slot:acts><a class="btn" href="{{ route('home') }}">{{ $person->isTeacher() ? 'Classes and exercises' : 'My work' }}</a></x-slot:acts></x-person-strip>
<main class="library" style="max-width:1180px;width:100%;margin:0 auto;padding:10px 28px 40px">
@if (session('said'))<p class="notice" role="status">{{ session('said') }}</p>@endif
@if ($errors->any())<p class="notice" role="alert">{{ $errors->first() }}</p>@endif
<form method="get" action="{{ route('library') }}" class="seek" role="search" hx-get="{{ route('library') }}" hx-target="#library-list" hx-select="#library-list" hx-swap="outerMorph" hx-trigger="input changed delay:250ms from:#library-q, submit"><label for="library-q">Look for</label> <input class="val word" id="library-q" name="q" type="search" value="{{ $q }}" maxlength="80" autocomplete="off" placeholder="a name, a tag or whose it is"> <button class="btn s">Find</button>
@if ($tags !== [])<span class="small tags">@foreach ($tags as $t)<a class="link" href="{{ route('library', ['q' => $t]) }}">{{ $t }}</a> @endforeach @if ($q !== '')<a class="link" href="{{ route('library') }}">show all</a>@endif</span>@endif</form>
<div id="library-list">
@if ($parts->isEmpty())
<p style="padding:30px 0">{{ $q === '' ? 'Nothing is in the library yet. At the bench, make a group of some shapes and choose “Into the library”.' : "Nothing is called “{$q}”." }}</p>
@else
<ul class="cards">
@foreach ($parts as $part)
<li class="card">
@include('library.card')
@if ($part->tags !== [])<p class="small tags">@foreach ($part->tags as $t)<a class="link" href="{{ route('library', ['q' => $t]) }}">{{ $t }}</a> @endforeach</p>@endif
@if ($part->owner_id === $person->id)
<details><summary class="small">Change it</summary>
<form method="post" action="{{ route('library.update', $part) }}">@csrf
<label>Name <input class="val word" name="name" value="{{ $part->name }}" maxlength="60" required></label>
<label>Tags <input class="val word" name="tags" value="{{ implode(', ', $part->tags) }}" maxlength="200" placeholder="joining, round"></label>
@if ($classes->isNotEmpty())<label>Seen by <select class="val word" name="class"><option value="">only you</option>@foreach ($classes as $c)<option value="{{ $c->id }}" @selected($part->class_id === $c->id)>class {{ $c->name }}</option>@endforeach</select></label>@endif
<button class="btn s">Keep it so</button></form>
<form method="post" action="{{ route('library.remove', $part) }}">@csrf @method('delete')<button class="link small" data-asks="Parts that use it keep their copy. Remove it?">Remove it from the library</button></form>
</details>
@endif
</li>
@endforeach
</ul>
@endif
</div>
</main>
</x-layout>
