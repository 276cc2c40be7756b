<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Kind;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Kind\ComparisonTable\TableRowWriter;
use KeenMargin\Core\Kind\ComparisonTable\TableWorkings;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Comparison tables against what was worked out by hand. */
final class ComparisonTableTest extends TestCase
{
    private const ROUTES =
        "Month,Route,Actual,Budget,Prior year\n".
        "2026-01,North,30,40,20\n2026-02,North,50,40,25\n".
        "2026-01,Holm,15,10,10\n2026-02,Holm,5,10,\n".
        "2026-01,Outer,-20,-10,5\n";

    /** @return iterable<string, array{list<string>, array<string, mixed>, list<string>}> */
    public static function examples(): iterable
    {
        yield 'amounts and variances' => [
            ['AC', 'BU', 'ΔBU', 'ΔBU %'],
            ['by' => 'Route'],
            ['North 80 80 0 0', 'Holm 20 20 0 0', 'Outer -20 -10 -10 -100', 'total 80 90 -10 -11.1111'],
        ];
        yield 'shares of the net total' => [
            ['AC', 'share'], ['by' => 'Route'], ['North 80 100', 'Holm 20 25', 'Outer -20 -25', 'total 80 100'],
        ];
        yield 'sorted by a variance, the largest first' => [
            ['AC', 'ΔPY'],
            ['by' => 'Route', 'sort' => 'ΔPY'],
            ['North 80 35', 'Holm 20 10', 'Outer -20 -25', 'total 80 20'],
        ];
        yield 'sorted by a percentage, the smallest first' => [
            ['ΔPY %', 'AC'],
            ['by' => 'Route', 'sort' => ['column' => 'ΔPY %', 'order' => 'smallest first']],
            ['Outer -500 -20', 'North 77.7778 80', 'Holm 100 20', 'total 33.3333 80'],
        ];
        yield 'two references, the second first' => [
            ['ΔPY', 'BU'], ['by' => 'Route'], ['North 35 80', 'Holm 10 20', 'Outer -25 -10', 'total 20 90'],
        ];
        yield 'progress on the way to the budget of the whole span' => [
            ['AC', 'progress'],
            ['by' => 'Route', 'goal' => ['scenario' => 'BU'], 'closedThrough' => '2026-01'],
            ['North 30 37.5', 'Holm 15 75', 'Outer -20 –', 'total 25 27.7778'],
        ];
        yield 'by month' => [['AC', 'ΔBU', 'trend'], ['by' => 'month'], ['2026-01 25 -15', '2026-02 55 5']];
        yield 'all together' => [['AC', 'BU', 'ΔBU'], [], ['all 80 90 -10']];
    }

    /**
     * @param list<string> $columns
     * @param array<string, mixed> $question
     * @param list<string> $rows key and the numbers of the columns
     */
    #[DataProvider('examples')]
    public function testColumnsSayTheNumbersOfRows(array $columns, array $question, array $rows): void
    {
        $drawing = self::drawing(['columns' => $columns, ...$question]);
        self::assertSame($rows, self::told($drawing));
    }

    public function testTrendsAreTheValuesOfTheSpan(): void
    {
        $drawing = self::drawing(['by' => 'Route', 'columns' => ['AC', 'trend']]);
        $holm = (new TableRowWriter())->numbers($drawing->workings->table->rows[1]);
        self::assertSame(['15', '5'], $holm['trend']);
        $outer = (new TableRowWriter())->numbers($drawing->workings->table->rows[2]);
        self::assertSame(['-20', null], $outer['trend']);
    }

    public function testSharesOfPartsWithBothSignsAreSaidSo(): void
    {
        $failing = array_filter(
            self::drawing(['by' => 'Route', 'columns' => ['AC', 'share']])->checks(),
            static fn (Check $check): bool => !$check->holds,
        );
        self::assertContains('both-signs', array_map(static fn (Check $check): string => $check->id, $failing));
    }

    public function testNarrowTablesBecomeNumbersAndThenLoseTheirLastColumns(): void
    {
        $columns = ['AC', 'BU', 'ΔBU', 'ΔBU %', 'PY', 'ΔPY', 'ΔPY %', 'share', 'trend'];
        $wide = self::drawing(['by' => 'Route', 'columns' => $columns], 1000);
        $narrow = self::drawing(['by' => 'Route', 'columns' => $columns], 360);
        self::assertSame([], self::words($wide, 'left-out'));
        self::assertCount(1, self::words($narrow, 'left-out'));
        self::assertContains('AC', self::words($narrow, 'tier-name'));
    }

    /** @param array<string, mixed> $question */
    #[TestWith([['columns' => ['AC', 'XX']], 'question.columns[1]: '])]
    #[TestWith([['columns' => ['AC', 'AC']], 'question.columns[1]: '])]
    #[TestWith([['columns' => ['ΔAC']], 'question.columns[0]: What is shown has no variance against itself.'])]
    #[TestWith([['columns' => ['BU %']], 'question.columns[0]: '])]
    #[TestWith([['columns' => [['column' => 'trend', 'as' => 'bar']]], 'question.columns[0].as: '])]
    #[TestWith([['sort' => 'size'], 'question.sort: '])]
    public function testWhatCannotBeAskedIsRefused(array $question, string $says): void
    {
        $this->expectException(NotAccepted::class);
        $this->expectExceptionMessage($says);
        self::drawing($question);
    }

    public function testARecipeIsWrittenAsItWasRead(): void
    {
        $question = [
            'scenario' => 'AC',
            'by' => 'Route',
            'columns' => ['AC', ['column' => 'ΔBU', 'as' => 'number'], 'ΔBU %', 'trend'],
            'sort' => ['column' => 'ΔBU', 'order' => 'smallest first'],
        ];
        self::assertSame($question, RecipeWriter::toArray(self::recipe($question, 880))['question']);
    }

    /** @return list<string> */
    private static function told(Drawing $drawing): array
    {
        $plain = static fn (?BigDecimal $amount): string => $amount?->strippedOfTrailingZeros()->toString() ?? '–';
        $columns = array_filter(
            $drawing->workings->context->columns,
            static fn (TableColumn $column): bool => 'trend' !== $column->name(),
        );

        return array_map(
            static fn (Row $row): string => implode(' ', [
                $row->key->id,
                ...array_map(
                    static fn (TableColumn $column): string => $plain(
                        TableWorkings::number($row, $column, $drawing->workings),
                    ),
                    $columns,
                ),
            ]),
            $drawing->workings->table->rows,
        );
    }

    /** @return list<string> */
    private static function words(Drawing $drawing, string $role): array
    {
        $words = [];
        foreach ($drawing->scene->marks() as $mark) {
            if ($mark instanceof Text && $role === $mark->role) {
                $words[] = $mark->text;
            }
        }

        return $words;
    }

    /** @param array<string, mixed> $question */
    private static function recipe(array $question, int $width): \KeenMargin\Core\Question\Recipe
    {
        $recipe = [
            'keenMargin' => 1,
            'question' => $question,
            'kind' => 'comparison-table',
            'finish' => ['width' => $width],
        ];

        return RecipeReader::json(json_encode($recipe, \JSON_THROW_ON_ERROR), ChartKinds::all());
    }

    /** @param array<string, mixed> $question */
    private static function drawing(array $question, int $width = 880): Drawing
    {
        return Drawing::of(self::recipe($question, $width), Written::figures(self::ROUTES), ChartKinds::all());
    }
}
