<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Chart;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What holds for every bullet, over random figures, from 360 to 1,920 points and up to 40 of them. */
final class BulletScenesTest extends TestCase
{
    use SceneProperties;

    private const WIDTHS = [360, 520, 640, 880, 1280, 1920];
    private const BANDS = [
        ['limits' => ['60', '75', '90', '100']],
        ['limits' => ['20', '90'], 'names' => ['low', 'mid', 'high']],
        ['increments' => ['30', '20', '20', '20', '10']],
        ['percentOfTarget' => ['90', '100'], 'names' => ['far from it', 'nearly', 'there']],
        null,
    ];

    /** @return iterable<string, array{int}> */
    public static function scenes(): iterable
    {
        for ($seed = 1; $seed <= 90; ++$seed) {
            yield "seed $seed" => [$seed];
        }
    }

    #[DataProvider('scenes')]
    public function testWhatHoldsForEveryBullet(int $seed): void
    {
        $drawing = self::random($seed);
        self::assertProper($drawing);
        $values = [];
        foreach (self::marks($drawing) as $mark) {
            if ($mark instanceof Rect && 'value' === $mark->role) {
                $values[(string) $mark->key] = $mark;
            }
        }
        $shown = array_filter($drawing->workings->table->rows, static fn (Row $row): bool => null !== $row->shown);
        self::assertCount(\count($shown), $values);
        $scales = array_filter($drawing->checks(), static fn (Check $check): bool => 'one-scale' === $check->id);
        foreach ($scales as $check) {
            self::assertTrue($check->holds, $check->says);
        }
        self::assertCount([] === $shown ? 0 : 1, $scales);
    }

    private static function random(int $seed): Drawing
    {
        mt_srand($seed);
        $isByMonth = 0 === mt_rand(0, 2);
        $csv = "Month,Route,Actual,Target,Budget\n";
        $sign = [1, 1, 1, -1][mt_rand(0, 3)];
        for ($route = mt_rand(1, 40); $route > 0; --$route) {
            $name = ['North', 'Holm and the outer skerries beyond it', 'Ø', '<b>bold</b>'][mt_rand(0, 3)]." $route";
            foreach ($isByMonth ? range(1, mt_rand(1, 12)) : [mt_rand(1, 12)] as $month) {
                $target = 0 === mt_rand(0, 5) ? '' : (string) mt_rand(0, 120);
                $actual = (string) ($sign * mt_rand(-20, 130));
                $csv .= \sprintf("2026-%02d,%s,%s,%s,%d\n", $month, $name, $actual, $target, mt_rand(10, 110));
            }
        }
        $question = [
            'by' => $isByMonth ? 'month' : 'Route',
            'target' => [['scenario' => 'TG'], '80', ['scenario' => 'BU'], '-10'][mt_rand(0, 3)],
            'bands' => self::BANDS[mt_rand(0, \count(self::BANDS) - 1)],
            'against' => 0 === mt_rand(0, 1) ? ['BU'] : [],
            'better' => ['more', 'less'][mt_rand(0, 1)],
        ];
        $recipe = json_encode(
            [
                'keenMargin' => 1,
                'question' => array_filter($question, static fn (mixed $part): bool => null !== $part),
                'kind' => 'bullet',
                'finish' => ['width' => self::WIDTHS[$seed % \count(self::WIDTHS)], 'turn' => 0 === mt_rand(0, 4)],
            ],
            \JSON_THROW_ON_ERROR,
        );

        return Drawing::of(RecipeReader::json($recipe, ChartKinds::all()), Written::figures($csv), ChartKinds::all());
    }
}
