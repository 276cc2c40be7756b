<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Sentence\QuestionSentence;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Time\Span;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\OpenMonth;
use KeenMargin\Core\Workings\Result\Context;
use KeenMargin\Core\Workings\Result\Display;

/** A question set on its dataset: which periods, closed when, what is better. */
final readonly class Scope
{
    /** @var list<Scenario> */
    private array $scenarios;

    /**
     * @param list<string> $sources measures whose amounts are looked up
     * @param FinePeriods $fine all that the question is about
     * @param ?OpenMonth $open the month that is not over at the closing period; null: none
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
        public FinePeriods $fine,
        public ?OpenMonth $open = null,
    ) {
        $this->scenarios = array_values(array_unique(
            array_filter([$question->scenario, $question->forecast, ...$question->against]),
            \SORT_REGULAR,
        ));
    }

    /** @param list<string> $sources */
    public static function of(Question $question, Dataset $dataset, Measure $measure, array $sources): self
    {
        $closing = $question->closedThrough ?? $dataset->closing();
        $better = $question->better ?? $dataset->betterOf($measure, $question->where);
        if ($dataset->isTimeless()) {
            $timeless = Period::timeless();

            return new self(
                question: $question,
                dataset: $dataset,
                measure: $measure,
                sources: $sources,
                better: $better,
                closing: $timeless,
                year: $timeless,
                range: PeriodRange::between($timeless, $timeless),
                fine: new FinePeriods([$timeless]),
            );
        }
        if ($closing->grain !== $dataset->grain && $dataset->grain->groups($closing->grain)) {
            $closing = $closing->group($dataset->grain, $dataset->calendar);
        }
        $range = ($question->span ?? Span::all())->resolve($closing, $dataset->calendar, $dataset->range());
        $year = $closing->group(Grain::Year, $dataset->calendar);
        $fine = new FinePeriods($range->belonging($dataset->grain, $dataset->calendar));

        return new self(
            question: $question,
            dataset: $dataset,
            measure: $measure,
            sources: $sources,
            better: $better,
            closing: $closing,
            year: $year,
            range: $range,
            fine: $fine,
            open: OpenMonth::maybe($dataset, $closing, $range, $question->isProRata),
        );
    }

    /**
     * The periods that rows are, if these are of the grain. Of weeks only those longer ones that a week belongs to.
     *
     * @return list<Period>
     */
    public function rowPeriods(Grain $by): array
    {
        if ($by === $this->dataset->grain) {
            return $this->fine->list;
        }
        if (Grain::Week !== $this->dataset->grain) {
            return $this->range->periods($by, $this->dataset->calendar);
        }
        $periods = [];
        foreach ($this->fine->list as $week) {
            $period = $week->group($by, $this->dataset->calendar);
            $periods[$period->start] = $period;
        }

        return array_values($periods);
    }

    /**
     * What the numbers of the question are about.
     *
     * @param string $subject what is shown, by name
     * @param non-empty-list<Measure> $measures that rows are made of
     * @param ?Scenario $forecast null where no row shows it
     * @param list<MemberFilter|NumberFilter> $where what rows are narrowed to besides the question's filters
     * @param list<string> $explanations what the kind's marks stand for
     * @param ?string $proRata what is taken by the days that have passed, as the subtitle says it; null: nothing
     * @param ?string $says which amounts are shown, in the subtitle's words; null: scenarios and references tell it
     */
    public function context(
        string $kind,
        string $subject,
        array $measures,
        ?Scenario $forecast,
        Display $display,
        ?Display $rates = null,
        array $where = [],
        array $explanations = [],
        bool $namesReference = true,
        ?string $says = null,
        ?string $proRata = null,
    ): Context {
        $periods = $this->dataset->isTimeless()
            ? []
            : $this->rowPeriods($this->question->grain() ?? $this->dataset->grain);

        return new Context(
            kind: $kind,
            who: $this->who(),
            subject: $subject,
            measures: $measures,
            better: $this->better,
            scenario: $this->question->scenario,
            forecast: $forecast,
            by: $this->question->by,
            closing: $this->closing,
            range: $this->range,
            from: $periods[0] ?? null,
            to: [] === $periods ? null : $periods[\count($periods) - 1],
            display: $display,
            rates: $rates,
            cumulate: $this->question->cumulate,
            where: $where,
            explanations: $explanations,
            namesReference: $namesReference,
            says: $says,
            proRata: $proRata,
        );
    }

    /** The closed periods of the closing period's fiscal year, as far as the question is about them. */
    public function closedThisYear(): FinePeriods
    {
        return $this->fine->only($this->isClosedThisYear(...));
    }

    public function isClosedThisYear(Period $fine): bool
    {
        return !$this->dataset->isTimeless()
            && $fine->decisiveDay() >= $this->year->firstDay()
            && !$fine->isAfter($this->closing);
    }

    /** All periods of the closing period's fiscal year. */
    public function wholeYear(): FinePeriods
    {
        if ($this->dataset->isTimeless()) {
            return $this->fine;
        }
        $range = PeriodRange::between($this->year, $this->year);

        return new FinePeriods($range->belonging($this->dataset->grain, $this->dataset->calendar));
    }

    /** Less, of a line that takes away, unless the question says otherwise. */
    public function betterOf(?string $member): Better
    {
        $breakdown = $this->question->breakdown();

        return null === $member || null === $breakdown
            ? $this->better
            : $this->question->better ??
                    $this->dataset->betterOf($this->measure, [
                        new MemberFilter($breakdown, [$member]),
                        ...$this->question->where,
                    ]);
    }

    /** @return list<Scenario> all that the question looks at, without doubles */
    public function scenarios(): array
    {
        return $this->scenarios;
    }

    /** @return list<Scenario> those whose figures have to be looked up: prior year may be derived from actuals */
    public function lookedUp(): array
    {
        return array_values(array_unique(
            [
                ...$this->scenarios(),
                ...\in_array(Scenario::PriorYear, $this->scenarios(), true) ? [Scenario::Actual] : [],
            ],
            \SORT_REGULAR,
        ));
    }

    /** `month`, `route` */
    public function rowWord(): string
    {
        return $this->question->isWhole()
            ? 'row'
            : $this->question->grain()->value ?? Wording::withinSentence((string) $this->question->breakdown());
    }

    /** `months`, `routes` */
    public function rowsWord(): string
    {
        return $this->question->isWhole()
            ? 'rows'
            : $this->question->grain()?->plural() ??
                    Wording::plural(Wording::withinSentence((string) $this->question->breakdown()));
    }

    /** `Brackwater Ferries, North and Holm`; all members where nothing is filtered */
    public function who(): string
    {
        $filters = array_map(
            static fn (MemberFilter|NumberFilter $filter): string => $filter instanceof NumberFilter
                ? QuestionSentence::number($filter)
                : ($filter->keeps ? '' : 'all but ').Wording::some($filter->members, 3),
            $this->question->where,
        );

        return implode(
            ', ',
            array_filter([
                '' === $this->dataset->organisation ? $this->dataset->name : $this->dataset->organisation,
                ...$filters,
            ]),
        );
    }
}
