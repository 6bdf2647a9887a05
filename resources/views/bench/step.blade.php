@php
    $f = new \App\Support\StepForm($step, $document, $state, $bodies, $unit, $address, $names ?? ['faces' => [], 'edges' => []]);
    $id = $step->id; $u = $unit->value; $kind = $step->kind->value;
    $name = '<input class="name" id="' . $id . '-name" name="name" value="' . e($step->name) . '" aria-label="name of step ' . $n . '" maxlength="60" autocomplete="off" size="' . max(3, min(20, mb_strlen($step->name))) . '">';
@endphp
<li class="step {{ $picked === $id ? 'picked' : '' }} {{ $step->off ? 'is-off' : '' }} {{ $f->result?->status === 'failed' ? 'failed' : '' }}" id="step-{{ $id }}">
<span class="n">{{ $n }}</span>
<form id="form-{{ $id }}" {!! $edit !!} hx-trigger="change, submit">{!! $hidden !!}<input type="hidden" name="do" value="set"><input type="hidden" name="step" value="{{ $id }}">
<div class="say">
@switch($kind)
@case('block')
Place a block {!! $name !!}, {!! $f->typed('width', 'width') !!} by {!! $f->typed('depth', 'depth') !!} by {!! $f->typed('height', 'height') !!} {{ $u }}, {!! $f->chosen('from') !!} at {!! $f->place() !!}
@break
@case('cylinder')
Place a cylinder {!! $name !!}, {!! $f->chosen('by') !!} {!! $f->typed('round', $step->text('by')) !!}, length {!! $f->typed('length', 'length') !!} {{ $u }}, {!! $f->chosen('along') !!}, from {!! $f->place() !!}
@break
@case('cone')
Place a cone {!! $name !!}, {!! $f->chosen('by') !!} {!! $f->typed('round', $step->text('by') . ' at the base') !!} to {!! $f->typed('tip', $step->text('by') . ' at the far end') !!}, length {!! $f->typed('length', 'length') !!} {{ $u }}, {!! $f->chosen('along') !!}, from {!! $f->place() !!}
@break
@case('ball')
Place a ball {!! $name !!}, {!! $f->chosen('by') !!} {!! $f->typed('round', $step->text('by')) !!} {{ $u }}, its middle at {!! $f->place() !!}
@break
@case('sketch')
@php $count = count($f->result?->regions ?? []); @endphp
Sketch {!! $name !!} on the {!! $f->chosen('plane') !!}@if ($step->text('plane') === 'face') {!! $f->face() !!}@endif, {!! $f->typed('offset', 'distance from the plane') !!} {{ $u }} from it: {{ $count }} {{ $count === 1 ? 'region' : 'regions' }}.
<a class="link small" href="{{ route('pad', [$recipe, $id], false) }}">Open it on the pad</a>
@foreach ($step->shapes() as $k => $s)<span class="shape-line">{!! $f->outline($k, $s) !!}</span>@endforeach
<span class="small"><button class="link" {!! $f->sends('add-shape', ['kind' => 'rectangle']) !!}>Add a rectangle</button>&ensp;<button class="link" {!! $f->sends('add-shape', ['kind' => 'circle']) !!}>Add a circle</button></span>
@include('bench.regions', ['regions' => $f->result?->regions ?? []])
@break
@case('extrude')
@php $far = $step->text('extent'); @endphp
Extrude {!! $name !!} from {!! $f->sketch() !!}, region {!! $f->typed('regions', 'regions, all or numbers') !!}, {!! $f->chosen('extent') !!}@if ($far === 'distance' || $far === 'middle') {!! $f->typed('distance', 'distance') !!} {{ $u }}@elseif ($far === 'both') {!! $f->typed('distance', 'distance') !!} and {!! $f->typed('second', 'distance the other way') !!} {{ $u }}@elseif ($far === 'face') {!! $f->face('until') !!} and {!! $f->typed('past', 'distance past that face') !!} {{ $u }} past it{{ '' }}@endif, @if ($far !== 'middle') {!! $f->direction() !!},@endif beginning {!! $f->typed('start', 'distance from the sketch where it begins') !!} {{ $u }} from the sketch, taper {!! $f->typed('taper', 'taper in degrees') !!}°
@if (count($f->regionsOfSketch()) > 1)@include('bench.regions', ['regions' => $f->regionsOfSketch(), 'taken' => $f->taken(), 'sends' => fn (int $n) => $f->sends('region', ['step' => $id, 'index' => $n])])@endif
@break
@case('revolve')
Revolve {!! $name !!} from {!! $f->sketch() !!}, region {!! $f->typed('regions', 'regions, all or numbers') !!}, about {!! $f->typed('axis', 'line or axis of the sketch') !!} by {!! $f->typed('angle', 'angle in degrees') !!}°@if ($step->text('angle') !== '360') {!! $f->chosen('way') !!}@endif

@if (count($f->regionsOfSketch()) > 1)@include('bench.regions', ['regions' => $f->regionsOfSketch(), 'taken' => $f->taken(), 'sends' => fn (int $n) => $f->sends('region', ['step' => $id, 'index' => $n])])@endif
@break
@case('sweep')
Sweep {!! $name !!} from {!! $f->sketch() !!}, region {!! $f->typed('regions', 'regions, all or numbers') !!}, along the path in {!! $f->sketch('path') !!}
@break
@case('loft')
Loft {!! $name !!} through {!! $f->picks('sketches', 'sketch') !!}, with a {!! $f->chosen('skin') !!} skin
@break
@case('hole')
@php [$by, $head, $deep] = [$step->text('by'), $step->text('head'), $step->text('extent') === 'depth']; @endphp
Drill {!! $name !!} {!! $f->chosen('where') !!} @if ($step->text('where') === 'points'){!! $f->sketch() !!}@else{!! $f->face() !!} at {!! $f->typed('u', 'along the face') !!}, {!! $f->typed('v', 'up the face') !!}@endif, {!! $f->chosen('by') !!} @if ($by === 'screw'){!! $f->chosen('screw') !!} {!! $f->chosen('fit') !!}@else{!! $f->typed('round', $by) !!} {{ $u }}@endif, {!! $f->chosen('extent') !!}@if ($deep) {!! $f->typed('depth', 'depth') !!} {{ $u }} {!! $f->chosen('bottom') !!}@endif, {!! $f->chosen('head') !!}@if ($head === 'bore') {!! $f->typed('wide', 'diameter of the head') !!} by {!! $f->typed('deep', 'depth of the head') !!} {{ $u }}@elseif ($head === 'sink') {!! $f->typed('wide', 'diameter of the head') !!} {{ $u }} at {!! $f->typed('angle', 'angle of the countersink') !!}°@endif @if ($step->text('where') === 'points'){!! $f->direction() !!}@endif
@break
@case('text')
Write {!! $name !!} {!! $f->typed('text', 'letters') !!} on {!! $f->face() !!}, capitals {!! $f->typed('height', 'height of a capital') !!} {{ $u }} high, at {!! $f->typed('u', 'along the face') !!}, {!! $f->typed('v', 'up the face') !!}, turned by {!! $f->typed('angle', 'turn in degrees') !!}°, {!! $f->typed('depth', 'depth') !!} {{ $u }} deep;
@break
@case('round')
Round {!! $name !!} {!! $f->picks('edges', 'edge') !!} and around {!! $f->picks('faces', 'face') !!}, radius {!! $f->typed('radius', 'radius') !!} {{ $u }}
@break
@case('chamfer')
@php $by = $step->text('by'); @endphp
Chamfer {!! $name !!} {!! $f->picks('edges', 'edge') !!} and around {!! $f->picks('faces', 'face') !!}, {!! $f->chosen('by') !!} {!! $f->typed('distance', 'distance') !!} {{ $u }}@if ($by === 'two') and {!! $f->typed('second', 'distance on the other face') !!} {{ $u }}, {!! $f->chosen('side') !!}@elseif ($by === 'angle') and {!! $f->typed('angle', 'angle in degrees') !!}°, {!! $f->chosen('side') !!}@endif

@break
@case('hollow')
Hollow out {!! $name !!} to a wall of {!! $f->typed('wall', 'wall') !!} {{ $u }}, open at {!! $f->picks('faces', 'face') !!}
@break
@case('draft')
Tilt {!! $name !!} {!! $f->picks('faces', 'face') !!} by {!! $f->typed('angle', 'angle in degrees') !!}° about the {!! $f->plane() !!}
@break
@case('pull')
Pull {!! $name !!} {!! $f->picks('faces', 'face') !!} by {!! $f->typed('distance', 'distance') !!} {{ $u }}
@break
@case('mirror')
Mirror {!! $name !!}: {!! $f->of() !!} at the {!! $f->plane() !!}@if ($step->text('of') !== 'step') {!! $f->chosen('keep') !!}@endif

@break
@case('repeat')
@php $way = $step->text('way'); @endphp
Repeat {!! $name !!}: {!! $f->of() !!} {!! $f->chosen('way') !!}, {!! $f->typed('count', 'how many with the first') !!} in all{{ $way === 'around' ? ' about' : ', each further by' }}
@if ($way === 'around')
{!! $f->chosen('about') !!} through {!! $f->place() !!}, {!! $f->typed('angle', 'angle over all in degrees') !!}° over all
@else
{!! $f->place() !!} {{ $u }}{{ $way === 'grid' ? ', in' : '' }}
@endif
@if ($way === 'grid')
{!! $f->typed('rows', 'rows') !!} rows, each further by {!! $f->typed('x2', 'to the right from row to row') !!}, {!! $f->typed('y2', 'to the back from row to row') !!}, {!! $f->typed('z2', 'up from row to row') !!} {{ $u }}
@endif
@break
@case('split')
Split {!! $name !!}: {!! $f->body() !!} at the {!! $f->plane() !!}; what stays is {!! $f->chosen('keep') !!}
@break
@case('scale')
Scale {!! $name !!}: {!! $f->body() !!} {!! $f->chosen('by') !!} by @if ($step->text('by') === 'all'){!! $f->typed('factor', 'factor') !!}@else{!! $f->typed('factorx', 'factor to the right') !!}, {!! $f->typed('factory', 'factor to the back') !!}, {!! $f->typed('factorz', 'factor up') !!}@endif about the origin
@break
@case('move')
Move {!! $name !!}: {!! $f->body() !!} by {!! $f->place() !!} {{ $u }}
@break
@case('turn')
Turn {!! $name !!}: {!! $f->body() !!} by {!! $f->typed('angle', 'angle in degrees') !!}° about {!! $f->chosen('about') !!} through {!! $f->place() !!}
@break
@case('copy')
Copy {!! $name !!}: {!! $f->body() !!} {!! $f->typed('times', 'number of copies') !!} times, each further by {!! $f->place() !!} {{ $u }}
@break
@endswitch
@if (isset($step->kind->fields()['effect'])){!! $f->chosen('effect') !!}@endif
</div>
@if ($f->message)<span class="why {{ $f->message->warning ? 'hintful' : '' }}" id="{{ $id }}-why" role="{{ $f->message->warning ? 'status' : 'alert' }}"><b class="{{ $f->message->warning ? '' : 'off' }}">{{ $f->message->what }}</b> {{ $f->message->why }}</span>@endif
@if ($step->off)<span class="why">This step is switched off. The part is shown without it.</span>@endif
@php
    $name1 = fn (string $x) => $document->step($x)->name ?? $x;
    $below = $reliance->of($id); $above = $reliance->on($id);
    $prev = $document->steps[$n - 2] ?? null; $next = $document->steps[$n] ?? null;
    $stuckUp = $prev !== null && in_array($prev->id, $below, true); $stuckDown = $next !== null && in_array($next->id, $above, true);
@endphp
<div class="tools" role="group" aria-label="Step {{ $n }}">
<button class="link" {!! $f->sends('shift', ['places' => -1]) !!} @disabled($n === 1 || $stuckUp) @if ($stuckUp) title="It rests on {{ $prev->name }}, which stands right before it." @endif>Earlier</button>
<button class="link" {!! $f->sends('shift', ['places' => 1]) !!} @disabled($n === count($document->steps) || $stuckDown) @if ($stuckDown) title="{{ $next->name }}, which comes right after it, rests on it." @endif>Later</button>
<button class="link" {!! $f->sends('switch') !!}>{{ $step->off ? 'Switch on' : 'Switch off' }}</button>
<button class="link" {!! $f->sends('delete') !!} @if ($above !== []) data-asks="{{ implode(', ', array_map($name1, array_slice($above, 0, 3))) }} {{ count($above) === 1 ? 'rests' : 'rest' }} on it. Delete it?" @endif>Delete</button>
@if ($below !== [] || $above !== [])<span class="small quiet rests">{{ $below === [] ? '' : 'Rests on ' . implode(', ', array_map($name1, array_slice($below, 0, 4))) . '.' }} {{ $above === [] ? '' : 'Carries ' . implode(', ', array_map($name1, array_slice($above, 0, 4))) . '.' }}</span>@endif
</div>
</form>
</li>
