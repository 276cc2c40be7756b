<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Waterfall\BalanceBridge;
use KeenMargin\Core\Question\Waterfall\Drivers;
use KeenMargin\Core\Question\Waterfall\OpenedStep;
use KeenMargin\Core\Question\Waterfall\PeriodBridge;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Question\Waterfall\StepRole;
use KeenMargin\Core\Question\Waterfall\Subtotals;
use KeenMargin\Core\Question\Waterfall\SubtotalsAt;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;

/** Reads the parts of a question that waterfalls alone have. */
final class WaterfallReader
{
    public const KEYS = ['bridge', 'drivers', 'opened', 'subtotals', 'roles'];
    private const MOST_OPENED = 50;

    /**
     * `{"from": "BU", "to": "AC"}`, `{"fromPeriod": "2025", "toPeriod": "2026"}`, `{"field": …}`,
     * `{"over": "periods"}`.
     *
     * @throws NotAccepted
     */
    public static function maybeBridge(
        ?Given $given,
        FiscalCalendar $calendar,
    ): ScenarioBridge|PeriodBridge|BalanceBridge|Between|null {
        if (null === $given) {
            return null;
        }

        return match (true) {
            null !== $given->maybe('field') => PartReader::maybeBetween($given),
            null !== $given->maybe('over') => self::balance($given),
            null !== $given->maybe('toPeriod') => self::periods($given, $calendar),
            default => self::scenarios($given),
        };
    }

    /** @throws NotAccepted */
    private static function scenarios(Given $given): ScenarioBridge
    {
        $given->object(['from', 'to', 'through', 'fromPeriod', 'toPeriod', 'field', 'first', 'second', 'over']);
        $given->object(['from', 'to', 'through']);
        $bridge = new ScenarioBridge(
            $given->must('from')->enum(Scenario::class),
            $given->must('to')->enum(Scenario::class),
            array_map(
                static fn (Given $one): Scenario => $one->enum(Scenario::class),
                $given->maybe('through')?->list() ?? [],
            ),
        );
        $codes = array_map(static fn (Scenario $one): string => $one->value, $bridge->stations());
        if (\count(array_unique($codes)) < \count($codes)) {
            throw new NotAccepted(
                $given->path, 'A bridge leads to another scenario each time; give each of them once.',
            );
        }

        return $bridge;
    }

    /** @throws NotAccepted */
    private static function periods(Given $given, FiscalCalendar $calendar): PeriodBridge
    {
        $given->object(['fromPeriod', 'toPeriod']);
        $from = $given->must('fromPeriod');
        $isYearBefore = !$from->isObject() && PeriodBridge::YEAR_BEFORE === $from->string();

        return new PeriodBridge(
            $isYearBefore ? null : self::stretch($from, $calendar),
            self::stretch($given->must('toPeriod'), $calendar),
        );
    }

    /**
     * A period of any grain, or a span.
     *
     * @throws NotAccepted
     */
    private static function stretch(Given $given, FiscalCalendar $calendar): Span
    {
        if ($given->isObject() || \in_array($given->string(), ['year to date', 'rest of year'], true)) {
            return PartReader::span($given, $calendar);
        }
        try {
            $period = Period::of($given->string(), $calendar);
        } catch (NotAPeriod $e) {
            throw new NotAccepted($given->path, $e->getMessage());
        }

        return Span::between($period, $period);
    }

    /** @throws NotAccepted */
    private static function balance(Given $given): BalanceBridge
    {
        $given->object(['over', 'balance']);
        $given->must('over')->oneOf(['periods']);

        return new BalanceBridge($given->maybe('balance')?->string());
    }

    /** @throws NotAccepted */
    public static function maybeDrivers(?Given $given): ?Drivers
    {
        $given?->object(['volume', 'value', 'currency']);

        return null === $given
            ? null
            : new Drivers(
                $given->must('volume')->string(), $given->must('value')->string(), $given->maybe('currency')?->string(),
            );
    }

    /**
     * @return list<OpenedStep>
     *
     * @throws NotAccepted
     */
    public static function opened(?Given $given, bool $hasPanels): array
    {
        $opened = array_map(
            static fn (Given $one): OpenedStep => new OpenedStep(
                RowKeyReader::read($one->object(['step', 'by'])->must('step'), $hasPanels),
                PartReader::by($one->must('by')),
            ),
            $given?->list() ?? [],
        );
        if (\count($opened) > self::MOST_OPENED) {
            throw new NotAccepted($given->path ?? '', 'More than '.self::MOST_OPENED.' steps are opened; close some.');
        }

        return $opened;
    }

    /**
     * `["Fuel"]`, `"quarter"`.
     *
     * @throws NotAccepted
     */
    public static function subtotals(?Given $given): Subtotals
    {
        if (null === $given) {
            return new Subtotals();
        }
        if ($given->isList()) {
            return new Subtotals(array_map(static fn (Given $one): string => $one->text(500), $given->list()));
        }

        return new Subtotals([], $given->enum(SubtotalsAt::class));
    }

    /**
     * @return array<string|int, StepRole>
     *
     * @throws NotAccepted
     */
    public static function roles(?Given $given): array
    {
        return array_map(static fn (Given $one): StepRole => $one->enum(StepRole::class), $given?->entries() ?? []);
    }
}
