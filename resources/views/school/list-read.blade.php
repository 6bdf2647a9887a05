@php use Cubo\School\Roster\LineState; $shapes = ['added' => 'met', 'kept' => 'open', 'renamed' => 'asked', 'twice' => 'stale', 'without-name' => 'missing', 'too-long' => 'off']; @endphp
<form method="post" action="{{ route('classes.take', $class) }}" class="sc-read">@csrf
<div class="sc-read-sum"><h2 id="list-head">{{ trans_choice('school.list.was_read', count($plan->lines)) }}</h2>
@if ($list->read !== [])<p class="small quiet">{{ __('school.list.headings', ['read' => implode(', ', $list->read)]) }}@if ($list->unread !== []) {{ __('school.list.unread', ['unread' => implode(', ', array_slice($list->unread, 0, 8))]) }}@endif</p>@endif
<x-chain :states="array_map(fn ($p) => $shapes[$p->state->value], $plan->lines)" :width="335"/>
<ul>@foreach (LineState::cases() as $state)@php $n = $plan->count($state); @endphp @if ($n > 0)<li><x-shape :state="$shapes[$state->value]" width="34"/> <b>{{ trans_choice('school.list.counts.' . $state->value, $n, ['count' => $n]) }}</b>{{ $state === LineState::Added ? __('school.list.counts.added_about') : '' }}</li>@endif @endforeach
@if ($plan->left !== [])<li><x-shape state="open" width="34"/> <b>{{ trans_choice('school.list.left', count($plan->left), ['count' => count($plan->left)]) }}</b>: {{ implode(', ', array_map(fn ($k) => $k->name, array_slice($plan->left, 0, 6))) }}{{ count($plan->left) > 6 ? ' …' : '.' }} <span class="quiet">{{ __('school.list.left_about') }}</span></li>@endif
@if ($list->others > 0)<li class="quiet">{{ trans_choice('school.list.others', $list->others, ['count' => $list->others]) }}</li>@endif</ul></div>
<div class="sc-read-lines" tabindex="0"><table class="roster"><thead><tr><th scope="col">{{ __('school.list.line') }}</th><th scope="col">{{ __('school.list.name') }}</th><th scope="col">{{ __('school.list.id') }}</th><th scope="col">{{ __('school.list.state') }}</th></tr></thead><tbody>
@foreach ($plan->lines as $i => $p)
@php $mends = in_array($p->state, [LineState::WithoutName, LineState::TooLong, LineState::Twice], true); @endphp
<tr><td class="num quiet">{{ $p->line->number }}</td><td>@if ($mends)<input class="val word" name="lines[{{ $i }}][name]" value="{{ $p->line->name }}" maxlength="200" placeholder="{{ __('school.list.type_a_name') }}" aria-label="{{ __('school.list.name') }}, {{ __('school.list.line') }} {{ $p->line->number }}">@else<input type="hidden" name="lines[{{ $i }}][name]" value="{{ $p->line->name }}">{{ $p->line->name }}@endif<input type="hidden" name="lines[{{ $i }}][identifier]" value="{{ $p->line->identifier }}"></td><td class="num">{{ $p->line->identifier }}</td><td class="{{ $mends ? 'off' : '' }}">{{ __('school.list.states.' . $p->state->value, ['name' => $p->known?->name, 'line' => $p->like]) }}</td></tr>
@endforeach
</tbody></table></div>
<div class="sc-read-acts"><button class="btn go">{{ trans_choice('school.list.add', $plan->count(LineState::Added)) }}</button> <a class="btn" href="{{ route('classes.show', $class) }}">{{ __('school.list.drop') }}</a></div>
</form>
