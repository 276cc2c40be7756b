<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Shape\Shape;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Part\RowKey;

/** Reads the finish of a recipe; what is not told stays as usual. */
final class FinishReader
{
    /**
     * @param bool $hasPanels whether the question has several panels
     *
     * @throws NotAccepted
     */
    public static function read(Given $given, bool $hasPanels): Finish
    {
        $row = static fn (Given $key): RowKey => RowKeyReader::read($key, $hasPanels);

        return Shape::of(Finish::class)->read($given, [RowKey::class => $row], array_keys(Finish::FORMER));
    }
}
