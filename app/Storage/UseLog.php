<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Turn\WriteAside;

/** When somebody last looked at a dataset, a chart or a report: lists show the latest first. */
final readonly class UseLog
{
    public function __construct(private WriteAside $aside) {}

    /** No change of its state, so that its version stays. */
    public function used(DatasetRecord|ChartRecord|ReportRecord $record): void
    {
        $table = match (true) {
            $record instanceof ChartRecord => 'chart',
            $record instanceof ReportRecord => 'report',
            default => 'dataset',
        };
        $this->aside->write("UPDATE $table SET used_at = ? WHERE id = ?", [
            (new \DateTimeImmutable())->format('Y-m-d H:i:s'), $record->id,
        ]);
    }
}
