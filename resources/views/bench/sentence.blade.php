{{-- One step as a sentence: with its values as fields on the bench, as plain words where it is only read. --}}
@switch($kind)
@case('block')
Place a block {!! $name !!}, {!! $f->typed('width', 'width') !!} by {!! $f->typed('depth', 'depth') !!} by {!! $f->typed('height', 'height') !!} {{ $u }}, its edges {!! $f->chosen('edges') !!}@if ($step->text('edges') !== 'sharp') by {!! $f->typed('bevel', 'size of its edges') !!} {{ $u }}@endif, {!! $f->stands($f->chosen('from') . ' ') !!}
@break
@case('cylinder')
Place a cylinder {!! $name !!}, {!! $f->round() !!}, length {!! $f->typed('length', 'length') !!} {{ $u }}, {!! $f->chosen('along') !!}, {!! $f->stands('its beginning ') !!}
@break
@case('tube')
Place a tube {!! $name !!}, {!! $f->round() !!} outside, wall {!! $f->typed('wall', 'wall') !!}, length {!! $f->typed('length', 'length') !!} {{ $u }}, {!! $f->chosen('along') !!}, {!! $f->stands('its beginning ') !!}
@break
@case('cone')
Place a cone {!! $name !!}, {!! $f->chosen('by') !!} {!! $f->typed('round', $step->text('by') . ' at the base') !!} to {!! $f->typed('tip', $step->text('by') . ' at the far end') !!}, length {!! $f->typed('length', 'length') !!} {{ $u }}, {!! $f->chosen('along') !!}, {!! $f->stands('its base ') !!}
@break
@case('ball')
Place a ball {!! $name !!}, {!! $f->round() !!} {{ $u }}, {!! $f->stands('its middle ') !!}
@break
@case('halfball')
Place a half ball {!! $name !!}, {!! $f->round() !!} {{ $u }}, {!! $f->stands('the middle of its flat ') !!}
@break
@case('halfcylinder')
Place a half cylinder {!! $name !!}, {!! $f->round() !!}, length {!! $f->typed('length', 'length') !!} {{ $u }}, {!! $f->stands('the middle of its flat ') !!}
@break
@case('ring')
Place a ring {!! $name !!}, {!! $f->round() !!} outside, {!! $f->typed('thick', 'thickness') !!} {{ $u }} thick, {!! $f->stands('its middle ') !!}
@break
@case('wedge')
Place a wedge {!! $name !!}, {!! $f->typed('width', 'width') !!} by {!! $f->typed('depth', 'depth') !!}, {!! $f->typed('height', 'height behind') !!} high behind and {!! $f->typed('low', 'height in front') !!} {{ $u }} in front, {!! $f->stands('the middle of its base ') !!}
@break
@case('roof')
Place a roof {!! $name !!}, {!! $f->typed('width', 'width') !!} by {!! $f->typed('depth', 'depth') !!}, {!! $f->typed('height', 'height') !!} {{ $u }} high, {!! $f->stands('the middle of its base ') !!}
@break
@case('prism')
Place a prism {!! $name !!} with {!! $f->typed('sides', 'number of sides') !!} sides, {!! $f->typed('round', 'width across') !!} {!! $f->chosen('across') !!}, {!! $f->typed('height', 'height') !!} {{ $u }} high, {!! $f->stands('the middle of its base ') !!}
@break
@case('pyramid')
Place a pyramid {!! $name !!} with {!! $f->typed('sides', 'number of sides') !!} sides, {!! $f->typed('round', 'width across at the base') !!} {!! $f->chosen('across') !!} at the base and {!! $f->typed('tip', 'width across at the top') !!} at the top, {!! $f->typed('height', 'height') !!} {{ $u }} high, {!! $f->stands('the middle of its base ') !!}
@break
@case('letters')
Place letters {!! $name !!} {!! $f->typed('text', 'letters') !!}, capitals {!! $f->typed('height', 'height of a capital') !!} high, {!! $f->typed('depth', 'thickness') !!} {{ $u }} thick, {!! $f->chosen('lie') !!}, {!! $f->stands('their middle ') !!}
@break
@case('group')
@php $of = $document->groups[$step->text('group')] ?? null; @endphp
Place {!! $name !!}, one of the group {!! $f->group() !!}, {!! $f->stands('its origin ') !!}
@break
@case('sketch')
@php $count = count($f->result?->regions ?? []); @endphp
Sketch {!! $name !!} on the {!! $f->chosen('plane') !!}@if ($step->text('plane') === 'face') {!! $f->face() !!}@endif, {!! $f->typed('offset', 'distance from the plane') !!} {{ $u }} from it{!! '' !!}@if ($step->text('plane') === 'face' || $step->text('turn') !== '0' || $step->text('u') !== '0' || $step->text('v') !== '0'), turned by {!! $f->typed('turn', 'turn in degrees') !!}°, its origin at {!! $f->typed('u', 'its origin to the right') !!}, {!! $f->typed('v', 'its origin up') !!}@endif: {{ $count }} {{ $count === 1 ? 'region' : 'regions' }}.
@if (! $f->reading)<a class="link small" href="{{ route('pad', [$recipe, $id], false) }}">Open it on the pad</a>&ensp;@endif
@foreach ($step->outlines() as $k => $s)<span class="shape-line">{!! $f->outline((string) $k, $s) !!}</span>@endforeach
@if (! $f->reading)<span class="small"><button class="link" {!! $f->sends('add-shape', ['kind' => 'rectangle']) !!}>Add a rectangle</button>&ensp;<button class="link" {!! $f->sends('add-shape', ['kind' => 'circle']) !!}>Add a circle</button></span>
@include('bench.regions', ['regions' => $f->result?->regions ?? []])
@endif
@break
@case('extrude')
@php $far = $step->text('extent'); @endphp
Extrude {!! $name !!} from {!! $f->sketch() !!}, region {!! $f->typed('regions', 'regions, all or numbers') !!}, {!! $f->chosen('extent') !!}@if ($far === 'distance' || $far === 'middle') {!! $f->typed('distance', 'distance') !!} {{ $u }}@elseif ($far === 'both') {!! $f->typed('distance', 'distance') !!} and {!! $f->typed('second', 'distance the other way') !!} {{ $u }}@elseif ($far === 'face' || $far === 'level') {!! $far === 'face' ? $f->face('until') : $f->spot('level') !!} and {!! $f->typed('past', 'distance past that') !!} {{ $u }} past it{{ '' }}@endif, @if ($far !== 'middle') {!! $f->direction() !!},@endif beginning {!! $f->typed('start', 'distance from there where it begins') !!} {{ $u }} from {!! $f->chosen('from') . ($step->text('from') === 'face' ? ' ' . $f->face('base') : '') !!}, taper {!! $f->typed('taper', 'taper in degrees') !!}°
@if (! $f->reading && count($f->regionsOfSketch()) > 0)<div class="itssketch {{ count($f->regionsOfSketch()) > 1 ? 'several' : '' }}"><a class="link small" href="{{ route('pad', [$recipe, $step->text('sketch')], false) }}">Open {{ $document->step($step->text('sketch'))->name ?? 'its sketch' }} on the pad</a>@include('bench.regions', ['regions' => $f->regionsOfSketch(), 'taken' => $f->taken(), 'sends' => fn (int $n) => $f->sends('region', ['step' => $id, 'index' => $n])])</div>@endif
@break
@case('revolve')
Revolve {!! $name !!} from {!! $f->sketch() !!}, region {!! $f->typed('regions', 'regions, all or numbers') !!}, about {!! $f->chosen('about') !!} @if ($step->text('about') === 'edge'){!! $f->spot('edge', false) !!}@else{!! $f->typed('axis', 'line or axis of the sketch') !!}@endif by {!! $f->typed('angle', 'angle in degrees') !!}°@if ($step->text('angle') !== '360') {!! $f->chosen('way') !!}@endif @if ($step->text('close') === 'yes'); open outlines {!! $f->chosen('close') !!}@endif

@if (! $f->reading && count($f->regionsOfSketch()) > 0)<div class="itssketch {{ count($f->regionsOfSketch()) > 1 ? 'several' : '' }}"><a class="link small" href="{{ route('pad', [$recipe, $step->text('sketch')], false) }}">Open {{ $document->step($step->text('sketch'))->name ?? 'its sketch' }} on the pad</a>@include('bench.regions', ['regions' => $f->regionsOfSketch(), 'taken' => $f->taken(), 'sends' => fn (int $n) => $f->sends('region', ['step' => $id, 'index' => $n])])</div>@endif
@break
@case('sweep')
Sweep {!! $name !!} from {!! $f->sketch() !!}, region {!! $f->typed('regions', 'regions, all or numbers') !!}, {!! $f->chosen('along') !!} {!! $step->text('along') === 'face' ? $f->face() : $f->sketch('path') !!}
@break
@case('loft')
Loft {!! $name !!} through {!! $f->picks('sketches', 'sketch') !!}, with a {!! $f->chosen('skin') !!} skin, guided by {!! $f->sketch('guide') !!}@if ($step->text('guide') !== '') and across by {!! $f->sketch('across') !!}@endif
@break
@case('rib')
Make a rib {!! $name !!} from the open line in {!! $f->sketch() !!}, {!! $f->typed('thickness', 'thickness') !!} {{ $u }} thick, {!! $f->chosen('lie') !!}, {!! $step->text('lie') === 'flat' ? $f->chosen('side') . ' is filled' : $f->direction() !!}, up to the next faces
@break
@case('hole')
@php [$by, $head, $deep] = [$step->text('by'), $step->text('head'), $step->text('extent') === 'depth']; @endphp
Drill {!! $name !!} {!! $f->chosen('where') !!} @if ($step->text('where') === 'points'){!! $f->sketch() !!}@else{!! $f->face() !!} at {!! $f->typed('u', 'along the face') !!}, {!! $f->typed('v', 'up the face') !!}@endif, {!! $f->chosen('by') !!} @if ($by === 'screw'){!! $f->chosen('screw') !!} {!! $f->chosen('fit') !!}@else{!! $f->typed('round', $by) !!} {{ $u }}@endif, {!! $f->chosen('extent') !!}@if ($deep) {!! $f->typed('depth', 'depth') !!} {{ $u }} {!! $f->chosen('bottom') !!}@endif, {!! $f->chosen('head') !!}@if ($head === 'bore') {!! $f->typed('wide', 'diameter of the head') !!} by {!! $f->typed('deep', 'depth of the head') !!} {{ $u }}@elseif ($head === 'sink') {!! $f->typed('wide', 'diameter of the head') !!} {{ $u }} at {!! $f->typed('angle', 'angle of the countersink') !!}°@endif @if ($step->text('where') === 'points'){!! $f->direction() !!}@endif
@break
@case('text')
Write {!! $name !!} {!! $f->typed('text', 'letters') !!} on {!! $f->face() !!}, capitals {!! $f->typed('height', 'height of a capital') !!} {{ $u }} high, at {!! $f->typed('u', 'along the face') !!}, {!! $f->typed('v', 'up the face') !!}, turned by {!! $f->typed('angle', 'turn in degrees') !!}°, {!! $f->typed('depth', 'depth') !!} {{ $u }} deep;
@break
@case('round')
Round {!! $name !!} {!! $f->edgesAndFaces() !!}, radius {!! $f->typed('radius', 'radius') !!} {{ $u }}
@break
@case('chamfer')
@php $by = $step->text('by'); @endphp
Chamfer {!! $name !!} {!! $f->edgesAndFaces() !!}, {!! $f->chosen('by') !!} {!! $f->typed('distance', 'distance') !!} {{ $u }}@if ($by === 'two') and {!! $f->typed('second', 'distance on the other face') !!} {{ $u }}, {!! $f->chosen('side') !!}@elseif ($by === 'angle') and {!! $f->typed('angle', 'angle in degrees') !!}°, {!! $f->chosen('side') !!}@endif

@break
@case('hollow')
Hollow out {!! $name !!} to a wall of {!! $f->typed('wall', 'wall') !!} {{ $u }} {!! $f->chosen('side') !!}, open at {!! $f->picks('faces', 'face') !!}@if (! $f->reading || ! $f->isEmpty('others')); a wall of {!! $f->typed('second', 'wall there') !!} {{ $u }} at {!! $f->picks('others', 'face') !!}@endif

@break
@case('draft')
Tilt {!! $name !!} {!! $f->picks('faces', 'face') !!} by {!! $f->typed('angle', 'angle in degrees') !!}° about the {!! $f->plane() !!}
@break
@case('pull')
Pull {!! $name !!} {!! $f->picks('faces', 'face') !!} by {!! $f->typed('distance', 'distance') !!} {{ $u }}
@break
@case('mirror')
Mirror {!! $name !!}: {!! $f->of() !!} at the {!! $f->plane() !!}@if ($step->text('of') !== 'step') {!! $f->chosen('keep') !!}@endif

@break
@case('repeat')
@php $way = $step->text('way'); @endphp
Repeat {!! $name !!}: {!! $f->of() !!} {!! $f->chosen('way') !!}, {!! $f->typed('count', 'how many with the first') !!} in all{{ $way === 'around' ? ' about' : ', each further by' }}
@if ($way === 'around')
{!! $f->chosen('about') !!} through {!! $f->place() !!}, {!! $f->typed('angle', 'angle over all in degrees') !!}° over all
@else
{!! $f->place() !!} {{ $u }}{{ $way === 'grid' ? ', in' : '' }}
@endif
@if ($way === 'grid')
{!! $f->typed('rows', 'rows') !!} rows, each further by {!! $f->typed('x2', 'to the right from row to row') !!}, {!! $f->typed('y2', 'to the back from row to row') !!}, {!! $f->typed('z2', 'up from row to row') !!} {{ $u }}
@endif
<span class="quiet">(every {!! $f->typed('every', 'of them only every so many') !!}. of them)</span>
@break
@case('split')
Split {!! $name !!}: {!! $f->body() !!} at the {!! $f->plane() !!}; what stays is {!! $f->chosen('keep') !!}
@break
@case('scale')
Scale {!! $name !!}: {!! $f->body() !!} {!! $f->chosen('by') !!} @if ($step->text('by') === 'size'){!! $f->chosen('axis') !!} to {!! $f->typed('size', 'size along the axis') !!} {{ $u }}; the other side stays @else by @if ($step->text('by') === 'all'){!! $f->typed('factor', 'factor') !!}@else{!! $f->typed('factorx', 'factor to the right') !!}, {!! $f->typed('factory', 'factor to the back') !!}, {!! $f->typed('factorz', 'factor up') !!}@endif about the origin @endif

@break
@case('move')
Move {!! $name !!}: {!! $f->body() !!} by {!! $f->place() !!} {{ $u }}
@break
@case('turn')
Turn {!! $name !!}: {!! $f->body() !!} by {!! $f->typed('angle', 'angle in degrees') !!}° about {!! $f->chosen('about') !!} {!! $step->text('about') === 'edge' ? $f->spot('edge', false) : 'through ' . $f->place() !!}
@break
@case('copy')
Copy {!! $name !!}: {!! $f->body() !!} {!! $f->typed('times', 'number of copies') !!} times, each further by {!! $f->place() !!} {{ $u }}
@break
@endswitch
@if (isset($step->kind->fields()['effect'])){!! $f->chosen('effect') !!}@endif
@if ($kind === 'group' && ($of->from ?? null) !== null)<span class="small quiet from">by {{ $of->from->author }}, version {{ $of->from->version }}</span>@endif
