<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Workings\Result\Row;

/** The mark of a target: a tick across, with paper around it so that it stands out where it crosses a bar. */
final class TargetTick
{
    private const THICKNESS = 2.4;
    private const PAPER = 4.6;

    /** @param float $reach on either side of the centre */
    public static function draw(Stage $stage, Row $row, float $centre, float $reach, float $along, string $of): void
    {
        $stage->canvas->addBehind(
            'marks',
            $stage->orientation->tick(
                from: $centre - $reach,
                to: $centre + $reach,
                along: $along,
                ink: Ink::Paper,
                thickness: self::PAPER,
                role: 'target-ground',
                key: $row->key->id,
            ),
        );
        $stage->canvas->add(
            'marks',
            $stage->orientation->tick(
                from: $centre - $reach,
                to: $centre + $reach,
                along: $along,
                ink: Ink::Ink,
                thickness: self::THICKNESS,
                role: 'target',
                key: $row->key->id,
                of: $of,
            ),
        );
    }
}
