<x-layout :title="__('school.invitation.title')" class="setup">
<main><x-mark/><h1>{{ __('school.invitation.title') }}</h1>
@if ($invitation === null)<p>{{ __('school.invitation.over') }}</p><a class="btn" href="{{ route('login') }}">{{ __('school.invitation.to_sign_in') }}</a>
@else<p class="quiet">{{ __('school.invitation.about', ['school' => $invitation->school->name]) }}</p>
<form method="post" action="{{ route('invitations.accept', $token) }}">@csrf
<x-field name="name" :label="__('school.invitation.name')" :value="$invitation->name" maxlength="60"/>
<p><span class="lab">{{ __('school.invitation.email') }}</span><span class="num">{{ $invitation->email }}</span></p>
<x-field name="password" type="password" :label="__('school.invitation.password')" :about="__('school.problems.password', ['min' => \App\Support\School\Setup::SHORTEST_PASSWORD])" maxlength="200" autocomplete="new-password" autofocus/>
<button class="btn go">{{ __('school.invitation.come') }}</button></form>@endif
</main></x-layout>
