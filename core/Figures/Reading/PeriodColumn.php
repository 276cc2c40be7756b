<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/**
 * The periods of a sheet's rows, all of one grain. A month beside a year column is read together with it;
 * dates that are all firsts or all lasts of months are months.
 */
final class PeriodColumn
{
    /** @var array<string, ?Period> by the text of the cells */
    private array $known = [];

    /** @param list<int> $places of the period columns */
    private function __construct(
        private readonly PeriodReader $reader,
        private readonly array $places,
        private readonly string $name,
        private readonly bool $datesAreMonths,
        private readonly ?Grain $grain,
    ) {
    }

    public static function of(Sheet $sheet, Mapping $mapping): self
    {
        $columns = array_keys($mapping->of(Role::Period));
        $places = array_map(static fn (string $column): int => (int) array_search($column, $sheet->header, true), $columns);
        $reader = $mapping->periods();
        $read = [];
        foreach ($mapping->of(Role::Amount) as $column) {
            $read[] = null === $column->period ? null : $reader->maybe($column->period);
        }
        $probe = new self($reader, $places, implode(' and ', $columns), false, null);
        foreach ($sheet->rows as $number => $cells) {
            if (!\in_array($number, $mapping->leaveOut, true) && [] !== $places) {
                $read[] = $probe->period($cells);
            }
        }
        $read = array_values(array_filter($read));
        $datesAreMonths = self::areMonths($read);

        return new self($reader, $places, implode(' and ', $columns), $datesAreMonths, $datesAreMonths ? Grain::Month : self::commonest($read));
    }

    /** @param list<string> $cells */
    public function period(array $cells): ?Period
    {
        $text = $this->text($cells);
        if (!\array_key_exists($text, $this->known)) {
            $this->known[$text] = $this->settle($this->reader->maybe($text));
        }

        return $this->known[$text];
    }

    public function header(string $text): ?Period
    {
        return $this->settle($this->reader->maybe($text));
    }

    public function name(): string
    {
        return $this->name;
    }

    /** @param list<string> $cells */
    public function why(array $cells): string
    {
        $text = $this->text($cells);
        $period = $this->reader->maybe($text);

        return match (true) {
            '' === $text => 'the period is missing. Fill it in, or leave the row out.',
            null !== $period => "\"$text\" is a {$period->grain->value}, the other rows are {$this->grain?->plural()}. Leave the row out, or bring it in as a dataset of its own.",
            PeriodReader::lacksYear($text) => "\"$text\" has no year. Say which year it is.",
            default => "\"$text\" is not a period. Mend it in the file, or leave the row out.",
        };
    }

    private function settle(?Period $period): ?Period
    {
        if (null === $period || null === $this->grain) {
            return $period;
        }
        if ($this->datesAreMonths && Grain::Day === $period->grain) {
            [$year, $month] = CivilDate::parts($period->start);
            $period = Period::month($year, $month);
        }

        return $period->grain === $this->grain ? $period : null;
    }

    /** @param list<string> $cells */
    private function text(array $cells): string
    {
        $texts = array_filter(array_map(static fn (int $place): string => $cells[$place] ?? '', $this->places), static fn (string $text): bool => '' !== $text);
        usort($texts, static fn (string $a, string $b): int => (int) ctype_digit($a) <=> (int) ctype_digit($b));

        return implode(' ', $texts);
    }

    /** @param list<Period> $periods */
    private static function areMonths(array $periods): bool
    {
        $days = array_filter($periods, static fn (Period $period): bool => Grain::Day === $period->grain);
        if ([] === $days) {
            return false;
        }
        $firsts = array_filter($days, static fn (Period $day): bool => 1 === CivilDate::parts($day->start)[2]);
        $lasts = array_filter($days, static fn (Period $day): bool => 1 === CivilDate::parts($day->start + 1)[2]);

        return \count($firsts) === \count($days) || \count($lasts) === \count($days);
    }

    /** @param list<Period> $periods */
    private static function commonest(array $periods): ?Grain
    {
        $counts = array_count_values(array_map(static fn (Period $period): string => $period->grain->value, $periods));
        arsort($counts);

        return [] === $counts ? null : Grain::from((string) array_key_first($counts));
    }
}
