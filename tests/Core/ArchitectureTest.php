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
        'Tabular' => [],
        'School' => [],
        'Solid' => ['Lettering', 'Geometry', 'Budget'],
        'Sketch' => ['Solid', 'Geometry', 'Quantity', 'Budget'],
        'Measure' => ['Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Printing' => ['Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Recipe' => ['Words', 'Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Check' => ['Words', 'Recipe', 'Printing', 'Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Drawing' => ['Words', 'Check', 'Recipe', 'Printing', 'Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
        'Exchange' => ['Words', 'Tabular', 'Drawing', 'Check', 'Recipe', 'Measure', 'Sketch', 'Solid', 'Geometry', 'Quantity', 'Budget'],
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
        expect(
            preg_match(
                '/Illuminate|App\\\\|(?<!->|::|function )\b(config|env|app|route|view|session|request)\(|\$_(GET|POST|SERVER|COOKIE)|<html|PDO/',
                $code,
            ),
        )->toBe(0, $file->getPathname());
    }
});

/** @return array<string, list<string>> classes of core that each class names in its code, by full name */
function coreUses(): array
{
    $files = [];
    foreach (
        new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2) . '/core', FilesystemIterator::SKIP_DOTS))
        as $file
    ) {
        $code = (string) file_get_contents((string) $file);
        preg_match('/^namespace ([\w\\\\]+);/m', $code, $space);
        $files[($space[1] ?? '') . '\\' . basename((string) $file, '.php')] = $code;
    }
    $out = [];
    foreach ($files as $name => $code) {
        $space = substr($name, 0, (int) strrpos($name, '\\'));
        preg_match_all('/^use (Cubo\\\\[\w\\\\]+)/m', $code, $imports);
        // names of the same folder, without comments and strings
        $bare = '';
        foreach (token_get_all($code) as $token) {
            $bare .= is_array($token)
                ? (in_array($token[0], [T_COMMENT, T_DOC_COMMENT, T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE], true)
                    ? ' '
                    : $token[1])
                : $token;
        }
        $out[$name] = array_values(array_filter($imports[1], static fn(string $u): bool => isset($files[$u])));
        foreach ($files as $other => $_) {
            $short = substr($other, strlen($space) + 1);
            if (
                $other !== $name &&
                str_starts_with($other, "$space\\") &&
                !str_contains($short, '\\') &&
                preg_match('/(?<![\w\\\\$>:])' . $short . '\b/', $bare) === 1
            ) {
                $out[$name][] = $other;
            }
        }
    }

    return $out;
}

it('has no circle of classes in core', function (): void {
    $uses = coreUses();
    $state = $circle = [];
    $visit = function (string $name, array $path) use (&$visit, &$state, &$circle, $uses): void {
        $state[$name] = 'open';
        foreach ($uses[$name] as $next) {
            if (($state[$next] ?? '') === 'open') {
                $circle[] = implode(' > ', [...array_slice($path, (int) array_search($next, $path, true)), $next]);
            } elseif (!isset($state[$next])) {
                $visit($next, [...$path, $next]);
            }
        }
        $state[$name] = 'done';
    };
    foreach (array_keys($uses) as $name) {
        isset($state[$name]) || $visit($name, [$name]);
    }
    expect(array_unique($circle))->toBe([]);
});
