<section class="sc-more" aria-labelledby="more"><h3 id="more">{{ __('school.classes.more', ['class' => $class->name]) }}</h3>
<form method="post" action="{{ route('classes.update', $class) }}">@csrf<label for="class-name">{{ __('school.classes.new_name') }}</label> <input class="val" id="class-name" name="name" value="{{ $class->name }}" maxlength="30" size="8" required> <button class="btn s">{{ __('school.classes.rename') }}</button></form>
<form method="post" action="{{ route('classes.code', $class) }}">@csrf<button class="btn s" data-asks="{{ __('school.classes.code_new_ask') }}">{{ __('school.classes.code_new_do') }}</button></form>
@if ($students->isNotEmpty())<form method="post" action="{{ route('classes.pins', $class) }}">@csrf<button class="btn s" data-asks="{{ __('school.classes.pins_new_ask') }}">{{ __('school.classes.pins_new_do') }}</button></form>@endif
<form method="post" action="{{ route('classes.archive', $class) }}">@csrf @if ($class->archived_at !== null)<input type="hidden" name="open" value="1">@endif<button class="btn s">{{ __($class->archived_at === null ? 'school.classes.archive' : 'school.classes.open_again') }}</button> <span class="small quiet">{{ __('school.classes.archive_about') }}</span></form>
@if ($class->archived_at !== null)
<form method="post" action="{{ route('classes.remove', $class) }}" class="removes">@csrf @method('delete')<label for="remove-name">{{ __('school.classes.remove_about', ['class' => $class->name]) }}</label> <input class="val" id="remove-name" name="name" maxlength="30" size="8" autocomplete="off"> <button class="btn s">{{ __('school.classes.remove') }}</button>@error('name', 'remove')<span class="wrong" role="alert">{{ $message }}</span>@enderror</form>
@endif
</section>
