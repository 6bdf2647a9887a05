<x-layout title="How a part is built">
<x-person-strip caption="{{ auth()->user()->name }}" heading="How a part is built"><x-slot:acts><a class="btn" href="{{ route('home') }}">Back to {{ auth()->user()->isTeacher() ? 'classes' : 'my work' }}</a></x-slot:acts></x-person-strip>
<main class="guide">
<section>
<h2>Before the first step</h2>
<p>Look at the drawing before you touch anything. Four questions save most of the work:</p>
<ol class="asks">
<li><b>Is it symmetric?</b> Then build half and mirror it, or draw it out evenly to both sides.</li>
<li><b>Which profile holds most of the part?</b> That view is your first sketch, on that plane.</li>
<li><b>Where is the origin?</b> Put a corner or the middle of the part on it, so that mirrors and repeats know where the middle is.</li>
<li><b>Inch or mm? Diameter or radius?</b> Read it twice. You can type <span class="num">7/2</span>, <span class="num">3*0.25</span> or <span class="num">1 3/8</span> just as it stands there.</li>
</ol>
</section>
<section>
<h2>A worked part: {{ $document->title }}</h2>
<p>{{ count($steps) }} steps, {{ \Cubo\Quantity\Amount::volume($mass['volume'], $document->unit) }}. Every sentence below is a step of the real part, and every picture shows the part after it.</p>
<ol class="worked">@foreach ($steps as $i => ['step' => $step, 'form' => $f, 'picture' => $picture])
<li><span class="n">{{ $i + 1 }}</span><div><p class="say">@include('bench.sentence')</p>@if ($step->note !== '')<p class="quiet">{{ $step->note }}</p>@endif</div>{!! $picture !!}</li>
@endforeach</ol>
</section>
<section>
<h2>While you build</h2>
<ul class="asks">
<li><b>A new step is tried out first.</b> The part shows what it would add (one hatch) and take away (crossed hatch). <kbd>Enter</kbd> keeps it, <kbd>Esc</kbd> drops it.</li>
<li><b>Change sizes where they stand.</b> Type them, move the slider below the sentence, press <kbd>↑</kbd> and <kbd>↓</kbd>, or draw the arrow on the part.</li>
<li><b>Edit, do not delete.</b> Every earlier number, sketch and plane can be changed; what was built on it follows.</li>
<li><b>Let shapes stand on each other.</b> A shape that stands on a face goes up and down with it. How it lies is read out: a gap, flush, sunk. “Let it down” puts it onto what is below.</li>
<li><b>Count instead of copying.</b> In a repeated step <span class="num">10 + 2*n</span> grows from copy to copy.</li>
<li><b>Pick on the part.</b> What would be picked is named first. A right click lists what lies behind. Everything can be chosen from lists as well.</li>
<li><b>Go back.</b> “Step by step” shows how the part came to be; at “Go back to here” new steps are put in between.</li>
<li><b>Look at it.</b> Cut it open, measure it, look straight at a face. Before you hand in, compare front, top and right with the drawing.</li>
</ul>
</section>
<section>
<h2>When something is not right</h2>
<table class="slips"><thead><tr><th>You see</th><th>Most often</th></tr></thead><tbody>
<tr><td>A round is twice or half as large</td><td>diameter typed for radius, or the other way</td></tr>
<tr><td>All of it is 25.4 times too large or small</td><td>inches typed as mm; write <span class="num">in</span> or <span class="num">mm</span> behind the number</td></tr>
<tr><td>“This cut touches nothing”</td><td>it goes the other way; the step offers to turn it round</td></tr>
<tr><td>“This does not go through”</td><td>a depth that was enough before an edit; let it go through</td></tr>
<tr><td>“No outline is closed”</td><td>two ends that only seem to meet; the pad marks loose ends</td></tr>
<tr><td>Too much was drawn out</td><td>all regions taken instead of one; click the regions on the part</td></tr>
<tr><td>One piece too many</td><td>a shape that only seems to touch; let it overlap a little</td></tr>
<tr><td>“This face is not there”</td><td>an earlier edit took it away; pick another one, nothing else is lost</td></tr>
</tbody></table>
</section>
<section>
<h2>Keys</h2>
<dl class="keys">
@foreach (['0 to 7' => 'views: isometric, front, top, right, back, left, bottom, behind', 'F' => 'fit', 'M' => 'measure', 'C' => 'cut open', 'L' => 'look straight at a face', 'P' => 'paint', 'B' => 'bodies', 'A' => 'line up', 'F6' => 'from area to area', 'Ctrl Z' => 'undo', 'Ctrl Enter' => 'check'] as $k => $what)<dt><kbd>{{ $k }}</kbd></dt><dd>{{ $what }}</dd>@endforeach
</dl>
</section>
</main>
</x-layout>
