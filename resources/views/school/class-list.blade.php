<nav class="sc-classes" aria-labelledby="classes-head"><h2 id="classes-head">{{ __('school.classes.head') }}</h2>
<ul>@foreach ($classes as $c)
<li><a href="{{ route('classes.show', $c) }}" @if ($in && $c->is($class)) aria-current="page" @endif><b>{{ $c->name }}</b><span class="small quiet">{{ trans_choice('school.classes.pupils', $c->students_count) }}, @if ($c->archived_at === null){{ __('school.classes.code') }} <span class="num">{{ $c->code }}</span>@else{{ __('school.classes.archived_mark') }}@endif</span></a></li>
@endforeach</ul>
<form method="post" action="{{ route('classes.store') }}" class="sc-new">@csrf<label for="new-class">{{ __('school.classes.new') }}</label> <input class="val" id="new-class" name="name" value="{{ $errors->class->any() && ! request()->has('class') ? old('name') : '' }}" maxlength="30" size="6" @if (! $in) autofocus @endif required @error('name', 'class') aria-invalid="true" aria-describedby="new-class-wrong" @enderror>
@error('name', 'class')<span class="wrong" id="new-class-wrong" role="alert">{{ $message }}</span>@enderror
<button class="btn s ink">{{ __('school.classes.make') }}</button></form>
@if ($in)
<section aria-labelledby="colleagues"><h2 id="colleagues">{{ __('school.classes.colleagues', ['class' => $class->name]) }}</h2>
@error('teacher', 'class')<span class="wrong" role="alert">{{ $message }}</span>@enderror
<ul class="sc-colleagues">@foreach ($colleagues as $t)
<li><b>{{ $t->name }}</b>@if ($t->is($me)) <span class="quiet small">{{ __('school.classes.you') }}</span>@endif
@if ($colleagues->count() > 1)<form method="post" action="{{ route('classes.unshare', [$class, $t]) }}">@csrf @method('delete')<button class="link small">{{ __('school.classes.let_go', ['name' => $t->name]) }}</button></form>@endif</li>
@endforeach</ul>
@if ($others->isNotEmpty())<form method="post" action="{{ route('classes.share', $class) }}" class="sc-share">@csrf<label for="share-with">{{ __('school.classes.share_with') }}</label> <select class="val" id="share-with" name="teacher">@foreach ($others as $t)<option value="{{ $t->id }}">{{ $t->name }}</option>@endforeach</select> <button class="btn s">{{ __('school.classes.share') }}</button></form>
@elseif ($colleagues->count() < 2)<p class="small quiet">{{ __('school.classes.nobody_else') }}</p>@endif
<a class="btn s" href="{{ route('people') }}">{{ __('school.classes.invite') }}</a></section>
@endif
<p class="sc-foot small">{{ __('school.classes.names_stay') }}</p>
</nav>
