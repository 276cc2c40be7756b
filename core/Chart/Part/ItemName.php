<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Row;

/** The name of a row over a picture of its own, in the middle of its room. */
final class ItemName
{
    public static function write(Canvas $canvas, Row $row, float $x, float $y, float $room): void
    {
        $name = '' === $row->panel ? $row->name : $row->label;
        $canvas->write(
            'names',
            Canvas::text(
                $x,
                $y,
                TextMeasure::shortened($name, $room, Type::LABEL, 600),
                'middle',
                weight: 600,
                role: 'name',
                key: $row->key->id,
            ),
        );
    }
}
