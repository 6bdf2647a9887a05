<?php

declare(strict_types=1);

use Cubo\Check\Report;
use Cubo\Check\Row;
use Cubo\Drawing\LayerPicture;
use Cubo\Drawing\ReportSheet;

/** @return list<Row> */
function manyRows(int $n): array
{
    return array_map(
        static fn(int $i): Row => new Row(
            "r$i",
            'A',
            "Size <$i> & more",
            'size',
            '60',
            '±0.2',
            '30.00',
            -30.0,
            0.2,
            '−30.00',
            $i % 2 ? 'met' : 'off',
            '30.00 too small',
            str_repeat('It was measured from the opposite side. ', 3),
            2,
            null,
        ),
        range(1, $n),
    );
}

it('puts every row on some page, and goes on where one is full', function (): void {
    $pages = ReportSheet::pages(
        ['Corner <block>', 'Ada, class 7a', '1 of 70 met'],
        new Report(manyRows(70)),
        ['r1' => 'met'],
        "Well done.\nGo on.",
        '<svg class="drawing" viewBox="0 0 430 300"></svg>',
    );
    expect(count($pages))->toBeGreaterThan(2);
    $all = implode('', $pages);
    foreach (range(1, 70) as $i) {
        expect($all)->toContain("Size &lt;$i&gt; &amp; more");
    }
    expect($all)->toContain('Go on.')->toContain('Page 2')->not->toContain('Corner <block>');
    foreach ($pages as $page) {
        expect(@simplexml_load_string($page))->not->toBeFalse();
        // nothing below the margin
        preg_match_all('/<text x="[\d.]+" y="([\d.]+)"/', $page, $m);
        expect(max(array_map(floatval(...), $m[1])))->toBeLessThanOrEqual(ReportSheet::HEIGHT - 20);
    }
});

it('draws a layer with its holes, over the one below', function (): void {
    $square = static fn(float $r): array => [[-$r, -$r], [$r, -$r], [$r, $r], [-$r, $r]];
    $svg = LayerPicture::svg(
        [$square(10.0), array_reverse($square(4.0))],
        [$square(8.0)],
        [-10.0, -10.0, 10.0, 10.0],
        232,
        232,
        'Layer <1>',
    );
    expect(@simplexml_load_string($svg))
        ->not->toBeFalse()
        ->and($svg)
        ->toContain('aria-label="Layer &lt;1&gt;"')
        ->toContain('fill-rule="evenodd"')
        // ten times as large, the margin of 16 around it
        ->toContain('M16 216L216 216L216 16L16 16Z')
        ->toContain('stroke-dasharray');
});
