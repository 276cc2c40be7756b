<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Result\Row;

/**
 * Names the periods under the axis: in full, else by their initials, else every second, third … of them; years below.
 */
final class PeriodLabels
{
    private const GAP = 3.0;
    private const LINE = 14.0;
    private const EVERY = [1, 2, 3, 4, 6, 12, 24];

    /**
     * @param list<Row> $rows
     *
     * @return float the lowest y that was used
     */
    public static function write(Canvas $canvas, BandAxis $axis, array $rows, float $y): float
    {
        $periods = array_filter(array_map(static fn (Row $row): ?Period => $row->period, $rows));
        $lowest = $y;
        foreach (array_diff_key($rows, $periods) as $i => $row) {
            $width = $axis->end($i) - $axis->begin($i) - 2.0;
            foreach (TextMeasure::lines(self::fitting($row->name, $width), $width, Type::LABEL, 600) as $n => $line) {
                $name = Canvas::text(
                    $axis->centre($i),
                    $y + $n * self::LINE,
                    $line,
                    'middle',
                    weight: 600,
                    role: 'period',
                    key: $row->key->id,
                );
                if ($canvas->writeIfFree('axis', $name)) {
                    $lowest = max($lowest, $name->y);
                }
            }
        }
        foreach (self::names($axis, $rows, $periods) as $i => $name) {
            $ink = Scenario::Forecast === $rows[$i]->shownScenario ? Ink::Quiet : Ink::Ink;
            $canvas->writeIfFree(
                'axis',
                Canvas::text($axis->centre($i), $y, $name, 'middle', $ink, role: 'period', key: $rows[$i]->key->id),
            );
        }

        return max($lowest + 4.0, self::writeYears($canvas, $axis, $periods, $y + 16.0) ?? $y + 4.0);
    }

    /** Years in their short form where one of the words would be broken. */
    private static function fitting(string $name, float $width): string
    {
        foreach (explode(' ', $name) as $word) {
            if (TextMeasure::width($word, Type::LABEL, 600) > $width) {
                return (string) preg_replace('/\b20(\d\d)\b/', '’$1', $name);
            }
        }

        return $name;
    }

    /**
     * @param list<Row> $rows
     * @param array<int, Period> $periods of them, by their places
     *
     * @return array<int, string>
     */
    private static function names(BandAxis $axis, array $rows, array $periods): array
    {
        foreach (self::EVERY as $every) {
            foreach (
                [
                    static fn (Period $period, Row $row): string => $row->name,
                    static fn (Period $period): string => PeriodNames::shortest($period),
                ] as $form
            ) {
                $names = [];
                $widest = 0.0;
                $n = 0;
                foreach ($periods as $i => $period) {
                    if (0 === $n++ % $every) {
                        $names[$i] = $form($period, $rows[$i]);
                        $widest = max($widest, TextMeasure::width($names[$i], Type::LABEL));
                    }
                }
                if ($widest + self::GAP <= $every * $axis->band || ([] !== $names && 1 === \count($periods))) {
                    return $names;
                }
            }
        }

        return [];
    }

    /** @param array<int, Period> $periods by their places */
    private static function writeYears(Canvas $canvas, BandAxis $axis, array $periods, float $y): ?float
    {
        $groups = [];
        foreach ($periods as $i => $period) {
            $groups[self::group($period)][] = $i;
        }
        if (\count($groups) < 2 || Grain::Year === $periods[array_key_first($periods)]->grain) {
            return null;
        }
        foreach ($groups as $name => $places) {
            $left = $axis->begin($places[0]);
            if ($places[0] > array_key_first($periods)) {
                $canvas->addBehind(
                    'axis', new Line($left, $y - 24.0, $left, $y + 2.0, Ink::Hairline->value, role: 'year-mark'),
                );
            }
            $text = self::yearText($axis, (string) $name, $places, $y);
            $canvas->writeIfFree('axis', $text);
        }

        return $y + 4.0;
    }

    /** @param list<int> $places */
    private static function yearText(BandAxis $axis, string $name, array $places, float $y): Text
    {
        $middle = ($axis->centre($places[0]) + $axis->centre($places[\count($places) - 1])) / 2;

        return Canvas::text($middle, $y, $name, 'middle', Ink::Quiet, role: 'year');
    }

    private static function group(Period $period): string
    {
        return Grain::Day === $period->grain
            ? PeriodNames::full($period->group(Grain::Month, $period->calendar()))
            : PeriodNames::year($period);
    }
}
