<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\HandIn;
use Cubo\Check\Report;
use Cubo\Drawing\ReportSheet;

/** The report on a hand-in as a PDF: drawn as SVG. */
final class ReportPages
{
    public static function pdf(HandIn $handIn, Report $report, Workbench $bench): string
    {
        $assignment = $handIn->work->assignment;
        $exercise = $assignment->exercise;
        $states = [];
        foreach ($report->rows as $r) {
            $states[$r->id] = $handIn->rowMet($r->id, $r->status) ? 'met' : $r->status;
        }
        $pages = ReportSheet::pages(
            [
                $exercise->title,
                "{$handIn->work->student->name}, class {$assignment->schoolClass->name}, handed in " .
                $handIn->created_at?->format('j M Y, H:i') .
                ", try {$handIn->attempt}" .
                ($handIn->file === null ? '' : ', file ' . $handIn->file->name),
                $handIn->metCount() . ' of ' . count($report->rows) . " met, {$handIn->points()} of {$report->mostPoints()} points",
            ],
            $report,
            $states,
            $handIn->comment,
            $bench->sheetSvg($bench->evaluate($exercise->reference->document()), $exercise->sheet(), 430, 300, $states),
        );

        return PdfPages::of($pages);
    }
}
