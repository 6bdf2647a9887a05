<?php

declare(strict_types=1);

use Tests\School;

it('shows the worked part step by step to those who are signed in', function (): void {
    $this->get('/guide')->assertRedirect();
    $s = new School();
    $page = $this->actingAs($s->student)->get('/guide')->assertOk()->assertSee('Back to my work');
    $recipe = json_decode((string) file_get_contents(resource_path('guide/rain-gauge-shelf.json')), true);
    foreach ($recipe['steps'] as $step) {
        $page->assertSee($step['name'])->assertSee("The part after {$step['name']}");
    }
    // sentences to read, nothing to type
    expect(substr_count((string) $page->getContent(), 'class="val'))
        ->toBe(0)
        ->and(substr_count((string) $page->getContent(), '<path d="M'))
        ->toBeGreaterThanOrEqual(count($recipe['steps']));
    $this->actingAs($s->teacher)->get('/guide')->assertOk()->assertSee('Back to classes');
});
