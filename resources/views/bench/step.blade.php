@php
    $f = new \App\Support\StepForm($step, $document, $state, $bodies, $unit, $address);
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
Extrude {!! $name !!} from {!! $f->sketch() !!}, region {!! $f->typed('regions', 'regions, all or numbers') !!}, by {!! $f->typed('distance', 'distance') !!} {{ $u }} {!! $f->direction() !!}
@if (count($f->regionsOfSketch()) > 1)@include('bench.regions', ['regions' => $f->regionsOfSketch(), 'taken' => $f->taken(), 'sends' => fn (int $n) => $f->sends('region', ['step' => $id, 'index' => $n])])@endif
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
@if ($f->message)<span class="why" id="{{ $id }}-why" role="alert"><b class="off">{{ $f->message->what }}</b> {{ $f->message->why }}</span>@endif
@if ($step->off)<span class="why">This step is switched off. The part is shown without it.</span>@endif
<div class="tools" role="group" aria-label="Step {{ $n }}">
<button class="link" {!! $f->sends('shift', ['places' => -1]) !!} @disabled($n === 1)>Earlier</button>
<button class="link" {!! $f->sends('shift', ['places' => 1]) !!} @disabled($n === count($document->steps))>Later</button>
<button class="link" {!! $f->sends('switch') !!}>{{ $step->off ? 'Switch on' : 'Switch off' }}</button>
<button class="link" {!! $f->sends('delete') !!}>Delete</button>
</div>
</form>
</li>
