<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use KeenMargin\App\Storage\Imports\ImportKeeper;
use KeenMargin\App\Storage\Imports\ImportSource;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;

/** Confirms a reading: what it holds becomes a dataset or joins one, and the file is kept with it. */
final readonly class BringIn
{
    public function __construct(
        private ReadingShelf $shelf,
        private FirstLook $firstLook,
        private Reader $reader,
        private ImportKeeper $keeper,
    ) {}

    public function asNew(string $reading, string $name, string $organisation, ?Given $told): ImportRecord
    {
        [$look, $mapping] = $this->looked($reading, $told, null);
        $sign = $this->shelf->begin($reading);
        $read = $this->reader->read($look, $mapping, $sign)->named($name, $organisation);
        $import = $this->keeper->create($read, self::source($look, $mapping), $sign->of('writing'));
        $this->shelf->drop($reading);

        return $import;
    }

    /** @param ?callable(DatasetRecord): void $insist told the dataset as it is when its turn has come; may throw */
    public function into(
        DatasetRecord $record,
        string $reading,
        ?Given $told,
        ImportMode $mode,
        ?callable $insist = null,
    ): ImportRecord {
        [$look, $mapping] = $this->looked($reading, $told, $record);
        $sign = $this->shelf->begin($reading);
        $import = $this->keeper->bringInto(
            record: $record,
            read: $this->reader->read($look, $mapping, $sign),
            source: self::source($look, $mapping),
            mode: $mode,
            sign: $sign->of('writing'),
            insist: $insist,
        );
        $this->shelf->drop($reading);

        return $import;
    }

    public static function source(Look $look, Mapping $mapping): ImportSource
    {
        return new ImportSource(
            $look->file->name,
            $look->file->digest,
            $mapping->toArray() +
                ('' === $look->sheetName ? [] : ['sheet' => $look->sheetName]) + [
                    'header' => $look->sheet->place->toArray(),
                ],
            $look->signature,
            $look->file->path,
        );
    }

    /** @return array{Look, Mapping} */
    private function looked(string $reading, ?Given $told, ?DatasetRecord $target): array
    {
        $look = $this->firstLook->look(
            $this->shelf->get($reading), MappingReader::maybeSheet($told), MappingReader::maybeHeader($told), $target,
        );

        return [$look, $this->firstLook->mapping($look, $told)];
    }
}
