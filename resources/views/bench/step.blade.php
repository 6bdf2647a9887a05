@php
    $f = new \App\Support\Bench\StepForm($step, $document, $state, $bodies, $unit, $names ?? ['faces' => [], 'edges' => [], 'corners' => []], $sketchNotes[$step->id] ?? []);
    $id = $step->id;
@endphp
@php
    $name1 = fn (string $x) => $document->step($x)->name ?? $x;
    $below = $reliance->of($id); $above = $reliance->on($id);
    $upBy = $reliance->inTheWay($id, -1); $downBy = $reliance->inTheWay($id, 1);
    $trial = $fresh === $id && $f->result?->status !== \Cubo\Recipe\StepStatus::Off;
@endphp
@if ($step->heading !== '')<li class="heading" id="heading-{{ $id }}" data-heading="{{ $id }}"><button type="button" class="fold" data-fold aria-expanded="true" aria-label="Fold {{ $step->heading }}"></button><h3>{{ $step->heading }}</h3></li>@endif
<li class="step {{ $picked === $id ? 'picked' : '' }} {{ $step->off ? 'is-off' : '' }} {{ $f->result?->status === \Cubo\Recipe\StepStatus::Failed ? 'failed' : '' }} {{ $trial ? 'trial' : '' }}" id="step-{{ $id }}" data-step="{{ $id }}" data-solid="{{ $step->kind->stands() ? 1 : 0 }}" data-makes="{{ $step->kind->makes() || $step->kind->has('count') ? 1 : 0 }}" data-last="{{ $n === count($document->steps) ? 1 : 0 }}" data-below="{{ implode(' ', $below) }}" data-above="{{ implode(' ', $above) }}" data-does="{{ route('stage.does', [$recipe, $id], false) }}" data-after="{{ route('stage.after', [$recipe, $id], false) }}" data-try="{{ route('stage.try', [$recipe, $id], false) }}">
<span class="n">{{ $n }}</span>
<form id="form-{{ $id }}" {!! $each !!}><input type="hidden" name="do" value="set">
<div class="say">
@include('bench.sentence')
</div>
@foreach ($f->messages as $i => $m)<span class="why {{ $m->warning ? 'hintful' : '' }}" @if ($i === 0) id="{{ $id }}-why" @endif role="{{ $m->warning ? 'status' : 'alert' }}"><b class="{{ $m->warning ? '' : 'off' }}">{{ $m->what }}</b> {{ $m->why }} @if ($m->offer !== null)<button type="button" class="btn s" data-edit="{{ $f->edit('set', ['values' => $m->offer['values']]) }}">{{ $m->offer['words'] }}</button>@endif @if (! $m->warning && $f->picksAnew($m)) <button type="button" class="btn s" data-anew="{{ $f->picksAnew($m) }}">{{ $f->isEmpty((string) $m->field) ? 'Pick it' : 'Pick anew' }}</button>@endif</span>@endforeach
@if ($f->result?->status === \Cubo\Recipe\StepStatus::Waiting)<span class="why waits">Not worked out yet.</span>@endif
@if ($step->off)<span class="why">This step is switched off. The part is shown without it.</span>@endif
@if ($trial)<div class="trialbar" role="group" aria-label="Tried out"><span>Tried out, not settled:</span> <button type="button" class="btn s go" data-keep>Keep it <kbd>Enter</kbd></button> <button type="button" class="btn s" data-edit="{{ $f->edit('delete') }}" data-drop>Drop it <kbd>Esc</kbd></button></div>@endif
<p class="lies small" data-lies role="status"></p><p class="lies small unseen" data-unseen role="status"></p>
<div class="slide" data-slide></div>
<div class="remark {{ $step->note === '' ? 'none' : '' }}"><label>Remark <input class="val word" id="{{ $id }}-note" name="note" value="{{ $step->note }}" maxlength="400" autocomplete="off" placeholder="why it is so"></label></div>
<div class="tools" role="group" aria-label="Step {{ $n }}">
<button type="button" class="link" data-edit="{{ $f->edit('shift', ['places' => -1]) }}" @disabled($n === 1 || $upBy !== null)>Earlier</button>
<button type="button" class="link" data-edit="{{ $f->edit('shift', ['places' => 1]) }}" @disabled($n === count($document->steps) || $downBy !== null)>Later</button>
<button type="button" class="link" data-edit="{{ $f->edit('switch') }}">{{ $step->off ? 'Switch on' : 'Switch off' }}</button>
@if (! $step->kind->draws() && ! $step->off)<button type="button" class="link" data-explain>Show what it does</button>@endif
@if ($step->kind->stands())<button type="button" class="link" data-edit="{{ $f->edit('drop') }}">Let it down</button>@endif
@if ($step->kind->makes() && ! $step->off)<button type="button" class="link" data-edit="{{ $f->edit('one-more') }}">One more</button>
<button type="button" class="link" data-edit="{{ $f->edit('around', ['count' => 6]) }}">6 round the centre</button>@elseif ($step->kind->has('count') && $step->text('of') === 'step')<button type="button" class="link" data-edit="{{ $f->edit('one-more') }}">One more</button>@endif
@if ($step->kind->placesGroup() && isset($document->groups[$step->text('group')]))
@php $of = $document->groups[$step->text('group')]; @endphp
@if (! $open)<button type="button" class="link" data-edit="{{ $f->edit('open', ['group' => $of->id]) }}">Open the group</button>@endif
<button type="button" class="link" data-edit="{{ $f->edit('ungroup') }}">Take it apart</button>
<button type="button" class="link" data-edit="{{ $f->edit('set-free') }}" title="It no longer follows the other places of {{ $of->name() }}">Set it free</button>
@endif
<button type="button" class="link" data-back>Go back to here</button>
<button type="button" class="link" data-edit="{{ $f->edit('delete') }}" @if ($above !== []) data-asks="{{ implode(', ', array_map($name1, array_slice($above, 0, 3))) }} {{ count($above) === 1 ? 'rests' : 'rest' }} on it. Delete it?" @endif>Delete</button>
<label class="small quiet">Heading above <input class="val word" id="{{ $id }}-heading" name="heading" value="{{ $step->heading }}" maxlength="60" autocomplete="off" placeholder="none"></label>
@if ($below !== [] || $above !== [])<span class="small quiet rests">{{ $below === [] ? '' : 'Rests on ' . implode(', ', array_map($name1, array_slice($below, 0, 4))) . '.' }} {{ $above === [] ? '' : 'Carries ' . implode(', ', array_map($name1, array_slice($above, 0, 4))) . '.' }} {{ $upBy === null ? '' : "It cannot go earlier: {$upBy->name}, right before it, carries it." }} {{ $downBy === null ? '' : "It cannot go later: {$downBy->name}, right after it, rests on it." }}</span>@endif
</div>
</form>
</li>
