{{-- Words and fields of a sentence side by side. Blade keeps no line break behind a directive, so nothing comes between them. --}}
@php($invalid = $step->id . '-why')
@foreach ($pieces as $p)
@if (is_string($p))
{!! e($p) !!}@elseif (! $p instanceof \App\Support\Bench\FieldForm)
@if ($f->reading)
<b class="stepname">{{ $step->name }}</b>@else
<input class="name" id="{{ $step->id }}-name" name="name" value="{{ $step->name }}" aria-label="name of step {{ $n }}" maxlength="60" autocomplete="off" size="{{ max(3, min(20, mb_strlen($step->name))) }}">@endif
@elseif ($p->more !== [])
 with @foreach ($p->more as $i => [$words, $own]){{ $i > 0 ? ', ' : '' }}{{ $words }} <input class="val" id="{{ $own->id }}" name="{{ $own->name }}" value="{{ $own->value }}" placeholder="{{ $own->hint }}" aria-label="{{ $own->label }}" autocomplete="off" spellcheck="false" maxlength="120" size="{{ $own->size() }}">@endforeach
{{ $p->after === '' ? '' : " $p->after" }}@elseif ($f->reading)
<span @class(['v', 'num' => $p->options === null])>{{ $p->words() }}</span>@elseif ($p->options === null)
<input @class(['val', 'bad' => $p->wrong]) id="{{ $p->id }}" name="{{ $p->name }}" value="{{ $p->value }}" aria-label="{{ $p->label }}" autocomplete="off" spellcheck="false" maxlength="120" size="{{ $p->size() }}" @if ($p->amount !== null) data-amount="{{ $p->amount }}" @endif @if ($p->wrong) aria-invalid="true" aria-describedby="{{ $invalid }}" @endif>@else
@foreach ($p->picked ?? [] as $one)
<label class="pick" title="Take it out"><input type="checkbox" id="{{ $one['id'] }}" name="{{ $p->name }}" value="{{ $one['value'] }}" data-pick="{{ $p->key }}" checked>{{ $one['words'] }}</label> @endforeach
<select @class(['val', 'word', 'bad' => $p->wrong]) id="{{ $p->id }}" name="{{ $p->name }}" aria-label="{{ $p->label }}" @if ($p->picks !== '') data-picks="{{ $p->picks }}" @endif @if ($p->picked !== null) data-pick="{{ $p->key }}" @endif @if ($p->flat) data-flat @endif @if ($p->faces) data-faces @endif @if ($p->wrong) aria-invalid="true" aria-describedby="{{ $invalid }}" @endif>@foreach ($p->options as $value => $words)
<option value="{{ $value }}" @selected($p->picked === null && (string) $value === $p->value)>{{ $words }}</option>@endforeach
</select>@endif
@endforeach
