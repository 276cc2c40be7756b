<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\About;

use KeenMargin\Core\Time\Period;

/** What somebody wrote about a measure, a period and members of a dataset. */
final readonly class Note
{
    /**
     * @param ?Period $period none where the figures have no time
     * @param string $place key of the NotePlace
     */
    public function __construct(
        public int $id,
        public string $measure,
        public ?Period $period,
        public string $place,
        public string $text,
    ) {}

    /** Whether it belongs to a row: periods within the row's are the row's, too. */
    public function isAbout(RowTarget $row): bool
    {
        return $this->measure === $row->measure
            && $this->place === $row->place->key()
            && self::isWithin($this->period, $row->period);
    }

    /** Whether it was written about the same a year before. */
    public function isAYearBefore(RowTarget $row): bool
    {
        $before = $row->period?->yearEarlier();

        return null !== $before
            && $this->measure === $row->measure
            && $this->place === $row->place->key()
            && self::isWithin($this->period, $before);
    }

    private static function isWithin(?Period $period, ?Period $of): bool
    {
        return null === $period || null === $of
            ? $period === $of
            : $period->firstDay() >= $of->firstDay() && $period->lastDay() <= $of->lastDay();
    }
}
