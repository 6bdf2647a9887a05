@php $unit = $file->unit(); $in = $exercise->sheet()->unit; $i = $file->info; $other = $unit->value === 'mm' ? 'in' : 'mm'; @endphp
<x-layout title="{{ $file->name }}">
<x-person-strip caption="{{ $exercise->title }}" heading="{{ $file->name }}">
<div><span class="cap">File</span>{{ $i['format'] }}, {{ number_format($i['triangles'], 0, '.', ' ') }} triangles</div>
<div><span class="cap">Unit</span>{{ $unit->word() }}{{ $i['ownUnit'] ? ', from the file' : '' }}</div>
<x-slot:acts><a class="btn" href="{{ route('files.create', $assignment) }}">Another file</a><form method="post" action="{{ route('files.hand-in', $file) }}">@csrf<button class="btn go">Hand in this part</button></form></x-slot:acts>
</x-person-strip>
<main class="cols look-at">
<div class="stage" data-stage="full" data-glb="{{ $glb }}" data-unit="{{ $in->value }}" tabindex="0" aria-label="The part of the file. Keys 0 to 3 choose the view, arrows turn." data-alt="The part of the file">
<div class="look" role="group" aria-label="Look from">@foreach (['isometric' => 0, 'front' => 1, 'top' => 2, 'right' => 3] as $v => $k)<button type="button" data-view="{{ $v }}" aria-pressed="{{ $k === 0 ? 'true' : 'false' }}">{{ $v }}</button>@endforeach</div>
@if ($glb === '')<p class="slip" style="left:16px;bottom:48px;position:absolute">Too fine for a picture.</p>@endif
<div class="slip plain" data-square></div></div>
<aside>
<form method="post" action="{{ route('files.update', $file) }}">@csrf
<h2>How it is taken</h2>
@error('unit')<p class="wrong" role="alert">{{ $message }}</p>@enderror
@if ($i['ownUnit'])<p>The file says its unit. The part measures</p>@else
<fieldset class="units"><legend>Numbers in the file are</legend>
@foreach (['mm' => 'millimetres', 'in' => 'inches'] as $u => $word)
<label><input type="radio" name="unit" value="{{ $u }}" @checked($unit->value === $u)> {{ $word }}: <span class="num">{{ implode(' × ', array_map(fn ($v) => $in->show($v * \Cubo\Quantity\Unit::from($u)->inMillimetres()), $i['sizes'])) }} {{ $in->value }}</span></label>
@endforeach</fieldset>
<p class="small quiet">The file does not say it. What comes nearer to the drawing was chosen for you.</p>@endif
@if ($i['ownUnit'])<p class="num"><b>{{ implode(' × ', array_map(fn ($v) => $in->show($v), $sizes)) }} {{ $in->value }}</b></p>@endif
@if ($i['shells'] > 1)<p class="small">The surface is {{ $i['shells'] }} shells that do not hang together: separate bodies, or hollows inside.</p>@endif
@if ($file->isShown())<div hx-get="{{ route('files.found', $file, false) }}" hx-trigger="load" hx-swap="innerHTML"><p class="small quiet">Looking for its faces …</p></div>@else<p class="small">It has more than {{ number_format(\Cubo\Measure\PartMeasures::FINE, 0, '.', ' ') }} triangles: only sizes and amounts will be measured. Saved coarser, all of it can be.</p>@endif
@if ($i['faults'] === [])<p class="met">The surface is closed and sound.</p>
@else
<h2 style="margin-top:16px">What is wrong with the surface</h2>
<ul class="faults">@foreach ($i['faults'] as $f)<li><b class="off">{{ ucfirst(str_replace('-', ' ', $f['kind'])) }}</b> {{ $f['words'] }}</li>@endforeach</ul>
@if ($i['mends'] !== [])<fieldset class="units"><legend>Take</legend>
<label><input type="radio" name="repaired" value="0" @checked(! $file->repaired)> the file as it is</label>
<label><input type="radio" name="repaired" value="1" @checked($file->repaired)> a mended copy: {{ implode(', ', $i['mends']) }}</label></fieldset>
@else<p class="small">This cannot be mended safely here: nobody can tell what was there. Mend it where it was made, or hand it in as it is.</p>@endif
@endif
@if (! $i['ownUnit'] || $i['mends'] !== [])<p style="margin-top:12px"><button class="btn s">Take it so</button></p>@endif
</form>
</aside>
</main>
<script type="application/json" id="marks">{!! json_encode($marks, JSON_HEX_TAG | JSON_HEX_AMP) !!}</script>
</x-layout>
