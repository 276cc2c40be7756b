<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Reports\IssueStore;
use KeenMargin\Core\Report\Comparing\ReportDifference;
use KeenMargin\Core\Report\Comparing\Snapshot;
use KeenMargin\Core\Report\Comparing\SnapshotDiff;
use KeenMargin\Core\Time\Period;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Compares an issued report with the draft, with the figures as they are now, or with another issued one. */
final readonly class Changes
{
    public function __construct(private OpenReports $open, private IssueStore $issues) {}

    /**
     * @param string $then snapshot of the issued report
     * @param int $from its number
     * @param string $to `draft`, `now` (the issued report with the figures as they are now), or the number of another
     *
     * @return array<string, mixed>
     */
    public function of(ReportRecord $record, string $then, int $from, string $to): array
    {
        $before = self::read($then);
        $after = match ($to) {
            'draft' => Snapshot::of($this->open->of($record)),
            'now' => $this->asOfNow((int) $record->id, $from, $before),
            default => self::read($this->issues->maybePart((int) $record->id, (int) $to, 'snapshot') ?? ''),
        };

        return [
            'from' => $from,
            'to' => $to,
            'differences' => array_map(
                static fn (ReportDifference $one): array => $one->toArray(),
                SnapshotDiff::of($before, $after),
            ),
        ];
    }

    /**
     * The issued report with the figures as they are now, closed through what it was closed through.
     *
     * @param array<string, mixed> $snapshot
     *
     * @return array<string, mixed>
     */
    private function asOfNow(int $report, int $number, array $snapshot): array
    {
        $document = self::read($this->issues->maybePart($report, $number, 'document') ?? '');
        $closing = $snapshot['closing'] ?? '';
        $issued = OpenReports::read($document);

        return Snapshot::of($this->open->drawing(
            \is_string($closing) && '' !== $closing ? $issued->closed(Period::of($closing)) : $issued,
        ));
    }

    /** @return array<string, mixed> */
    private static function read(string $json): array
    {
        $read = '' === $json ? null : json_decode($json, true, 64, \JSON_THROW_ON_ERROR);

        /** @var array<string, mixed> */
        return \is_array($read) ? $read : throw new NotFoundHttpException('There is no such issue of this report.');
    }
}
