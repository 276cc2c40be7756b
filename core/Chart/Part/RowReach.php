<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Workings\Result\Row;

/** Where rows that lie one below the other are pointed at, and the ground of those that are highlighted. */
final class RowReach
{
    /**
     * @param list<Row> $rows
     * @param float $left of all rows, in points, as $right
     */
    public static function mark(
        Canvas $canvas,
        Finish $finish,
        BandAxis $axis,
        array $rows,
        float $left,
        float $right,
    ): void {
        foreach ($rows as $i => $row) {
            $canvas->reach($row->key->id, new Box($left, $axis->begin($i), $right, $axis->end($i)));
            if ($finish->highlights($row->key)) {
                $canvas->addBehind(
                    'highlight',
                    Orientation::Horizontal->bar(
                        centre: $axis->centre($i),
                        thickness: $axis->end($i) - $axis->begin($i),
                        from: $left,
                        to: $right,
                        style: Style::mark(Ink::AccentTint),
                        role: 'highlight',
                        key: $row->key->id,
                    ),
                );
            }
        }
    }
}
