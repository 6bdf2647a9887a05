@php use App\Support\School\MarksFiles; @endphp
<x-layout :title="__('marks.your_marks')">
<x-person-strip :caption="$student->name . ', ' . $book->class->name" :heading="__('marks.your_marks')"><x-slot:acts><a class="btn" href="{{ route('home') }}">{{ __('school.classes_and_exercises') }}</a></x-slot:acts></x-person-strip>
<main style="max-width:1000px;width:100%;margin:0 auto;padding:16px 28px 40px">
<table class="roster"><thead><tr><th scope="col">{{ __('marks.exercises') }}</th><th scope="col"></th><th scope="col" class="r">{{ __('marks.points') }}</th><th scope="col" class="r">{{ __('marks.mark') }}</th></tr></thead><tbody>
@foreach ($book->assignments as $a)@php $cell = $cells[$a->id]; $h = $cell->handIn(); $isTold = in_array($a->id, $told, true); @endphp
<tr><th scope="row">@if ($h)<a class="link" href="{{ route('hand-ins.show', $h) }}">{{ $a->exercise->title }}</a>@else{{ $a->exercise->title }}@endif</th><td>@if ($isTold)<x-chain :states="$cell->states" :width="11 * count($cell->states) + 12"/>@else<x-shape state="open" width="150"/>@endif</td><td class="num r">@if ($isTold)<b>{{ MarksFiles::plain($cell->counted->points) }}</b> {{ __('marks.sum_of', ['most' => $cell->counted->most]) }}@else<span class="quiet">{{ $cell->works ? __('marks.works') : '–' }}</span>@endif</td><td class="num r">{{ $isTold ? $cell->mark : '' }}</td></tr>
@endforeach</tbody>
@if ($sum)<tfoot><tr><th scope="row">{{ __('marks.sum') }}</th><td></td><td class="num r"><b>{{ MarksFiles::plain($sum['points']) }}</b> {{ __('marks.sum_of', ['most' => MarksFiles::plain($sum['most'])]) }}</td><td class="num r"><b>{{ $sum['mark'] }}</b></td></tr></tfoot>@endif</table>
<p class="small quiet" style="margin-top:14px">{{ MarksFiles::scale($book) }}</p>
</main></x-layout>
