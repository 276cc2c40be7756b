<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Kind;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Workings\Near\GoalRowWriter;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Values on their way to goals against what was worked out by hand. */
final class GoalsTest extends TestCase
{
    /** Of the year, with a budget by month: 40 a month of North, 10 of Holm. */
    private const YEAR =
        "Month,Route,Actual,Budget\n".
        "2026-01,North,30,40\n2026-02,North,50,40\n2026-03,North,,40\n2026-04,North,,40\n".
        "2026-01,Holm,5,10\n2026-02,Holm,,10\n2026-03,Holm,,10\n2026-04,Holm,,10\n";
    private const RESERVE =
        "Date,Source,Contribution\n".
        "2026-01-28,Transfer,300\n2026-02-28,Transfer,450\n2026-02-10,Sale,200\n2026-03-30,Transfer,300\n";
    private const SPAN = ['from' => '2026-01', 'to' => '2026-12'];

    /** @return iterable<string, array{string, array<string, mixed>, list<string>, list<string>}> */
    public static function examples(): iterable
    {
        yield 'dated contributions to a goal: 1,250 of 2,000' => [
            self::RESERVE,
            ['goal' => '2000', 'span' => self::SPAN],
            // 90 of 365 days are over; nine months are left.
            ['all 1250 2000 62.5 750 0 493.150685 0 83.333333'],
            [],
        ];
        yield 'the same past its goal' => [
            self::RESERVE, ['goal' => '1000', 'span' => self::SPAN], ['all 1250 1000 125 0 250 246.575342 0 –'], [],
        ];
        yield 'behind its pace' => [
            self::RESERVE,
            ['goal' => '6000', 'span' => self::SPAN],
            ['all 1250 6000 20.8333 4750 0 1479.452055 229.452055 527.777778'],
            [],
        ];
        yield 'no pace' => [
            self::RESERVE,
            ['goal' => '2000', 'span' => self::SPAN, 'pace' => 'none'],
            ['all 1250 2000 62.5 750 0 – – 83.333333'],
            [],
        ];
        yield 'a goal of nought' => [
            self::RESERVE, ['goal' => '0', 'span' => self::SPAN], ['all 1250 0 – – – – – –'], ['goal-of-nought'],
        ];
        yield 'the budget of the whole span, paced as it was phased' => [
            self::YEAR,
            ['by' => 'Route', 'goal' => ['scenario' => 'BU'], 'closedThrough' => '2026-02'],
            ['North 80 160 50 80 0 80 0 40', 'Holm 5 40 12.5 35 0 20 15 17.5'],
            [],
        ];
        yield 'what was budgeted and never came counts as nothing' => [
            "Month,Route,Actual,Budget\n2026-01,North,30,40\n2026-01,Holm,,10\n",
            ['by' => 'Route', 'goal' => ['scenario' => 'BU']],
            ['North 30 40 75 10 0 40 10 –', 'Holm – 10 0 10 0 10 10 –'],
            [],
        ];
        yield 'shares of the total' => [
            self::YEAR,
            ['by' => 'Route', 'goal' => 'total'],
            ['North 80 85 94.1176 5 0 – – –', 'Holm 5 85 5.8824 80 0 – – –'],
            [],
        ];
        yield 'shares of a net total where parts have both signs' => [
            "Month,Route,Actual\n2026-01,North,30\n2026-01,Outer,-10\n",
            ['by' => 'Route', 'goal' => 'total'],
            ['North 30 20 150 0 10 – – –', 'Outer -10 20 -50 30 0 – – –'],
            ['both-signs'],
        ];
        yield 'goals of a list, each its own; one has none, one has nothing yet' => [
            "Item,Value,Goal\nTraining,46,50\nPasses,5400,5000\nRepairs,2,\nDocks,,4\n",
            ['measure' => 'Amount', 'by' => 'Item'],
            [
                'Training 46 50 92 4 0 – – –', 'Passes 5400 5000 108 0 400 – – –', 'Repairs 2 – – – – – – –',
                'Docks – 4 0 4 0 – – –',
            ],
            ['without-goal'],
        ];
        yield 'the farthest along first; what has no goal last' => [
            "Item,Value,Goal\nTraining,46,50\nRepairs,2,\nPasses,5400,5000\n",
            ['measure' => 'Amount', 'by' => 'Item', 'order' => 'largest first'],
            ['Passes 5400 5000 108 0 400 – – –', 'Training 46 50 92 4 0 – – –', 'Repairs 2 – – – – – – –'],
            ['without-goal'],
        ];
        yield 'quarters, each on its way to its own budget' => [
            self::YEAR,
            ['by' => 'quarter', 'goal' => ['scenario' => 'BU'], 'closedThrough' => '2026-02', 'pace' => 'elapsed'],
            ['2026-Q1 85 150 56.6667 65 0 100 15 –', '2026-Q2 – 50 – – – – – –'],
            ['none-missing'],
        ];
    }

    /**
     * @param array<string, mixed> $question
     * @param list<string> $rows `key value goal percent remaining over pace behind needed`
     * @param list<string> $fails ids of the checks that must not hold
     */
    #[DataProvider('examples')]
    public function testEachRowSaysHowFarItIs(string $csv, array $question, array $rows, array $fails): void
    {
        $drawing = self::drawing($csv, $question, 'progress');
        self::assertSame($rows, self::told($drawing));
        $failing = array_filter($drawing->checks(), static fn (Check $check): bool => !$check->holds);
        self::assertSame($fails, array_values(array_map(static fn (Check $check): string => $check->id, $failing)));
    }

    public function testAnEstimateSaysItsRule(): void
    {
        $drawing = self::drawing(self::RESERVE, ['goal' => '2000', 'span' => self::SPAN], 'thermometer');
        // 300, 650 and 300 in three months: 416.67 a month; 750 take two of them.
        $row = $drawing->workings->table->rows[0];
        self::assertSame(
            ['period' => '2026-05', 'last' => 3, 'rate' => '416.666667'],
            (new GoalRowWriter())->numbers($row)['expected'],
        );
        self::assertStringContainsString(
            'At the rate of the last 3 contributions (Jan–Mar 2026, 417 a month) it would be reached in May 2026: '.
                'an estimate.',
            implode(' ', $drawing->workings->summary->texts()),
        );
    }

    #[TestWith(["2026-01-01,300\n2026-05-01,300\n", '2026-05', '120', '2026-11'])]
    #[TestWith(["2026-01-01,300\n2026-02-01,-300\n", '2026-02', '0', null])]
    #[TestWith(["2026-01-01,100\n2026-02-01,100\n2026-03-01,100\n2026-04-01,400\n", '2026-04', '200', '2026-07'])]
    public function testMonthsWithoutContributionsCount(string $csv, string $to, string $rate, ?string $reached): void
    {
        $drawing = self::drawing("Date,Amount\n$csv", ['goal' => '1300', 'span' => self::SPAN], 'thermometer');
        $estimate = $drawing->workings->table->rows[0]->estimate;
        self::assertSame(
            [$to, $rate, $reached], [$estimate?->to->key(), $estimate?->rate->toString(), $estimate?->reached?->key()],
        );
    }

    public function testLayersComeToTheirValue(): void
    {
        $drawing = self::drawing(
            self::RESERVE, ['goal' => '2000', 'layers' => 'Source', 'span' => self::SPAN], 'thermometer',
        );
        $layers = array_values(
            array_filter($drawing->workings->table->rows, static fn (Row $row): bool => null !== $row->parent),
        );
        self::assertSame(
            [['Transfer', '1050'], ['Sale', '200']],
            array_map(static fn (Row $row): array => [$row->name, $row->shown?->toString()], $layers),
        );
        $checks = array_map(static fn (Check $check): string => $check->id, $drawing->checks());
        self::assertContains('layers-sum', $checks);
    }

    /** @param array<string, mixed> $question */
    #[TestWith([['goal' => 'total'], 'question.goal: All together is the whole of the total'])]
    #[TestWith([['goal' => ['measure' => 'Hopes']], 'question.goal.measure: There is no measure "Hopes"'])]
    #[TestWith([['goal' => ['scenario' => 'AC']], 'question.goal.scenario: What is shown cannot be its own goal'])]
    #[TestWith([['goal' => '9', 'layers' => 'Kind'], 'question.layers: There is no breakdown "Kind"'])]
    #[TestWith([['goal' => '9', 'by' => 'Source', 'layers' => 'Source'], 'question.layers: Layers need another'])]
    #[TestWith([['milestones' => ['50', '25']], 'question.milestones: '])]
    #[TestWith([['pace' => 'brisk'], 'question.pace: '])]
    public function testWhatCannotBeAskedIsRefused(array $question, string $says): void
    {
        $this->expectException(NotAccepted::class);
        $this->expectExceptionMessage($says);
        self::drawing(self::RESERVE, $question, 'thermometer');
    }

    public function testARecipeIsWrittenAsItWasRead(): void
    {
        $question = [
            'scenario' => 'AC',
            'by' => 'Source',
            'goal' => ['scenario' => 'BU'],
            'milestones' => ['10', '90'],
            'pace' => 'elapsed',
            'layers' => 'Kind',
        ];
        $json = json_encode(
            ['keenMargin' => 1, 'question' => $question, 'kind' => 'thermometer', 'finish' => ['scale' => 'target']],
            \JSON_THROW_ON_ERROR,
        );
        $written = RecipeWriter::toArray(RecipeReader::json($json, ChartKinds::all()));
        self::assertSame($question, $written['question']);
        self::assertSame(['scale' => 'target'], $written['finish']);
    }

    /** @return list<string> */
    private static function told(Drawing $drawing): array
    {
        $plain = static fn (?BigDecimal $amount): string => $amount?->strippedOfTrailingZeros()->toString() ?? '–';
        $keys = ['goal', 'percent', 'remaining', 'over', 'pace', 'behind', 'needed'];

        return array_map(
            static fn (Row $row): string => implode(' ', [
                $row->key->id,
                $plain($row->shown),
                ...array_map(static fn (string $key): string => $plain($row->values[$key] ?? null), $keys),
            ]),
            $drawing->workings->table->rows,
        );
    }

    /** @param array<string, mixed> $question */
    private static function drawing(string $csv, array $question, string $kind): Drawing
    {
        $recipe = json_encode(['keenMargin' => 1, 'question' => $question, 'kind' => $kind], \JSON_THROW_ON_ERROR);

        return Drawing::of(RecipeReader::json($recipe, ChartKinds::all()), Written::figures($csv), ChartKinds::all());
    }
}
