<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Chart;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Tests\core\RandomMembers;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Every kind over random figures with all troubles: texts apart, inside the canvas, one scale, sums that hold, the same
 * bytes.
 */
final class KindScenesTest extends TestCase
{
    use SceneProperties;

    private const KINDS = ['variance-tiers', 'nested-columns', 'target-marks', 'gap-line', 'hat', 'capacity-fill'];
    private const WIDTHS = [360, 520, 640, 880, 1280, 1920];

    /** @return iterable<string, array{int, string}> */
    public static function scenes(): iterable
    {
        foreach (self::KINDS as $k => $kind) {
            for ($seed = 1; $seed <= 46; ++$seed) {
                yield "$kind, seed $seed" => [$seed * 7 + $k, $kind];
            }
        }
    }

    #[DataProvider('scenes')]
    public function testWhatHoldsForEveryScene(int $seed, string $kind): void
    {
        $drawing = self::random($seed, $kind);
        self::assertProper($drawing);
        $this->assertSumsHold($drawing);
    }

    private function assertSumsHold(Drawing $drawing): void
    {
        $workings = $drawing->workings;
        foreach ($workings->checks as $check) {
            if (\in_array($check->id, ['rows-sum-to-total', 'running', 'parts-make-total'], true)) {
                self::assertTrue($check->holds, $check->says);
            }
        }
        if (null !== $workings->context->cumulate) {
            return;
        }
        foreach (
            'hat' === $workings->context->kind
                ? ['first', 'second']
                : ('capacity-fill' === $workings->context->kind ? ['used', 'total'] : ['AC', 'BU']) as $of
        ) {
            $parts = array_values(array_filter(array_map(
                static fn (Row $row) => $row->role->isPart() ? $row->values[$of] ?? null : null,
                $workings->table->rows,
            )));
            $total = $workings->table->total->values[$of] ?? null;
            if (null !== $total) {
                self::assertTrue(
                    Decimals::sum($parts)->isEqualTo($total), "$of: ".Decimals::sum($parts)." is not $total",
                );
            }
        }
    }

    public function testTheSameRecipeAndFiguresGiveTheSameBytes(): void
    {
        foreach (self::KINDS as $kind) {
            self::assertSame(
                (new SvgRenderer())->render(self::random(31, $kind)->scene),
                (new SvgRenderer())->render(self::random(31, $kind)->scene),
            );
        }
    }

    private static function random(int $seed, string $kind): Drawing
    {
        $isByRoute = 'gap-line' !== $kind && 0 === $seed % 2;
        $months = $isByRoute ? 1 + ($seed % 14) : [1, 2, 5, 12, 24, 36, 60][$seed % 7];
        $figures = new RandomMembers(
            $seed,
            $months,
            $isByRoute ? [1, 2, 5, 14, 60][intdiv($seed, 2) % 5] : 1 + ($seed % 3),
        );
        $question = array_filter(
            [
                'measure' => 'Used',
                'forecast' => 0 === $seed % 3 ? null : 'FC',
                'against' => 'capacity-fill' === $kind
                        ? [['TG'], ['BU'], []][$seed % 3]
                        : [['BU', 'PY'], ['TG'], ['PY', 'BU'], ['BU']][$seed % 4],
                'by' => $isByRoute ? 'Route' : 'month',
                'closedThrough' => $figures->closedThrough(),
                'better' => 0 === $seed % 5 ? 'less' : null,
                'flag' => ['percent' => '5'],
                'order' => $isByRoute
                    ? [null, 'largest first', 'smallest first', 'favourable first'][intdiv($seed, 2) % 4]
                    : null,
                'top' => $isByRoute && 0 === $seed % 4 ? 3 : null,
                'cumulate' => $isByRoute ? null : [null, null, 'year to date', 'moving'][$seed % 4],
                'each' => 0 === $seed % 5 ? ($isByRoute ? ('hat' === $kind ? null : 'Class') : 'Route') : null,
                'between' => 'hat' === $kind ? ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle'] : null,
                ...'capacity-fill' === $kind ? ['used' => 'Used', 'total' => 'Offered'] : [],
                'target' => 'capacity-fill' === $kind && 0 === $seed % 4 ? '85' : null,
            ],
            static fn ($part): bool => null !== $part,
        );
        $finish = array_filter(
            [
                'width' => self::WIDTHS[intdiv($seed, 6) % 6],
                'locale' => ['en', 'de', 'fr'][$seed % 3],
                'variance' => [null, 'amount', 'percent', 'both'][intdiv($seed, 3) % 4],
                'sameLength' => 0 !== $seed % 7,
                'gap' => 0 === $seed % 2,
                'mark' => 0 === $seed % 3 ? 'dot' : 'tick',
                'turn' => 1 === intdiv($seed, 4) % 3,
                'landing' => 0 !== $seed % 3,
                'cut' => 0 !== $seed % 6,
                'labels' => ['all', 'all', 'all', 'extremes', 'none'][intdiv($seed, 5) % 5],
                'highlight' => ['2024-01', $figures->routes[0]],
            ],
            static fn ($part): bool => null !== $part,
        );

        return Drawing::of(
            Written::recipe($question, $finish, $kind),
            Written::figures($figures->csv, RandomMembers::MAPPING),
            ChartKinds::all(),
        );
    }
}
