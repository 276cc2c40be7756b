<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Mapping\ColumnRole;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\PeriodReader;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/**
 * The periods of a sheet's rows, all of one grain. A month beside a year column is read together with it, and a month
 * in the header with the year of the row.
 */
final class PeriodColumn
{
    /** @param list<int> $places of the period columns */
    private function __construct(
        private readonly PeriodReader $reader,
        private readonly array $places,
        private readonly string $name,
        private readonly FiscalCalendar $calendar,
        private readonly ?Grain $told,
        public readonly Grain $grain,
    ) {}

    public static function of(FileTable $sheet, Mapping $mapping): self
    {
        $columns = array_map(strval(...), array_keys($mapping->of(Role::Period)));
        $places = array_map($sheet->placeOf(...), $columns);
        $reader = $mapping->periods();
        $spread = array_values(array_filter(
            array_map(static fn (ColumnRole $column): ?string => $column->period, $mapping->of(Role::Amount)),
        ));
        if ([] === $places && [] === $spread) {
            return new self(
                reader: $reader,
                places: [],
                name: '',
                calendar: $mapping->calendar,
                told: $mapping->grain,
                grain: Grain::Timeless,
            );
        }
        $probe = new self(
            reader: $reader,
            places: $places,
            name: implode(' and ', $columns),
            calendar: $mapping->calendar,
            told: null,
            grain: Grain::Timeless,
        );
        $read = array_map(
            static fn (string $header): ?Period => $reader->maybe($header) ?? $reader->maybe("$header 2000"),
            $spread,
        );
        foreach ($sheet->rows as $number => $cells) {
            if ([] === $spread && !\in_array($number, $mapping->leaveOut, true)) {
                $read[] = $reader->maybe($probe->text($cells));
            }
        }

        return new self(
            reader: $reader,
            places: $places,
            name: implode(' and ', $columns),
            calendar: $mapping->calendar,
            told: $mapping->grain,
            grain: self::commonest(array_values(array_filter($read))) ?? Grain::Month,
        );
    }

    /**
     * The period of a row, or of one of its columns where those stand for periods; none where it cannot be read or has
     * another grain.
     *
     * @param string $text of the row's period cells, joined as text() does
     * @param string $header of the column
     */
    public function maybe(string $text, string $header = ''): ?Period
    {
        if (Grain::Timeless === $this->grain) {
            return Period::timeless();
        }
        $period = match (true) {
            '' === $header => $this->reader->maybe($text),
            '' !== $text && PeriodReader::lacksYear($header) => $this->reader->maybe("$header $text"),
            default => $this->reader->maybe($header),
        };
        if (
            null !== $period
            && null !== $this->told
            && $this->told !== $period->grain
            && $this->told->groups($period->grain)
        ) {
            return $period->group($this->told, $this->calendar);
        }

        return null !== $period && $period->grain === $this->grain ? $period : null;
    }

    /**
     * The grain that the figures have in the end: that of the dataset which they join, where theirs can be grouped to
     * it.
     */
    public function joined(): Grain
    {
        return null !== $this->told && $this->told->groups($this->grain) ? $this->told : $this->grain;
    }

    /** The only column of periods; none where there are several or the header tells them. */
    public function onePlace(): ?int
    {
        return 1 === \count($this->places) ? $this->places[0] : null;
    }

    public function name(): string
    {
        return $this->name;
    }

    /**
     * Days that are all firsts or all lasts of months stand for the months.
     *
     * @param list<int> $days counts of days
     */
    public static function areMonths(array $days): bool
    {
        $firsts = array_filter($days, static fn (int $day): bool => 1 === CivilDate::parts($day)[2]);
        $lasts = array_filter($days, static fn (int $day): bool => 1 === CivilDate::parts($day + 1)[2]);

        return [] !== $days && (\count($firsts) === \count($days) || \count($lasts) === \count($days));
    }

    /** @param list<string> $cells */
    public function why(array $cells): string
    {
        $text = $this->text($cells);
        $period = $this->reader->maybe($text);

        return match (true) {
            '' === $text => 'the period is missing. Fill it in, or leave the row out.',
            null !== $period => "\"$text\" is ".
                "a {$period->grain->value}, the other rows ".
                "are {$this->grain->plural()}. Leave the row out, or bring it in as a dataset of its own.",
            PeriodReader::lacksYear($text) => "\"$text\" has no year. Say which year it is.",
            default => "\"$text\" is not a period. Mend it in the file, or leave the row out.",
        };
    }

    /** @param list<string> $cells */
    public function text(array $cells): string
    {
        $texts = array_filter(
            array_map(static fn (int $place): string => Cell::clean($cells[$place] ?? ''), $this->places),
            static fn (string $text): bool => '' !== $text,
        );
        usort($texts, static fn (string $a, string $b): int => (int) ctype_digit($a) <=> (int) ctype_digit($b));

        return implode(' ', $texts);
    }

    /** @param list<Period> $periods */
    private static function commonest(array $periods): ?Grain
    {
        $counts = array_count_values(array_map(static fn (Period $period): string => $period->grain->value, $periods));
        arsort($counts);

        return [] === $counts ? null : Grain::from((string) array_key_first($counts));
    }
}
