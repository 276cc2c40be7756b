<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Series;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;

/** Caches the answers of Figures while one drawing is made. */
final class MemoizedFigures implements Figures
{
    private ?Dataset $dataset = null;
    /** @var array<string, Sums> */
    private array $sums = [];
    /** @var array<string, array<string|int, Sums>> */
    private array $byMember = [];
    /** @var array<string, array<string|int, Sums>> */
    private array $bySeries = [];

    public function __construct(private readonly Figures $figures) {}

    public function dataset(): Dataset
    {
        return $this->dataset ??= $this->figures->dataset();
    }

    public function sumsBySeries(array $measures, array $where, array $scenarios): array
    {
        $key = self::codes($scenarios).self::key($measures, $where);

        return $this->bySeries[$key] ??= $this->figures->sumsBySeries($measures, $where, $scenarios);
    }

    public function sums(array $measures, array $where): Sums
    {
        return $this->sums[self::key($measures, $where)] ??= $this->figures->sums($measures, $where);
    }

    public function sumsBy(string $breakdown, array $measures, array $where, array $scenarios): array
    {
        $key = self::codes($scenarios).self::key([$breakdown, ...$measures], $where);

        return $this->byMember[$key] ??= $this->figures->sumsBy($breakdown, $measures, $where, $scenarios);
    }

    /** @param list<Scenario> $scenarios */
    private static function codes(array $scenarios): string
    {
        return implode(',', array_map(static fn (Scenario $scenario): string => $scenario->value, $scenarios));
    }

    /**
     * @param list<string> $measures
     * @param list<MemberFilter|NumberFilter> $where
     */
    private static function key(array $measures, array $where): string
    {
        return json_encode(
            [
                $measures,
                array_map(
                    static fn (MemberFilter|NumberFilter $filter): array => $filter instanceof MemberFilter
                        ? [$filter->breakdown, $filter->keeps, $filter->members]
                        : [$filter->field, $filter->below?->toString(), $filter->atLeast?->toString()],
                    $where,
                ),
            ],
            \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }
}
