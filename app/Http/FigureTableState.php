<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\CoverageStrip;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Dimension;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\RecipeReader;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Workings\MemberTable;

/** A table of figures as the API tells it: every amount written out. */
final class FigureTableState
{
    private const ROWS = 100;
    private const LONGEST = 4000;

    /** @return array<string, mixed> */
    public static function of(Given $body, Figures $figures): array
    {
        $body->object(['measure', 'scenario', 'forecast', 'by', 'where', 'year', 'order', 'page']);
        $dataset = $figures->dataset();
        $measure = self::measure($body, $dataset);
        $by = $body->maybe('by')?->oneOf(array_map(static fn (Dimension $breakdown): string => $breakdown->name, $dataset->breakdowns));
        $scenario = $body->maybe('scenario')?->enum(Scenario::class) ?? $dataset->coverage->scenarios()[0] ?? Scenario::Actual;
        $year = self::maybePeriod($body->maybe('year'), $dataset);
        $page = $body->maybe('page')?->int(1, 100_000) ?? 1;
        $order = $body->maybe('order')?->oneOf(['given', 'largest first']) ?? 'given';
        $where = array_map(static fn (Given $filter): MemberFilter|NumberFilter => self::filter($filter, $dataset), $body->maybe('where')?->list() ?? []);
        $table = MemberTable::of($figures, $measure, $scenario, $body->maybe('forecast')?->enum(Scenario::class), $by, $where, self::periods($dataset, $year), CoverageStrip::grain($dataset->grain), 'largest first' === $order, ($page - 1) * self::ROWS, self::ROWS);
        $format = NumberFormat::of('en');
        $decimals = $measure->isRatio() ? 1 : max(0, $measure->decimals);
        $cell = static fn (?BigDecimal $amount): string => null === $amount ? '' : $format->plain($amount, $decimals);

        return [
            'measure' => $measure->name,
            'unit' => $measure->unit,
            'by' => $by,
            'periods' => array_map(static fn (Period $period): array => ['key' => $period->key(), 'label' => null === $year ? PeriodNames::full($period) : PeriodNames::withinYear($period)], $table->periods),
            'shown' => array_map(static fn (?Scenario $shown): ?string => $shown?->value, $table->shown),
            'rows' => array_map(static fn (array $row): array => ['member' => $row[0], 'cells' => array_map($cell, $row[1]), 'total' => $cell($row[2])], $table->rows),
            'total' => ['cells' => array_map($cell, $table->total[0]), 'total' => $cell($table->total[1])],
            'page' => $page,
            'pages' => max(1, (int) ceil($table->count / self::ROWS)),
            'count' => $table->count,
        ];
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
        $filter = RecipeReader::filter($given);
        $given->must('field')->oneOf(array_map(static fn (Dimension|Measure $one): string => $one->name, $filter instanceof NumberFilter ? [...$dataset->breakdowns, ...$dataset->measures] : $dataset->breakdowns));

        return $filter;
    }

    /** @return list<Period> of the finest grain */
    private static function periods(Dataset $dataset, ?Period $year): array
    {
        if ($dataset->isTimeless()) {
            return [Period::timeless()];
        }
        $range = null === $year ? $dataset->range() : PeriodRange::between($year, $year);

        return \array_slice($range->periods($dataset->grain, $dataset->calendar), 0, self::LONGEST);
    }
}
