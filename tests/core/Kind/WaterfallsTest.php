<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Kind;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Waterfalls against what was worked out by hand, row by row. */
final class WaterfallsTest extends TestCase
{
    /** @return iterable<string, array{WaterfallExample}> */
    public static function examples(): iterable
    {
        foreach (WaterfallExamples::all() as $name => $example) {
            yield $name => [$example];
        }
    }

    #[DataProvider('examples')]
    public function testARowBeginsAndEndsWhereItMust(WaterfallExample $example): void
    {
        $drawing = self::drawing($example);
        self::assertSame(
            $example->rows,
            array_map(
                static fn (Row $row): string => implode(' ', [
                    $row->key->id, $row->role->value, self::plain($row, 'from'), self::plain($row, 'to'),
                ]),
                $drawing->workings->table->rows,
            ),
        );
        $fails = array_filter($drawing->checks(), static fn (Check $check): bool => !$check->holds);
        self::assertSame(
            $example->fails,
            array_values(array_map(static fn (Check $check): string => $check->id, $fails)),
        );
    }

    public function testACostSavedIsAStepUp(): void
    {
        $workings = self::example('a bridge by lines, costs of both signs by scenario');
        $effects = array_map(static fn (Row $row): ?string => $row->effect?->value, $workings->table->rows);
        self::assertSame([null, 'unfavourable', 'favourable', 'unfavourable', null], $effects);
        self::assertSame(
            [
                'Result: from 340 (budget) to 320 (actual), '."\u{2212}20 (\u{2212}5.9 %).",
                "Most for it: Fuel (+40, 100.0 % of what went for it); most against it: Fares (\u{2212}50, 83.3 % of ".
                'what went against it).',
            ],
            array_map(
                static fn (string $text): string => str_replace(' in Jan 2026', '', $text),
                $workings->summary->texts(),
            ),
        );
    }

    public function testTheDocumentHasTheDriversAndTheRowsOfOpenedOnes(): void
    {
        $document = Written::document(self::example('volume, mix and rate'));
        self::assertSame(
            ['start' => '3000', 'volume' => '0', 'mix' => '-600', 'rate' => '180', 'end' => '2580'],
            $document['drivers'],
        );
        $rows = array_column((array) $document['rows'], null, 'key');
        self::assertSame('mix', array_column($rows, 'parent', 'key')['\\mix\\>A'] ?? null);
        self::assertArrayNotHasKey('drivers', Written::document(self::example('three totals')));
    }

    public function testSharesAreOfTheNetTotal(): void
    {
        $workings = self::example('members to a grand total');
        $shares = array_map(
            static fn (Row $row): ?string => $row->values['share']?->strippedOfTrailingZeros()->toString(),
            $workings->table->rows,
        );
        self::assertSame(['60', '50', '-10', '100'], $shares);
        self::assertContains(
            'both-signs',
            array_map(static fn (Check $check): string => $check->id, $workings->checks),
        );
        $nothing = Written::workings(
            "Month,Route,Actual\n2026-01,A,3\n2026-01,B,-3\n", ['by' => 'Route'], [], 'build-up',
        );
        self::assertNull($nothing->table->rows[0]->values['share'] ?? null);
    }

    public function testASummaryTellsWhereTheRunningTotalTurns(): void
    {
        self::assertContains(
            'The running total falls below nought at Crew and rises above nought at Freight.',
            self::example('a list whose running total falls below nought')->summary->texts(),
        );
        self::assertContains(
            'Unexplained: 10 that no step accounts for.',
            self::example('a stated end that does not tie')->summary->texts(),
        );
    }

    public function testAStatementStandsBesideItsReferences(): void
    {
        $csv = "Month,Line,Actual,Budget\n2026-01,Fares,900,950\n2026-01,Fuel,310,350\n";
        $figures = Written::grouped(
            Written::figures($csv),
            'Line',
            [],
            [
                'Fares' => \KeenMargin\Core\Figures\LineRole::Adds,
                'Fuel' => \KeenMargin\Core\Figures\LineRole::TakesAway,
            ],
        );
        $recipe = Written::recipe(['by' => 'Line', 'against' => ['BU']], [], 'statement');
        $workings = Drawing::workings($recipe, $figures, ChartKinds::all());
        $told = array_map(
            static fn (Row $row): string => implode(' ', [
                $row->does,
                $row->name,
                self::plain($row, 'to'),
                self::plain($row, 'BU to'),
                (string) $row->variances['BU']?->amount,
                (string) $row->variances['BU']?->effect->value,
            ]),
            $workings->table->rows,
        );
        self::assertSame(
            [
                '+ Fares 900 950 -50 unfavourable',
                "\u{2212} Fuel 590 600 40 favourable",
                '= Result 590 600 -10 unfavourable',
            ],
            $told,
        );
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function refusals(): iterable
    {
        $csv = "Month,Route,Actual,Budget\n2026-01,A,1,2\n";
        $bridge = ['from' => 'BU', 'to' => 'AC'];
        yield 'no ends' => [$csv, ['by' => 'Route'], 'question.bridge', 'leads from one total to another'];
        yield 'a running total' => [
            $csv,
            ['by' => 'month', 'bridge' => $bridge, 'cumulate' => 'year to date'],
            'question.cumulate',
            'is a running total itself',
        ];
        yield 'the same scenario twice' => [
            $csv,
            ['by' => 'Route', 'bridge' => ['from' => 'BU', 'to' => 'BU']],
            'question.bridge',
            'leads to another scenario',
        ];
        yield 'an unknown member' => [
            $csv,
            ['by' => 'month', 'bridge' => ['field' => 'Route', 'first' => 'A', 'second' => 'B']],
            'question.bridge.second',
            'Route has no "B"',
        ];
        yield 'members of the rows' => [
            "Month,Route,Actual\n2026-01,A,1\n2026-01,B,2\n",
            ['by' => 'Route', 'bridge' => ['field' => 'Route', 'first' => 'A', 'second' => 'B']],
            'question.by',
            'take another breakdown',
        ];
        yield 'an opened breakdown that is not there' => [
            $csv,
            ['by' => 'Route', 'bridge' => $bridge, 'opened' => [['step' => 'A', 'by' => 'Vessel']]],
            'question.opened[0].by',
            'There is no breakdown "Vessel"',
        ];
        yield 'groups of periods' => [
            $csv,
            ['by' => 'month', 'bridge' => $bridge, 'subtotals' => 'group'],
            'question.subtotals',
            'Periods stand in no groups',
        ];
        yield 'drivers that are not there' => [
            $csv,
            ['by' => 'Route', 'bridge' => $bridge, 'drivers' => ['volume' => 'Trips', 'value' => 'Actual']],
            'question.drivers.volume',
            'There is no measure "Trips"',
        ];
    }

    /** @param array<string, mixed> $question */
    #[DataProvider('refusals')]
    public function testWhatCannotBeAskedIsRefusedWithItsPath(
        string $csv,
        array $question,
        string $path,
        string $says,
    ): void {
        try {
            Written::workings($csv, $question, [], 'bridge');
        } catch (NotAccepted $e) {
            self::assertStringStartsWith("$path: ", $e->getMessage());
            self::assertStringContainsString($says, $e->getMessage());

            return;
        }
        self::fail('It was not refused.');
    }

    public function testWhatIsAveragedHasNoSteps(): void
    {
        $mapping = ['measures' => ['Score' => ['grouping' => 'average', 'overMembers' => 'average']]];
        $csv = "Month,Store,Score\n2026-01,A,80\n2026-01,B,90\n";
        $this->expectException(NotAccepted::class);
        $this->expectExceptionMessage('Score is not added up over members');
        Written::workings($csv, ['measure' => 'Score', 'by' => 'Store'], $mapping, 'build-up');
    }

    private static function example(string $name): Workings
    {
        foreach (WaterfallExamples::all() as $own => $example) {
            if ($own === $name) {
                return self::drawing($example)->workings;
            }
        }
        throw new \LogicException("There is no example \"$name\".");
    }

    private static function drawing(WaterfallExample $example): Drawing
    {
        $figures = Written::figures($example->csv, $example->mapping);
        $isStatement = [] !== $example->lines;
        if ($isStatement) {
            $figures = Written::grouped($figures, 'Line', $example->groups, $example->lines);
        }

        return Drawing::of(Written::recipe($example->question, [], $example->kind), $figures, ChartKinds::all());
    }

    private static function plain(Row $row, string $column): string
    {
        return $row->values[$column]?->strippedOfTrailingZeros()->toString() ?? '–';
    }
}
