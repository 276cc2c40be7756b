<?php

declare(strict_types=1);

namespace KeenMargin\App\Export;

use KeenMargin\App\Export\Table\CsvWriter;
use KeenMargin\App\Export\Table\ExactCell;
use KeenMargin\App\Export\Table\JsonLinesWriter;
use KeenMargin\App\Export\Table\OdsWriter;
use KeenMargin\App\Export\Table\XlsxWriter;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Reading\Guess\TidyLayout;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Number\ScaledText;
use KeenMargin\Core\Time\Period;

/** A dataset's figures as one tidy table, a figure a row, that reads back in to the last digit. */
final readonly class DatasetExport
{
    public const FORMATS = [
        'csv' => [CsvWriter::class, 'text/csv; charset=utf-8'],
        'xlsx' => [XlsxWriter::class, 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
        'ods' => [OdsWriter::class, 'application/vnd.oasis.opendocument.spreadsheet'],
        'jsonl' => [JsonLinesWriter::class, 'application/jsonl; charset=utf-8'],
    ];

    public function __construct(private SeriesStore $store, private CurrentJob $job) {}

    /** @param key-of<self::FORMATS> $format */
    public function write(DatasetRecord $record, string $format, string $path): void
    {
        $figures = new StoredFigures($record, $this->store);
        $dataset = $figures->dataset();
        $writer = self::FORMATS[$format][0]::to($path, $record->name);
        $breakdowns = array_map(static fn (Breakdown $breakdown): string => $breakdown->name, $dataset->breakdowns);
        $writer->row([...TidyLayout::BEFORE, ...self::apart($breakdowns), TidyLayout::AMOUNT]);
        $measures = [];
        foreach ($record->measures as $measure) {
            $measures[(int) $measure->id] = $measure->measure();
        }
        $members = [];
        foreach ($record->breakdowns as $breakdown) {
            $members[] = $figures->members($breakdown->name)->names();
        }
        $periods = [];
        $seen = 0;
        $all = $this->store->count((int) $record->id);
        foreach ($this->store->ordered((int) $record->id) as [$measureId, $scenario, $ids, $packed]) {
            $this->job->tell('series', ++$seen, $all);
            $measure = $measures[$measureId] ?? new Measure('');
            $names = array_map(
                static fn (array $names, int $id): string => $names[$id] ?? '',
                $members,
                \array_slice($ids, 0, \count($members)),
            );
            foreach (PackedAmounts::unpack($packed) as $start => $amount) {
                $key = $periods[$start] ??= Period::ofStart($dataset->grain, $start, $dataset->calendar)->key();
                $writer->row([
                    $key,
                    SeriesStore::scenario($scenario)->value,
                    $measure->name,
                    $measure->unit,
                    ...$names,
                    new ExactCell(ScaledText::of($amount, $measure->decimals)),
                ]);
            }
        }
        $writer->close();
    }

    /**
     * Breakdowns whose names are the table's own words are told apart from those.
     *
     * @param list<string> $names
     *
     * @return list<string>
     */
    private static function apart(array $names): array
    {
        return array_map(
            static fn (string $name): string => \in_array($name, [...TidyLayout::BEFORE, TidyLayout::AMOUNT], true)
                ? "$name (breakdown)"
                : $name,
            $names,
        );
    }
}
