<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;

/** Reads files on the shelf under a mapping, and keeps what it read until it is confirmed. */
final readonly class Reader
{
    public function __construct(private ReadingShelf $shelf) {}

    public function read(Look $look, Mapping $mapping, WorkSign $sign): ReadFigures
    {
        $key = self::key($look, $mapping);
        $read = $this->shelf->maybeRead($look->file->id, $key);
        if (null === $read) {
            $read = FactReader::figures($look->sheet, $mapping, '', '', $sign->of('reading'));
            $this->shelf->remember($look->file->id, $key, $read);
        }

        return $read;
    }

    private static function key(Look $look, Mapping $mapping): string
    {
        return json_encode(
            [$look->sheetName, $look->sheet->place->toArray(), $mapping->toArray()], \JSON_THROW_ON_ERROR,
        );
    }
}
