<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigRational;

/**
 * The design's rules of coverage and of putting together, for one dataset and one closing day.
 *
 * A cell is a scenario (null: none is shown) and a period, perhaps with how many days a month's figure is divided by,
 * and with the only members, joined, that count.
 *
 * @phpstan-type Cell array{0: ?string, 1: string, 2?: ?int, 3?: list<string>}
 */
final class Rules
{
    /** @var array<string, array{string, string}> first and last day of actuals, by measure */
    private array $actuals = [];
    /** @var array<string, bool> what was found of coverage */
    private array $covered = [];

    /**
     * @param array<string, Rule> $measures
     * @param string $closingEnd the last closed day
     * @param string $to the last day of the question
     */
    public function __construct(
        private readonly Facts $facts,
        private readonly array $measures,
        private readonly Asked $asked,
        private readonly string $closingEnd,
        private readonly string $to = '',
    ) {}

    /** Whether a day is in the month within which the books are closed. */
    private function isInOpenMonth(string $p): bool
    {
        $isOver = (new \DateTimeImmutable($this->closingEnd))->format('t') === substr($this->closingEnd, 8);

        return 'day' === $this->facts->grain && !$isOver && substr($p, 0, 7) === substr($this->closingEnd, 0, 7);
    }

    /** @return ?array{string, string} where the only figure is that a scenario has for the month of a day */
    private function onlyOfMonth(string $measure, string $scenario, string $p): ?array
    {
        foreach ($this->judged($measure, $scenario, $p) as [$of, $start]) {
            $days = array_filter(
                array_merge(
                    [],
                    ...array_map(
                        fn (string $source): array => $this->facts->starts($source, $of),
                        $this->sources($measure),
                    ),
                ),
                static fn (string $day): bool => substr($day, 0, 7) === substr($start, 0, 7),
            );
            if ($this->facts->isWholeMonth($this->sources($measure), $of, $start)) {
                return [$of, min($days ?: [$start])];
            }
        }

        return null;
    }

    /** Whether days of a whole month's figure are taken one by one. */
    private function isProRata(string $measure): bool
    {
        $rule = $this->measures[$measure];

        return $this->asked->isProRata
            && ('ratio' === $rule->grouping || ('sum' === $rule->grouping && $rule->isAdded()));
    }

    /** Whether the forecast goes on to the end of the month that is not over. */
    private function goesOn(string $measure, string $p): bool
    {
        $forecast = $this->asked->forecast;
        $first = substr($p, 0, 8).'01';

        return null !== $forecast
            && $this->to >= $this->facts->calendar->end($first, 'month')
            && $this->facts->coversAll($this->sources($measure), $forecast, $first)
            && ($this->isProRata($measure) || null === $this->onlyOfMonth($measure, $forecast, $first));
    }

    /** Whether a reference's figure of a month stands beside actuals that end within it. */
    private function isUncuttable(string $measure, string $reference, string $p, bool $isToDate): bool
    {
        return 'AC' === $this->asked->scenario
            && $this->isInOpenMonth($p)
            && ($isToDate || !$this->goesOn($measure, $p))
            && null !== $this->onlyOfMonth($measure, $reference, $p);
    }

    /** Whether a day is not compared because its month is not over. */
    public function isLeftOut(string $measure, string $reference, string $p, bool $isToDate = false): bool
    {
        return !$this->isProRata($measure) && $this->isUncuttable($measure, $reference, $p, $isToDate);
    }

    /**
     * What is taken of a scenario at a period: the scenario and the period; of a month's figure that is cut one day of
     * it; nothing after the books are closed.
     *
     * @return list<array{string, string, 2?: int}>
     */
    public function cells(string $measure, string $scenario, string $p, bool $isToDate = false): array
    {
        $isShownForecast = $scenario === $this->asked->forecast && $scenario === $this->scenarioAt($p);
        $only = $this->isInOpenMonth($p) ? $this->onlyOfMonth($measure, $scenario, $p) : null;
        $isCut =
            null !== $only
            && $this->isProRata($measure)
            && ($isShownForecast
                || ($scenario !== $this->asked->forecast && $this->isUncuttable($measure, $scenario, $p, $isToDate)));
        if (!$isCut) {
            return [[$scenario, $p]];
        }
        $days = (int) (new \DateTimeImmutable($p))->format('t');

        return $isShownForecast || !$this->isOpen($p) ? [[$only[0], $only[1], $days]] : [];
    }

    /** Whether a period is after the closing one; a week is where its Thursday is. */
    public function isOpen(string $p): bool
    {
        $grain = $this->facts->grain;
        $end =
            'week' === $grain
                ? $this->facts->calendar->decisive($p, 'week')
                : $this->facts->calendar->end($p, $grain);

        return $end > $this->closingEnd;
    }

    /** The scenario that is to be shown: actual up to the closing period, forecast after it. */
    public function scenarioAt(string $p): ?string
    {
        return 'AC' === $this->asked->scenario && $this->isOpen($p) ? $this->asked->forecast : $this->asked->scenario;
    }

    public function shows(string $measure, string $p): bool
    {
        $scenario = $this->scenarioAt($p);
        $isOfMonth =
            null !== $scenario
            && 'AC' === $this->asked->scenario
            && $scenario === $this->asked->forecast
            && $this->isInOpenMonth($p)
            && !$this->isProRata($measure)
            && null !== $this->onlyOfMonth($measure, $scenario, $p);

        return !$isOfMonth && $this->covers($measure, $scenario, $p);
    }

    /** @param ?string $against the other side of a comparison */
    public function covers(string $measure, ?string $scenario, string $p, ?string $against = null): bool
    {
        return $this->covered["$measure|$scenario|$p|$against"] ??= $this->isCovered($measure, $scenario, $p, $against);
    }

    private function isCovered(string $measure, ?string $scenario, string $p, ?string $against): bool
    {
        $sources = $this->sources($measure);
        foreach (null === $scenario ? [] : $this->judged($measure, $scenario, $p) as [$of, $start]) {
            $lacking = array_filter($sources, fn (string $source): bool => !$this->facts->covers($source, $of, $start));
            $isWholeMonth =
                $this->facts->isWholeMonth($sources, 'AC', $start)
                || (null !== $against && $this->facts->isWholeMonth($sources, $against, $p));
            if ([] === $lacking && ('AC' !== $of || $isWholeMonth || $this->isWithinActuals($measure, $start))) {
                return true;
            }
        }

        return false;
    }

    private function isWithinActuals(string $measure, string $day): bool
    {
        if ('day' !== $this->facts->grain) {
            return true;
        }
        if (!isset($this->actuals[$measure])) {
            $days = array_merge(
                [],
                ...array_map(
                    fn (string $source): array => $this->facts->starts($source, 'AC'),
                    $this->sources($measure),
                ),
            );
            $first = min($days ?: ['9999']);
            // What begins within the first four days of a month begins with it.
            $from = (int) substr($first, 8) <= 4 ? substr($first, 0, 8).'01' : $first;
            $this->actuals[$measure] = [] === $days ? ['9999', ''] : [$from, max(max($days), $this->closingEnd)];
        }

        return $day >= $this->actuals[$measure][0] && $day <= $this->actuals[$measure][1];
    }

    /** @return list<string> measures that a measure's amounts are made of */
    public function sources(string $measure): array
    {
        $rule = $this->measures[$measure];

        return 'ratio' === $rule->grouping ? [$rule->numerator, $rule->denominator] : [$measure];
    }

    /** @return list<array{string, string}> scenario and period that the amounts of a period come from */
    private function kept(string $measure, string $scenario, string $p): array
    {
        $lacking = array_filter(
            $this->sources($measure),
            fn (string $source): bool => !$this->facts->covers($source, 'PY', $p),
        );
        if ('PY' !== $scenario || [] === $lacking) {
            return [[$scenario, $p]];
        }

        return array_map(
            static fn (string $earlier): array => ['AC', $earlier],
            $this->facts->calendar->priorYear($p, $this->facts->grain),
        );
    }

    /**
     * @return list<array{string, string}> by which it is told whether a period is covered: of 29 February by 28
     *                                     February
     */
    private function judged(string $measure, string $scenario, string $p): array
    {
        $kept = $this->kept($measure, $scenario, $p);

        return [] === $kept && 'day' === $this->facts->grain ? [['AC', (int) substr($p, 0, 4) - 1 .'-02-28']] : $kept;
    }

    /** Whether the whole dataset has a figure of just this period, wherever it is kept. */
    public function isFigured(string $measure, ?string $scenario, string $p): bool
    {
        foreach (null === $scenario ? [] : $this->kept($measure, $scenario, $p) as [$of, $start]) {
            if (
                [] !==
                array_filter(
                    $this->sources($measure),
                    fn (string $source): bool => $this->facts->has($source, $of, $start),
                )
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * Cells of two sides with the members that both have figures of, unit by unit: a missing figure is not nothing.
     *
     * @param array<string, array{list<Cell>, list<Cell>}> $units cells of what is shown and of the reference
     * @param list<array{field: string, members: list<string>, keeps: bool}> $shownWhere
     * @param list<array{field: string, members: list<string>, keeps: bool}> $referenceWhere
     * @param ?string $but breakdown that the sides are told apart by
     *
     * @return array{list<Cell>, list<Cell>, list<string>} both sides, and units in which nothing is compared
     */
    public function alike(
        string $measure,
        array $units,
        array $shownWhere,
        array $referenceWhere,
        ?string $but = null,
    ): array {
        $shown = $reference = $lacking = [];
        foreach ($units as $unit => [$ofShown, $ofReference]) {
            $here = $this->membersIn($measure, $ofShown, $shownWhere, $but);
            $there = $this->membersIn($measure, $ofReference, $referenceWhere, $but);
            $both = array_values(array_intersect($here, $there));
            if ([] === $both && [] !== [...$here, ...$there]) {
                $lacking[] = (string) $unit;
            }
            foreach ($ofShown as $cell) {
                $shown[] = [$cell[0], $cell[1], $cell[2] ?? null, $both];
            }
            foreach ($ofReference as $cell) {
                $reference[] = [$cell[0], $cell[1], $cell[2] ?? null, $both];
            }
        }

        return [$shown, $reference, $lacking];
    }

    /**
     * @param list<Cell> $cells
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return list<string> members, joined, that have a figure of each source in any of the cells
     */
    private function membersIn(string $measure, array $cells, array $where, ?string $but): array
    {
        $bySource = [];
        foreach ($this->sources($measure) as $source) {
            $bySource[] = array_merge(
                [],
                ...array_map(
                    fn (array $cell): array => $this->facts->membersWith(
                        $source, (string) $cell[0], $cell[1], $where, $but,
                    ),
                    $this->keptOf($measure, $cells),
                ),
            );
        }

        return array_values(array_unique(array_intersect(...$bySource, ...[$bySource[0]])));
    }

    /**
     * Whether some members have any figure of some periods at all.
     *
     * @param list<Cell> $cells scenario and period
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    public function hasAny(string $measure, array $cells, array $where): bool
    {
        $kept = $this->keptOf($measure, $cells);

        return [] ===
            array_filter(
                $this->sources($measure),
                fn (string $source): bool => [] === $this->all($source, $kept, $where),
            );
    }

    /**
     * The amount of several periods together, each in its scenario; null where there is none.
     *
     * @param list<Cell> $cells with how many days a month's figure is divided by
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    public function together(string $measure, array $cells, array $where): ?BigRational
    {
        $rule = $this->measures[$measure];
        $kept = $this->keptOf($measure, $cells);
        if ('ratio' === $rule->grouping) {
            [$part, $whole] = array_map(
                fn (string $source): ?BigRational => self::sum($this->all($source, $kept, $where)),
                $this->sources($measure),
            );

            return null === $part || null === $whole || $whole->isZero()
                ? null
                : $part->multipliedBy(100)->dividedBy($whole);
        }
        $byCell = array_map(fn (array $cell): array => $this->amountsOf($measure, $cell, $where), $kept);
        $there = array_values(array_filter($byCell));
        if ([] === $there) {
            return null;
        }
        $all = array_merge(...$there);
        if ($rule->isNeverOverMembers()) {
            $isSingle = \count($all) === \count($there);

            return !$isSingle || ('rate' === $rule->grouping && \count($all) > 1)
                ? null
                : self::overPeriods($rule->grouping, $all);
        }
        if ('average' === $rule->overMembers) {
            return 'average' === $rule->grouping
                ? self::mean($all)
                : self::overPeriods($rule->grouping, array_map(self::mean(...), $there));
        }
        $figured = array_keys(
            array_filter($kept, fn (array $cell): bool => $this->facts->has($measure, (string) $cell[0], $cell[1])),
        );

        return match ($rule->grouping) {
            'sum' => self::sum($all),
            'average' => self::sum($all)?->dividedBy(\count($figured)),
            default => self::sum($byCell[$figured[\count($figured) - 1]]),
        };
    }

    /** @param non-empty-list<BigRational> $amounts one for each period */
    private static function overPeriods(string $grouping, array $amounts): ?BigRational
    {
        return match ($grouping) {
            'sum' => self::sum($amounts),
            'average' => self::mean($amounts),
            default => $amounts[\count($amounts) - 1],
        };
    }

    /**
     * @param list<Cell> $cells
     *
     * @return list<Cell>
     */
    private function keptOf(string $measure, array $cells): array
    {
        return array_merge(
            [],
            ...array_map(
                fn (array $cell): array => match (true) {
                    null === $cell[0] => [],
                    isset($cell[2]) => [$cell],
                    isset($cell[3]) => array_map(
                        static fn (array $kept): array => [$kept[0], $kept[1], null, $cell[3]],
                        $this->kept($measure, $cell[0], $cell[1]),
                    ),
                    default => $this->kept($measure, $cell[0], $cell[1]),
                },
                $cells,
            ),
        );
    }

    /**
     * @param list<Cell> $kept
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return list<BigRational>
     */
    private function all(string $source, array $kept, array $where): array
    {
        return array_merge(
            [],
            ...array_map(fn (array $cell): array => $this->amountsOf($source, $cell, $where), $kept),
        );
    }

    /**
     * @param Cell $cell
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return list<BigRational>
     */
    private function amountsOf(string $source, array $cell, array $where): array
    {
        return array_map(
            static fn (BigRational $amount): BigRational => $amount->dividedBy($cell[2] ?? 1),
            $this->facts->amounts($source, (string) $cell[0], $cell[1], $where, $cell[3] ?? null),
        );
    }

    /** @param list<BigRational> $amounts */
    private static function sum(array $amounts): ?BigRational
    {
        return [] === $amounts
            ? null
            : array_reduce(
                $amounts,
                static fn (BigRational $sum, BigRational $one): BigRational => $sum->plus($one),
                BigRational::zero(),
            );
    }

    /** @param non-empty-list<BigRational> $amounts */
    private static function mean(array $amounts): BigRational
    {
        return (self::sum($amounts) ?? BigRational::zero())->dividedBy(\count($amounts));
    }
}
