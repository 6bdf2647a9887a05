@php
    use App\Support\Moments; use App\Support\School\MarksBook; use App\Support\School\MarksFiles;
    $class = $book->class; $all = count($book->students); $in = $wait = 0;
    foreach ($book->cells as $row) { foreach ($row as $cell) { $in += $cell->counted !== null ? 1 : 0; $last = $cell->handIns[count($cell->handIns) - 1] ?? null; $wait += $last?->state === 'waiting' ? 1 : 0; } }
    $shown = array_filter(['q' => $book->q, 'order' => $book->order === 'list' ? '' : $book->order]);
    $link = max(7, min(13, intdiv(150, max(1, max(array_map(fn ($a) => count(array_filter($a->exercise->requirements, fn ($r) => $r['asked'])), $book->assignments) ?: [1])))));
@endphp
<x-layout :title="__('marks.title') . ', ' . $class->name" class="page school">
<x-person-strip :caption="__('marks.caption', ['class' => $class->name])" :heading="__('marks.title')">
<div><span class="cap">{{ __('marks.exercises') }}</span><b class="num">{{ count($book->assignments) }}</b></div>
<div><span class="cap">{{ __('marks.handed_in_sum') }}</span><b class="num">{{ $in }} / {{ $all * count($book->assignments) }}</b></div>
<div><span class="cap">{{ __('marks.wait') }}</span><b class="num">{{ $wait }}</b></div>
<x-slot:acts><span class="quiet small">{{ __('marks.save') }}</span>@foreach (['csv' => 'CSV', 'xlsx' => 'XLSX', 'pdf' => 'PDF', 'zip' => 'OneRoster'] as $ending => $name)<a class="btn s" href="{{ route('marks.file', [$class, $ending] + $shown) }}">{{ $name }}</a>@endforeach<a class="btn" href="{{ route('classes.show', $class) }}">{{ $class->name }}</a></x-slot:acts>
</x-person-strip>
<main class="mk">
<form method="post" action="{{ route('marks.rules', $class) }}" class="mk-scale">@csrf
<p><b>{{ __('marks.your_scale') }}</b>
@foreach ($book->rules->scale->rows as $i => $row) {{ __('marks.from_typed') }} <input class="val" name="from[]" value="{{ old("from.$i", MarksFiles::plain($row['from'])) }}" inputmode="decimal" size="3" maxlength="6" aria-label="{{ __('marks.row', ['number' => $i + 1]) }}, %"> {{ $i === 0 ? __('marks.percent_is') : '%' }} <input class="val word" name="word[]" value="{{ old("word.$i", $row['word']) }}" size="3" maxlength="20" aria-label="{{ __('marks.row', ['number' => $i + 1]) }}">{{ $loop->last ? '' : ',' }}@endforeach
<span class="mk-more">, {{ __('marks.from_typed') }} <input class="val" name="from[]" value="" inputmode="decimal" size="3" maxlength="6" aria-label="{{ __('marks.row', ['number' => count($book->rules->scale->rows) + 1]) }}, %"> % <input class="val word" name="word[]" value="" size="3" maxlength="20" aria-label="{{ __('marks.row', ['number' => count($book->rules->scale->rows) + 1]) }}"></span></p>
<p>{{ __('marks.counts_label') }} <select class="val" name="counts" aria-label="{{ __('marks.counts_label') }}">@foreach (\Cubo\School\Marks\Counts::cases() as $c)<option value="{{ $c->value }}" @selected($c === $book->rules->counts)>{{ __("marks.counts.$c->value") }}</option>@endforeach</select>, {{ __('marks.late_label') }} <input class="val" name="late" value="{{ old('late', $book->rules->late) }}" inputmode="numeric" size="3" maxlength="3" aria-label="{{ __('marks.late_label') }}"> {{ __('marks.late_of') }}. <label class="tick"><input type="checkbox" name="shows" value="1" @checked($class->shows_marks)> {{ __('marks.shows') }}</label>
<label class="small" for="example">{{ __('marks.other_words') }}</label> <select class="val" id="example" name="example"><option value="">{{ __('marks.own') }}</option>@foreach ($examples as $key => $e)<option value="{{ $key }}">{{ __("marks.examples.$key") }}</option>@endforeach</select> <button class="btn s ink">{{ __('marks.keep') }}</button></p>
@error('scale')<p class="wrong" role="alert">{{ $message }}</p>@enderror @error('late')<p class="wrong" role="alert">{{ $message }}</p>@enderror
@if (session('said'))<p class="met small" role="status">{{ session('said') }}</p>
@elseif ($book->assignments !== [])@php $first = $book->assignments[count($book->assignments) - 1]; @endphp<p class="small quiet">{{ __('marks.in_points', ['most' => MarksBook::most($first), 'exercise' => $first->exercise->title, 'words' => implode(', ', array_map(fn ($r) => __('marks.in_points_one', ['points' => $r['points'], 'mark' => $r['word']]), array_slice($book->rules->scale->inPoints(MarksBook::most($first)), 0, 6)))]) }}</p>@endif
</form>
<form method="get" action="{{ route('marks.show', $class) }}" class="mk-show" role="search"><label for="mk-q">{{ __('marks.show') }} {{ __('marks.search') }}</label> <input class="val word" id="mk-q" name="q" value="{{ $book->q }}" maxlength="60" placeholder="{{ __('marks.all_names') }}">, <label for="mk-order">{{ __('marks.order') }}</label> <select class="val" id="mk-order" name="order">@foreach (__('marks.orders') as $key => $word)<option value="{{ $key }}" @selected($key === $book->order)>{{ $word }}</option>@endforeach</select> <button class="btn s">{{ __('marks.apply') }}</button><span class="quiet small">{{ __('marks.hint') }}</span></form>
@if ($book->assignments === [])<p class="sc-none">{{ __('marks.none') }}</p>
@elseif ($book->students === [])<p class="sc-none">{{ __('marks.nobody') }}</p>
@else
<div class="mk-table" tabindex="0" data-wide><table class="roster mkbook"><thead><tr><th scope="col">{{ __('marks.pupil') }}</th>
@foreach ($book->assignments as $a)<th scope="col" colspan="3"><a class="link" href="{{ route('assignments.show', $a) }}"><b>{{ $a->exercise->title }}</b></a><br>{{ __('marks.due', ['sizes' => count(array_filter($a->exercise->requirements, fn ($r) => $r['asked'])), 'day' => Moments::day($a->due_on)]) }}, <span class="num">{{ __('marks.points_of', ['most' => MarksBook::most($a)]) }}</span>
<form method="post" action="{{ route('marks.weight', [$class, $a]) }}">@csrf<label>{{ __('marks.weight') }} <input class="val" name="weight" value="{{ MarksFiles::plain((float) $a->weight) }}" size="2" maxlength="6" inputmode="decimal" aria-label="{{ __('marks.weight_of', ['exercise' => $a->exercise->title]) }}" data-sends></label></form></th>@endforeach
<th scope="col" class="r" colspan="2">{{ __('marks.sum') }}<br>{{ __('marks.mark') }}</th></tr></thead><tbody>
@foreach ($book->students as $s)
@php $sum = $book->sums[$s->id]; $open = $opened === $s->id; @endphp
<tr class="{{ $open ? 'open' : '' }}" id="pupil-{{ $s->id }}"><th scope="row"><span class="num quiet">{{ sprintf('%02d', $s->bench) }}</span> <a class="link" href="{{ route('marks.show', [$class] + $shown + ($open ? [] : ['pupil' => $s->id])) }}#pupil-{{ $s->id }}" @if ($open) aria-expanded="true" @endif>{{ $s->name }}</a>@if (isset($book->notes[$s->id]))<span class="mk-note" title="{{ $book->notes[$s->id] }}">✎<span class="vh"> {{ __('marks.has_note') }}</span></span>@endif</th>
@foreach ($book->assignments as $a)
@php $cell = $book->cells[$s->id][$a->id]; $h = $cell->handIn(); @endphp
<td>@if ($h)<a class="mk-cell" href="{{ route('hand-ins.show', $h) }}" aria-label="{{ $s->name }}, {{ $a->exercise->title }}"><x-chain :states="$cell->states" :width="max(40, $link * count($cell->states)) + 12"/></a>@else<x-shape state="open" width="150"/>@endif</td>
<td class="num r">@if ($cell->counted)<b>{{ MarksFiles::plain($cell->counted->points) }}</b>@elseif ($cell->works)<span class="quiet small">{{ __('marks.works') }}</span>@else<span class="quiet" title="{{ __('marks.nothing') }}">–</span>@endif</td>
<td class="num mk-mark {{ $cell->isAccepted() ? 'met' : '' }}">{{ $cell->mark }}@if ($cell->counted?->late)<span class="small off"> {{ __('marks.late') }}</span>@endif</td>
@endforeach
<td class="num r">@if ($sum)<b>{{ MarksFiles::plain(round($sum['points'], 2)) }}</b> {{ __('marks.sum_of', ['most' => MarksFiles::plain(round($sum['most'], 2))]) }}@else<span class="quiet">–</span>@endif</td><td class="num r"><b>{{ $sum['mark'] ?? '–' }}</b></td></tr>
@if ($open)@include('school.tries')@endif
@endforeach
</tbody><tfoot>
<tr><th scope="row">{{ $class->name }}</th>@foreach ($book->assignments as $a)@php $of = $book->of($a); @endphp<td colspan="3" class="small">{{ __('marks.class_line', ['in' => $of['handedIn'], 'all' => $all, 'accepted' => $of['accepted']]) }}@if ($of['mean'] !== null), {{ __('marks.mean') }} <b class="num">{{ number_format($of['mean'], 1) }}</b>@endif</td>@endforeach<td colspan="2"></td></tr></tfoot></table></div>
<p class="legend mk-legend"><span><x-shape state="met" width="34"/> {{ __('marks.legend.met') }}</span><span><x-shape state="off" width="34"/> {{ __('marks.legend.off') }}</span><span><x-shape state="open" width="34"/> {{ __('marks.legend.open') }}</span><span class="met">{{ __('marks.legend.accepted') }}</span></p>
@endif
</main></x-layout>
