<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\Process;
use RuntimeException;

/** Pages drawn as SVG, put together to one PDF by rsvg-convert, in the application's own colours and types. */
final class PdfPages
{
    /** Seconds; a page takes a fraction of one. */
    private const PATIENCE = 60;

    /** @param list<string> $pages as SVG */
    public static function of(array $pages): string
    {
        $folder = storage_path('framework/cache/' . bin2hex(random_bytes(8)));
        mkdir($folder, 0775, true);
        try {
            $names = [];
            foreach ($pages as $i => $svg) {
                file_put_contents($names[] = "$folder/" . sprintf('%03d', $i) . '.svg', self::styled($svg));
            }
            $done = Process::timeout(self::PATIENCE)->run(['rsvg-convert', '--format=pdf', "--output=$folder/all.pdf", ...$names]);
            $bytes = $done->successful() ? file_get_contents("$folder/all.pdf") : false;

            return $bytes === false ? throw new RuntimeException('rsvg-convert: ' . $done->errorOutput()) : $bytes;
        } finally {
            array_map(unlink(...), glob("$folder/*") ?: []);
            rmdir($folder);
        }
    }

    /** With the rules and colours of the application's own style sheets; a converter knows no variables. */
    private static function styled(string $svg): string
    {
        $app = (string) file_get_contents(resource_path('css/app.css'));
        $frame = (string) file_get_contents(resource_path('css/frame.css'));
        preg_match_all('/(--color-[a-z0-9-]+):\s*(#[0-9A-Fa-f]{3,8})/', $app, $colours);
        // but not the rule that makes a drawing as wide as its place in a page
        preg_match_all('/^\.(?:drawing [.]|dwg)[^{]*\{[^}]*\}/m', $frame, $rules);
        $css =
            implode("\n", $rules[0]) .
            '
            .t { font-family: "Atkinson Hyperlegible Next", "Liberation Sans", sans-serif; fill: var(--color-ink); }
            .dwg-num, .dwg-view { font-family: "Liberation Sans", sans-serif; font-size: 12px; }
            .b { font-weight: bold } .quiet { fill: var(--color-ink2) } .met { fill: var(--color-violet) } .off { fill: var(--color-chalk) }
            .num { font-family: "Liberation Mono", monospace } .frame { fill: none; stroke: var(--color-ink); stroke-width: .9 }
            .cut { stroke: var(--color-graphite); stroke-width: .5; stroke-dasharray: 3 3 }
            .rule { stroke: var(--color-rule); stroke-width: .6 } .strong { stroke: var(--color-ink); stroke-width: 1.2 }';
        // what a state colours is said once by a variable of its own
        $css = str_replace('var(--c)', 'currentColor', (string) preg_replace('/--c:\s*([^;}]+)/', 'color: $1', $css));

        return strtr(
            (string) preg_replace('/<rect /', '<style>' . htmlspecialchars($css, ENT_NOQUOTES) . '</style><rect ', $svg, 1),
            array_combine(array_map(static fn(string $n): string => "var($n)", $colours[1]), $colours[2]),
        );
    }
}
