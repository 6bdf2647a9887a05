<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\HandIn;
use App\Support\Marking;
use App\Support\Workbench;
use Cubo\Budget\Budget;
use Cubo\Drawing\LayerPicture;
use Cubo\Printing\Estimate;
use Cubo\Printing\Layers;
use Cubo\Printing\PrintProfile;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** How a handed-in part would be printed: its layers one by one, and what the print takes. */
final class LayerController extends Controller
{
    private const MOST_WORK = 15_000_000;

    public function __construct(private readonly Marking $marking, private readonly Workbench $bench) {}

    /** What its pages may cost: more than the finest part that is shown needs. */
    private static function budget(): Budget
    {
        return new Budget(self::MOST_WORK, memory: Budget::ownMemory());
    }

    public function show(Request $request, HandIn $handIn): View
    {
        $this->authorize('view', $handIn);
        $handIn->load(['work.assignment.exercise', 'work.assignment.schoolClass', 'work.student', 'file']);
        abort_unless($handIn->isShown(), 404, 'This part is too fine for its layers to be shown.');
        $this->bench->waits(Workbench::AGAIN);
        $profile = self::profile($request, $handIn);
        $part = $this->marking->facets($handIn);

        return view('layers', [
            'handIn' => $handIn,
            'exercise' => $handIn->work->assignment->exercise,
            'profile' => $profile,
            'estimate' => Estimate::of($part, $profile, self::budget()),
            ...$this->picture($handIn, $profile, 0),
        ]);
    }

    public function layer(Request $request, HandIn $handIn, int $n): View
    {
        $this->authorize('view', $handIn);
        abort_unless($handIn->isShown(), 404);
        $this->bench->waits(Workbench::AGAIN);

        return view('layer', $this->picture($handIn, self::profile($request, $handIn), $n));
    }

    private static function profile(Request $request, HandIn $handIn): PrintProfile
    {
        $key = $request->query('printer');

        return is_string($key) && isset(PrintProfile::all()[$key])
            ? PrintProfile::of($key)
            : $handIn->work->assignment->exercise->printer();
    }

    /** @return array<string, mixed> */
    private function picture(HandIn $handIn, PrintProfile $profile, int $n): array
    {
        $part = $this->marking->facets($handIn);
        $layers = new Layers($part, self::budget());
        $count = $layers->count($profile->layer);
        $n = max(0, min($n, $count - 1));
        $z = $layers->height($n, $profile->layer);
        $outlines = $layers->at($z);
        $box = $part->vertexBox();

        return [
            'n' => $n,
            'count' => $count,
            'height' => $z - $layers->low,
            'area' => Layers::area($outlines),
            'unit' => $handIn->work->assignment->exercise->sheet()->unit,
            'svg' => LayerPicture::svg(
                $outlines,
                $n > 0 ? $layers->at($layers->height($n - 1, $profile->layer)) : [],
                [$box[0], $box[1], $box[3], $box[4]],
                640,
                480,
                'Layer ' . ($n + 1) . " of $count",
            ),
        ];
    }
}
