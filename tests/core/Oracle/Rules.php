<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigRational;

/** The design's rules of coverage and of putting together, for one dataset and one closing day. */
final class Rules
{
    /** @var array<string, array{string, string}> first and last day of actuals, by measure */
    private array $actuals = [];
    /** @var array<string, bool> what was found of coverage */
    private array $covered = [];

    /**
     * @param array<string, Rule> $measures
     * @param string $closingEnd the last closed day
     */
    public function __construct(
        private readonly Facts $facts,
        private readonly array $measures,
        private readonly Asked $asked,
        private readonly string $closingEnd,
    ) {
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
        return $this->covers($measure, $this->scenarioAt($p), $p);
    }

    /** @param ?string $against the other side of a comparison */
    public function covers(string $measure, ?string $scenario, string $p, ?string $against = null): bool
    {
        return $this->covered["$measure|$scenario|$p|$against"] ??= $this->isCovered(
            $measure,
            $scenario,
            $p,
            $against,
        );
    }

    private function isCovered(string $measure, ?string $scenario, string $p, ?string $against): bool
    {
        $sources = $this->sources($measure);
        foreach (null === $scenario ? [] : $this->judged($measure, $scenario, $p) as [$of, $start]) {
            $lacking = array_filter(
                $sources,
                fn (string $source): bool => !$this->facts->covers($source, $of, $start),
            );
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
            $this->actuals[$measure] = [] === $days ? ['9999', ''] : [min($days), max(max($days), $this->closingEnd)];
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

        return [] === $kept && 'day' === $this->facts->grain
            ? [['AC', (int) substr($p, 0, 4) - 1 .'-02-28']]
            : $kept;
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
     * Whether some members have a figure of the period: of a day, in its month.
     *
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    public function has(string $measure, ?string $scenario, string $p, array $where): bool
    {
        foreach (null === $scenario ? [] : $this->judged($measure, $scenario, $p) as [$of, $start]) {
            $isThere = fn (string $source): bool => [] !==
                array_filter(
                    $this->facts->starts($source, $of),
                    fn (string $own): bool => $this->facts->unit($own) === $this->facts->unit($start)
                        && [] !== $this->facts->amounts($source, $of, $own, $where),
                );
            if ($this->sources($measure) === array_values(array_filter($this->sources($measure), $isThere))) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether some members have any figure of some periods at all.
     *
     * @param list<array{?string, string}> $cells scenario and period
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
     * @param list<array{?string, string}> $cells
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
        $byCell = array_map(
            fn (array $cell): array => $this->facts->amounts($measure, $cell[0], $cell[1], $where),
            $kept,
        );
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
            array_filter($kept, fn (array $cell): bool => $this->facts->has($measure, $cell[0], $cell[1])),
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
     * @param list<array{?string, string}> $cells
     *
     * @return list<array{string, string}>
     */
    private function keptOf(string $measure, array $cells): array
    {
        return array_merge(
            [],
            ...array_map(
                fn (array $cell): array => null === $cell[0] ? [] : $this->kept($measure, $cell[0], $cell[1]),
                $cells,
            ),
        );
    }

    /**
     * @param list<array{string, string}> $kept
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return list<BigRational>
     */
    private function all(string $source, array $kept, array $where): array
    {
        return array_merge(
            [],
            ...array_map(fn (array $cell): array => $this->facts->amounts($source, $cell[0], $cell[1], $where), $kept),
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
