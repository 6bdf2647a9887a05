@props(['caption', 'heading'])
<header class="strip">
<x-mark/>
<div><span class="cap">{{ $caption }}</span><h1 style="font-size:14.5px;line-height:19px">{{ $heading }}</h1></div>
{{ $slot }}
<div class="grow"></div>
<div class="acts">{{ $acts ?? '' }}
<a class="btn" href="{{ route('account') }}">{{ __('school.account.mine') }}</a>
<form method="post" action="{{ route('sign-out') }}">@csrf<button class="btn">Sign out</button></form></div>
</header>
