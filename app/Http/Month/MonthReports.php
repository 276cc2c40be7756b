<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Month;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Http\Contract\Month\MonthDatasetJson;
use KeenMargin\App\Http\Contract\Month\MonthReportJson;
use KeenMargin\App\Reports\OpenReports;
use KeenMargin\App\Reports\ReportState;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\Core\Document\NotAccepted;

/** The reports that stand on the datasets of a month. */
final readonly class MonthReports
{
    private const MOST = 60;

    public function __construct(
        private EntityManagerInterface $manager,
        private OpenReports $open,
        private ReportState $states,
    ) {}

    /**
     * @param list<MonthDatasetJson> $datasets
     *
     * @return list<MonthReportJson> the last used first
     */
    public function of(array $datasets): array
    {
        $incomplete = [];
        foreach ($datasets as $dataset) {
            'look' === $dataset->tone && ($incomplete[$dataset->id] = $dataset->name);
        }
        $told = [];
        $records = $this->manager
            ->getRepository(ReportRecord::class)
            ->findBy(['deletedAt' => null], ['usedAt' => 'DESC', 'id' => 'DESC'], self::MOST);
        foreach ($records as $record) {
            try {
                $told[] = $this->report($record, $incomplete);
            } catch (NotAccepted) {
                // The list of reports says what is wrong with it.
            }
        }

        return $told;
    }

    /** @param array<int, string> $incomplete names of datasets */
    private function report(ReportRecord $record, array $incomplete): MonthReportJson
    {
        $standsOn = array_map(
            static fn (DatasetRecord $dataset): int => (int) $dataset->id,
            $this->states->datasets($this->open->report($record)),
        );
        $brief = $this->states->listed($record);

        return new MonthReportJson(
            id: (int) $record->id,
            title: $record->title,
            pages: \is_int($brief['pages']) ? $brief['pages'] : 0,
            closing: \is_string($brief['closing']) ? $brief['closing'] : '',
            isPinned: true === $brief['isPinned'],
            settle: \is_int($brief['settle']) ? $brief['settle'] : null,
            waitsFor: array_values(array_intersect_key($incomplete, array_flip($standsOn))),
        );
    }
}
