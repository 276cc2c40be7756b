<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Row;

/** Names rows: left of their bars, or below their columns; long ones are wrapped, sums stand in bold. */
final class RowNameLabels
{
    private const LINE = 14.0;
    private const INDENT = 12.0;
    private const MOST_LINES = 3;
    /** Room for what a row does in a statement, before its name. */
    private const SIGN = 16.0;

    /**
     * Whether each row stands apart from the one before.
     *
     * @param list<Row> $rows
     *
     * @return list<bool>
     */
    public static function standApart(array $rows): array
    {
        return array_map(static fn (Row $row): bool => $row->role->isApart(), $rows);
    }

    /**
     * How wide the names are beside their bars.
     *
     * @param list<Row> $rows
     */
    public static function width(array $rows, float $most): float
    {
        $widths = array_map(
            static fn (Row $row): float => self::indent($row) +
                ('' === $row->does ? 0.0 : self::SIGN) +
                TextMeasure::width($row->name, Type::LABEL, self::weight($row)),
            $rows,
        );

        return min($most, [] === $widths ? 0.0 : max($widths)) + 10.0;
    }

    /**
     * What the names beside bars need, in lines of that width.
     *
     * @param list<Row> $rows
     *
     * @return list<float> points, by row
     */
    public static function needed(array $rows, float $width): array
    {
        return array_map(static fn (Row $row): float => self::LINE * \count(self::lines($row, $width)) + 8.0, $rows);
    }

    /**
     * @param list<float> $needed by their names
     * @param float $usual height of a band in points, of up to thirty rows
     *
     * @return list<float> of the bands, so that every name has its lines
     */
    public static function heights(array $needed, float $stretch = 1.0, float $usual = 24.0): array
    {
        $least = max(18.0, $stretch * (\count($needed) > 30 ? 20.0 : $usual));

        return array_map(static fn (float $own): float => max($least, $own), $needed);
    }

    /** @param list<Row> $rows */
    public static function beside(Canvas $canvas, BandAxis $axis, array $rows, float $left, float $width): void
    {
        foreach ($rows as $i => $row) {
            $lines = self::lines($row, $width);
            $y = $axis->centre($i) + 4.0 - (self::LINE * (\count($lines) - 1)) / 2;
            $indent = self::indent($row) + ('' === $row->does ? 0.0 : self::SIGN);
            if ('' !== $row->does) {
                $sign = Canvas::text($left, $y, $row->does, 'start', Ink::Quiet, role: 'name', key: $row->key->id);
                $canvas->write('axis', $sign);
            }
            foreach ($lines as $line) {
                $canvas->write(
                    'axis',
                    Canvas::text(
                        $left + $indent,
                        $y,
                        $line,
                        'start',
                        self::ink($row),
                        weight: self::weight($row),
                        role: 'name',
                        key: $row->key->id,
                    ),
                );
                $y += self::LINE;
            }
        }
    }

    /**
     * Whether names can stand below columns in a few lines, no word cut.
     *
     * @param list<Row> $rows
     */
    public static function fitBelow(array $rows, float $band): bool
    {
        foreach ($rows as $row) {
            $lines = TextMeasure::lines($row->name, $band - 4.0, Type::LABEL, self::weight($row));
            if (\count($lines) > self::MOST_LINES || implode(' ', $lines) !== $row->name) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<Row> $rows
     *
     * @return float the lowest y that was used
     */
    public static function below(Canvas $canvas, BandAxis $axis, array $rows, float $y): float
    {
        $most = 1;
        foreach ($rows as $i => $row) {
            $lines = TextMeasure::lines(
                $row->name, $axis->end($i) - $axis->begin($i) - 4.0, Type::LABEL, self::weight($row),
            );
            $most = max($most, \count($lines));
            foreach ($lines as $n => $line) {
                $canvas->write(
                    'axis',
                    Canvas::text(
                        $axis->centre($i),
                        $y + $n * self::LINE,
                        $line,
                        'middle',
                        self::ink($row),
                        weight: self::weight($row),
                        role: 'name',
                        key: $row->key->id,
                    ),
                );
            }
        }

        return $y + self::LINE * ($most - 1) + 4.0;
    }

    /** @return 400|600 */
    private static function weight(Row $row): int
    {
        return $row->role->isSum() ? 600 : 400;
    }

    private static function ink(Row $row): Ink
    {
        return null !== $row->period && Scenario::Forecast === $row->shownScenario ? Ink::Quiet : Ink::Ink;
    }

    private static function indent(Row $row): float
    {
        return self::INDENT * min(4, $row->depth);
    }

    /** @return non-empty-list<string> */
    private static function lines(Row $row, float $width): array
    {
        return TextMeasure::lines(
            $row->name,
            max(40.0, $width - 10.0 - self::indent($row) - ('' === $row->does ? 0.0 : self::SIGN)),
            Type::LABEL,
            self::weight($row),
        );
    }
}
