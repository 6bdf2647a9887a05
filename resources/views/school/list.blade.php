<form method="post" action="{{ route('classes.list', $class) }}" enctype="multipart/form-data" class="sc-list">@csrf
<h2 id="list-head">{{ __('school.list.title') }}</h2><p class="small quiet" id="list-about">{{ __('school.list.about') }}</p>
<label class="vh" for="list">{{ __('school.list.names') }}</label><textarea class="field num" id="list" name="list" rows="9" spellcheck="false" aria-describedby="list-about @error('list', 'list') list-wrong @enderror" placeholder="Alba Thorne&#10;Bo Lindqvist">{{ old('list') }}</textarea>
@error('list', 'list')<span class="wrong" id="list-wrong" role="alert">{{ $message }}</span>@enderror
<label for="list-file">{{ __('school.list.file') }}</label> <input type="file" id="list-file" name="file" accept=".csv,.txt,.xlsx,text/csv">
<button class="btn ink">{{ __('school.list.read') }}</button></form>
