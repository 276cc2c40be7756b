<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Figures\Reading\JoinedMapping;
use KeenMargin\Core\Figures\Reading\MappingReader;
use KeenMargin\Core\Figures\Reading\RefusedFigures;
use KeenMargin\Core\Figures\Reading\Role;
use KeenMargin\Core\Figures\Reading\RoleGuess;
use KeenMargin\Core\Figures\Reading\SourceRows;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;

/** From amounts back to the rows of the files that they stood in. */
final readonly class FactSources
{
    public const PAGE = 100;

    public function __construct(private EntityManagerInterface $manager, private SeriesStore $store, private KeptFiles $files)
    {
    }

    /**
     * @param list<string>                    $measures
     * @param ?PeriodRange                    $range    none: all
     * @param list<MemberFilter|NumberFilter> $where
     * @param int                             $page     from 1, of each file's rows
     *
     * @return list<array<string, mixed>> by import, the latest first: its header and the rows
     */
    public function of(DatasetRecord $record, array $measures, Scenario $scenario, ?PeriodRange $range, array $where, int $page = 1): array
    {
        $dataset = (new StoredFigures($record, $this->store))->dataset();
        $at = self::within($range, $dataset);

        return array_map(fn (array $file): array => $file + $this->rows($this->import($file['import']), $dataset, $measures, $scenario, $where, $at, $page), $this->imports($record, $measures, $scenario, $range, $where));
    }

    /**
     * @param list<string>                    $measures
     * @param ?PeriodRange                    $range    none: all
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<array{import: int, name: string, at: string, facts: int}> the latest first
     */
    public function imports(DatasetRecord $record, array $measures, Scenario $scenario, ?PeriodRange $range, array $where): array
    {
        $figures = new StoredFigures($record, $this->store);
        $files = [];
        foreach ($this->counts($record, $figures, $measures, $scenario, $where, self::within($range, $figures->dataset())) as $id => $count) {
            $import = $this->manager->find(ImportRecord::class, $id);
            null === $import || $files[] = ['import' => $id, 'name' => $import->name, 'at' => $import->at->format(\DateTimeInterface::ATOM), 'facts' => $count];
        }

        return $files;
    }

    /**
     * @param list<string>                    $measures
     * @param list<MemberFilter|NumberFilter> $where
     * @param callable(int): bool             $at
     *
     * @return array<int, int> how many of the amounts came with each import, the latest first
     */
    private function counts(DatasetRecord $record, StoredFigures $figures, array $measures, Scenario $scenario, array $where, callable $at): array
    {
        $ids = [];
        foreach ($record->measures as $measure) {
            if (\in_array($measure->name, $measures, true)) {
                $ids[] = (int) $measure->id;
            }
        }
        $conditions = array_map($figures->condition(...), array_values(array_filter($where, static fn (MemberFilter|NumberFilter $filter): bool => null !== $figures->dataset()->maybeBreakdown($filter->field()))));
        $counts = [];
        foreach ($this->store->runs()->runsOf((int) $record->id, $ids, SeriesStore::scenarioNumber($scenario), $conditions) as $run) {
            foreach ($run->imports as $start => $import) {
                if ($at($start)) {
                    $counts[$import] = ($counts[$import] ?? 0) + 1;
                }
            }
        }
        krsort($counts);

        return $counts;
    }

    /**
     * All rows, one after the other, however many.
     *
     * @param list<string>                    $measures
     * @param ?PeriodRange                    $range    none: all
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return \Generator<int, list<string>> each file's name, header and rows
     */
    public function table(DatasetRecord $record, array $measures, Scenario $scenario, ?PeriodRange $range, array $where): \Generator
    {
        $dataset = (new StoredFigures($record, $this->store))->dataset();
        foreach ($this->imports($record, $measures, $scenario, $range, $where) as $file) {
            $rows = $this->found($this->import($file['import']), $dataset, $measures, $scenario, $where, self::within($range, $dataset));
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

    /**
     * @param list<string>                    $measures
     * @param list<MemberFilter|NumberFilter> $where
     * @param callable(int): bool             $at
     *
     * @return array<string, mixed>
     */
    private function rows(ImportRecord $import, Dataset $dataset, array $measures, Scenario $scenario, array $where, callable $at, int $page): array
    {
        $found = $this->found($import, $dataset, $measures, $scenario, $where, $at);
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
                $rows[] = ['row' => $number, 'cells' => array_pad($cells, \count($found['columns']), ''), 'amounts' => $columns];
            }
        }

        return ['says' => '', 'columns' => $found['columns'], 'rows' => $rows, 'first' => $skipped + 1, 'hasMore' => $hasMore];
    }

    /**
     * @param list<string>                    $measures
     * @param list<MemberFilter|NumberFilter> $where
     * @param callable(int): bool             $at
     *
     * @return array{columns: list<string>, rows: \Generator<int, array{list<string>, list<string>}>}|string the rows by their numbers, or why they cannot be shown
     */
    private function found(ImportRecord $import, Dataset $dataset, array $measures, Scenario $scenario, array $where, callable $at): array|string
    {
        $path = null === $import->keptFile ? null : $this->files->maybePath($import->keptFile);
        if (null === $path) {
            return 'The file itself is not kept, so its rows cannot be shown.';
        }
        try {
            $told = Given::json(json_encode((object) $import->mapping, \JSON_THROW_ON_ERROR));
            $sheet = FigureFile::open($path)->sheet(MappingReader::maybeSheet($told), MappingReader::maybeHeader($told));
            $mapping = JoinedMapping::of(MappingReader::read($told, RoleGuess::of($sheet), $sheet), $dataset);
        } catch (RefusedFigures|NotAccepted $e) {
            return $e->getMessage();
        }
        $order = array_flip(array_map(strval(...), array_keys($mapping->of(Role::Breakdown))));
        $wanted = static fn (Series $series): bool => \in_array($series->measure, $measures, true) && $series->scenario === $scenario
            && [] === array_filter($where, static fn (MemberFilter|NumberFilter $filter): bool => isset($order[$filter->field()]) && !$filter->letsText($series->member($order[$filter->field()])));

        return ['columns' => $sheet->header, 'rows' => SourceRows::of($sheet, $mapping, $wanted, $at)];
    }

    /** @return \Closure(int): bool whether the period that starts there is in it */
    private static function within(?PeriodRange $range, Dataset $dataset): \Closure
    {
        return static fn (int $start): bool => null === $range || Grain::Timeless === $dataset->grain || $range->holds(Period::ofStart($dataset->grain, $start, $dataset->calendar));
    }
}
