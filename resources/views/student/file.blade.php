@php($formats = \Cubo\Exchange\Format\Formats::read())
<x-layout title="Hand in a file, {{ $assignment->exercise->title }}">
<x-person-strip caption="Hand in a file" heading="{{ $assignment->exercise->title }}"><x-slot:acts><a class="btn" href="{{ route('home') }}">My work</a><a class="btn" href="{{ route('work', $assignment) }}">Build it at the bench</a></x-slot:acts></x-person-strip>
<main class="filein">
<form method="post" action="{{ route('files.store', $assignment) }}" enctype="multipart/form-data">@csrf
<h2>A part made elsewhere</h2>
<p>Choose a file of the part. It is read and shown first; nothing is handed in until you say so.</p>
<label class="lab" for="part">{{ \Cubo\Exchange\Format\Formats::names($formats) }}, up to 50 MB and 500 000 triangles</label>
<input class="field" id="part" type="file" name="part" accept="{{ implode(',', array_map(fn ($e) => ".$e", \Cubo\Exchange\Format\Formats::endings($formats))) }}" required>
@error('part')<p class="wrong" role="alert">{{ $message }}</p>@enderror
<p style="margin-top:14px"><button class="btn go">Look at it</button></p>
</form>
<aside class="small quiet"><p>The drawing is in {{ $assignment->exercise->unit === 'in' ? 'inches' : 'millimetres' }}. A 3MF file says its unit; for the others you are asked.</p><p>Round faces, holes and slots are found in the triangles, so a file is measured like a part from the bench. How it was made is not in a file: what asks for that cannot be measured.</p></aside>
</main>
</x-layout>
