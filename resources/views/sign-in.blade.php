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
  <h2 id="students" style="font-size:22px;line-height:27px">Students</h2>
  @if ($class === null)
  <form method="post" action="{{ route('sign-in.class') }}">@csrf
    <div><label class="lab" for="code">Class code</label>
    <input class="field num" style="text-align:left;text-transform:uppercase;letter-spacing:.08em" id="code" name="code" value="{{ old('code') }}" autocomplete="off" autocapitalize="characters" autofocus maxlength="20" @error('code') aria-invalid="true" aria-describedby="code-wrong" @enderror>
    @error('code')<span class="wrong" id="code-wrong" role="alert">{{ $message }}</span>@enderror</div>
    <button class="btn go" style="align-self:start">Find my class</button>
  </form>
  @else
  <form method="post" action="{{ route('sign-in.student') }}" style="max-width:520px">@csrf
    <p>Class <b>{{ $class->name }}</b></p>
    <fieldset @error('student') aria-describedby="student-wrong" @enderror><legend class="lab">Your name</legend>
    <div class="names">@foreach ($names as $n)<label><input type="radio" name="student" value="{{ $n->id }}" @checked((string) old('student') === (string) $n->id)> {{ $n->name }}</label>@endforeach</div>
    @error('student')<span class="wrong" id="student-wrong" role="alert">{{ $message }}</span>@enderror</fieldset>
    <div style="max-width:200px"><label class="lab" for="pin">PIN</label>
    <input class="field num" style="text-align:left;letter-spacing:.2em" id="pin" name="pin" type="password" inputmode="numeric" autocomplete="off" maxlength="12" @error('pin') aria-invalid="true" aria-describedby="pin-wrong" @enderror>
    </div>
    @error('pin')<span class="wrong" id="pin-wrong" role="alert">{{ $message }}</span>@enderror
    <div style="display:flex;gap:18px;align-items:center"><button class="btn go">Sign in</button>
    <button class="link" formaction="{{ route('sign-in.class') }}" name="other" value="1">Another class</button></div>
  </form>
  @endif
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
