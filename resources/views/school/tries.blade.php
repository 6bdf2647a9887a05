<tr class="pupil"><td colspan="{{ 3 + 3 * count($book->assignments) }}"><div class="mk-tries">
<table class="roster"><caption class="vh">{{ __('marks.tries_of', ['name' => $s->name]) }}</caption><tbody>
@php $any = false; @endphp
@foreach ($book->assignments as $a)@php $cell = $book->cells[$s->id][$a->id]; @endphp
@foreach ($cell->handIns as $h)@php $any = true; @endphp
<tr><th scope="row"><a class="link" href="{{ route('hand-ins.show', $h) }}">{{ $a->exercise->title }}, {{ __('marks.try', ['number' => $h->attempt]) }}</a></th><td class="num">{{ \App\Support\Moments::full($h->created_at) }}</td><td><x-chain :states="array_map(fn ($r) => $h->rowMet($r['id'], $r['status']) ? 'met' : ($r['status'] === 'met' ? 'off' : $r['status']), $h->report)" :width="11 * count($h->report) + 12"/></td><td class="num r"><b>{{ $h->points() }}</b> {{ __('marks.sum_of', ['most' => $h->frozenReport()->mostPoints()]) }}</td><td>@if ($h->attempt === $cell->counted?->number && count($cell->handIns) > 1)<span class="met small">{{ __('marks.counts_this') }}</span>@endif</td><td>{{ __("marks.states.$h->state") }}@if ($h->comment !== ''): “{{ \Illuminate\Support\Str::limit($h->comment, 90) }}”@endif</td></tr>
@endforeach @endforeach
@if (! $any)<tr><td class="quiet">{{ __('marks.no_try') }}</td></tr>@endif
</tbody></table>
<form method="post" action="{{ route('marks.note', [$class, $s]) }}" class="mk-noteform">@csrf<label class="lab" for="note">{{ __('marks.note', ['name' => $s->name]) }}</label><textarea class="field" id="note" name="text" rows="2" maxlength="500" aria-describedby="note-about">{{ old('text', $book->notes[$s->id] ?? '') }}</textarea><span class="small quiet" id="note-about">{{ __('marks.note_about') }}</span> <button class="btn s">{{ __('marks.note_keep') }}</button> <a class="btn s" href="{{ route('marks.pupil', [$class, $s]) }}" target="_blank">{{ __('marks.page_of') }}</a></form>
</div></td></tr>
