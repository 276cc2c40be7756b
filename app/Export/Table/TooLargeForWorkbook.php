<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

/** A sheet holds only so many rows. */
final class TooLargeForWorkbook extends \OverflowException
{
    public function __construct(int $rows)
    {
        parent::__construct(
            'A workbook holds '.
                number_format($rows).
                ' rows, the dataset has more figures. Export it as CSV or JSON lines.',
        );
    }
}
