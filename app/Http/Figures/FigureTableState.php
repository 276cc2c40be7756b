<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use Brick\Math\BigDecimal;
use KeenMargin\App\Http\Contract\Figures\FigureRowJson;
use KeenMargin\App\Http\Contract\Figures\FigureTableJson;
use KeenMargin\App\Http\Contract\Figures\FigureTotalJson;
use KeenMargin\App\Http\Contract\Figures\PeriodJson;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\CoverageStrip;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Document\QuestionReader;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Workings\Table\MemberTable;

/** A table of figures as the API tells it: every amount written out. */
final class FigureTableState
{
    private const ROWS = 100;
    private const LONGEST = 4000;

    /**
     * @param ?string $finest the finest grain that questions are offered; null: that of the figures
     *
     * @throws NotAccepted where the request asks for what the figures do not have
     */
    public static function of(Given $body, Figures $figures, ?string $finest = null): FigureTableJson
    {
        $body->object(['measure', 'scenario', 'forecast', 'by', 'where', 'year', 'order', 'from', 'grain', 'folded']);
        $dataset = $figures->dataset();
        $measure = self::measure($body, $dataset);
        $names = array_map(static fn (Breakdown $breakdown): string => $breakdown->name, $dataset->breakdowns);
        $by = $body->maybe('by')?->oneOf($names);
        $scenario =
            $body->maybe('scenario')?->enum(Scenario::class) ??
            ($dataset->coverage->scenarios()[0] ?? Scenario::Actual);
        $year = self::maybePeriod($body->maybe('year'), $dataset);
        $from = $body->maybe('from')?->int(0, 10_000_000) ?? 0;
        $coarse = null === $finest ? CoverageStrip::grain($dataset->grain) : Grain::from($finest);
        $grain = Grain::from(
            $body->maybe('grain')?->oneOf(array_values(array_unique([$dataset->grain->value, $coarse->value]))) ??
                $coarse->value,
        );
        $order = $body->maybe('order')?->oneOf(['given', 'largest first']) ?? 'given';
        $where = array_map(
            static fn (Given $filter): MemberFilter|NumberFilter => self::filter($filter, $dataset),
            $body->maybe('where')?->list() ?? [],
        );
        $forecast = $body->maybe('forecast')?->enum(Scenario::class);
        $groups = $body->maybe('folded')?->list() ?? [];
        $folded = array_map(static fn (Given $group): string => $group->text(500), $groups);
        $table = MemberTable::of(
            figures: $figures,
            measure: $measure,
            scenario: $scenario,
            forecast: $forecast,
            by: $by,
            where: $where,
            fine: self::periods($dataset, $year),
            grain: $grain,
            largestFirst: 'largest first' === $order,
            from: $from,
            most: self::ROWS,
            folded: $folded,
        );
        $decimals = $measure->isRatio() ? 1 : max(0, $measure->decimals);
        $format = NumberFormat::of('en');
        $cell = static fn (?BigDecimal $amount): string => null === $amount ? '' : $format->plain($amount, $decimals);
        $named = null === $year ? PeriodNames::full(...) : PeriodNames::withinYear(...);

        return new FigureTableJson(
            measure: $measure->name,
            unit: $measure->unit,
            by: $by,
            periods: array_map(
                static fn (Period $period): PeriodJson => new PeriodJson($period->key(), $named($period)),
                $table->periods,
            ),
            into: self::into($table, $dataset, $scenario, $forecast),
            shown: array_map(static fn (?Scenario $shown): ?string => $shown?->value, $table->shown),
            rows: self::rows($table, $dataset, $by, $cell),
            total: new FigureTotalJson(array_map($cell, $table->total[0]), $cell($table->total[1])),
            from: $from,
            fixed: self::maybeFixed(
                measure: $measure, dataset: $dataset, scenario: $scenario, by: $by, where: $where, grain: $grain,
            ),
            count: [] === $dataset->breakdowns ? 1 : $table->count,
        );
    }

    /** @return list<string> the scenario that an amount set in each period belongs to */
    private static function into(MemberTable $table, Dataset $dataset, Scenario $scenario, ?Scenario $forecast): array
    {
        $closing = $dataset->maybeClosing();
        $isForecast = static fn (Period $period): bool => null !== $closing && $period->isAfter($closing);

        return array_map(
            static fn (Period $period): string => (null !== $forecast && $isForecast($period) ? $forecast : $scenario)
                ->value,
            $table->periods,
        );
    }

    /**
     * @param \Closure(?BigDecimal): string $cell
     *
     * @return list<FigureRowJson> one without a name where there are no members
     */
    private static function rows(MemberTable $table, Dataset $dataset, ?string $by, \Closure $cell): array
    {
        $breakdown = null === $by ? null : $dataset->maybeBreakdown($by);
        $groups = null === $breakdown ? [] : array_fill_keys($breakdown->groups(), true);
        $rows = [] === $dataset->breakdowns ? [['', ...$table->total]] : $table->rows;

        return array_map(
            static fn (array $row): FigureRowJson => new FigureRowJson(
                member: $row[0],
                cells: array_map($cell, $row[1]),
                total: $cell($row[2]),
                depth: $breakdown?->depth($row[0]) ?? 0,
                isGroup: isset($groups[$row[0]]),
            ),
            $rows,
        );
    }

    /**
     * Why the amounts cannot be changed in this table; none where they can.
     *
     * @param list<MemberFilter|NumberFilter> $where
     */
    private static function maybeFixed(
        Measure $measure,
        Dataset $dataset,
        Scenario $scenario,
        ?string $by,
        array $where,
        Grain $grain,
    ): ?string {
        $single = array_map(
            static fn (MemberFilter|NumberFilter $filter): string => $filter instanceof MemberFilter
            && $filter->keeps
            && 1 === \count($filter->members)
            && [] === array_intersect($filter->members, $dataset->maybeBreakdown($filter->breakdown)?->groups() ?? [])
                ? $filter->breakdown
                : '',
            $where,
        );
        $summed = array_values(array_filter(
            array_map(static fn (Breakdown $one): string => $one->name, $dataset->breakdowns),
            static fn (string $name): bool => $name !== $by && !\in_array($name, $single, true),
        ));
        $isDerived = Scenario::PriorYear === $scenario && !\in_array($scenario, $dataset->coverage->scenarios(), true);

        return match (true) {
            $measure->isRatio() => "$measure->name is computed ".
                "from $measure->numerator and $measure->denominator. Change those.",
            $grain !== $dataset->grain => 'The figures are '.
                "by {$dataset->grain->value}. Show {$dataset->grain->plural()} to change them.",
            $isDerived => 'Prior year is the actual of one year earlier here. Change that.',
            [] !== $summed => 'Each amount is the sum over '.
                Wording::and($summed).
                '. Choose one of each to change amounts.',
            default => null,
        };
    }

    public static function measure(Given $body, Dataset $dataset): Measure
    {
        $names = array_map(static fn (Measure $measure): string => $measure->name, $dataset->measures);

        return $dataset->maybeMeasure($body->maybe('measure')?->oneOf($names) ?? $names[0]) ?? $dataset->measures[0];
    }

    public static function maybePeriod(?Given $given, Dataset $dataset): ?Period
    {
        if (null === $given) {
            return null;
        }
        try {
            return Period::of($given->string(12), $dataset->calendar);
        } catch (NotAPeriod $e) {
            throw new NotAccepted($given->path, $e->getMessage());
        }
    }

    public static function filter(Given $given, Dataset $dataset): MemberFilter|NumberFilter
    {
        $filter = QuestionReader::filter($given);
        RecipeFit::filter($filter, $dataset, $given->path);

        return $filter;
    }

    /** @return list<Period> of the finest grain */
    private static function periods(Dataset $dataset, ?Period $year): array
    {
        if ($dataset->isTimeless()) {
            return [Period::timeless()];
        }
        $range = null === $year ? $dataset->range() : PeriodRange::between($year, $year);

        return \array_slice($range->belonging($dataset->grain, $dataset->calendar), 0, self::LONGEST);
    }
}
