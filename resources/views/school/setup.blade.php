<x-layout :title="__('school.setup.title')" class="setup">
<main>
<x-mark/>
<h1>{{ __('school.setup.title') }}</h1>
<p class="quiet">{{ __('school.setup.about') }}</p>
<form method="post" action="{{ route('setup.store') }}">@csrf<input type="hidden" name="key" value="{{ $key }}">
<x-field name="school" :label="__('school.setup.school')" maxlength="80" :autofocus="! $errors->any()"/>
<div class="pair">
<div><label class="lab" for="language">{{ __('school.setup.language') }}</label><select class="field" id="language" name="language">@foreach ($languages as $code => $language)<option value="{{ $code }}" @selected(old('language', 'en') === $code)>{{ $language }}</option>@endforeach</select></div>
<div><label class="lab" for="time_zone">{{ __('school.setup.zone') }}</label><select class="field" id="time_zone" name="time_zone" data-own-zone>@foreach ($zones as $zone)<option @selected(old('time_zone', date_default_timezone_get()) === $zone)>{{ $zone }}</option>@endforeach</select></div>
</div>
<h2>{{ __('school.setup.you') }}</h2>
<p class="small quiet">{{ __('school.setup.you_about') }}</p>
<x-field name="name" :label="__('school.setup.name')" maxlength="60" autocomplete="name"/>
<x-field name="email" type="email" :label="__('school.setup.email')" maxlength="200" autocomplete="username"/>
<x-field name="password" type="password" :label="__('school.setup.password')" :about="__('school.problems.password', ['min' => \App\Support\School\Setup::SHORTEST_PASSWORD])" maxlength="200" autocomplete="new-password"/>
<button class="btn go">{{ __('school.setup.begin') }}</button>
</form>
</main>
<aside aria-hidden="true"><ol>@foreach (__('school.setup.steps') as $i => $step)<li><x-shape :state="$i === 0 ? 'asked' : 'open'" width="64"/> {{ $step }}</li>@endforeach</ol></aside>
</x-layout>
