<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Changes\ChangeLog;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Document\Given;

/** Moves the closing periods of datasets together with a report that follows them. */
final readonly class ReportClosings
{
    public function __construct(
        private EntityManagerInterface $manager,
        private DatasetSettings $settings,
        private ChangeLog $changes,
    ) {}

    /**
     * To be called within the write turn of the report.
     *
     * @param array<int, string> $closings keys by dataset
     *
     * @return array<int, array{string|null, string|null}> what was closed before and after, by dataset
     */
    public function close(array $closings, string $who): array
    {
        $done = [];
        foreach ($closings as $id => $key) {
            $record = $this->manager->find(DatasetRecord::class, $id);
            if (null !== $record && null === $record->deletedAt) {
                $done[$id] = [$record->closedThrough, $key];
                $this->set($record, $key, $who);
            }
        }

        return $done;
    }

    /**
     * Those that moved with a step, back or on again, where nobody has moved them elsewhere since.
     *
     * @param array<int, array{string|null, string|null}> $closings before and after the step
     */
    public function move(array $closings, bool $forth, string $who): void
    {
        foreach ($closings as $id => [$before, $after]) {
            $record = $this->manager->find(DatasetRecord::class, $id);
            [$from, $to] = $forth ? [$before, $after] : [$after, $before];
            if (null !== $record && null === $record->deletedAt && $record->closedThrough === $from) {
                $this->set($record, $to, $who);
            }
        }
    }

    /** @param ?string $key null: as the last actuals say */
    private function set(DatasetRecord $record, ?string $key, string $who): void
    {
        $plan =
            null === $key
                ? $this->settings->planOpen($record)
                : $this->settings->plan($record, Given::kept(['closedThrough' => $key]));
        $this->changes->do($record, $plan->change, $who);
    }
}
