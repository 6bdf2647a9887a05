{{-- One step as a sentence: with its values as fields on the bench, as plain words where it is only read. $f: StepForm; $n: its number --}}
@include('bench.fields', ['pieces' => $f->pieces()])
@if (($effect = $f->effect()) !== null) @include('bench.fields', ['pieces' => [$effect]])
@endif
@if ($step->kind->draws()): {{ count($f->result?->regions ?? []) }} {{ count($f->result?->regions ?? []) === 1 ? 'region' : 'regions' }}.
@include('bench.outlines')
@elseif (! $f->reading && count($f->regionsOfSketch()) > 0)
<div class="itssketch {{ count($f->regionsOfSketch()) > 1 ? 'several' : '' }}"><a class="link small" href="{{ route('pad', [$recipe, $step->text('sketch')], false) }}">Open {{ $document->step($step->text('sketch'))->name ?? 'its sketch' }} on the pad</a>
@include('bench.regions', ['regions' => $f->regionsOfSketch(), 'taken' => $f->taken(), 'choose' => fn (int $n) => $f->edit('region', ['step' => $step->id, 'index' => $n])])
</div>
@elseif ($step->kind->placesGroup() && ($of = $document->groups[$step->text('group')] ?? null)?->from !== null)
<span class="small quiet from">by {{ $of->from->author }}, version {{ $of->from->version }}</span>
@endif
