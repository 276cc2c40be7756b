<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Imports;

use KeenMargin\App\Http\FileName;
use KeenMargin\App\Import\FirstLook;
use KeenMargin\App\Import\Look;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\Core\Figures\Reading\Table\TableTitle;

/** A first look at a file as the API tells it. */
final readonly class ReadingState
{
    private const SAMPLE = 12;
    /** Rows above which the number of rows is only estimated. */
    private const ESTIMATED_FROM = 400;

    public function __construct(private FirstLook $firstLook) {}

    /** @return array<string, mixed> */
    public function of(Look $look, ?DatasetRecord $target): array
    {
        $sheet = $look->sheet;
        $seen = $this->firstLook->maybeSeen($look->file);

        return [
            'id' => $look->file->id,
            'name' => $look->file->name,
            'suggestedName' => TableTitle::maybeName($sheet) ?? FileName::asTitle($look->file->plainName()),
            'sheets' => $look->sheets,
            'sheet' => $look->sheetName,
            'header' => $sheet->place->toArray(),
            'notes' => \array_slice($sheet->notes, 0, 6),
            'columns' => $sheet->header,
            'sample' => \array_slice(array_values($sheet->rows), 0, self::SAMPLE),
            'sampleRows' => \array_slice(array_keys($sheet->rows), 0, self::SAMPLE),
            'rowCount' => $sheet->isWhole ? \count($sheet->rows) : null,
            'rowsAbout' => $sheet->isWhole || [] !== $look->sheets ? null : self::about($look),
            'mapping' => $look->mapping->toArray(),
            'doubts' => $look->doubts($look->mapping),
            'target' => self::dataset($target ?? $look->known?->dataset),
            'mode' => $look->known->mode ?? 'add',
            'known' => null === $look->known ? null : self::import($look->known),
            'seen' => null === $seen ? null : self::import($seen),
        ];
    }

    /** @return array<string, mixed>|null */
    private static function dataset(?DatasetRecord $record): ?array
    {
        return null === $record ? null : ['id' => $record->id, 'version' => $record->version, 'name' => $record->name];
    }

    /** @return array<string, mixed> */
    private static function import(ImportRecord $import): array
    {
        return [
            'id' => $import->id,
            'name' => $import->name,
            'at' => $import->at->format(\DateTimeInterface::ATOM),
            'facts' => $import->factCount,
            'dataset' => self::dataset($import->dataset),
        ];
    }

    /** By the length of the first rows. */
    private static function about(Look $look): int
    {
        $bytes = array_sum(
            array_map(static fn (array $cells): int => \strlen(implode(' ', $cells)) + 2, $look->sheet->rows),
        );

        return (int) max(
            self::ESTIMATED_FROM,
            round((int) filesize($look->file->path) / max(1, $bytes / \count($look->sheet->rows)), -2),
        );
    }
}
