<x-layout :title="__('school.account.title')">
<x-person-strip :caption="$me->name" :heading="__('school.account.title')"><x-slot:acts><a class="btn" href="{{ route('home') }}">{{ __('school.classes_and_exercises') }}</a></x-slot:acts></x-person-strip>
<main class="account">
@if (session('said'))<p class="saidline" role="status">{{ session('said') }}</p>@endif
<section><form method="post" action="{{ route('account.secret') }}">@csrf<h2>{{ __($me->isTeacher() ? 'school.account.password' : 'school.account.pin') }}</h2>
<x-field name="old" type="password" :label="__('school.account.old')" maxlength="200" autocomplete="current-password" :inputmode="$me->isTeacher() ? null : 'numeric'"/>
<x-field name="new" type="password" :label="__('school.account.new')" :about="__($me->isTeacher() ? 'school.account.password_about' : 'school.account.pin_about')" maxlength="200" autocomplete="new-password" :inputmode="$me->isTeacher() ? null : 'numeric'"/>
<button class="btn ink">{{ __('school.account.change') }}</button></form></section>
<section><h2>{{ __('school.account.where') }}</h2><ul class="sessions">@foreach ($sessions as $s)<li><b>{{ $s['device'] }}</b> <span class="num small quiet">{{ $s['address'] }}</span> <span class="small">@if ($s['here'])<b class="met">{{ __('school.account.here') }}</b>@else<x-moment :at="$s['at']"/>@endif</span></li>@endforeach</ul>
@if (count($sessions) > 1)<form method="post" action="{{ route('account.end') }}">@csrf @method('delete')<button class="btn">{{ __('school.account.end') }}</button></form>@endif</section>
<section><h2>{{ __('school.account.calendar') }}</h2>@if ($me->calendar)<p class="num small" style="overflow-wrap:anywhere">{{ route('calendar', $me->calendar) }}</p>@endif<p class="small quiet">{{ __('school.account.calendar_about') }}</p>
<form method="post" action="{{ route('account.calendar') }}">@csrf<button class="btn s">{{ __($me->calendar ? 'school.account.calendar_again' : 'school.account.calendar_new') }}</button></form></section>
</main></x-layout>
