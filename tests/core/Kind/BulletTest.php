<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Kind;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Near\BandForm;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Workings\Arithmetic\BandScale;
use KeenMargin\Core\Workings\Near\TargetedRowWriter;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Bullets against what was worked out by hand: value, target, band, and what is said. */
final class BulletTest extends TestCase
{
    private const SCORES = "Store,Value,Target\nNorth,72,80\nHolm,90,85\nSound,-5,85\nOuter,240,90\n";
    private const LIMITS = ['limits' => ['60', '75', '90', '100']];

    /** @return iterable<string, array{string, array<string, mixed>, list<string>, list<string>}> */
    public static function examples(): iterable
    {
        yield 'bands as limits: below the first, on one, beyond the last' => [
            self::SCORES,
            ['by' => 'Store', 'bands' => self::LIMITS],
            ['North 72 80 fair', 'Holm 90 85 excellent', 'Sound -5 85 poor', 'Outer 240 90 excellent'],
            ['past-the-bands'],
        ];
        yield 'the same as increments' => [
            self::SCORES,
            ['by' => 'Store', 'bands' => ['increments' => ['60', '15', '15', '10']]],
            ['North 72 80 fair', 'Holm 90 85 excellent', 'Sound -5 85 poor', 'Outer 240 90 excellent'],
            ['past-the-bands'],
        ];
        yield 'a last band that is open above' => [
            self::SCORES,
            ['by' => 'Store', 'bands' => ['limits' => ['60', '90'], 'names' => ['low', 'mid', 'high']]],
            ['North 72 80 mid', 'Holm 90 85 high', 'Sound -5 85 low', 'Outer 240 90 high'],
            [],
        ];
        yield 'in percent of the target of each' => [
            self::SCORES,
            ['by' => 'Store', 'bands' => ['percentOfTarget' => ['90', '100'], 'names' => ['short', 'near', 'there']]],
            ['North 72 80 near', 'Holm 90 85 there', 'Sound -5 85 short', 'Outer 240 90 there'],
            [],
        ];
        yield 'less is better: on a limit the lower band' => [
            "Route,Value,Target\nNorth,60,80\nHolm,75.01,75\nSound,101,75\n",
            ['by' => 'Route', 'better' => 'less', 'bands' => self::LIMITS],
            ['North 60 80 excellent', 'Holm 75.01 75 fair', 'Sound 101 75 poor'],
            ['past-the-bands'],
        ];
        yield 'one target for all, typed as a number' => [
            "Month,Route,Actual\n2026-01,North,5\n2026-01,Holm,8\n2026-02,Holm,-1\n",
            ['by' => 'Route', 'target' => '6', 'bands' => ['limits' => ['5', '7']]],
            ['North 5 6 good', 'Holm 7 6 good'],
            [],
        ];
        yield 'a target that is another measure' => [
            "Month,Route,Calls,Berths\n2026-01,North,5,6\n2026-02,North,4,6\n2026-01,Holm,8,6\n",
            ['measure' => 'Calls', 'by' => 'Route', 'target' => ['measure' => 'Berths']],
            ['North 9 12 –', 'Holm 8 6 –'],
            [],
        ];
        yield 'periods that only the budget covers are left out' => [
            "Month,Actual,Budget\n2026-01,5,6\n2026-02,7,6\n2026-03,,6\n",
            ['by' => 'quarter', 'target' => ['scenario' => 'BU'], 'against' => []],
            ['2026-Q1 12 12 –'],
            ['left-out-bu'],
        ];
        yield 'limits that came with the figures, each its own' => [
            "Route,Value,Target,Poor,Fair,Good\nNorth,72,80,60,75,100\nHolm,72,80,50,70,90\n",
            ['by' => 'Route'],
            ['North 72 80 Fair', 'Holm 72 80 Good'],
            [],
        ];
        yield 'an item without a target' => [
            "Month,Route,Actual,Target\n2026-01,North,5,6\n2026-01,Holm,8,\n",
            ['by' => 'Route', 'target' => ['scenario' => 'TG'], 'bands' => ['limits' => ['5', '9']]],
            ['North 5 6 good', 'Holm 8 – good'],
            [],
        ];
    }

    /**
     * @param array<string, mixed> $question
     * @param list<string> $rows `key value target band`
     * @param list<string> $fails ids of the checks that must not hold
     */
    #[DataProvider('examples')]
    public function testEachValueStandsBesideItsTargetInItsBand(
        string $csv,
        array $question,
        array $rows,
        array $fails,
    ): void {
        $drawing = self::drawing($csv, $question);
        $plain = static fn (?BigDecimal $amount): string => $amount?->strippedOfTrailingZeros()->toString() ?? '–';
        self::assertSame(
            $rows,
            array_map(
                static fn (Row $row): string => implode(' ', [
                    $row->key->id,
                    $plain($row->shown),
                    $plain($row->values['target'] ?? null),
                    $row->band() ?? '–',
                ]),
                $drawing->workings->table->rows,
            ),
        );
        $failed = array_filter($drawing->checks(), static fn (Check $check): bool => !$check->holds);
        self::assertSame($fails, array_values(array_map(static fn (Check $check): string => $check->id, $failed)));
    }

    public function testWhatItSays(): void
    {
        $workings = self::drawing(self::SCORES, ['by' => 'Store', 'bands' => self::LIMITS])->workings;
        self::assertSame(
            [
                'Amount: 2 of 4 reach their target.',
                "Farthest from it: Sound (\u{2212}90); best: Outer (+150).",
                'By band: 1 in “poor”, 1 in “fair” and 2 in “excellent”.',
            ],
            $workings->summary->texts(),
        );
        self::assertSame('2 of 4', $workings->summary->headline['amount']);
        self::assertSame(
            'AC against TG; poor to 60, fair to 75, good to 90, excellent to 100', $workings->context->says,
        );
        self::assertSame(['Sound', 'North', 'Holm', 'Outer'], array_column($workings->summary->movers, 'key'));
    }

    public function testAFractionJustBelowALimitIsBelowIt(): void
    {
        $bands = new Bands(BandForm::Limits, [BigDecimal::of(60), BigDecimal::of(75), BigDecimal::of(100)]);
        $scale = BandScale::maybe($bands, Better::More, null);
        self::assertNotNull($scale);
        $below = Fraction::of(BigDecimal::of('7499999999'), BigDecimal::of('100000000'));
        self::assertSame(['fair', 'good'], [$scale->name($below), $scale->name(BigDecimal::of(75))]);
    }

    public function testEveryValueIsInExactlyOneBandAndBandsRise(): void
    {
        mt_srand(17);
        for ($round = 0; $round < 300; ++$round) {
            $limits = [];
            $limit = BigDecimal::ofUnscaledValue(mt_rand(-500, 500), 1);
            for ($i = mt_rand(2, 5); $i > 0; --$i) {
                $limits[] = $limit;
                $limit = $limit->plus(BigDecimal::ofUnscaledValue(mt_rand(1, 400), mt_rand(0, 2)));
            }
            $better = Better::cases()[mt_rand(0, 1)];
            $scale = BandScale::maybe(new Bands(BandForm::Limits, $limits), $better, null);
            self::assertNotNull($scale);
            $places = [];
            $values = array_map(static fn (): BigDecimal => BigDecimal::of(mt_rand(-900, 2000)), range(1, 20));
            usort($values, static fn (BigDecimal $a, BigDecimal $b): int => $a->compareTo($b));
            foreach ($values as $value) {
                $places[] = $place = $scale->place($value);
                $isFirstFit = static fn (int $i): bool => Better::More === $better
                    ? $value->isLessThan($limits[$i])
                    : $value->isLessThanOrEqualTo($limits[$i]);
                $fits = array_values(array_filter(array_keys($limits), $isFirstFit));
                self::assertSame($fits[0] ?? \count($limits) - 1, $place);
            }
            $sorted = $places;
            sort($sorted);
            self::assertSame($sorted, $places, 'a larger value is in no lower band');
            self::assertSame(
                range(0, \count($limits) - 1),
                Better::More === $better
                    ? array_map($scale->quality(...), array_keys($limits))
                    : array_reverse(array_map($scale->quality(...), array_keys($limits))),
            );
        }
    }

    public function testWorkingsSayBandAndLimits(): void
    {
        $drawing = self::drawing(self::SCORES, ['by' => 'Store', 'bands' => self::LIMITS]);
        $holm = (new TargetedRowWriter())->numbers($drawing->workings->table->rows[1]);
        self::assertSame(['90', '85', 'excellent'], [$holm['value'], $holm['target'], $holm['band']]);
        self::assertSame(['60', '75', '90', '100'], $holm['limits']);
        self::assertStringStartsWith('{"target":{"amount":"5",', json_encode($holm['variance'], \JSON_THROW_ON_ERROR));
    }

    public function testARecipeIsWrittenAsItWasRead(): void
    {
        foreach (
            [['target' => '90'], ['target' => ['scenario' => 'TG']], ['target' => ['measure' => 'Amount']]] as $aim
        ) {
            $recipe = self::recipe([
                'by' => 'Store',
                ...$aim,
                'bands' => ['percentOfTarget' => ['90', '100'], 'names' => ['short', 'near', 'there']],
            ]);
            $read = RecipeReader::json($recipe, ChartKinds::all());
            $written = RecipeWriter::question($read->question);
            self::assertSame($aim['target'], $written['target']);
            self::assertSame(
                ['percentOfTarget' => ['90', '100'], 'names' => ['short', 'near', 'there']], $written['bands'],
            );
        }
    }

    /** @param array<string, mixed> $part */
    #[TestWith([['bands' => ['limits' => ['60', '60']]], 'question.bands.limits.1'])]
    #[TestWith([['bands' => ['limits' => ['90', '60']]], 'question.bands.limits.1'])]
    #[TestWith([['bands' => ['increments' => ['60', '0']]], 'question.bands.increments.1'])]
    #[TestWith([['bands' => ['limits' => ['60']]], 'question.bands'])]
    #[TestWith([['bands' => ['limits' => ['1', '2', '3', '4', '5', '6']]], 'question.bands'])]
    #[TestWith([['bands' => ['limits' => ['1', '2'], 'names' => ['a']]], 'question.bands.names'])]
    #[TestWith([['bands' => ['limits' => ['1', '2'], 'increments' => ['1', '2']]], 'question.bands'])]
    #[TestWith([['bands' => []], 'question.bands'])]
    #[TestWith([['target' => 'soon'], 'question.target'])]
    #[TestWith([['target' => ['scenario' => 'AC']], 'question.target.scenario'])]
    #[TestWith([['target' => ['measure' => 'Nothing']], 'question.target.measure'])]
    public function testWhatIsNoTargetAndWhatAreNoBandsIsRefused(array $part, string $path): void
    {
        try {
            self::drawing(self::SCORES, ['by' => 'Store', ...$part]);
            self::fail('It was not refused.');
        } catch (NotAccepted $fault) {
            self::assertSame($path, $fault->path);
        }
    }

    /** @param array<string, mixed> $question */
    private static function drawing(string $csv, array $question): Drawing
    {
        $recipe = RecipeReader::json(self::recipe($question), ChartKinds::all());

        return Drawing::of($recipe, Written::figures($csv), ChartKinds::all());
    }

    /** @param array<string, mixed> $question */
    private static function recipe(array $question): string
    {
        return json_encode(['keenMargin' => 1, 'question' => $question, 'kind' => 'bullet'], \JSON_THROW_ON_ERROR);
    }
}
