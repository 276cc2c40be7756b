<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Workings\Arithmetic\BandScale;
use KeenMargin\Core\Workings\Result\Row;

/** The bands behind a value, darkest where they are worst. */
final class BandStrip
{
    private const INKS = [Ink::BandWorst, Ink::Band1, Ink::Band2, Ink::Band3, Ink::Band4];

    /**
     * @param float $least where the strip begins, in the measure's unit: nought, or less where values are
     * @param float $most where it ends where the last band is open
     * @param float $factor that amounts are multiplied by before they are drawn
     */
    public static function draw(
        Stage $stage,
        Row $row,
        BandScale $bands,
        float $centre,
        float $thickness,
        float $least,
        float $most,
        float $factor = 1.0,
    ): void {
        $from = $least;
        foreach ($bands->names as $place => $name) {
            $limit = $bands->limits[$place] ?? null;
            $to = $limit?->toFloat() ?? $most;
            if ($to <= $from) {
                continue;
            }
            $stage->canvas->addBehind(
                'bands',
                $stage->bar(
                    centre: $centre,
                    thickness: $thickness,
                    from: $factor * $from,
                    to: $factor * $to,
                    style: Style::mark(self::ink($bands, $place)),
                    role: 'band',
                    key: $row->key->id,
                    of: $name,
                ),
            );
            $from = $to;
        }
    }

    /** The nearer to the best band, the paler. */
    public static function ink(BandScale $bands, int $place): Ink
    {
        $count = \count($bands->names);
        $first = \count(self::INKS) > $count ? 1 : 0;
        // Two bands are told apart by more than one shade.
        $step = 2 === $count ? 2 : 1;

        return self::INKS[min(\count(self::INKS) - 1, $first + $step * $bands->quality($place))];
    }
}
