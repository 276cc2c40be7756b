<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use KeenMargin\App\Storage\Record\DatasetRecord;

/** Datasets that a request reads, each loaded once for as long as it stays the same. */
final class OpenDatasets
{
    /** @var array<string, StoredFigures> by number, version and revision */
    private array $open = [];

    public function __construct(private readonly SeriesStore $store) {}

    public function figures(DatasetRecord $record): StoredFigures
    {
        $key = "{$record->id}.{$record->version}.{$record->revision}";

        return $this->open[$key] ??= new StoredFigures($record, $this->store);
    }
}
