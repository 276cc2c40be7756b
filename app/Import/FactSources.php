<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\FactFilter;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Reading\Guess\JoinedMapping;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Rows\SourceRows;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\Series;

/** From amounts back to the rows of the files that they stood in. */
final readonly class FactSources
{
    public const PAGE = 100;

    public function __construct(
        private EntityManagerInterface $manager,
        private OpenDatasets $datasets,
        private SeriesStore $store,
        private KeptFiles $files,
    ) {}

    /**
     * @param int $page from 1, of each file's rows
     *
     * @return list<array<string, mixed>> by import, the latest first: its header and the rows
     */
    public function of(DatasetRecord $record, FactFilter $facts, int $page = 1): array
    {
        $dataset = $this->datasets->figures($record)->dataset();
        $withRows = fn (array $file): array => $file +
            $this->rows($this->import($file['import']), $dataset, $facts, $page);

        return array_map($withRows, $this->imports($record, $facts));
    }

    /** @return list<array{import: int, name: string, at: string, facts: int}> the latest first */
    public function imports(DatasetRecord $record, FactFilter $facts): array
    {
        $files = [];
        $counts = [];
        foreach ($this->counts($record, $facts) as $id => $count) {
            $whole = $this->manager->find(ImportRecord::class, $id)->partOf ?? $id;
            $counts[$whole] = ($counts[$whole] ?? 0) + $count;
        }
        krsort($counts);
        foreach ($counts as $id => $count) {
            $import = $this->manager->find(ImportRecord::class, $id);
            null === $import
                || ($files[] = [
                    'import' => $id,
                    'name' => $import->name,
                    'at' => $import->at->format(\DateTimeInterface::ATOM),
                    'facts' => $count,
                ]);
        }

        return $files;
    }

    /** @return array<int, int> how many of the amounts came with each import, the latest first */
    private function counts(DatasetRecord $record, FactFilter $facts): array
    {
        $figures = $this->datasets->figures($record);
        $isOfBreakdown = static fn (MemberFilter|NumberFilter $filter): bool => null !==
            $figures->dataset()->maybeBreakdown($filter->field());
        $conditions = array_map($figures->condition(...), array_values(array_filter($facts->where, $isOfBreakdown)));
        $counts = [];
        foreach ($record->measures as $measure) {
            foreach ($facts->scenarios($measure->name) as $scenario) {
                $runs = $this->store
                    ->runs()
                    ->runsOf(
                        (int) $record->id, [(int) $measure->id], SeriesStore::scenarioNumber($scenario), $conditions,
                    );
                foreach ($runs as $run) {
                    foreach ($run->imports as $start => $import) {
                        if ($facts->picks($measure->name, $scenario, $start)) {
                            $counts[$import] = ($counts[$import] ?? 0) + 1;
                        }
                    }
                }
            }
        }
        krsort($counts);

        return $counts;
    }

    /**
     * All rows, one after the other, however many.
     *
     * @return \Generator<int, list<string>> each file's name, header and rows
     */
    public function table(DatasetRecord $record, FactFilter $facts): \Generator
    {
        $dataset = $this->datasets->figures($record)->dataset();
        foreach ($this->imports($record, $facts) as $file) {
            $rows = $this->found($this->import($file['import']), $dataset, $facts);
            if (!\is_string($rows)) {
                yield ['File', 'Row', ...$rows['columns']];
                foreach ($rows['rows'] as $number => [$cells]) {
                    yield [$file['name'], (string) $number, ...$cells];
                }
            }
        }
    }

    private function import(int $id): ImportRecord
    {
        return $this->manager->find(ImportRecord::class, $id) ?? throw new \LogicException("There is no import $id.");
    }

    /** @return array<string, mixed> */
    private function rows(ImportRecord $import, Dataset $dataset, FactFilter $facts, int $page): array
    {
        $found = $this->found($import, $dataset, $facts);
        if (\is_string($found)) {
            return ['says' => $found, 'columns' => [], 'rows' => []];
        }
        $rows = [];
        [$seen, $hasMore] = [0, false];
        $skipped = self::PAGE * ($page - 1);
        foreach ($found['rows'] as $number => [$cells, $columns]) {
            if (\count($rows) >= self::PAGE) {
                $hasMore = true;
                break;
            }
            if (++$seen > $skipped) {
                $rows[] = [
                    'row' => $number,
                    'cells' => array_pad($cells, \count($found['columns']), ''),
                    'amounts' => $columns,
                ];
            }
        }

        return [
            'says' => '',
            'columns' => $found['columns'],
            'rows' => $rows,
            'first' => $skipped + 1,
            'hasMore' => $hasMore,
        ];
    }

    /**
     * @return array{columns: list<string>, rows: \Generator<int, array{list<string>, list<string>}>}|string
     *                                                                                                       the rows by
     *                                                                                                       their
     *                                                                                                       numbers, or
     *                                                                                                       why they
     *                                                                                                       cannot be
     *                                                                                                       shown
     */
    private function found(ImportRecord $import, Dataset $dataset, FactFilter $facts): array|string
    {
        $path = null === $import->keptFile ? null : $this->files->maybePath($import->keptFile);
        if (null === $path) {
            return 'The file itself is not kept, so its rows cannot be shown.';
        }
        if (!$this->files->isUnchanged((string) $import->keptFile)) {
            return 'The kept file was changed after it came in, so its rows are not shown. ./keen check tells which '.
                'file it is; a backup has it as it was.';
        }
        try {
            $told = Given::kept($import->mapping);
            $sheet = FigureFile::open($path)->sheet(
                MappingReader::maybeSheet($told), MappingReader::maybeHeader($told),
            );
            $mapping = JoinedMapping::of(MappingReader::read($told, RoleGuess::of($sheet), $sheet), $dataset);
        } catch (RefusedFigures|NotAccepted $e) {
            return $e->getMessage();
        }
        $order = array_flip(array_map(strval(...), array_keys($mapping->of(Role::Breakdown))));
        $lets = static fn (Series $series): callable => static fn (MemberFilter|NumberFilter $filter): bool => !isset(
            $order[$filter->field()],
        ) || $filter->letsText($series->member($order[$filter->field()]));
        $wanted = static fn (Series $series): bool => \in_array(
            $series->scenario, $facts->scenarios($series->measure), true,
        ) && \count($facts->where) === \count(array_filter($facts->where, $lets($series)));
        $at = static fn (Series $series, int $start): bool => $facts->picks(
            $series->measure, $series->scenario, $start,
        );

        return ['columns' => $sheet->header, 'rows' => SourceRows::of($sheet, $mapping, $wanted, $at)];
    }
}
