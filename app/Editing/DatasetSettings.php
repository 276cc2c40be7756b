<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use KeenMargin\App\Storage\Changes\Change;
use KeenMargin\App\Storage\Changes\TableRowChange;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Reading\Text\PeriodReader;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** Plans a change of a dataset's name, organisation, fiscal year or closing period. */
final readonly class DatasetSettings
{
    public function __construct(private ChartsOf $charts) {}

    public function plan(DatasetRecord $record, Given $given): Plan
    {
        $given->object(['name', 'organisation', 'firstMonth', 'closedThrough', 'finest']);
        $was = [
            'name' => $record->name,
            'organisation' => $record->organisation,
            'first_month' => $record->firstMonth,
            'closed_through' => $record->closedThrough,
            'finest' => $record->finest,
        ];
        $firstMonth = $given->maybe('firstMonth')?->int(1, 12) ?? $record->firstMonth;
        $is = [
            'name' => trim($given->maybe('name')?->string() ?? $record->name),
            'organisation' => trim($given->maybe('organisation')?->text(200) ?? $record->organisation),
            'first_month' => $firstMonth,
            'closed_through' => $this->closing($record, $given->maybe('closedThrough'), $firstMonth),
            'finest' => self::finest($record, $given->maybe('finest')),
        ];
        $row = TableRowChange::maybe('dataset', (int) $record->id, $was, $is);
        $movesYear = $firstMonth !== $record->firstMonth;

        return new Plan(
            new Change(self::says($record, $is), null === $row ? [] : [$row]),
            [...$movesYear ? $this->movedYear($record, $firstMonth) : [], ...$this->finer($record, $is['finest'])],
            $movesYear || [] !== $this->finer($record, $is['finest']),
        );
    }

    /** Books closed through the last actuals again, as before somebody said otherwise. */
    public function planOpen(DatasetRecord $record): Plan
    {
        $row = TableRowChange::maybe(
            'dataset', (int) $record->id, ['closed_through' => $record->closedThrough], ['closed_through' => null],
        );

        return new Plan(new Change('Books closed through the last actuals', null === $row ? [] : [$row]));
    }

    /** @param array<string, int|string|null> $is */
    private static function says(DatasetRecord $record, array $is): string
    {
        return match (true) {
            $is['name'] !== $record->name => "“{$record->name}” is named “{$is['name']}”",
            $is['first_month'] !== $record->firstMonth => 'The fiscal year starts in '.
                self::month((int) $is['first_month']),
            $is['finest'] !== $record->finest => 'The finest grain is '.($is['finest'] ?? 'that of the figures'),
            $is['organisation'] !== $record->organisation => 'The organisation is “'.$is['organisation'].'”',
            default => 'Books closed through '.
                (null === $is['closed_through']
                    ? 'the last actuals'
                    : PeriodNames::full(
                        Period::of((string) $is['closed_through'], new FiscalCalendar((int) $is['first_month'])),
                    )),
        };
    }

    private static function finest(DatasetRecord $record, ?Given $given): ?string
    {
        if (null === $given) {
            return $record->finest;
        }
        $finest = $given->oneOf(
            array_map(static fn (Grain $grain): string => $grain->value, Grain::from($record->grain)->coarser()),
        );

        return $finest === $record->grain ? null : $finest;
    }

    /**
     * @return list<string> which charts show periods that are finer than what is offered from now on; they go on doing
     *                      so
     */
    private function finer(DatasetRecord $record, int|string|null $finest): array
    {
        if ($finest === $record->finest || !\is_string($finest)) {
            return [];
        }
        $offered = array_map(static fn (Grain $grain): string => $grain->value, Grain::from($finest)->coarser());

        return $this->charts->say(
            $record,
            static fn (array $question): bool => !\in_array($question['by'] ?? 'month', $offered, true),
            'will go on showing finer periods',
        );
    }

    private function closing(DatasetRecord $record, ?Given $given, int $firstMonth): ?string
    {
        $calendar = new FiscalCalendar($firstMonth);
        if (null === $given) {
            // The same stretch of time under the other calendar's name.
            $closed =
                null === $record->closedThrough
                    ? null
                    : Period::of($record->closedThrough, new FiscalCalendar($record->firstMonth));

            return null === $closed ? null : Period::ofStart($closed->grain, $closed->start, $calendar)->key();
        }
        $period = (new PeriodReader($calendar))->maybe($given->string(40));
        $grain = Grain::from($record->grain);
        $isDaily = Grain::Day === $grain;
        if (null === $period || ($period->grain !== $grain && !($isDaily && Grain::Month === $period->grain))) {
            throw $given->refuse(
                $isDaily
                    ? 'a month or a day, such as Aug 2026 or 12 Sep 2026'
                    : "a {$record->grain}, as the figures are",
            );
        }

        return $period->key();
    }

    /** @return list<string> */
    private function movedYear(DatasetRecord $record, int $firstMonth): array
    {
        $grain = Grain::from($record->grain);
        foreach ($grain->months() > 1 ? $record->coverage : [] as $starts) {
            foreach ($starts as $start) {
                if (0 !== (($start % 12) - $firstMonth + 1 + 12) % $grain->months()) {
                    throw new NotAccepted(
                        'firstMonth',
                        "The figures are by {$record->grain}, and no {$record->grain} of them starts in ".
                            self::month($firstMonth).
                            '. Choose a month in which one starts.',
                    );
                }
            }
        }
        $name = self::month($firstMonth);
        $says = static fn (array $question): bool => \in_array(
            $question['by'] ?? '',
            ['quarter', 'half-year', 'year'],
            true,
        ) || \in_array($question['span'] ?? '', ['year to date', 'rest of year'], true);

        return [
            'Years, half-years and quarters are counted '
                ."from $name: totals by year and year-to-date values come out otherwise.",
            ...$this->charts->say($record, $says, 'will show other periods'),
        ];
    }

    public static function month(int $month): string
    {
        return (new \DateTimeImmutable("2000-$month-01"))->format('F');
    }
}
