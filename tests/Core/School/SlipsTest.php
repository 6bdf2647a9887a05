<?php

declare(strict_types=1);

use Cubo\School\Lesson\Slips;

it('tells who makes the same slip three times in a row', function () {
    $after = static fn(string ...$checks): array => array_reduce($checks, Slips::after(...), []);
    expect(Slips::areStuck($after('size-wrong', 'size-wrong')))
        ->toBeFalse()
        ->and(Slips::areStuck($after('size-wrong', 'size-wrong', 'size-wrong')))
        ->toBeTrue()
        ->and(Slips::areStuck($after('unit', 'size-wrong', 'size-wrong', 'size-wrong')))
        ->toBeTrue()
        ->and(Slips::areStuck($after('size-wrong', 'size-wrong', 'size-wrong', 'unit')))
        ->toBeFalse()
        ->and(Slips::areStuck($after('size-wrong', 'size-wrong', 'size-wrong', '')))
        ->toBeFalse()
        // all met three times is no slip
        ->and(Slips::areStuck($after('', '', '')))
        ->toBeFalse();
});
