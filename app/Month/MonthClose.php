<?php

declare(strict_types=1);

namespace KeenMargin\App\Month;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Editing\ReportClosings;
use KeenMargin\App\Storage\Month\MonthClosing;
use KeenMargin\App\Storage\Month\MonthClosings;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\ClosingPeriods;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Time\Period;
use Psr\Clock\ClockInterface;

/** Closes a month: the books of several datasets move at once, and back at once. */
final readonly class MonthClose
{
    public function __construct(
        private EntityManagerInterface $manager,
        private OpenDatasets $datasets,
        private ReportClosings $closings,
        private MonthClosings $kept,
        private WriteTurn $turn,
        private ClockInterface $clock,
    ) {}

    /** The last period of a dataset's own that ends with the month or before it; null where there is none. */
    public static function maybePeriod(Dataset $dataset, Period $month): ?Period
    {
        return (new ClosingPeriods($dataset))->upTo($month);
    }

    public static function isClosed(Dataset $dataset, Period $month): bool
    {
        $last = self::maybePeriod($dataset, $month);

        return null !== $dataset->closedThrough
            && null !== $last
            && $dataset->closedThrough->lastDay() >= $last->lastDay();
    }

    /**
     * @param list<int> $ids datasets; those that are closed already stay as they are
     *
     * @return int number of the closing, by which it is undone
     *
     * @throws NotAccepted where nothing would move
     */
    public function close(Period $month, array $ids, string $who): int
    {
        return $this->turn->take(function () use ($month, $ids, $who): int {
            $closings = [];
            foreach ($ids as $id) {
                $record = $this->manager->find(DatasetRecord::class, $id);
                $dataset = null === $record || null !== $record->deletedAt
                    ? throw new NotAccepted('datasets', "There is no dataset $id. It may have been deleted.")
                    : $this->datasets->figures($record)->dataset();
                $period = self::maybePeriod($dataset, $month) ??
                    throw new NotAccepted('datasets', "$record->name has no period that ends by then.");
                if (!self::isClosed($dataset, $month)) {
                    $closings[$id] = $period->key();
                }
            }[] !== $closings || throw new NotAccepted('datasets', 'All of them are closed already.');

            return $this->kept->add($month->key(), $this->now(), $who, $this->closings->close($closings, $who));
        });
    }

    /** Books that somebody has moved elsewhere since stay where they are. */
    public function undo(MonthClosing $closing, string $who): void
    {
        $this->turn->take(function () use ($closing, $who): void {
            $now = $this->kept->maybe($closing->id);
            if (null === $now || null !== $now->undoneAt) {
                throw new NotAccepted('', 'This was undone already.');
            }
            $this->closings->move($now->moved, false, $who);
            $this->kept->undone($now->id, $this->now());
        });
    }

    private function now(): string
    {
        return $this->clock->now()->format(\DateTimeInterface::ATOM);
    }
}
