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

/** From amounts back to the rows of the files that they stood in. */
final readonly class FactSources
{
    private const MOST_ROWS = 200;

    public function __construct(private EntityManagerInterface $manager, private SeriesStore $store, private KeptFiles $files)
    {
    }

    /**
     * @param list<string>                    $measures
     * @param ?Period                         $period   of any grain; none: all
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<array<string, mixed>> by import, the latest first: its header and the rows
     */
    public function of(DatasetRecord $record, array $measures, Scenario $scenario, ?Period $period, array $where): array
    {
        $figures = new StoredFigures($record, $this->store);
        $dataset = $figures->dataset();
        $at = static fn (int $start): bool => null === $period || self::lies(Period::ofStart($dataset->grain, $start, $dataset->calendar), $period);
        $files = [];
        foreach ($this->imports($record, $figures, $measures, $scenario, $where, $at) as $id => $count) {
            $import = $this->manager->find(ImportRecord::class, $id);
            if (null !== $import) {
                $files[] = ['import' => $id, 'name' => $import->name, 'at' => $import->at->format(\DateTimeInterface::ATOM), 'facts' => $count] + $this->rows($import, $dataset, $measures, $scenario, $where, $at);
            }
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
    private function imports(DatasetRecord $record, StoredFigures $figures, array $measures, Scenario $scenario, array $where, callable $at): array
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
     * @param list<string>                    $measures
     * @param list<MemberFilter|NumberFilter> $where
     * @param callable(int): bool             $at
     *
     * @return array<string, mixed>
     */
    private function rows(ImportRecord $import, Dataset $dataset, array $measures, Scenario $scenario, array $where, callable $at): array
    {
        $path = null === $import->keptFile ? null : $this->files->maybePath($import->keptFile);
        if (null === $path) {
            return ['says' => 'The file itself is not kept, so its rows cannot be shown.', 'columns' => [], 'rows' => []];
        }
        try {
            $told = Given::json(json_encode((object) $import->mapping, \JSON_THROW_ON_ERROR));
            $sheet = FigureFile::open($path)->sheet(MappingReader::maybeSheet($told), MappingReader::maybeHeader($told));
            $mapping = JoinedMapping::of(MappingReader::read($told, RoleGuess::of($sheet), $sheet), $dataset);
        } catch (RefusedFigures|NotAccepted $e) {
            return ['says' => $e->getMessage(), 'columns' => [], 'rows' => []];
        }
        $order = array_flip(array_map(strval(...), array_keys($mapping->of(Role::Breakdown))));
        $wanted = static fn (Series $series): bool => \in_array($series->measure, $measures, true) && $series->scenario === $scenario
            && [] === array_filter($where, static fn (MemberFilter|NumberFilter $filter): bool => isset($order[$filter->field()]) && !$filter->letsText($series->member($order[$filter->field()])));
        $rows = [];
        foreach (SourceRows::of($sheet, $mapping, $wanted, $at) as $number => [$cells, $columns]) {
            $rows[] = ['row' => $number, 'cells' => array_pad($cells, \count($sheet->header), ''), 'amounts' => $columns];
            if (\count($rows) >= self::MOST_ROWS) {
                break;
            }
        }

        return ['says' => '', 'columns' => $sheet->header, 'rows' => $rows, 'isCut' => \count($rows) >= self::MOST_ROWS];
    }

    private static function lies(Period $fine, Period $within): bool
    {
        return Grain::Timeless === $fine->grain || ($fine->firstDay() >= $within->firstDay() && $fine->lastDay() <= $within->lastDay());
    }
}
