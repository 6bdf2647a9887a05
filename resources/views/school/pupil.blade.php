<tr class="pupil"><td colspan="6"><div class="pupil-acts">
<form method="post" action="{{ route('pupils.pin', [$class, $s]) }}">@csrf<button class="btn s">{{ __('school.pupil.pin') }}</button></form>
@if ($s->first_pin !== null)<span data-first-pin>{{ __('school.pupil.first_pin') }} <b class="num">{{ $s->first_pin }}</b></span> <a class="btn s" href="{{ route('classes.cards', [$class, 'only' => $s->id]) }}" target="_blank">{{ __('school.pupil.card') }}</a>@endif
@if (isset($troubled[$s->id]))<form method="post" action="{{ route('pupils.lift', [$class, $s]) }}">@csrf<button class="btn s">{{ __('school.pupil.lift', ['name' => $s->name]) }}</button></form>@endif
@php $elsewhere = $classes->whereNull('archived_at')->reject(fn ($c) => $c->is($class)); @endphp
@if ($elsewhere->isNotEmpty())<form method="post" action="{{ route('pupils.move', [$class, $s]) }}">@csrf<label for="move-to">{{ __('school.pupil.move') }}</label> <select class="val" id="move-to" name="class">@foreach ($elsewhere as $c)<option value="{{ $c->id }}">{{ $c->name }}</option>@endforeach</select> <button class="btn s">{{ __('school.pupil.move_do') }}</button></form>@endif
<form method="post" action="{{ route('pupils.update', [$class, $s]) }}">@csrf<label for="pupil-name" class="vh">{{ __('school.list.name') }}</label> <input class="val word" id="pupil-name" name="name" value="{{ old('name', $s->name) }}" maxlength="{{ \Cubo\School\Roster\RosterPlan::LONGEST }}" required> <button class="btn s">{{ __('school.pupil.rename') }}</button>@error('name', 'pupil')<span class="wrong" role="alert">{{ $message }}</span>@enderror</form>
<a class="link small" href="{{ route('pupils.export', [$class, $s]) }}">{{ __('school.pupil.export') }}</a></div>
<details class="removes"><summary>{{ __('school.pupil.remove_ask', ['name' => $s->name]) }}</summary>
<p>{{ __('school.pupil.remove_goes', ['works' => $goes['works'], 'handins' => $goes['handIns'], 'files' => $goes['files'], 'parts' => $goes['parts']]) }}</p>
<form method="post" action="{{ route('pupils.remove', [$class, $s]) }}">@csrf @method('delete')<button class="btn s">{{ __('school.pupil.remove', ['name' => $s->name]) }}</button> <a class="btn s" href="{{ route('classes.show', $class) }}">{{ __('school.pupil.keep', ['name' => $s->name]) }}</a></form></details>
</td></tr>
