<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Reports\ReportChecks;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\Core\Report\Acceptance;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Settling\ReportFinding;
use KeenMargin\Core\Report\Settling\ReportFindings;

/** What has to be settled in a report, looked up once for each state of it. */
final readonly class SettlementState
{
    public function __construct(private OpenReports $open, private ReportChecks $checks, private CurrentJob $job) {}

    /** @return array{findings: list<array<string, mixed>>, holds: list<string>} with what is accepted */
    public function of(ReportRecord $record): array
    {
        $report = $this->open->report($record);
        $kept = $this->kept($record, $this->open->drawing($report));
        $accepted = [];
        foreach ($report->accepted as $one) {
            $accepted[$one->finding] = $one;
        }

        return [
            'findings' => array_map(
                static fn (array $finding): array => $finding + [
                    'accepted' => self::acceptance($accepted[self::keyOf($finding)] ?? null),
                ],
                $kept['findings'],
            ),
            'holds' => $kept['holds'],
        ];
    }

    /**
     * @param ReportDrawing $drawing of the record as it is
     *
     * @return list<string> keys of all that was found, accepted or not
     */
    public function keys(ReportRecord $record, ReportDrawing $drawing): array
    {
        return array_map(self::keyOf(...), $this->kept($record, $drawing)['findings']);
    }

    /**
     * Those that nobody has accepted.
     *
     * @param array<string, mixed> $kept
     *
     * @return list<mixed>
     */
    public static function open(array $kept, Report $report): array
    {
        $accepted = array_map(static fn (Acceptance $one): string => $one->finding, $report->accepted);
        $findings = \is_array($kept['findings'] ?? null) ? $kept['findings'] : [];

        return array_values(array_filter(
            $findings,
            static fn (mixed $one): bool => \is_array($one) && !\in_array($one['key'] ?? '', $accepted, true),
        ));
    }

    /** @param array<string, mixed> $finding */
    private static function keyOf(array $finding): string
    {
        return \is_string($finding['key'] ?? null) ? $finding['key'] : '';
    }

    /** @return array{findings: list<array<string, mixed>>, holds: list<string>} */
    private function kept(ReportRecord $record, ReportDrawing $drawing): array
    {
        $sign = $this->open->sign($record);
        /** @var array{findings: list<array<string, mixed>>, holds: list<string>}|null $kept */
        $kept = $this->checks->maybeKept((int) $record->id, $sign);
        if (null === $kept) {
            $found = ReportFindings::of(
                $drawing,
                fn (int $done, int $of) => $this->job->tell('Looking through the pages', $done, $of),
            );
            $kept = [
                'findings' => array_map(static fn (ReportFinding $one): array => $one->toArray(), $found->findings),
                'holds' => $found->holds,
            ];
            $this->checks->keep((int) $record->id, $sign, $kept);
        }

        return $kept;
    }

    /** @return array<string, string>|null */
    private static function acceptance(?Acceptance $accepted): ?array
    {
        return null === $accepted
            ? null
            : ['reason' => $accepted->reason, 'who' => $accepted->who, 'at' => $accepted->at];
    }
}
