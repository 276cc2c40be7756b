<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Report\Drawing\KeyNumber;
use KeenMargin\Core\Report\Layout\KeyFigureMarks;
use KeenMargin\Core\Report\Layout\LaidText;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Text;
use PHPUnit\Framework\TestCase;

/** Key figures side by side: all in one line where there is room, each with its variance and its trend. */
final class KeyFigureMarksTest extends TestCase
{
    /** @param list<?int> $trend */
    private static function number(string $id, string $variance = '+24', array $trend = [3, 5, 4]): KeyNumber
    {
        return new KeyNumber(
            id: $id,
            label: "Net revenue $id in k EUR, year to date, Jan–Aug",
            amount: '5,187',
            variance: $variance,
            effect: '' === $variance ? null : (str_starts_with($variance, '+') ? 'favourable' : 'unfavourable'),
            trend: array_map(static fn (?int $one): ?BigDecimal => null === $one ? null : BigDecimal::of($one), $trend),
        );
    }

    /** @return array<string, Text> amounts by key figure */
    private static function amounts(LaidText $laid): array
    {
        $amounts = [];
        foreach ($laid->marks as $mark) {
            if ($mark instanceof Text && 22.0 === $mark->size) {
                $amounts[(string) $mark->key] = $mark;
            }
        }

        return $amounts;
    }

    public function testTheyStandSideBySideAndInTwoLinesWhereThereIsLittleRoom(): void
    {
        $six = array_map(self::number(...), ['a', 'b', 'c', 'd', 'e', 'f']);
        foreach ([[720.0, 1], [360.0, 2], [220.0, 3], [100.0, 6]] as [$width, $lines]) {
            $laid = KeyFigureMarks::laid($six, $width, true);
            $amounts = self::amounts($laid);
            self::assertCount(6, $amounts);
            $heights = array_unique(array_map(static fn (Text $one): string => (string) $one->y, $amounts));
            self::assertCount($lines, $heights, "$width");
            foreach ($laid->marks as $mark) {
                $box = MarkBox::of($mark);
                self::assertGreaterThanOrEqual(-0.5, $box->left);
                self::assertLessThanOrEqual($width + 0.5, $box->right);
                self::assertLessThanOrEqual($laid->height, $box->bottom);
            }
        }
    }

    public function testTheVarianceStandsBesideTheNumberInTheInkOfItsEffectOrBelowIt(): void
    {
        foreach (['+24' => Ink::FavourableText, "\u{2212}1,234,567.89" => Ink::UnfavourableText] as $variance => $ink) {
            $laid = KeyFigureMarks::laid([self::number('a', (string) $variance)], 130.0, false);
            $amount = self::amounts($laid)['a'];
            $found = array_values(array_filter(
                $laid->marks,
                static fn ($mark): bool => $mark instanceof Text && $mark->text === (string) $variance,
            ));
            self::assertCount(1, $found);
            self::assertSame($ink->value, $found[0]->fill);
            self::assertSame('+24' === (string) $variance, $found[0]->y === $amount->y);
        }
    }

    public function testATrendHasGapsWhereThereIsNoFigureAndItsLastPointMarked(): void
    {
        $laid = KeyFigureMarks::laid([self::number('a', '', [1, 2, null, 4, 3])], 200.0, false);
        $paths = array_values(array_filter($laid->marks, static fn ($mark): bool => $mark instanceof Path));
        self::assertSame([2, 2], array_map(static fn ($one): int => \count($one->points), $paths));
        $points = array_values(array_filter($laid->marks, static fn ($mark): bool => $mark instanceof Circle));
        self::assertCount(1, $points);
        self::assertSame($paths[1]->points[1], [$points[0]->x, $points[0]->y]);
        $none = KeyFigureMarks::laid([self::number('a', '', [null, null])], 200.0, false);
        self::assertSame([], array_filter($none->marks, static fn ($mark): bool => $mark instanceof Circle));
    }

    public function testARuleAboveThemOnlyWhereTheMessageHasNone(): void
    {
        $rules = static fn (bool $hasRule): int => \count(array_filter(
            KeyFigureMarks::laid([self::number('a')], 200.0, $hasRule)->marks,
            static fn ($mark): bool => $mark instanceof Line,
        ));
        self::assertSame([2, 1], [$rules(true), $rules(false)]);
        self::assertSame([], KeyFigureMarks::laid([], 200.0, true)->marks);
    }
}
