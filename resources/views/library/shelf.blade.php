{{-- What can be taken at a bench; asked for anew while somebody searches. --}}
@if ($parts->isEmpty())
<p class="quiet">{{ $q === '' ? 'Nothing is in the library yet. Make a group of some shapes and put it in.' : "Nothing is called “{$q}”." }}</p>
@else
<ul class="shelf">
@foreach ($parts as $part)
<li><form hx-post="{{ route('recipes.edit', $recipe, false) }}" hx-target="#work" hx-swap="innerMorph" hx-sync="#bench-sync:queue all"><input type="hidden" name="_token" value="{{ csrf_token() }}" autocomplete="off"><input type="hidden" name="version" value="{{ $recipe->version }}"><input type="hidden" name="do" value="take"><input type="hidden" name="part" value="{{ $part->id }}"><input type="hidden" name="after" value=""><button class="own-part" aria-label="Place {{ $part->name }} by {{ $part->owner->name }}">{!! $bench->picture($part->newest()->recipe(), ...[...\App\Http\Controllers\LibraryController::PICTURES['shelf'], '']) !!}<b>{{ $part->name }}</b><span class="small quiet">{{ $part->owner_id === $person->id ? 'yours' : $part->owner->name }}, v. {{ $part->version }}</span></button></form></li>
@endforeach
</ul>
@endif
