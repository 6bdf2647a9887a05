<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;

/** Makes the rows of a report: every kind of requirement says its outcome in the same forms. */
final readonly class Rows
{
    /** Rounding slack: a size that is met to the last digits counts as met, mm. */
    public const SLACK = 1e-6;

    public function __construct(private Unit $unit) {}

    /** @param array<string, mixed>|null $place */
    public function length(Requirement $r, float $got, string $diagnosis, ?array $place, string $prefix = ''): Row
    {
        $off = $got - $r->nominal;
        $limits = $r->limits($this->unit);
        $met = $limits->holds($off, self::SLACK);
        // from the nominal size where that is allowed, else from the nearer limit
        $beyond =
            $limits->lower <= 0 && $limits->upper >= 0 ? $off : ($off > $limits->upper ? $off - $limits->upper : $limits->lower - $off);

        return $this->row(
            $r,
            $prefix . $this->unit->show($got),
            $off,
            $this->unit->show($off),
            $met,
            $this->unit->show(abs($beyond)) . ($off < $limits->lower ? ' too small' : ' too large'),
            $diagnosis,
            $place,
        );
    }

    /** @param array<string, mixed>|null $place */
    public function angle(Requirement $r, float $got, string $diagnosis, ?array $place): Row
    {
        $off = $got - $r->nominal;

        return $this->row(
            $r,
            Number::show($got, 1) . '°',
            $off,
            Number::show($off, 1) . '°',
            abs($off) <= $r->tolerance + 1e-6,
            Number::show(abs($off), 1) . '° too ' . ($off < 0 ? 'small' : 'large'),
            $diagnosis,
            $place,
        );
    }

    /**
     * Within a share of the nominal value, percent.
     *
     * @param array<string, mixed>|null $place
     */
    public function share(Requirement $r, float $got, string $text, string $offText, string $diagnosis, ?array $place): Row
    {
        $off = $got - $r->nominal;
        $percent = $r->nominal == 0.0 ? INF : (100 * $off) / $r->nominal;

        return $this->row(
            $r,
            $text,
            $percent,
            Number::show($percent) . ' %',
            abs($percent) <= $r->tolerance + 1e-7,
            $offText . ($off < 0 ? ' too little' : ' too much'),
            $diagnosis,
            $place,
        );
    }

    /**
     * @param string $word what is wrong when it is not met
     * @param array<string, mixed>|null $place
     */
    public function row(
        Requirement $r,
        string $measured,
        ?float $off,
        string $offText,
        bool $met,
        string $word,
        string $diagnosis,
        ?array $place,
    ): Row {
        return $this->make($r, $measured, $off, $offText, $met ? 'met' : 'off', $met ? 'Met' : $word, $met ? '' : $diagnosis, $place);
    }

    public function missing(Requirement $r, string $diagnosis): Row
    {
        return $this->make($r, '', null, '', 'missing', 'Not found', $diagnosis, null);
    }

    /** What could not be measured, and why: no guess is made. */
    public function unknown(Requirement $r, string $why): Row
    {
        return $this->make($r, '', null, '', 'unknown', 'Not measured', $why, null);
    }

    /**
     * @param 'met'|'off'|'missing'|'unknown' $status
     * @param array<string, mixed>|null $place
     */
    private function make(
        Requirement $r,
        string $measured,
        ?float $off,
        string $offText,
        string $status,
        string $word,
        string $diagnosis,
        ?array $place,
    ): Row {
        return new Row(
            $r->id,
            $r->letter,
            $r->label,
            $r->kind->id(),
            $r->askedText($this->unit),
            $r->toleranceText($this->unit),
            $measured,
            $off === null || !is_finite($off) ? null : $off,
            $r->tolerance,
            $offText,
            $status,
            $word,
            $diagnosis,
            $r->points,
            $place,
        );
    }
}
