<p><b>This part was changed in another window.</b> Nothing was overwritten here or there.
@if ($typed !== []) What you just typed: <span class="num">{{ implode(', ', $typed) }}</span>. @endif
<a class="link" href="">Show the newest state</a></p>
