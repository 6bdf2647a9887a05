<x-layout title="Class {{ $class->name }}">
<x-person-strip caption="Class {{ $class->name }}" heading="How the class signs in">
<x-slot:acts><button type="button" class="btn" data-prints>Print the cards</button><a class="btn" href="{{ route('home') }}">Classes and exercises</a></x-slot:acts>
</x-person-strip>
<main style="max-width:1000px;width:100%;margin:0 auto;padding:16px 28px 40px">
@if (session('said'))<p class="saidline" role="status">{{ session('said') }}</p>@endif
<div class="codeline"><p>Class code <b class="num">{{ $class->code }}</b></p>
<form method="post" action="{{ route('classes.code', $class) }}">@csrf<button class="btn" data-asks="Give the class a new code? The old one stops working.">New class code</button></form></div>
<p class="small quiet">A student types the class code, their own code and their PIN. Nobody who is not signed in sees names.</p>
<ul class="signin-cards">@foreach ($students as $s)
<li><b>{{ $s->name }}</b><span class="small quiet">{{ $s->bench ? "bench $s->bench" : '' }}</span><dl><dt>Class</dt><dd class="num">{{ $class->code }}</dd><dt>Own code</dt><dd class="num">{{ $s->code }}</dd></dl>
@if (isset($troubled[$s->id]))<form method="post" action="{{ route('classes.lift', [$class, $s]) }}">@csrf<p class="small"><b class="off">{{ $troubled[$s->id] }} wrong tries</b> in the last minutes; strange devices wait.</p><button class="btn s">Let {{ $s->name }} try again</button></form>@endif</li>
@endforeach</ul>
</main>
</x-layout>
