<p class="says">Layer <b class="num">{{ $n + 1 }}</b> of <span class="num">{{ $count }}</span>, <span class="num">{{ $unit->show($height) }} {{ $unit->value }}</span> above the bed, <span class="num">{{ \Cubo\Quantity\Amount::area($area, $unit) }}</span></p>
{!! $svg !!}
