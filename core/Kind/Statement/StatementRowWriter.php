<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Statement;

use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Waterfall\WaterfallRowWriter;

/** Rows of a statement: those of a waterfall, and what each line does. */
final class StatementRowWriter implements RowWriter
{
    private const DOES = ['+' => 'adds', "\u{2212}" => 'takes away', '=' => 'subtotal'];

    public function numbers(Row $row): array
    {
        $does = self::DOES[$row->does] ?? null;

        return [...(new WaterfallRowWriter())->numbers($row), ...null === $does ? [] : ['does' => $does]];
    }

    public function besides(Workings $workings): array
    {
        return [];
    }
}
