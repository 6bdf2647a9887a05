@props(['name', 'label', 'type' => 'text', 'value' => '', 'about' => '', 'bag' => 'default', 'id' => null])
@php $id ??= $name; $wrong = $errors->getBag($bag)->first($name); $told = array_filter([$wrong ? "$id-wrong" : ($about !== '' ? "$id-about" : null)]); @endphp
<div><label class="lab" for="{{ $id }}">{{ $label }}</label>
<input {{ $attributes->merge(['class' => 'field' . ($wrong ? ' bad' : '')]) }} id="{{ $id }}" name="{{ $name }}" type="{{ $type }}" @if ($type !== 'password') value="{{ old($name, $value) }}" @endif @if ($wrong) aria-invalid="true" autofocus @endif @if ($told !== []) aria-describedby="{{ implode(' ', $told) }}" @endif>
@if ($wrong)<span class="wrong" id="{{ $id }}-wrong" role="alert">{{ $wrong }}</span>@endif
@if ($about !== '' && ! $wrong)<span class="small quiet" id="{{ $id }}-about">{{ $about }}</span>@endif</div>
