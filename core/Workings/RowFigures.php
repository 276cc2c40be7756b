<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Cumulation;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionFit;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;

/** Which amounts of the dataset a row is made of. */
final readonly class RowFigures
{
    /**
     * @param list<string>                    $measures
     * @param ?PeriodRange                    $range    none where the figures have no time
     * @param list<MemberFilter|NumberFilter> $where
     */
    private function __construct(public array $measures, private ?PeriodRange $range, public array $where, private Dataset $dataset)
    {
    }

    public static function of(Row $row, Workings $workings, Question $question, Dataset $dataset): self
    {
        $measures = 'capacity-fill' === $workings->kind
            ? array_map(static fn (Measure $measure): string => $measure->name, array_values(QuestionFit::capacity($question, $dataset)))
            : $workings->measure->sources();

        return new self($measures, self::range($row, $workings, $question, $dataset), self::where($row, $workings, $question, $dataset), $dataset);
    }

    /**
     * Where a scenario's amounts stand: a prior year that is not told apart is last year's actuals.
     *
     * @return array{Scenario, ?PeriodRange}
     */
    public function stands(Scenario $scenario): array
    {
        if (Scenario::PriorYear !== $scenario || null === $this->range || \in_array($scenario, $this->dataset->coverage->scenarios(), true)) {
            return [$scenario, $this->range];
        }
        $earlier = static fn (int $day): Period => Period::ofStart(Grain::Day, $day)->yearEarlier();

        return [Scenario::Actual, new PeriodRange($earlier($this->range->firstDay)->firstDay(), $earlier($this->range->lastDay + 1)->firstDay() - 1)];
    }

    private static function range(Row $row, Workings $workings, Question $question, Dataset $dataset): ?PeriodRange
    {
        if ($dataset->isTimeless()) {
            return null;
        }
        if (null === $row->period) {
            return $workings->range;
        }
        $from = match (true) {
            RowRole::Landing === $row->role => $row->period,
            Cumulation::YearToDate === $question->cumulate => $dataset->calendar->group($row->period, Grain::Year),
            Cumulation::Moving === $question->cumulate => $row->period->yearEarlier()->moved(1),
            default => $row->period,
        };

        return PeriodRange::between($from, $row->period);
    }

    /** @return list<MemberFilter|NumberFilter> */
    private static function where(Row $row, Workings $workings, Question $question, Dataset $dataset): array
    {
        $where = $question->where;
        if (null !== $question->each && '' !== $row->panel) {
            $where[] = PanelName::isOthers($row->panel) ? new MemberFilter($question->each, PanelName::members($workings), false) : new MemberFilter($question->each, [PanelName::member($row->panel)]);
        }
        if (null !== $workings->between) {
            $where[] = new MemberFilter($workings->between->field, [$workings->between->first, $workings->between->second]);
        }
        $breakdown = $question->breakdown();
        if (null === $breakdown || $row->role->isApart()) {
            return $where;
        }
        $key = RowPlace::withinPanel($row);
        $shown = array_values(array_map(RowPlace::withinPanel(...), array_filter($workings->rows, static fn (Row $one): bool => $one->panel === $row->panel && RowRole::Row === $one->role)));

        return [...$where, match ($row->role) {
            RowRole::Other => new MemberFilter($breakdown, $shown, false),
            RowRole::Group => new MemberFilter($breakdown, $dataset->maybeBreakdown($breakdown)?->leaves($key) ?? [$key]),
            default => new MemberFilter($breakdown, [$key]),
        }];
    }
}
