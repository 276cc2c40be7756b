<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Month;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Checking\DatasetFindings;
use KeenMargin\App\Http\Contract\Month\ExpectedFiguresJson as ToldFigures;
use KeenMargin\App\Http\Contract\Month\MonthDatasetJson;
use KeenMargin\App\Http\Contract\Sources\ArrivalJson;
use KeenMargin\App\Http\Sources\ArrivalState;
use KeenMargin\App\Month\MonthClose;
use KeenMargin\App\Storage\Imports\CameLog;
use KeenMargin\App\Storage\Month\Expectation;
use KeenMargin\App\Storage\Month\ExpectationStore;
use KeenMargin\App\Storage\Record\ArrivalRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\Core\Figures\Arrival\ExpectedFigures;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\DayKey;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\WorkingDays;

/** How each dataset stands in a month that is to be closed. */
final readonly class MonthDatasets
{
    private const MOST = 500;

    public function __construct(
        private EntityManagerInterface $manager,
        private OpenDatasets $datasets,
        private DatasetFindings $findings,
        private ExpectationStore $expectations,
        private CameLog $came,
    ) {}

    /** @return list<MonthDatasetJson> by name; lists without periods have no months */
    public function of(Period $month, WorkingDays $days, int $today): array
    {
        $expected = $this->expectations->all();
        $notComing = $this->expectations->notComing($month->key());
        $waiting = $this->waiting();
        $told = [];
        foreach ($this->records() as $record) {
            $id = (int) $record->id;
            $dataset = $this->datasets->figures($record)->dataset();
            $own = $expected[$id] ?? [];
            $figures = !self::ends($dataset, $month) ? [] : array_map(
                fn (Expectation $one): ToldFigures => $this->told(
                    $one,
                    ExpectedFigures::of(
                        days: $days,
                        closed: $month,
                        workingDay: $one->workingDay,
                        today: $today,
                        came: $this->maybeCame($id, $one->scenario, $dataset, $month),
                        isThere: self::isThere($dataset, $one->scenario, $month),
                        isNotComing: isset($notComing[$id][$one->scenario->value]),
                    ),
                    $notComing[$id][$one->scenario->value] ?? '',
                    $days,
                    $month,
                ),
                $own,
            );
            $failing = $this->findings->failing($record);
            $arrivals = $waiting[$id] ?? [];
            [$tone, $says] = MonthPhrases::dataset($figures, $arrivals, $failing, [] !== $own);
            $told[] = new MonthDatasetJson(
                id: $id,
                name: $record->name,
                closedThrough: null === $dataset->closedThrough ? '' : PeriodNames::full($dataset->closedThrough),
                isClosed: MonthClose::isClosed($dataset, $month),
                closing: MonthClose::maybePeriod($dataset, $month)?->key(),
                expected: $figures,
                waiting: $arrivals,
                failing: $failing,
                says: $says,
                tone: $tone,
            );
        }

        return $told;
    }

    /** @return list<DatasetRecord> */
    public function records(): array
    {
        $records = $this->manager
            ->getRepository(DatasetRecord::class)
            ->findBy(['deletedAt' => null], ['name' => 'ASC', 'id' => 'ASC'], self::MOST);

        return array_values(array_filter(
            $records,
            static fn (DatasetRecord $record): bool => Grain::Timeless->value !== $record->grain,
        ));
    }

    /** The day on which figures of a month came; null: not yet, or nobody knows the day. */
    public function maybeCame(int $id, Scenario $scenario, Dataset $dataset, Period $month): ?int
    {
        $period = Scenario::Actual === $scenario
            ? Period::ofStart(Grain::Day, $month->lastDay())->group($dataset->closingGrain(), $dataset->calendar)
            : $month;
        $day = $this->came->of($id)[$scenario->value][$period->key()] ?? null;

        return null === $day ? null : Period::of($day)->firstDay();
    }

    /** Whether a period of the dataset ends with the month: a quarterly one has nothing to come in the others. */
    public static function ends(Dataset $dataset, Period $month): bool
    {
        if (Grain::Week === $dataset->closingGrain() || Grain::Timeless === $dataset->grain) {
            return Grain::Week === $dataset->closingGrain();
        }
        $period = Period::ofStart(Grain::Day, $month->lastDay())->group($dataset->closingGrain(), $dataset->calendar);

        return $period->lastDay() === $month->lastDay();
    }

    /** Of actuals alone: a plan that covers the month may be one of before. */
    private static function isThere(Dataset $dataset, Scenario $scenario, Period $month): bool
    {
        if (Scenario::Actual !== $scenario) {
            return false;
        }
        $last = $dataset->coverage->last(Scenario::Actual);
        if (null === $last) {
            return false;
        }
        $isOver = Grain::Day !== $last->grain || !Dataset::isWithinMonth($last);

        return $last->lastDay() > $month->lastDay()
            || ($last->firstDay() >= $month->firstDay() && $isOver)
            || $last->lastDay() === $month->lastDay();
    }

    private function told(
        Expectation $one,
        ExpectedFigures $figures,
        string $why,
        WorkingDays $days,
        Period $month,
    ): ToldFigures {
        $after = $month->moved(1);
        $cameOn = match (true) {
            null === $figures->came => null,
            $figures->came < $after->firstDay() => 0,
            $figures->came > $after->lastDay() => $days->numberInMonth($after->lastDay()),
            default => $days->numberInMonth($figures->came),
        };
        $source = null === $one->source ? null : $this->manager->find(SourceRecord::class, $one->source);

        return new ToldFigures(
            scenario: $one->scenario->value,
            workingDay: $one->workingDay,
            due: DayKey::of($figures->due),
            whom: $one->whom,
            source: $one->source,
            sourceName: $source->name ?? '',
            state: $figures->state->value,
            came: null === $figures->came ? null : DayKey::of($figures->came),
            cameOn: $cameOn,
            late: $figures->late,
            why: $why,
        );
    }

    /** @return array<int, list<ArrivalJson>> by dataset, the oldest first */
    private function waiting(): array
    {
        $waiting = [];
        $records = $this->manager
            ->getRepository(ArrivalRecord::class)
            ->findBy(['state' => ArrivalRecord::WAITS], ['id' => 'ASC']);
        foreach ($records as $arrival) {
            $waiting[(int) $arrival->source->dataset->id][] = ArrivalState::of($arrival);
        }

        return $waiting;
    }
}
