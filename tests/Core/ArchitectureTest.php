<?php

declare(strict_types=1);

/*
 * The direction of imports, top to bottom, never back up:
 * app -> Exchange -> Drawing -> Check -> Recipe -> Printing -> Measure -> Sketch -> Solid -> Geometry, Quantity, Budget.
 */

/** @return array<string, list<string>> folders of the core each folder imports from */
function coreImports(): array
{
    $root = dirname(__DIR__, 2) . '/core';
    $out = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS)) as $file) {
        $folder = explode('/', substr($file->getPathname(), strlen($root) + 1))[0];
        preg_match_all('/^use ([A-Za-z\\\\]+)/m', (string) file_get_contents($file->getPathname()), $m);
        foreach ($m[1] as $import) {
            $parts = explode('\\', $import);
            if ($parts[0] === 'Cubo') {
                $out[$folder][$parts[1]] = true;
            } elseif (count($parts) > 1) {
                $out[$folder][$parts[0]] = true;
            }
        }
    }

    return array_map(array_keys(...), $out);
}

it('imports only downwards', function (): void {
    $below = [
        'Budget' => [],
        'Quantity' => [],
        'Geometry' => [],
        'Lettering' => [],
        'Words' => [],
        'Solid' => ['Lettering', 'Geometry', 'Budget'],
        'Sketch' => ['Solid', 'Geometry', 'Quantity', 'Budget'],
        'Measure' => ['Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Printing' => ['Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Recipe' => ['Words', 'Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Check' => ['Words', 'Recipe', 'Printing', 'Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Drawing' => ['Words', 'Check', 'Recipe', 'Printing', 'Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Exchange' => ['Words', 'Drawing', 'Recipe', 'Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
    ];
    foreach (coreImports() as $folder => $imports) {
        expect($below)->toHaveKey($folder);
        expect(array_values(array_diff($imports, $below[$folder], [$folder])))->toBe([], "core/$folder");
    }
});

it('knows nothing of the framework, the database or the page', function (): void {
    $root = dirname(__DIR__, 2) . '/core';
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS)) as $file) {
        $code = (string) file_get_contents($file->getPathname());
        expect(preg_match('/Illuminate|App\\\\|(?<!->|::|function )\b(config|env|app|route|view|session|request)\(|\$_(GET|POST|SERVER|COOKIE)|<html|PDO/', $code))->toBe(0, $file->getPathname());
    }
});
