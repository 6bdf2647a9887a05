@php $frozen = $part->newest()->recipe(); $group = $frozen->groups[$frozen->steps[0]->text('group')]; @endphp
<div class="picture">{!! $bench->picture($frozen, ...[...\App\Http\Controllers\LibraryController::PICTURES['page'], $part->name]) !!}</div>
<div class="says"><b>{{ $part->name }}</b>
<span class="small quiet">by {{ $part->owner_id === $person->id ? 'you' : $part->owner->name }}, version {{ $part->version }}{{ $part->class_id === null ? '' : ', class ' . $part->schoolClass->name }}</span>
@if ($group->recipe->sizes !== [])<span class="small">@foreach ($group->recipe->sizes as $n => $v)<span class="num">{{ $n }} {{ $v }}</span>{{ in_array((string) $n, $group->locked, true) ? ' (locked)' : '' }}@if (! $loop->last), @endif @endforeach {{ $group->recipe->unit->value }}</span>@endif
</div>
