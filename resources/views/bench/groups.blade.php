{{-- The groups of a part: where each is placed, and what can be done with it. --}}
@if ($document->groups !== [])
@php $counted = array_count_values(array_map(fn ($s) => $s->text('group'), array_merge($whole->steps, ...array_values(array_map(fn ($g) => $g->recipe->steps, $whole->groups))))); @endphp
<details class="sizes groups" id="groups" open><summary>Groups</summary>
@foreach ($document->groups as $g)
@php $times = $counted[$g->id] ?? 0; $inside = $open !== null && in_array($open->id, $document->reach($g->id), true); @endphp
<div class="group-row" id="group-{{ $g->id }}">
<form {!! $whole_ !!}><input type="hidden" name="do" value="group-name"><input type="hidden" name="group" value="{{ $g->id }}"><input class="name" id="group-{{ $g->id }}-name" name="name" value="{{ $g->name() }}" aria-label="name of the group {{ $g->name() }}" maxlength="60" autocomplete="off" size="{{ max(4, min(22, mb_strlen($g->name()))) }}"></form>
<span class="small quiet">{{ $times === 0 ? 'placed nowhere' : ($times === 1 ? 'placed once' : "placed $times times") }}@if ($g->from), by {{ $g->from->author }}, version {{ $g->from->version }}@endif</span>
<span class="small acts">
@if ($open?->id !== $g->id)<form {!! $edit !!}><input type="hidden" name="do" value="open"><input type="hidden" name="group" value="{{ $g->id }}"><button class="link" aria-label="Open {{ $g->name() }}">Open</button></form>@else<b>open</b>@endif
@if (! $inside)<form {!! $edit !!}><input type="hidden" name="do" value="place"><input type="hidden" name="group" value="{{ $g->id }}"><button class="link" aria-label="Place {{ $g->name() }} once more">Place one more</button></form>@endif
<button type="button" class="link" data-puts="{{ $g->id }}" data-name="{{ $g->name() }}" aria-label="Put {{ $g->name() }} into the library">Into the library</button>
@if (isset($newer[$g->id]))<form {!! $edit !!}><input type="hidden" name="do" value="renew"><input type="hidden" name="group" value="{{ $g->id }}"><button class="link" aria-label="Take over version {{ $newer[$g->id]->version }} of {{ $g->name() }}">Take over version {{ $newer[$g->id]->version }}</button></form>@endif
@if ($times === 0 && ! $inside)<form {!! $edit !!}><input type="hidden" name="do" value="forget"><input type="hidden" name="group" value="{{ $g->id }}"><button class="link" aria-label="Remove {{ $g->name() }} from this part">Remove</button></form>@endif
</span>
</div>
@endforeach
</details>
@endif
