{{-- Everything in the sketch with its relations and sizes: all of it can be picked and changed here by keyboard. --}}
@php
    $loose = $solved->movements;
    $of = [];
    foreach ($sketch->relations as $r) { $home = null; foreach ($r->of as $id) { if (isset($sketch->entities[$id])) { $home = $id; break; } $home ??= $id; } $of[$home][] = $r; }
    $used = []; foreach ($sketch->entities as $e) { foreach ($e->points as $p) { $used[$p] = true; } }
    $pt = fn ($p) => '<button type="button" class="thing" data-pick="' . $p . '" aria-pressed="false">' . $p . '</button>';
    $say = fn ($e) => match ($e->kind->value) {
        'line' => ['Line', 'from ' . $pt($e->points[0]) . ' to ' . $pt($e->points[1])], 'circle' => ['Circle', 'about ' . $pt($e->points[0])], 'arc' => ['Arc', 'about ' . $pt($e->points[0]) . ', ' . $pt($e->points[1]) . ' to ' . $pt($e->points[2])],
        'ellipse' => ['Ellipse', 'about ' . $pt($e->points[0]) . ' to ' . $pt($e->points[1])], 'text' => ['Text', '“' . e($e->text) . '” at ' . $pt($e->points[0])], default => ['Curve', 'through ' . implode(', ', array_map($pt, $e->points))] };
    $others = fn ($r, $id) => implode(' and ', array_values(array_filter($r->of, fn ($x) => $x !== $id)));
@endphp
@if ($sketch->entities === [] && $sketch->points === [])<p class="empty">Nothing is drawn yet. Pick a tool below and draw on the paper, or type a line.</p>@endif
<p class="always small">Always there: <button type="button" class="thing" data-pick="origin" aria-pressed="false">origin</button>, <button type="button" class="thing" data-pick="u-axis" aria-pressed="false">u-axis</button>, <button type="button" class="thing" data-pick="v-axis" aria-pressed="false">v-axis</button></p>
<ol>
@foreach ([...$sketch->entities, ...array_diff_key($sketch->points, $used)] as $id => $e)
@php $isPoint = is_array($e); $isLoose = isset($loose[$id]) || (! $isPoint && array_filter($e->points, fn ($p) => isset($loose[$p])) !== []); @endphp
<li data-thing="{{ $id }}" class="{{ $isLoose ? 'loose' : 'settled' }}"><button type="button" class="thing" data-pick="{{ $id }}" aria-pressed="false">{{ ($isPoint ? 'Point' : $say($e)[0]) . " $id" }}</button> @if (! $isPoint){!! $say($e)[1] !!}{{ $e->role->value === 'outline' ? '' : ', ' . $e->role->value }}@endif <span class="small quiet">{{ ! $isPoint && $e->edge !== '' ? 'follows the part' : ($isLoose ? 'loose' : 'settled') }}</span>
@foreach ($of[$id] ?? [] as $r)
<span class="rel {{ in_array($r->id, $solved->idle, true) ? 'idle' : '' }}" data-relation="{{ $r->id }}">@if ($r->kind->isDimension())<label for="v-{{ $r->id }}">{{ $r->id }}: {{ $r->kind->value }}{{ $others($r, $id) === '' ? '' : ' to ' . $others($r, $id) }}</label> <input class="val" id="v-{{ $r->id }}" data-value="{{ $r->id }}" value="{{ \App\Support\Pad\PadPage::sizeText($sketch, $r, $unit) }}" autocomplete="off" maxlength="120">@else{{ $r->kind->value }}{{ $others($r, $id) === '' ? '' : ' ' . (['coincident' => 'with', 'equal' => 'to', 'parallel' => 'to', 'perpendicular' => 'to', 'tangent' => 'to', 'concentric' => 'with', 'symmetric' => 'to', 'collinear' => 'with', 'midpoint' => 'of'][$r->kind->value] ?? 'with') . ' ' . $others($r, $id) }}@endif @if (in_array($r->id, $solved->idle, true))<i class="small">adds nothing{{ ($solved->follows[$r->id] ?? []) === [] ? '' : ', follows from ' . implode(', ', array_slice($solved->follows[$r->id], 0, 4)) }}</i>@endif <button type="button" class="link small" data-drop="{{ $r->id }}" aria-label="Remove {{ $r->kind->value }} {{ $r->id }}">remove</button></span>
@endforeach
</li>
@endforeach
@foreach (array_filter($of, fn ($list, $id) => ! isset($sketch->entities[$id]) && (isset($used[$id]) || ! isset($sketch->points[$id])), ARRAY_FILTER_USE_BOTH) as $id => $list)
<li data-thing="{{ $id }}" class="{{ isset($loose[$id]) ? 'loose' : 'settled' }}"><button type="button" class="thing" data-pick="{{ $id }}" aria-pressed="false">{{ $id === 'origin' ? 'origin' : "Point $id" }}</button>
@foreach ($list as $r)
<span class="rel {{ in_array($r->id, $solved->idle, true) ? 'idle' : '' }}" data-relation="{{ $r->id }}">@if ($r->kind->isDimension())<label for="v-{{ $r->id }}">{{ $r->id }}: {{ $r->kind->value }}{{ $others($r, $id) === '' ? '' : ' to ' . $others($r, $id) }}</label> <input class="val" id="v-{{ $r->id }}" data-value="{{ $r->id }}" value="{{ \App\Support\Pad\PadPage::sizeText($sketch, $r, $unit) }}" autocomplete="off" maxlength="120">@else{{ $r->kind->value }} {{ $others($r, $id) === '' ? '' : 'with ' . $others($r, $id) }}@endif <button type="button" class="link small" data-drop="{{ $r->id }}" aria-label="Remove {{ $r->kind->value }} {{ $r->id }}">remove</button></span>
@endforeach
</li>
@endforeach
</ol>
