<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Reports\StoredLibrary;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\ClosingPeriods;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Rolling\RolledPage;
use KeenMargin\Core\Report\Rolling\RollPreview;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** Moves the closing period of a report: what would change, and what moves with it. */
final readonly class Rolling
{
    public function __construct(
        private OpenReports $open,
        private ReportState $states,
        private StoredLibrary $library,
        private SettlementState $settlement,
        private CurrentJob $job,
    ) {}

    /** @throws NotAccepted where it is no period */
    public static function period(string $key): Period
    {
        try {
            return Period::of($key);
        } catch (NotAPeriod $e) {
            throw new NotAccepted('to', $e->getMessage());
        }
    }

    /** @return array<string, mixed> */
    public function preview(ReportRecord $record, Period $to): array
    {
        $report = $this->open->report($record);
        $tell = fn (int $done, int $of) => $this->job->tell('Looking through the pages', $done, $of);
        $now = $this->open->drawing($report);
        $pages = RollPreview::of($now, $now->with($report->closed($to)), $this->settlement->keys($record, $now), $tell);

        return [
            'to' => ['key' => $to->key(), 'label' => PeriodNames::full($to)],
            'moves' => $this->said($report, $to),
            'pages' => array_map(static fn (RolledPage $page): array => $page->toArray(), $pages),
        ];
    }

    /** With its own closing period moved, where it has one; else its datasets move. */
    public static function moved(Report $report, Period $to): Report
    {
        return null === $report->closedThrough ? $report : $report->closed($to);
    }

    /**
     * What the datasets of a report that follows them are closed through then.
     *
     * @return array<int, string> keys by dataset; none where the report is pinned
     */
    public function closings(Report $report, Period $to): array
    {
        $closings = [];
        foreach (null === $report->closedThrough ? $this->states->datasets($report) : [] as $record) {
            $key = self::closing($this->library->figures((string) $record->id)->dataset(), $to);
            if (null !== $key) {
                $closings[(int) $record->id] = $key;
            }
        }

        return $closings;
    }

    /** The last period of the dataset's own that ends with the other or before it; null where it stays. */
    private static function closing(Dataset $dataset, Period $to): ?string
    {
        if ($dataset->isTimeless() || $dataset->isEmpty()) {
            return null;
        }
        $last = (new ClosingPeriods($dataset))->upTo($to);

        return null === $last || $last->key() === $dataset->closing()->key() ? null : $last->key();
    }

    /** @return list<string> */
    private function said(Report $report, Period $to): array
    {
        if (null !== $report->closedThrough) {
            return ['The report is pinned: only it moves, and the books of its datasets stay as they are.'];
        }
        $closings = $this->closings($report, $to);

        return array_map(
            static fn (DatasetRecord $dataset): string => isset($closings[(int) $dataset->id])
                ? "$dataset->name: books closed through ".PeriodNames::full(Period::of($closings[(int) $dataset->id]))
                : "$dataset->name stays as it is",
            $this->states->datasets($report),
        );
    }
}
