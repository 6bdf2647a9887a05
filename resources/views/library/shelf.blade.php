{{-- What can be taken at a bench; asked for anew while somebody searches. --}}
@if ($parts->isEmpty())
<p class="quiet">{{ $q === '' ? 'Nothing is in the library yet. Make a group of some shapes and put it in.' : "Nothing is called “{$q}”." }}</p>
@else
<ul class="shelf">
@foreach ($parts as $part)
<li><form data-edits="once"><input type="hidden" name="do" value="take"><input type="hidden" name="part" value="{{ $part->id }}"><input type="hidden" name="after" value=""><button class="own-part" aria-label="Place {{ $part->name }} by {{ $part->owner->name }}">{!! $bench->picture($part->newest()->recipe(), ...[...\App\Http\Controllers\LibraryController::PICTURES['shelf'], '']) !!}<b>{{ $part->name }}</b><span class="small quiet">{{ $part->owner_id === $person->id ? 'yours' : $part->owner->name }}, v. {{ $part->version }}</span></button></form></li>
@endforeach
</ul>
@endif
