<x-layout :title="__('school.people.title')" class="page school">
<x-person-strip :caption="$school->name" :heading="__('school.people.title')">
<x-slot:acts><a class="btn" href="{{ route('classes.index') }}">{{ __('school.classes.title') }}</a><a class="btn" href="{{ route('home') }}">{{ __('school.classes_and_exercises') }}</a></x-slot:acts>
</x-person-strip>
<main class="pp">
<section class="pp-main" aria-labelledby="teachers-head"><h2 id="teachers-head" class="pp-h">{{ __('school.people.head') }}</h2>
@if (session('said'))<p class="saidline" role="status">{{ session('said') }}</p>@endif
@if (session('reset'))<div class="shown-once" role="status"><p>{{ __('school.people.reset_done', ['name' => session('reset')['name']]) }}</p><p class="num"><b>{{ session('reset')['password'] }}</b></p></div>@endif
@error('teacher', 'people')<p class="wrong" role="alert">{{ $message }}</p>@enderror
<table class="roster"><thead><tr>@foreach (__('school.people.columns') as $column)<th scope="col">{{ $column }}</th>@endforeach</tr></thead><tbody>
@foreach ($teachers as $t)
<tr><th scope="row">{{ $t->name }}@if ($t->is($me)) <span class="quiet small">{{ __('school.classes.you') }}</span>@endif @if ($t->administers)<br><span class="small met">{{ __('school.people.looks_after') }}</span>@endif</th><td class="num small">{{ $t->email }}</td><td>{{ $t->classes->pluck('name')->implode(', ') ?: '–' }}</td><td class="num">{{ $t->exercises_count }}</td><td>@if ($t->last_seen_at)<x-moment :at="$t->last_seen_at"/>@else<span class="quiet">{{ __('school.classes.never') }}</span>@endif</td>
<td>@if ($me->administers)<details class="acts-of"><summary class="link small">{{ __('school.people.change') }}<span class="vh"> {{ $t->name }}</span></summary><div>
<form method="post" action="{{ route('people.administers', $t) }}">@csrf<input type="hidden" name="administers" value="{{ $t->administers ? 0 : 1 }}"><button class="btn s">{{ __($t->administers ? 'school.people.unmake' : 'school.people.make') }}</button></form>
@if (! $t->is($me))<form method="post" action="{{ route('people.reset', $t) }}">@csrf<button class="btn s" data-asks="{{ __('school.people.reset_ask', ['name' => $t->name]) }}">{{ __('school.people.reset') }}</button></form>
<form method="post" action="{{ route('people.remove', $t) }}" class="removes">@csrf @method('delete')<label for="heir-{{ $t->id }}">{{ __('school.people.remove_about', ['name' => $t->name]) }}</label> <select class="val" id="heir-{{ $t->id }}" name="heir">@foreach ($teachers as $h)@if (! $h->is($t))<option value="{{ $h->id }}">{{ $h->name }}</option>@endif @endforeach</select> <button class="btn s">{{ __('school.people.remove_do', ['name' => $t->name]) }}</button></form>@endif</div></details>@endif</td></tr>
@endforeach
</tbody></table>
@if ($invitations->isNotEmpty())<h3 class="pp-h">{{ __('school.people.open') }}</h3><ul class="pp-open">@foreach ($invitations as $i)<li><b>{{ $i->name }}</b> <span class="num small quiet">{{ $i->email }}</span> <span class="small">{{ __('school.people.until', ['until' => \App\Support\Moments::full($i->ends_at)]) }}</span><form method="post" action="{{ route('people.withdraw', $i) }}">@csrf @method('delete')<button class="link small">{{ __('school.people.withdraw') }}</button></form></li>@endforeach</ul>@endif
</section>
<aside class="pp-side">
@if (session('invited'))<div class="shown-once" role="status"><p>{{ __('school.people.link', ['name' => session('invited')['name'], 'until' => \App\Support\Moments::full(now()->addDay())]) }}</p><p class="num"><b>{{ session('invited')['link'] }}</b></p></div>@endif
<form method="post" action="{{ route('people.invite') }}" class="pp-form">@csrf<h2>{{ __('school.people.invite') }}</h2><p class="small quiet">{{ __('school.people.invite_about') }}</p>
<x-field name="name" id="invite-name" bag="invite" :label="__('school.people.name')" maxlength="60"/>
<x-field name="email" id="invite-email" type="email" bag="invite" :label="__('school.people.email')" maxlength="200"/>
@if ($classes->isNotEmpty())<fieldset><legend class="lab">{{ __('school.people.shares') }}</legend>@foreach ($classes as $c)<label class="tick"><input type="checkbox" name="classes[]" value="{{ $c->id }}"> {{ $c->name }}</label>@endforeach</fieldset>@endif
@if ($me->administers)<label class="tick"><input type="checkbox" name="administers" value="1"> {{ __('school.people.also_after') }}</label>@endif
<button class="btn ink">{{ __('school.people.make_link') }}</button></form>
@if ($me->administers)
<form method="post" action="{{ route('school.update') }}" class="pp-form">@csrf<h2>{{ __('school.people.school') }}</h2>
<x-field name="name" id="school-name" bag="school" :label="__('school.people.school_name')" :value="$school->name" maxlength="80"/>
<div><label class="lab" for="zone">{{ __('school.people.zone') }}</label><select class="field" id="zone" name="time_zone">@foreach (timezone_identifiers_list() as $zone)<option @selected($zone === ($school->time_zone ?? date_default_timezone_get()))>{{ $zone }}</option>@endforeach</select></div>
<div><label for="keep_months">{{ __('school.people.keep') }}</label> <input class="val" id="keep_months" name="keep_months" value="{{ old('keep_months', $school->keep_months) }}" inputmode="numeric" size="3" maxlength="3" aria-describedby="keep-about"> <span class="small quiet" id="keep-about">{{ __('school.people.keep_about') }}</span>@error('keep_months', 'school')<span class="wrong" role="alert">{{ $message }}</span>@enderror</div>
<button class="btn">{{ __('school.people.keep_do') }}</button></form>
@endif
</aside></main>
</x-layout>
