<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Chart;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Tests\core\RandomMembers;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What holds for every waterfall, over random figures, from 360 to 1,920 points and up to 60 steps. */
final class WaterfallScenesTest extends TestCase
{
    use SceneProperties;

    private const WIDTHS = [360, 520, 640, 880, 1280, 1920];

    /** @return iterable<string, array{int, string}> */
    public static function scenes(): iterable
    {
        foreach (['build-up' => 90, 'bridge' => 90, 'statement' => 40] as $kind => $seeds) {
            $k = \strlen($kind);
            for ($seed = 1; $seed <= $seeds; ++$seed) {
                yield "$kind, seed $seed" => [$seed * 5 + $k, $kind];
            }
        }
    }

    #[DataProvider('scenes')]
    public function testWhatHoldsForEveryWaterfall(int $seed, string $kind): void
    {
        $drawing = self::random($seed, $kind);
        self::assertProper($drawing);
        self::assertRunningTotal($drawing);
        'statement' === $kind || self::assertDrawnWhereItStands($drawing);
    }

    /** Start and steps come to the end, and the steps of an opened one to it, to the last digit. */
    public static function assertRunningTotal(Drawing $drawing): void
    {
        foreach ($drawing->workings->table->panels() as $rows) {
            $running = null;
            $within = [];
            foreach ($rows as $row) {
                [$from, $to, $change] = [$row->values['from'], $row->values['to'], $row->values['change'] ?? null];
                self::assertNotNull($from);
                self::assertNotNull($to);
                if ($row->role->isWhole()) {
                    self::assertTrue($from->isZero());
                    self::assertTrue(null === $running || $running->isEqualTo($to), "{$row->label} is not what it was");
                } else {
                    self::assertTrue($from->plus($change ?? 0)->isEqualTo($to), $row->label);
                }
                if (null !== $row->parent) {
                    $within[$row->parent->id][] = $row;
                    continue;
                }
                if (!$row->role->isWhole()) {
                    self::assertTrue(($running ?? BigDecimal::zero())->isEqualTo($from), $row->label);
                }
                $running = $to;
            }
            foreach ($rows as $row) {
                $own = $within[$row->key->id] ?? [];
                if ([] !== $own) {
                    self::assertTrue($own[0]->values['from']?->isEqualTo($row->values['from'] ?? 0));
                    self::assertTrue($own[\count($own) - 1]->values['to']?->isEqualTo($row->values['to'] ?? 0));
                }
            }
        }
    }

    /** Each row is one mark from its `from` to its `to`; nothing invisible holds it up. */
    private static function assertDrawnWhereItStands(Drawing $drawing): void
    {
        $bars = [];
        foreach (['total', 'total-cut', 'change', 'opened'] as $role) {
            foreach (self::rects($drawing, $role) as $bar) {
                self::assertArrayNotHasKey((string) $bar->key, $bars, 'A row has one mark');
                self::assertNotContains($bar->fill, ['paper', 'none', '']);
                $bars[(string) $bar->key] = $bar;
            }
        }
        $rows = $drawing->workings->table->rowsByKey();
        self::assertSame([], array_diff(array_keys($rows), array_map(strval(...), array_keys($bars))));
        $isLying = $drawing->scene->isHorizontal;
        $ends = static fn (Rect $bar): array => $isLying
            ? [$bar->x, $bar->x + $bar->width]
            : [$bar->y + $bar->height, $bar->y];
        foreach ($drawing->workings->table->panels() as $own) {
            self::assertOneScale($own, $bars, $ends, $isLying);
        }
        foreach (self::marks($drawing) as $mark) {
            if ($mark instanceof Line && 'connector' === $mark->role) {
                self::assertEqualsWithDelta(0.0, $isLying ? $mark->x1 - $mark->x2 : $mark->y1 - $mark->y2, 1e-6);
            }
        }
    }

    /**
     * Differences of levels are drawn proportionally to one another.
     *
     * @param list<Row> $rows
     * @param array<string, Rect> $bars
     * @param \Closure(Rect): array{float, float} $ends
     */
    private static function assertOneScale(array $rows, array $bars, \Closure $ends, bool $isLying): void
    {
        $levels = [];
        foreach ($rows as $row) {
            if ($row->role->isWhole()) {
                continue;
            }
            [$low, $high] = $ends($bars[$row->key->id]);
            [$from, $to] = [(float) (string) $row->values['from'], (float) (string) $row->values['to']];
            $levels[] = [min($from, $to), $isLying ? min($low, $high) : -max($low, $high)];
            $levels[] = [max($from, $to), $isLying ? max($low, $high) : -min($low, $high)];
        }
        if ([] === $levels) {
            return;
        }
        usort($levels, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        [$first, $last] = [$levels[0], $levels[\count($levels) - 1]];
        $span = $last[0] - $first[0];
        foreach (0.0 === $span ? [] : $levels as [$level, $place]) {
            $expected = $first[1] + (($level - $first[0]) / $span) * ($last[1] - $first[1]);
            self::assertEqualsWithDelta($expected, $place, 0.02);
        }
    }

    private static function random(int $seed, string $kind): Drawing
    {
        $isByRoute = 0 === $seed % 2;
        $months = $isByRoute ? 1 + ($seed % 14) : [1, 2, 5, 12, 24, 36, 60][$seed % 7];
        $figures = new RandomMembers(
            $seed,
            $months,
            $isByRoute ? [1, 2, 5, 14, 60][intdiv($seed, 2) % 5] : 1 + ($seed % 3),
        );
        $opened = $isByRoute
            ? ['step' => $figures->routes[0], 'by' => 0 === $seed % 3 ? 'month' : 'Class']
            : ['step' => '2024-01', 'by' => 'Route'];
        $bridge = [
            ['from' => 'BU', 'to' => 'AC'],
            ['from' => 'PY', 'to' => 'AC'],
            ['from' => 'BU', 'to' => 'AC', 'through' => ['TG']],
            ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle'],
            ['over' => 'periods'],
        ][$seed % 5];
        $question = array_filter(
            [
                'measure' => 'Used',
                'forecast' => 0 === $seed % 3 ? 'FC' : null,
                'by' => $isByRoute ? 'Route' : 'month',
                'closedThrough' => $figures->closedThrough(),
                'better' => 0 === $seed % 5 ? 'less' : null,
                'flag' => ['percent' => '5'],
                'order' => $isByRoute
                    ? [null, 'largest first', 'smallest first', 'favourable first'][intdiv($seed, 2) % 4]
                    : null,
                'top' => $isByRoute ? [null, 3, 60, null][$seed % 4] : null,
                'each' => 0 === $seed % 11
                        ? ($isByRoute && 'bridge' === $kind ? null : ($isByRoute ? 'Class' : 'Route'))
                        : null,
                'bridge' => 'bridge' === $kind ? $bridge : null,
                'opened' => 0 === $seed % 4 && 3 !== $seed % 5 ? [$opened] : null,
                'subtotals' => $isByRoute
                    ? (0 === $seed % 6 ? [$figures->routes[0]] : null)
                    : [null, 'quarter', 'year'][$seed % 3],
            ],
            static fn ($part): bool => null !== $part,
        );
        $finish = [
            'width' => self::WIDTHS[intdiv($seed, 6) % 6],
            'locale' => ['en', 'de', 'fr'][$seed % 3],
            'turn' => 1 === intdiv($seed, 4) % 3,
            'cut' => 0 !== $seed % 6,
            'labels' => ['all', 'all', 'all', 'extremes', 'none'][intdiv($seed, 5) % 5],
            'steps' => ['effect', 'sign'][intdiv($seed, 3) % 2],
            'stepLabels' => ['amount', 'share', 'both'][intdiv($seed, 2) % 3],
            'dots' => 0 === $seed % 3,
            'highlight' => ['2024-01', $figures->routes[0]],
        ];

        $table = Written::figures($figures->csv, RandomMembers::MAPPING);
        if ('statement' === $kind) {
            $roles = [LineRole::Adds, LineRole::TakesAway, LineRole::TakesAway, LineRole::Subtotal];
            $lines = array_map(static fn (int $i): LineRole => $roles[($i + 1) % 4], array_keys($figures->routes));
            $table = Written::grouped($table, 'Route', [], array_combine($figures->routes, $lines));
            $question = [...array_diff_key($question, array_flip(['order', 'top', 'bridge'])), 'by' => 'Route'];
            $question = [...$question, 'against' => [['BU'], ['PY', 'BU'], []][$seed % 3], 'each' => null];
            $question = array_filter($question, static fn ($part): bool => null !== $part);
        }

        return Drawing::of(Written::recipe($question, $finish, $kind), $table, ChartKinds::all());
    }
}
