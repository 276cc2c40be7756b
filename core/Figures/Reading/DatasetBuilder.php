<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

use KeenMargin\Core\Figures\Coverage;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Dimension;
use KeenMargin\Core\Figures\Fact;
use KeenMargin\Core\Figures\FactTable;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Time\Period;

/** Puts facts together with what they show of themselves: measures, decimals, coverage. */
final class DatasetBuilder
{
    /**
     * @param non-empty-list<Fact> $facts
     * @param list<Dimension>      $breakdowns
     * @param list<Notice>         $notices
     */
    public static function table(string $name, string $organisation, array $facts, array $breakdowns, Mapping $mapping, array $notices): FactTable
    {
        $dataset = new Dataset(
            $name,
            self::measures($facts, $mapping),
            $breakdowns,
            $facts[0]->period->grain,
            $mapping->calendar,
            self::coverage($facts),
            null,
            $organisation,
            $notices,
        );

        return new FactTable($dataset, $facts);
    }

    /**
     * @param list<Fact> $facts
     *
     * @return list<Measure>
     */
    private static function measures(array $facts, Mapping $mapping): array
    {
        $decimals = [];
        foreach ($facts as $fact) {
            $decimals[$fact->measure] = max($decimals[$fact->measure] ?? 0, $fact->amount->getScale());
        }
        $measures = [];
        foreach ($decimals as $name => $scale) {
            $rule = $mapping->measures[$name] ?? new MeasureRule();
            $measures[] = new Measure((string) $name, $rule->unit ?? '', $scale, $rule->grouping ?? Grouping::Sum, $rule->better);
        }
        foreach ($mapping->measures as $name => $rule) {
            if (Grouping::Ratio !== $rule->grouping) {
                continue;
            }
            foreach ([$rule->numerator, $rule->denominator] as $part) {
                if (!isset($decimals[(string) $part])) {
                    throw RefusedFigures::whole("\"$name\" is made of \"$part\", which the file does not have. It has ".implode(', ', array_keys($decimals)).'.');
                }
            }
            $measures[] = new Measure((string) $name, '%', 0, Grouping::Ratio, $rule->better, $rule->numerator, $rule->denominator);
        }

        return $measures;
    }

    /** @param list<Fact> $facts */
    private static function coverage(array $facts): Coverage
    {
        $grain = $facts[0]->period->grain;
        $calendar = $facts[0]->period->calendar();
        $starts = [];
        foreach ($facts as $fact) {
            $starts[$fact->scenario->value][$fact->period->start] = true;
        }
        $periods = [];
        foreach ($starts as $scenario => $known) {
            ksort($known);
            $periods[$scenario] = array_map(static fn (int $start): Period => Period::ofStart($grain, $start, $calendar), array_keys($known));
        }

        return new Coverage($periods);
    }
}
