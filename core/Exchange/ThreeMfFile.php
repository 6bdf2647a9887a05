<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Measure\Bodies;
use Cubo\Solid\Solid;
use RuntimeException;
use XMLWriter;
use ZipArchive;

/** 3MF by the 3MF Consortium's Core Specification 1.3: one object per body, millimetres. */
final class ThreeMfFile
{
    private const CORE = 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02';

    public static function write(Solid $s, string $title = 'Cubo part'): string
    {
        $w = new XMLWriter();
        $w->openMemory();
        $w->startDocument('1.0', 'UTF-8');
        $w->startElementNs(null, 'model', self::CORE);
        $w->writeAttribute('unit', 'millimeter');
        $w->writeAttribute('xml:lang', 'en');
        $w->startElement('metadata');
        $w->writeAttribute('name', 'Title');
        $w->text($title);
        $w->endElement();
        $w->startElement('resources');
        $bodies = Bodies::of($s);
        foreach ($bodies as $i => $triangles) {
            self::object($w, $i + 1, Bodies::extract($s, $triangles));
        }
        $w->endElement();
        $w->startElement('build');
        foreach ($bodies as $i => $_) {
            $w->startElement('item');
            $w->writeAttribute('objectid', (string) ($i + 1));
            $w->endElement();
        }
        $w->endElement();
        $w->endElement();
        $w->endDocument();

        return self::zip([
            '[Content_Types].xml' =>
                '<?xml version="1.0" encoding="UTF-8"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>',
            '_rels/.rels' =>
                '<?xml version="1.0" encoding="UTF-8"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Target="/3D/3dmodel.model" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>',
            '3D/3dmodel.model' => $w->outputMemory(),
        ]);
    }

    private static function object(XMLWriter $w, int $id, Solid $s): void
    {
        $w->startElement('object');
        $w->writeAttribute('id', (string) $id);
        $w->writeAttribute('type', 'model');
        $w->startElement('mesh');
        $w->startElement('vertices');
        foreach ($s->x as $i => $x) {
            $w->startElement('vertex');
            foreach (['x' => $x, 'y' => $s->y[$i], 'z' => $s->z[$i]] as $k => $v) {
                $w->writeAttribute($k, rtrim(rtrim(sprintf('%.9F', $v), '0'), '.'));
            }
            $w->endElement();
        }
        $w->endElement();
        $w->startElement('triangles');
        foreach ($s->facet as $t => $_) {
            $w->startElement('triangle');
            for ($k = 0; $k < 3; $k++) {
                $w->writeAttribute('v' . ($k + 1), (string) $s->start[3 * $t + $k]);
            }
            $w->endElement();
        }
        $w->endElement();
        $w->endElement();
        $w->endElement();
    }

    /** @param array<string, string> $files */
    private static function zip(array $files): string
    {
        $path = tempnam(sys_get_temp_dir(), 'cubo');
        $zip = new ZipArchive();
        if ($path === false || $zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('No temporary file could be made for the 3MF package.');
        }
        foreach ($files as $name => $content) {
            $zip->addFromString($name, $content);
            // a fixed time: the same part gives the same bytes
            $zip->setMtimeName($name, 315532800);
        }
        $zip->close();
        $bytes = file_get_contents($path);
        unlink($path);

        return $bytes === false ? '' : $bytes;
    }
}
