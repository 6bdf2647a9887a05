@php $stages = ['Reading it', 'Looking for faults of its surface', 'Looking for its faces', 'Making its picture']; $at = array_search($file->stage, $stages, true); @endphp
<x-layout title="{{ $file->name }}">
<x-person-strip caption="{{ $exercise->title }}" heading="{{ $file->name }}"><x-slot:acts><a class="btn" href="{{ route('home') }}">My work</a><a class="btn" href="{{ route('work', $assignment) }}">Build it at the bench</a></x-slot:acts></x-person-strip>
<main class="filein" id="reading" @if ($file->state !== 'refused') data-looks-again @endif>
@if ($file->state === 'refused')
<div><h2>This file cannot be taken</h2>
<p class="wrong" role="alert">{{ $file->problem }}</p>
<p style="margin-top:14px"><a class="btn go" href="{{ route('files.create', $assignment) }}">Bring another file</a></p></div>
@else
<div role="status"><h2>Your file is being read</h2>
<p>{{ $file->stage === '' ? 'It waits for its turn.' : $file->stage . ' …' }} You can go on with something else; this page shows it when it is done.</p>
<ol class="stages">@foreach ($stages as $k => $s)<li class="{{ $at !== false && $k < $at ? 'done' : ($k === $at ? 'now' : '') }}"><x-shape :state="$at !== false && $k < $at ? 'met' : ($k === $at ? 'stale' : 'open')" :width="64"/> {{ $s }}</li>@endforeach</ol></div>
@endif
</main>
</x-layout>
