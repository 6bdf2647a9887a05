<?php

declare(strict_types=1);

namespace Cubo\Tabular;

use RuntimeException;
use ZipArchive;

/** An archive of files that are at hand as bytes. */
final class Zip
{
    /** @param array<string, string> $files bytes by name, in their order */
    public static function of(array $files): string
    {
        $path = tempnam(sys_get_temp_dir(), 'zip');
        $zip = new ZipArchive();
        if ($path === false || $zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('no room for an archive');
        }
        try {
            foreach ($files as $name => $bytes) {
                $zip->addFromString($name, $bytes);
            }
            $zip->close();

            return (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }
    }
}
