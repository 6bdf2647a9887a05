<x-layout title="New exercise">
<x-person-strip caption="{{ auth()->user()->name }}" heading="New exercise"/>
<main style="max-width:720px;width:100%;margin:0 auto;padding:32px 24px">
<form method="post" action="{{ route('exercises.store') }}" style="display:grid;gap:18px">@csrf
<div><label class="lab" for="title">Title</label><input class="field" id="title" name="title" value="{{ old('title') }}" maxlength="80" autofocus>@error('title')<span class="wrong" role="alert">{{ $message }}</span>@enderror</div>
<div><label class="lab" for="brief">Brief</label><textarea class="field" id="brief" name="brief" rows="6">{{ old('brief') }}</textarea><span class="small quiet">What the part is for and what matters. An empty line begins a new paragraph.</span>@error('brief')<span class="wrong" role="alert">{{ $message }}</span>@enderror</div>
<fieldset style="border:0;padding:0"><legend class="lab">Unit of the drawing</legend>
<label style="margin-right:20px"><input type="radio" name="unit" value="mm" @checked(old('unit', 'mm') === 'mm')> mm</label><label><input type="radio" name="unit" value="in" @checked(old('unit') === 'in')> inch</label>@error('unit')<span class="wrong" role="alert">{{ $message }}</span>@enderror</fieldset>
<div><button class="btn go">Build the reference part</button></div>
</form>
<form method="post" action="{{ route('exercises.bring') }}" enctype="multipart/form-data" style="margin-top:34px;display:grid;gap:8px;justify-items:start">@csrf<h2>{{ __('exercises.bring') }}</h2><p class="small quiet">{{ __('exercises.bring_about') }}</p>
<label class="vh" for="bring">{{ __('exercises.bring') }}</label><input type="file" id="bring" name="exercise" accept=".zip">@error('exercise', 'bring')<span class="wrong" role="alert">{{ $message }}</span>@enderror
<button class="btn">{{ __('exercises.bring_do') }}</button></form>
</main>
</x-layout>
