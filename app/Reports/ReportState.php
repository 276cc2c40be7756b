<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Reports\IssueStore;
use KeenMargin\App\Storage\Reports\ReportChecks;
use KeenMargin\App\Storage\Reports\ReportSteps;
use KeenMargin\App\Storage\Reports\StoredLibrary;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\ClosingPeriods;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Report\AboutWords;
use KeenMargin\Core\Report\Document\ReportWriter;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Sheet;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** A report as the API tells it. */
final readonly class ReportState
{
    private const MOST_MEMBERS = 400;

    public function __construct(
        private OpenReports $open,
        private StoredLibrary $library,
        private ReportSteps $steps,
        private ReportChecks $checks,
        private IssueStore $issues,
        private KeptDocuments $documents,
    ) {}

    /** @return array<string, mixed> what a list tells of it */
    public function listed(ReportRecord $record): array
    {
        try {
            return $this->brief($record, $this->open->report($record)) + ['trouble' => null];
        } catch (NotAccepted $e) {
            // One that cannot be read is shown as what it is, and is no reason not to show the others.
            return [
                'id' => $record->id,
                'version' => $record->version,
                'title' => $record->title,
                'organisation' => '',
                'savedAt' => $record->savedAt->format(\DateTimeInterface::ATOM),
                'pages' => 0,
                'sheet' => Sheet::Across->value,
                'charts' => 0,
                'closing' => '',
                'isPinned' => false,
                'pictured' => (string) $record->version,
                'settle' => 0,
                'issued' => $this->issues->list((int) $record->id)[0] ?? null,
                'trouble' => "This report cannot be opened: {$e->getMessage()}",
            ];
        }
    }

    /** @return array<string, mixed> */
    private function brief(ReportRecord $record, Report $report): array
    {
        $drawing = $this->open->drawing($report);
        $sign = $this->open->sign($record);
        $issues = $this->issues->list((int) $record->id);
        $kept = $this->checks->maybeKept((int) $record->id, $sign);

        return [
            'id' => $record->id,
            'version' => $record->version,
            'title' => $record->title,
            'organisation' => $report->organisation,
            'savedAt' => $record->savedAt->format(\DateTimeInterface::ATOM),
            'pages' => \count($report->pages),
            'sheet' => $report->sheet->value,
            'charts' => \count($report->charts()),
            'closing' => $drawing->closingLabel(),
            'isPinned' => null !== $report->closedThrough,
            'pictured' => $sign,
            'settle' => null === $kept ? null : \count(SettlementState::open($kept, $report)),
            'issued' => $issues[0] ?? null,
        ];
    }

    /** @return array<string, mixed> */
    public function whole(ReportRecord $record): array
    {
        $report = $this->open->report($record);
        $drawing = $this->open->drawing($report);
        $datasets = $this->datasets($report);
        $own = array_map(
            fn (DatasetRecord $dataset): Dataset => $this->library->figures((string) $dataset->id)->dataset(),
            $datasets,
        );

        return $this->pulse($record) + [
            'id' => $record->id,
            'title' => $record->title,
            'savedAt' => $record->savedAt->format(\DateTimeInterface::ATOM),
            'document' => ReportWriter::toArray($report),
            'names' => $this->documents->known->latest(),
            'closing' => self::closing($drawing),
            'datasets' => array_map(
                static fn (DatasetRecord $dataset, Dataset $figures): array => [
                    'id' => $dataset->id,
                    'name' => $dataset->name,
                    'organisation' => $dataset->organisation,
                    'grain' => $dataset->grain,
                    'closing' => null === $figures->maybeClosing() || $figures->isTimeless()
                            ? ''
                            : PeriodNames::full($figures->maybeClosing()),
                ],
                $datasets,
                $own,
            ),
            'breakdowns' => self::breakdowns($own),
            'scenarios' => self::scenarios($own),
            'periods' => self::periods($own),
            'about' => array_map(
                static fn (SentencePart $part): array => $part->toArray(),
                AboutWords::ofReport($report),
            ),
            'issues' => $this->issues->list((int) $record->id),
        ];
    }

    /** @return array{version: int, sign: string, undo: ?string, redo: ?string} what a page asks for again and again */
    public function pulse(ReportRecord $record): array
    {
        return [
            'version' => $record->version,
            'sign' => $this->open->sign($record),
            'undo' => $this->steps->maybeNext((int) $record->id, false)?->says,
            'redo' => $this->steps->maybeNext((int) $record->id, true)?->says,
        ];
    }

    /** @return array<string, mixed>|null null where nothing in it has time */
    private static function closing(ReportDrawing $drawing): ?array
    {
        $closing = $drawing->maybeClosing();
        if (null === $closing) {
            return null;
        }
        $steps = ClosingPeriods::around($closing);

        return [
            'key' => $closing->key(),
            'label' => PeriodNames::full($closing),
            'back' => $steps['back']->key(),
            'on' => $steps['on']->key(),
            'isPinned' => null !== $drawing->report->closedThrough,
        ];
    }

    /** @return list<DatasetRecord> of all its blocks, also of named charts; those that are gone are left out */
    public function datasets(Report $report): array
    {
        $records = [];
        $ids = $report->datasets();
        foreach ($report->charts() as $block) {
            try {
                '' === $block->named || ($ids[] = $this->library->chart($block->named)->dataset);
            } catch (NotAccepted) {
                // Its block says so.
            }
        }
        foreach ($ids as $id) {
            try {
                $records[$id] ??= $this->library->dataset($id);
            } catch (NotAccepted) {
                // Its block says so.
            }
        }

        return array_values($records);
    }

    /**
     * Those of all datasets by name, each with the members of all that have it.
     *
     * @param list<Dataset> $datasets
     *
     * @return list<array{name: string, members: list<string>}>
     */
    private static function breakdowns(array $datasets): array
    {
        $members = [];
        foreach ($datasets as $dataset) {
            foreach ($dataset->breakdowns as $breakdown) {
                $members[$breakdown->name] = array_values(
                    array_unique([...$members[$breakdown->name] ?? [], ...$breakdown->members]),
                );
            }
        }

        return array_map(
            static fn (string|int $name, array $of): array => [
                'name' => (string) $name,
                'members' => \array_slice($of, 0, self::MOST_MEMBERS),
            ],
            array_keys($members),
            array_values($members),
        );
    }

    /**
     * @param list<Dataset> $datasets
     *
     * @return list<array{code: string, word: string}>
     */
    private static function scenarios(array $datasets): array
    {
        $words = [];
        foreach ($datasets as $dataset) {
            foreach ($dataset->scenarios() as $scenario) {
                $words[$scenario->value] = $scenario->word();
            }
        }

        return array_map(
            static fn (string $code, string $word): array => ['code' => $code, 'word' => $word],
            array_keys($words),
            array_values($words),
        );
    }

    /**
     * Months from the first to the last figure of any of them.
     *
     * @param list<Dataset> $datasets
     *
     * @return list<array{key: string, label: string}>
     */
    private static function periods(array $datasets): array
    {
        $months = [];
        foreach ($datasets as $dataset) {
            if ($dataset->isTimeless() || $dataset->isEmpty()) {
                continue;
            }
            foreach ($dataset->range()->belonging(Grain::Month, $dataset->calendar) as $month) {
                $months[$month->start] ??= Period::of(substr($month->key(), 0, 7));
            }
        }
        ksort($months);

        return array_values(array_map(
            static fn (Period $month): array => ['key' => $month->key(), 'label' => PeriodNames::full($month)],
            $months,
        ));
    }
}
