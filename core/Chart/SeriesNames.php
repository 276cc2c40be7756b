<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Workings;

/** Names the scenarios beside the first column, each with its own mark, so that no legend is needed. */
final class SeriesNames
{
    private const LINE = 16.0;

    /** @param float $right where the names end; $top and $bottom bound them */
    public static function write(Board $board, Workings $workings, float $right, float $top, float $bottom): void
    {
        $names = self::names($workings);
        $height = self::LINE * \count($names);
        $y = max($top + 10.0, min($bottom - 34.0, $bottom) - $height + 12.0);
        foreach ($names as [$scenario, $isSecond]) {
            self::key($board, $scenario, $isSecond, $right, $y);
            $board->writeIfFree('names', Board::text($right - 14.0, $y, $scenario->value, 'end', Scenario::PriorYear === $scenario ? Ink::Quiet : Ink::Ink, weight: Scenario::Actual === $scenario ? 600 : 400, role: 'series-name'));
            $y += self::LINE;
        }
    }

    public static function height(Workings $workings): float
    {
        return self::LINE * \count(self::names($workings)) + 6.0;
    }

    /** @return list<array{Scenario, bool}> from top to bottom, and whether it is drawn as a triangle */
    private static function names(Workings $workings): array
    {
        $names = array_map(static fn (Scenario $scenario): array => [$scenario, false], array_values(array_filter([$workings->reference(), $workings->forecast, $workings->scenario])));
        foreach (\array_slice($workings->against, 1) as $second) {
            $names[] = [$second, true];
        }

        return array_values(array_unique($names, \SORT_REGULAR));
    }

    private static function key(Board $board, Scenario $scenario, bool $isSecond, float $right, float $y): void
    {
        if ($isSecond) {
            $ink = Scenario::PriorYear === $scenario ? Ink::PriorYear : Ink::Ink;
            $board->addBehind('names', new Path([[$right - 1.0, $y - 4.0], [$right - 7.0, $y - 7.7], [$right - 7.0, $y - 0.3]], $ink->value, role: 'series-key', of: $scenario->value));

            return;
        }
        $style = Style::scenario($scenario);
        $board->add('names', new Rect($right - 9.0, $y - 8.0, 8.0, 8.0, $style->fill->value, $style->stroke?->value, 'series-key', null, $scenario->value));
    }
}
