@php
    $id = $step->id;
    $result = $state->results[$id] ?? null;
    $message = $result?->messages[0] ?? null;
    $field = $message?->field;
    $fields = $step->kind->fields();
    $u = $unit->value;
    $bodyOptions = ['all' => 'the whole part'];
    if (isset($fields['body'])) {
        $chosen = $step->text('body');
        foreach ($document->steps as $s) { if (in_array($s->id, $bodies, true)) { $bodyOptions[$s->id] = 'the piece of ' . $s->name; } }
        foreach ($bodies as $b) { if (str_contains($b, '.')) { $bodyOptions[$b] = 'piece ' . explode('.', $b)[1] . ' of ' . ($document->step(explode('.', $b)[0])?->name ?? $b); } }
        $bodyOptions[$chosen] ??= 'the piece of ' . ($document->step(explode('.', $chosen)[0])?->name ?? $chosen);
    }
    $sketches = [];
    foreach ($document->steps as $s) { if ($s->id === $id) { break; } if ($s->kind->value === 'sketch') { $sketches[$s->id] = $s->name; } }
    if (isset($fields['sketch']) && ! isset($sketches[$step->text('sketch')])) { $sketches = [$step->text('sketch') => 'pick a sketch'] + $sketches; }
    $button = fn (string $do, array $more = []) => 'type="button" hx-post="' . route('recipes.edit', $recipe, false) . '" hx-target="#work" hx-swap="innerMorph" hx-sync="#bench-sync:queue all" hx-vals=\'' . e(json_encode(['do' => $do] + $more)) . '\'';
@endphp
<li class="step {{ $picked === $id ? 'picked' : '' }} {{ $step->off ? 'is-off' : '' }} {{ $result?->status === 'failed' ? 'failed' : '' }}" id="step-{{ $id }}">
<span class="n">{{ $n }}</span>
<form id="form-{{ $id }}" {!! $edit !!} hx-trigger="change, submit">{!! $hidden !!}<input type="hidden" name="do" value="set"><input type="hidden" name="step" value="{{ $id }}">
<div class="say" style="line-height:28px">
@php $name = '<input class="name" id="' . $id . '-name" name="name" value="' . e($step->name) . '" aria-label="name of step ' . $n . '" maxlength="60" autocomplete="off" size="' . max(3, min(20, mb_strlen($step->name))) . '">'; @endphp
@switch($step->kind->value)
@case('block')
Place a block {!! $name !!}, <x-num :step="$id" field="width" label="width" :value="$step->text('width')" :bad="$field === 'width'"/> by <x-num :step="$id" field="depth" label="depth" :value="$step->text('depth')" :bad="$field === 'depth'"/> by <x-num :step="$id" field="height" label="height" :value="$step->text('height')" :bad="$field === 'height'"/> {{ $u }}, <x-pick :step="$id" field="from" label="placed by" :value="$step->text('from')" :options="['middle' => 'middle of its base', 'corner' => 'front left corner']"/> at
@include('bench.place')
@break
@case('cylinder')
Place a cylinder {!! $name !!}, <x-pick :step="$id" field="by" label="round given by" :value="$step->text('by')" :options="$fields['by']->options"/> <x-num :step="$id" field="round" :label="$step->text('by')" :value="$step->text('round')" :bad="$field === 'round'"/>, length <x-num :step="$id" field="length" label="length" :value="$step->text('length')" :bad="$field === 'length'"/> {{ $u }}, <x-pick :step="$id" field="along" label="direction of the axis" :value="$step->text('along')" :options="$fields['along']->options"/>, from
@include('bench.place')
@break
@case('cone')
Place a cone {!! $name !!}, <x-pick :step="$id" field="by" label="rounds given by" :value="$step->text('by')" :options="$fields['by']->options"/> <x-num :step="$id" field="round" label="{{ $step->text('by') }} at the base" :value="$step->text('round')" :bad="$field === 'round'"/> to <x-num :step="$id" field="tip" label="{{ $step->text('by') }} at the far end" :value="$step->text('tip')" :bad="$field === 'tip'"/>, length <x-num :step="$id" field="length" label="length" :value="$step->text('length')" :bad="$field === 'length'"/> {{ $u }}, <x-pick :step="$id" field="along" label="direction of the axis" :value="$step->text('along')" :options="$fields['along']->options"/>, from
@include('bench.place')
@break
@case('ball')
Place a ball {!! $name !!}, <x-pick :step="$id" field="by" label="round given by" :value="$step->text('by')" :options="$fields['by']->options"/> <x-num :step="$id" field="round" :label="$step->text('by')" :value="$step->text('round')" :bad="$field === 'round'"/> {{ $u }}, its middle at
@include('bench.place')
@break
@case('sketch')
@php $count = count($result?->regions ?? []); $hv = $step->text('plane') === 'ground' ? ['right', 'back'] : ($step->text('plane') === 'front' ? ['right', 'up'] : ['back', 'up']); @endphp
Sketch {!! $name !!} on the <x-pick :step="$id" field="plane" label="plane" :value="$step->text('plane')" :options="$fields['plane']->options"/>: {{ $count }} {{ $count === 1 ? 'region' : 'regions' }}.
@foreach ($step->shapes() as $k => $s)
<span class="shape-line"><b class="num">{{ \Cubo\Recipe\Letters::small($k) }}</b>
@if ($s['kind'] === 'rectangle')
rectangle <x-num :step="$id" field="shapes.{{ $k }}.width" label="width of outline {{ \Cubo\Recipe\Letters::small($k) }}" :value="$s['width']" :bad="$field === 'shapes.'.$k.'.width'"/> by <x-num :step="$id" field="shapes.{{ $k }}.height" label="height of outline {{ \Cubo\Recipe\Letters::small($k) }}" :value="$s['height']" :bad="$field === 'shapes.'.$k.'.height'"/>, <x-pick :step="$id" field="shapes.{{ $k }}.from" label="placed by" :value="$s['from']" :options="['middle' => 'middle', 'corner' => 'low left corner']"/>
@else
circle <x-pick :step="$id" field="shapes.{{ $k }}.by" label="round given by" :value="$s['by']" :options="['diameter' => 'diameter', 'radius' => 'radius']"/> <x-num :step="$id" field="shapes.{{ $k }}.round" label="{{ $s['by'] }} of outline {{ \Cubo\Recipe\Letters::small($k) }}" :value="$s['round']" :bad="$field === 'shapes.'.$k.'.round'"/>, middle
@endif
at <x-num :step="$id" field="shapes.{{ $k }}.u" label="{{ $hv[0] }}, outline {{ \Cubo\Recipe\Letters::small($k) }}" :value="$s['u']" :bad="$field === 'shapes.'.$k.'.u'"/>, <x-num :step="$id" field="shapes.{{ $k }}.v" label="{{ $hv[1] }}, outline {{ \Cubo\Recipe\Letters::small($k) }}" :value="$s['v']" :bad="$field === 'shapes.'.$k.'.v'"/> <button class="link small" {!! $button('drop-shape', ['index' => $k]) !!} aria-label="Remove outline {{ \Cubo\Recipe\Letters::small($k) }}">remove</button></span>
@endforeach
<span class="small"><button class="link" {!! $button('add-shape', ['kind' => 'rectangle']) !!}>Add a rectangle</button>&ensp;<button class="link" {!! $button('add-shape', ['kind' => 'circle']) !!}>Add a circle</button></span>
@include('bench.regions')
@break
@case('extrude')
@php $plane = \Cubo\Recipe\SketchPlane::tryFrom($document->step($step->text('sketch'))?->text('plane') ?? '') ?? \Cubo\Recipe\SketchPlane::Ground; @endphp
Extrude {!! $name !!} from <x-pick :step="$id" field="sketch" label="sketch" :value="$step->text('sketch')" :options="$sketches" :bad="$field === 'sketch'"/>, region <x-num :step="$id" field="regions" label="regions, all or numbers" :value="$step->regions() === null ? 'all' : implode(', ', $step->regions())" :bad="$field === 'regions'"/>, by <x-num :step="$id" field="distance" label="distance" :value="$step->text('distance')" :bad="$field === 'distance'"/> {{ $u }} <x-pick :step="$id" field="direction" label="direction" :value="$step->text('direction')" :options="$plane->directions()"/>
@break
@case('move')
Move {!! $name !!}: <x-pick :step="$id" field="body" label="body" :value="$step->text('body')" :options="$bodyOptions" :bad="$field === 'body'"/> by
@include('bench.place')
@break
@case('turn')
Turn {!! $name !!}: <x-pick :step="$id" field="body" label="body" :value="$step->text('body')" :options="$bodyOptions" :bad="$field === 'body'"/> by <x-num :step="$id" field="angle" label="angle in degrees" :value="$step->text('angle')" :bad="$field === 'angle'"/>° about <x-pick :step="$id" field="about" label="about" :value="$step->text('about')" :options="$fields['about']->options"/> through
@include('bench.place')
@break
@case('copy')
Copy {!! $name !!}: <x-pick :step="$id" field="body" label="body" :value="$step->text('body')" :options="$bodyOptions" :bad="$field === 'body'"/> <x-num :step="$id" field="times" label="number of copies" :value="$step->text('times')" :bad="$field === 'times'"/> times, each further by
@include('bench.place')
@break
@endswitch
@if (isset($fields['effect']))<x-pick :step="$id" field="effect" label="what it does" :value="$step->text('effect')" :options="$fields['effect']->options" :bad="$field === 'effect'"/>@endif
</div>
@if ($message)<span class="why" id="{{ $id }}-why" role="alert"><b class="off">{{ $message->what }}</b> {{ $message->why }}</span>@endif
@if ($step->off)<span class="why">This step is switched off. The part is shown without it.</span>@endif
<div class="tools" role="group" aria-label="Step {{ $n }}">
<button class="link" {!! $button('shift', ['places' => -1]) !!} @disabled($n === 1)>Earlier</button>
<button class="link" {!! $button('shift', ['places' => 1]) !!} @disabled($n === count($document->steps))>Later</button>
<button class="link" {!! $button('switch') !!}>{{ $step->off ? 'Switch on' : 'Switch off' }}</button>
<button class="link" {!! $button('delete') !!}>Delete</button>
</div>
</form>
</li>
