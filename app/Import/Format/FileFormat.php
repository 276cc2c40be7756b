<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Table\RowSource;

/** A kind of file that figures come in. What a file is, is told by its bytes, never by its name. */
interface FileFormat
{
    /**
     * The file opened, or none where it is of another kind. Refuses what is of this kind and cannot be read.
     *
     * @param string $head the first 4096 bytes
     */
    public static function maybe(string $path, string $head): ?self;

    /** @return non-empty-list<string> names of the tables in it; '' for the only one of a file that does not name it */
    public function sheets(): array;

    public function rows(string $sheet): RowSource;
}
