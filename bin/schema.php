<?php

declare(strict_types=1);

// ./cubo schema: writes what docs say of the kinds of steps from the kinds themselves: the steps of
// docs/recipe.schema.json and the table in docs/recipe.md. With --check nothing is written; exit 1 if something differs.

use Cubo\Recipe\Kind\RecipeDocs;

require __DIR__ . '/../vendor/autoload.php';

$docs = dirname(__DIR__) . '/docs';
$differs = false;
foreach (['recipe.schema.json' => RecipeDocs::schema(...), 'recipe.md' => RecipeDocs::page(...)] as $file => $write) {
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
