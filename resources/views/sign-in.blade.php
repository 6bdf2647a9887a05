<x-layout title="Sign in" class="signin">
<section aria-labelledby="about">
  <h1 id="about" class="vh">Cubo</h1>
  <svg width="170" height="90" viewBox="5 0 64 34" preserveAspectRatio="xMinYMid" role="img" aria-label="Cubo"><text x="37" y="21" text-anchor="middle" style="font:740 23px var(--font-text);letter-spacing:-.2px" fill="var(--color-ink)">Cubo</text><path d="M9 29H65" stroke="var(--color-violet)" stroke-width="3.5"/><path d="M6 33L12 25M62 33L68 25" stroke="var(--color-violet)" stroke-width="2.2"/></svg>
  <p style="font-size:17px;line-height:25px;max-width:300px">Build the part on the drawing. Measure it against every size. Mend it until the lines fill in.</p>
  <ul style="display:grid;gap:8px" class="small">
    <li><x-shape state="open" width="64"/> Not checked yet</li>
    <li><x-shape state="off" width="64"/> <span class="off">Off, and by how much</span></li>
    <li><x-shape state="met" width="64"/> <span class="met">Met, settled for good</span></li>
  </ul>
</section>
<section class="pane" aria-labelledby="students">
  @if ($isEmpty)<p class="saidline">{{ __('school.setup.none') }}</p>@endif
  <h2 id="students" style="font-size:22px;line-height:27px">Students</h2>
  <form method="post" action="{{ route('sign-in.student') }}">@csrf
    <p class="small quiet">All three are on your card.</p>
    @foreach (['class' => ['Class code', $class, 'text'], 'own' => ['Your own code', $own, 'text'], 'pin' => ['PIN', '', 'password']] as $field => [$label, $last, $type])
    <div><label class="lab" for="{{ $field }}">{{ $label }}</label>
    <input class="field num typed-code" id="{{ $field }}" name="{{ $field }}" type="{{ $type }}" @if ($field === 'pin') inputmode="numeric" @else value="{{ old($field, $last) }}" autocapitalize="characters" @endif autocomplete="off" spellcheck="false" maxlength="20" @if ($field === ($own !== '' || old('own') ? 'pin' : 'class')) autofocus @endif @error($field) aria-invalid="true" aria-describedby="{{ $field }}-wrong" @enderror>
    @error($field)<span class="wrong" id="{{ $field }}-wrong" role="alert">{{ $message }}</span>@enderror</div>
    @endforeach
    <label style="display:flex;gap:8px;align-items:center"><input type="checkbox" name="keep" value="1" @checked(old('keep', $own !== '' ? '1' : '')) style="width:18px;height:18px;accent-color:var(--color-ink)"> Remember both codes on this computer</label>
    <button class="btn go" style="align-self:start">Sign in</button>
  </form>
</section>
<section aria-labelledby="teachers">
  <h2 id="teachers" style="font-size:22px;line-height:27px">Teachers</h2>
  <form method="post" action="{{ route('sign-in.teacher') }}">@csrf
    <div><label class="lab" for="email">E-mail address</label>
    <input class="field" id="email" name="email" type="email" value="{{ old('email') }}" autocomplete="username" maxlength="200" @error('email') aria-invalid="true" aria-describedby="email-wrong" @enderror>
    @error('email')<span class="wrong" id="email-wrong" role="alert">{{ $message }}</span>@enderror</div>
    <div><label class="lab" for="password">Password</label>
    <input class="field" id="password" name="password" type="password" autocomplete="current-password" maxlength="200" @error('password') aria-invalid="true" aria-describedby="password-wrong" @enderror>
    @error('password')<span class="wrong" id="password-wrong" role="alert">{{ $message }}</span>@enderror</div>
    <label style="display:flex;gap:8px;align-items:center"><input type="checkbox" name="remember" value="1" style="width:18px;height:18px;accent-color:var(--color-ink)"> Keep me signed in on this computer</label>
    <button class="btn ink" style="align-self:start">Sign in</button>
  </form>
</section>
</x-layout>
