<?php

declare(strict_types=1);

// ./cubo schema: writes what docs say of the kinds of steps and requirements from the kinds themselves: the schemas of
// recipes and exercises and the tables in docs/recipe.md, docs/checks.md and docs/formats.md. With --check nothing is written; exit 1 if something differs.

use Cubo\Check\Kind\ExerciseDocs;
use Cubo\Exchange\Format\Formats;
use Cubo\Recipe\Kind\RecipeDocs;

require __DIR__ . '/../vendor/autoload.php';

$docs = dirname(__DIR__) . '/docs';
$differs = false;
foreach (
    [
        'recipe.schema.json' => RecipeDocs::schema(...),
        'recipe.md' => RecipeDocs::page(...),
        'exercise.schema.json' => ExerciseDocs::schema(...),
        'checks.md' => ExerciseDocs::page(...),
        'formats.md' => Formats::page(...),
    ]
    as $file => $write
) {
    $is = (string) file_get_contents("$docs/$file");
    $wanted = $write($is);
    if ($is === $wanted) {
        continue;
    }
    $differs = true;
    if (in_array('--check', $argv, true)) {
        fwrite(STDERR, "docs/$file is not what ./cubo schema writes.\n");
    } else {
        file_put_contents("$docs/$file", $wanted);
        echo "docs/$file written\n";
    }
}
exit($differs && in_array('--check', $argv, true) ? 1 : 0);
