<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Sentence;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Time\Span;

/** A question set on its dataset: which periods, closed when, what is better. */
final readonly class Scope
{
    /** @var list<Scenario> */
    private array $scenarios;

    /**
     * @param list<string> $sources measures whose amounts are looked up
     * @param list<Period> $fine    of the finest grain
     */
    private function __construct(
        public Question $question,
        public Dataset $dataset,
        public Measure $measure,
        public array $sources,
        public Better $better,
        public Period $closing,
        public Period $year,
        public PeriodRange $range,
        public array $fine,
    ) {
        $this->scenarios = array_values(array_unique(array_filter([$question->scenario, $question->forecast, ...$question->against]), \SORT_REGULAR));
    }

    /** @param list<string> $sources */
    public static function of(Question $question, Dataset $dataset, Measure $measure, array $sources): self
    {
        $closing = $question->closedThrough ?? $dataset->closing();
        $better = $question->better ?? $dataset->betterOf($measure, $question->where);
        if ($dataset->isTimeless()) {
            $timeless = Period::timeless();

            return new self($question, $dataset, $measure, $sources, $better, $timeless, $timeless, PeriodRange::between($timeless, $timeless), [$timeless]);
        }
        if ($closing->grain !== $dataset->grain && $dataset->grain->groups($closing->grain)) {
            $closing = $dataset->calendar->group($closing, $dataset->grain);
        }
        $range = ($question->span ?? Span::all())->resolve($closing, $dataset->calendar, $dataset->range());

        return new self($question, $dataset, $measure, $sources, $better, $closing, $dataset->calendar->group($closing, Grain::Year), $range, self::finest($range, $question->grain() ?? $dataset->grain, $dataset));
    }

    /**
     * The finest periods of a range; of weeks those whose Thursday is in it, unless weeks are shown.
     *
     * @return list<Period>
     */
    public static function finest(PeriodRange $range, Grain $by, Dataset $dataset): array
    {
        $fine = $range->periods($dataset->grain, $dataset->calendar);
        if (Grain::Week !== $dataset->grain || Grain::Week === $by) {
            return $fine;
        }

        return array_values(array_filter($fine, static fn (Period $week): bool => $week->firstDay() + 3 >= $range->firstDay && $week->firstDay() + 3 <= $range->lastDay));
    }

    /** @return array{Period, Period}|null the first and last period that rows are about, as the rows or the figures have them */
    public function span(): ?array
    {
        $periods = $this->dataset->isTimeless() ? [] : $this->range->periods($this->question->grain() ?? $this->dataset->grain, $this->dataset->calendar);

        return [] === $periods ? null : [$periods[0], $periods[\count($periods) - 1]];
    }

    /** @return list<Period> closed ones of the closing period's fiscal year */
    public function closedThisYear(): array
    {
        return array_values(array_filter($this->fine, $this->isClosedThisYear(...)));
    }

    public function isClosedThisYear(Period $period): bool
    {
        return !$this->dataset->isTimeless() && $period->firstDay() >= $this->year->firstDay() && !$period->isAfter($this->closing);
    }

    /** @return list<Period> all of the closing period's fiscal year */
    public function wholeYear(): array
    {
        return PeriodRange::between($this->year, $this->year)->periods($this->dataset->grain, $this->dataset->calendar);
    }

    /** Less, of a line that takes away, unless the question says otherwise. */
    public function betterOf(?string $member): Better
    {
        $breakdown = $this->question->breakdown();

        return null === $member || null === $breakdown ? $this->better : $this->question->better ?? $this->dataset->betterOf($this->measure, [new MemberFilter($breakdown, [$member]), ...$this->question->where]);
    }

    /** @return list<Scenario> all that the question looks at, without doubles */
    public function scenarios(): array
    {
        return $this->scenarios;
    }

    /** @return list<Scenario> those whose figures have to be looked up: prior year may be derived from actuals */
    public function lookedUp(): array
    {
        return array_values(array_unique([...$this->scenarios(), ...\in_array(Scenario::PriorYear, $this->scenarios(), true) ? [Scenario::Actual] : []], \SORT_REGULAR));
    }

    /** `months`, `routes` */
    public function rowsWord(): string
    {
        return $this->question->grain()?->plural() ?? Wording::plural(Wording::withinSentence((string) $this->question->breakdown()));
    }

    /** `Brackwater Ferries, North and Holm`; all members where nothing is filtered */
    public function who(): string
    {
        $filters = array_map(static fn (MemberFilter|NumberFilter $filter): string => $filter instanceof NumberFilter ? Sentence::number($filter) : ($filter->keeps ? '' : 'all but ').Wording::some($filter->members, 3), $this->question->where);

        return implode(', ', array_filter(['' === $this->dataset->organisation ? $this->dataset->name : $this->dataset->organisation, ...$filters]));
    }
}
