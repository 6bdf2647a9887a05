<?php

declare(strict_types=1);

namespace Cubo\Exchange;

/** What a file that is no mesh seems to be instead, and what to do about it; by its first bytes, as its format's own text has them. */
final class Guess
{
    /** @param string $names of the formats that are read */
    public static function words(string $bytes, string $names): string
    {
        $mesh = "Save the part there as $names and bring that.";
        $head = substr($bytes, 0, 4096);
        $text = ltrim($head, "\xEF\xBB\xBF \t\r\n");
        $seems = match (true) {
            $bytes === '' => 'This file is empty. Save the part once more and bring that.',
            str_starts_with($text, 'ISO-10303-21') => 'This seems to be a solid-model exchange file (STEP). ' . $mesh,
            (bool) preg_match('/^.{72}S\s+1\s*$/m', $head) => 'This seems to be a solid-model exchange file (IGES). ' . $mesh,
            str_starts_with($head, 'glTF') || (str_starts_with($text, '{') && str_contains($head, '"asset"'))
                => 'This seems to be a scene for pictures (glTF). ' . $mesh,
            (bool) preg_match('/^\s*0\s*\r?\n\s*SECTION\b/', $head)
                => 'This seems to be a flat drawing (DXF). A part has three dimensions: ' . lcfirst($mesh),
            str_starts_with($text, '%PDF-') => 'This seems to be a page (PDF), not a part. ' . $mesh,
            str_starts_with($head, "\x89PNG") ||
                str_starts_with($head, "\xFF\xD8\xFF") ||
                str_starts_with($head, 'GIF8') ||
                str_starts_with($head, 'BM') ||
                (str_starts_with($head, 'RIFF') && substr($head, 8, 4) === 'WEBP')
                => 'This seems to be a picture of a part, not the part. ' . $mesh,
            (bool) preg_match('/<svg\b/i', $head) => 'This seems to be a flat drawing (SVG), not a part. ' . $mesh,
            (bool) preg_match('/^\s*<(!doctype html|html)\b/i', $head) => 'This seems to be a web page, not a part. ' . $mesh,
            (bool) preg_match('/^\s*(;.*\r?\n|\s)*(G0|G1|G21|G28|G90|M104|M140)\b/m', $head) &&
                (bool) preg_match('/^\s*G[01]\s+[XYZF]/m', $bytes)
                => 'This seems to be the instructions for a printer (G-code). Bring the part they were made from.',
            str_starts_with($text, '{') => str_contains($head, 'cubo-recipe')
                ? 'This is a recipe of Cubo, not a file of a part. Build it at the bench.'
                : 'This seems to be data (JSON), not a part. ' . $mesh,
            str_starts_with($head, "PK\x03\x04") => 'This is a package, but not one of a part (3MF). Unpack it and bring the part in it.',
            str_starts_with($head, 'Rar!') || str_starts_with($head, "7z\xBC\xAF") || str_starts_with($head, "\x1F\x8B")
                => 'This is a packed file. Unpack it and bring the part in it.',
            str_contains($head, "\0") => 'Cubo does not know this kind of file. ' . $mesh,
            default => 'This seems to be a text, not a part. ' . $mesh,
        };

        return $seems;
    }
}
