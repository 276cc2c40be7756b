<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Chart;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Drawing\UndrawnChart;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Region;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What holds for every gauge, thermometer and progress list, over random figures, from 360 to 1,920 points. */
final class NearScenesTest extends TestCase
{
    use SceneProperties;

    private const WIDTHS = [360, 520, 640, 880, 1280, 1920];
    private const KINDS = ['gauge', 'thermometer', 'progress', 'comparison-table'];
    private const COLUMNS = ['AC', 'BU', "\u{0394}BU", "\u{0394}BU %", 'share', 'progress', 'trend'];
    private const TOLERANCE = 0.02;

    /** @return iterable<string, array{string, int}> */
    public static function scenes(): iterable
    {
        foreach (self::KINDS as $kind) {
            for ($seed = 1; $seed <= 60; ++$seed) {
                yield "$kind, seed $seed" => [$kind, $seed];
            }
        }
    }

    #[DataProvider('scenes')]
    public function testTextsStayApartAndLengthsAreAsTheirNumbers(string $kind, int $seed): void
    {
        $drawing = self::random($kind, $seed);
        self::assertProper($drawing);
        foreach ($drawing->checks() as $check) {
            self::assertTrue('one-scale' !== $check->id || $check->holds, $check->says);
        }
        match ($kind) {
            'gauge' => self::assertAngles($drawing),
            'comparison-table' => null,
            default => self::assertLengths($drawing, $kind),
        };
    }

    /** All angles are one number of degrees for a unit, and none is beyond the half ring. */
    private static function assertAngles(Drawing $drawing): void
    {
        $rows = $drawing->workings->table->rowsByKey();
        $perUnit = null;
        foreach (self::marks($drawing) as $mark) {
            if (!$mark instanceof Arc) {
                continue;
            }
            self::assertGreaterThanOrEqual(0.0, $mark->from);
            self::assertLessThanOrEqual(180.0, $mark->to);
            $shown = $rows[(string) $mark->key]->shown?->toFloat() ?? 0.0;
            if (null === $mark->measures || 0.0 === $shown) {
                continue;
            }
            $perUnit ??= ($mark->to - $mark->from) / $shown;
            self::assertEqualsWithDelta($perUnit * $shown, $mark->to - $mark->from, self::TOLERANCE);
        }
    }

    private static function assertLengths(Drawing $drawing, string $kind): void
    {
        $rows = $drawing->workings->table->rowsByKey();
        $perUnit = null;
        foreach (self::marks($drawing) as $mark) {
            if (!($mark instanceof Rect) || null === $mark->measures) {
                continue;
            }
            $row = $rows[(string) $mark->key];
            $number = 'progress' === $kind ? $row->values[GoalNumbers::PERCENT] ?? null : $row->shown;
            $size = $number?->toFloat() ?? 0.0;
            $length = 'progress' === $kind ? $mark->width : $mark->height;
            if ($size > 0.0) {
                $perUnit ??= $length / $size;
                self::assertEqualsWithDelta($perUnit * $size, $length, self::TOLERANCE);
            }
        }
    }

    /** Two charts of one kind beside one another have one length per unit where they count the same. */
    #[DataProvider('scenes')]
    public function testChartsBesideOneAnotherShareTheirScale(string $kind, int $seed): void
    {
        $pair = Drawing::onOneScale([self::random($kind, $seed), self::random($kind, $seed + 7)]);
        $checks = array_filter($pair[0]->checks(), static fn (Check $check): bool => 'common-scale' === $check->id);
        $isOwn = static fn (Drawing $one): bool => 'shared' !== $one->recipe->finish->scale->value
            || null !== $one->recipe->finish->ends->from;
        foreach ($checks as $check) {
            $isExcused =
                $isOwn($pair[0]) || $isOwn($pair[1]) || str_contains($check->says, 'measure in different ways');
            self::assertTrue($check->holds || $isExcused, "$kind, seed $seed: $check->says");
        }
        foreach ($pair as $drawing) {
            self::assertProper($drawing);
        }
    }

    /** The first rows of a table look as they do among all of them, in a scene of the same height. */
    #[DataProvider('scenes')]
    public function testTheFirstRowsOfATableLookAsAmongAllOfThem(string $kind, int $seed): void
    {
        $whole = self::random($kind, $seed);
        $rows = $whole->workings->table->rows;
        $first = 1 + $seed % 25;
        $options = new ChartOptions(firstRows: $first);
        $chart = new UndrawnChart($whole->recipe, $whole->workings, $options, $whole->chart->kind);
        $part = Drawing::drawn($chart, $whole->recipe->finish->height);
        self::assertSame($whole->scene->height, $part->scene->height);
        if ('comparison-table' !== $kind || \count($rows) <= $first) {
            self::assertNull($part->scene->rows);
            self::assertEquals($whole->scene, $part->scene);

            return;
        }
        self::assertSame($first, $part->scene->rows);
        $kept = array_fill_keys(\array_slice($whole->workings->table->keys(), 0, $first), true);
        $isOfFirst = static function (Mark $mark) use ($kept): bool {
            $key = $mark->toArray()['key'] ?? null;

            return !\is_string($key) || isset($kept[$key]);
        };
        $ofFirst = array_filter(iterator_to_array($whole->scene->marks(), false), $isOfFirst);
        self::assertEquals(array_values($ofFirst), iterator_to_array($part->scene->marks(), false));
        $ofFirst = array_filter($whole->scene->regions, static fn (Region $one): bool => isset($kept[$one->key]));
        self::assertEquals(array_values($ofFirst), $part->scene->regions);
    }

    #[DataProvider('scenes')]
    public function testNumbersOnTheWayToAGoalTieWithOneAnother(string $kind, int $seed): void
    {
        if (\in_array($kind, ['gauge', 'comparison-table'], true)) {
            $this->expectNotToPerformAssertions();

            return;
        }
        foreach (self::random($kind, $seed)->workings->table->rows as $row) {
            $goal = $row->values[GoalNumbers::GOAL] ?? null;
            $remaining = $row->values[GoalNumbers::REMAINING] ?? null;
            $over = $row->values[GoalNumbers::OVER] ?? null;
            if (null !== $row->parent) {
                continue;
            }
            $value = $row->shown ?? ($row->isAbsent() ? BigDecimal::zero() : null);
            if (null === $goal || $goal->getSign() <= 0 || null === $value) {
                self::assertNull($row->values[GoalNumbers::PERCENT] ?? null);
                self::assertNull($remaining);
                continue;
            }
            self::assertNotNull($remaining);
            self::assertNotNull($over);
            self::assertFalse($remaining->isNegative());
            self::assertTrue($value->plus($remaining)->minus($over)->isEqualTo($goal), $row->label);
            self::assertTrue($remaining->isZero() || $over->isZero());
        }
    }

    #[DataProvider('scenes')]
    public function testNoCheckFailsWithoutAReason(string $kind, int $seed): void
    {
        $expected = [
            'without-goal', 'goal-of-nought', 'goal-below-nought', 'without-target', 'past-the-bands',
            'target-past-the-bands', 'absent', 'both-signs',
        ];
        foreach (self::random($kind, $seed)->checks() as $check) {
            $isKnown = [] !== array_filter($expected, static fn (string $id): bool => str_starts_with($check->id, $id));
            self::assertTrue($check->holds || $isKnown || self::isAboutPeriods($check), "{$check->id}: {$check->says}");
        }
    }

    /** Missing periods and members are said of every kind. */
    private static function isAboutPeriods(Check $check): bool
    {
        return 1 === preg_match('/missing|left-out|absent|uncovered/', $check->id);
    }

    /** @return list<string|array<string, string>> some columns, each drawn in one of its ways */
    private static function columns(): array
    {
        $columns = [];
        foreach (self::COLUMNS as $name) {
            $isNumber = 'trend' !== $name && 0 === mt_rand(0, 3);
            if (0 !== mt_rand(0, 3)) {
                $columns[] = $isNumber ? ['column' => $name, 'as' => 'number'] : $name;
            }
        }

        return [] === $columns ? ['AC'] : $columns;
    }

    private static function random(string $kind, int $seed): Drawing
    {
        mt_srand($seed);
        $isList = 0 === mt_rand(0, 3);
        $sign = [1, 1, 1, -1][mt_rand(0, 3)];
        $most = [1, 12, 1_000_000][mt_rand(0, 2)];
        $rows = \in_array($kind, ['progress', 'comparison-table'], true) ? 40 : 9;
        $csv = $isList ? "Route,Value,Goal\n" : "Month,Route,Source,Actual,Budget\n";
        for ($route = mt_rand(1, $rows); $route > 0; --$route) {
            $name = ['North', 'Holm and the outer skerries beyond it', 'Ø', '<b>bold</b>'][mt_rand(0, 3)]." $route";
            $amount = static fn (): int => $sign * mt_rand(-1, 12) * $most;
            if ($isList) {
                $csv .= \sprintf("%s,%d,%s\n", $name, $amount(), [(string) (8 * $most), '', '0'][mt_rand(0, 2)]);
                continue;
            }
            foreach (range(1, mt_rand(1, 12)) as $month) {
                $budget = 0 === mt_rand(0, 4) ? '' : (string) mt_rand(0, 9 * $most);
                $csv .= \sprintf("2026-%02d,%s,%s,%d,%s\n", $month, $name, ['a', 'b'][$month % 2], $amount(), $budget);
            }
        }
        $goal = $isList
            ? [['measure' => 'Goal'], (string) (20 * $most), 'total'][mt_rand(0, 2)]
            : [['scenario' => 'BU'], (string) (20 * $most), 'total', '0'][mt_rand(0, 3)];
        $isWhole = !$isList && 'total' !== $goal && 0 === mt_rand(0, 2);
        $question = [
            ...$isList ? ['measure' => 'Amount'] : ['closedThrough' => \sprintf('2026-%02d', mt_rand(1, 12))],
            ...$isWhole ? [] : ['by' => $isList ? 'Route' : ['Route', 'month'][mt_rand(0, 1)]],
            ...'gauge' === $kind
                ? ['target' => (string) (4 * $most), 'bands' => ['limits' => ['2', '5', (string) (9 * $most)]]]
                : ['goal' => $goal],
            ...'comparison-table' === $kind && !$isList ? ['columns' => self::columns()] : [],
            ...'thermometer' === $kind && $isWhole && 0 === mt_rand(0, 1) ? ['layers' => 'Source'] : [],
        ];
        $finish = [
            'width' => self::WIDTHS[$seed % \count(self::WIDTHS)],
            ...'thermometer' === $kind ? ['scale' => ['shared', 'own', 'target'][mt_rand(0, 2)]] : [],
            ...'gauge' === $kind && 0 === mt_rand(0, 3) ? ['ends' => ['from' => '-5', 'to' => '10']] : [],
        ];
        $recipe = json_encode(
            ['keenMargin' => 1, 'question' => $question, 'kind' => $kind, 'finish' => $finish], \JSON_THROW_ON_ERROR,
        );

        return Drawing::of(RecipeReader::json($recipe, ChartKinds::all()), Written::figures($csv), ChartKinds::all());
    }
}
