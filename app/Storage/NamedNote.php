<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\About\NoteTarget;

/** A note with the names, as they are now, of the measure and the members that it is about. */
final readonly class NamedNote
{
    public function __construct(public NoteRecord $record, public string $measure, public NoteTarget $place) {}

    /** `Net revenue, Aug 2026`, `Net revenue, North, Aug 2026` */
    public function label(): string
    {
        $calendar = new FiscalCalendar($this->record->dataset->firstMonth);
        $period = '' === $this->record->period ? null : Period::of($this->record->period, $calendar);

        return self::labelled($this->measure, $this->place, $period);
    }

    public static function labelled(string $measure, NoteTarget $place, ?Period $period): string
    {
        $members = array_merge(
            [],
            ...array_map(
                static fn (array $filter): array => \is_array($filter['in'] ?? null)
                    ? array_map(
                        static fn (mixed $member): string => \is_string($member) && '' !== $member
                            ? $member
                            : '(blank)',
                        $filter['in'],
                    )
                    : [],
                $place->filters,
            ),
        );

        return implode(
            ', ',
            array_filter([
                $measure,
                \count($members) > 3 ? \count($members).' members' : implode(' and ', $members),
                null === $period ? '' : PeriodNames::full($period),
            ]),
        );
    }
}
