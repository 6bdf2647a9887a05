<details class="whole" style="margin-top:10px" @if ($errors->shelf->any()) open @endif><summary class="link small">{{ __('exercises.whole') }}</summary>
<div style="display:flex;flex-wrap:wrap;gap:8px;margin-top:8px;align-items:center"><form method="post" action="{{ route('exercises.copy', $exercise) }}">@csrf<button class="btn s">{{ __('exercises.duplicate') }}</button></form>
<a class="btn s" href="{{ route('exercises.file', $exercise) }}">{{ __('exercises.file') }}</a>
<form method="post" action="{{ route('exercises.archive', $exercise) }}">@csrf @if ($exercise->archived_at !== null)<input type="hidden" name="open" value="1">@endif<button class="btn s">{{ __($exercise->archived_at === null ? 'exercises.archive' : 'exercises.open') }}</button></form>
<form method="post" action="{{ route('exercises.remove', $exercise) }}">@csrf @method('delete')<button class="btn s" data-asks="{{ __('exercises.remove_ask') }}">{{ __('exercises.remove') }}</button></form></div>
@error('remove', 'shelf')<span class="wrong" role="alert">{{ $message }}</span>@enderror</details>
