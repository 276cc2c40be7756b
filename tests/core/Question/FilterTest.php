<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Question;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Sentence\QuestionSentence;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class FilterTest extends TestCase
{
    private const CSV =
        "Month,Route,Completion,Revenue,Sailings\n2026-01,North,99,100,10\n2026-01,Holm,97.5,20,4\n".
        "2026-01,Outer,100,3,1\n2026-02,North,98,50,9\n2026-02,Holm,99.5,7,5\n";
    private const MAPPING = [
        'columns' => [
            'Month' => ['role' => 'period'],
            'Route' => ['role' => 'breakdown'],
            'Completion' => ['role' => 'breakdown'],
            'Revenue' => ['role' => 'amount', 'measure' => 'Revenue'],
            'Sailings' => ['role' => 'amount', 'measure' => 'Sailings'],
        ],
    ];

    /** @param list<array<string, mixed>> $where */
    #[DataProvider('filters')]
    public function testKeeps(array $where, ?string $total): void
    {
        self::assertSame(
            $total,
            Written::workings(
                self::CSV, ['measure' => 'Revenue', 'where' => $where], self::MAPPING,
            )->table->total->shown?->toString(),
        );
    }

    /** @return \Generator<string, array{list<array<string, mixed>>, ?string}> */
    public static function filters(): \Generator
    {
        yield 'one' => [[['field' => 'Route', 'in' => ['North']]], '150'];
        yield 'several' => [[['field' => 'Route', 'in' => ['North', 'Outer']]], '153'];
        yield 'all but' => [[['field' => 'Route', 'notIn' => ['North']]], '30'];
        yield 'completion below 99' => [[['field' => 'Completion', 'below' => '99']], '70'];
        yield 'completion from 99' => [[['field' => 'Completion', 'atLeast' => '99']], '110'];
        yield 'completion between' => [[['field' => 'Completion', 'atLeast' => '98', 'below' => '99.5']], '150'];
        yield 'none so low' => [[['field' => 'Completion', 'below' => '-5']], null];
        yield 'where another measure is small' => [[['field' => 'Sailings', 'below' => '5']], '23'];
        yield 'where the measure itself is large' => [[['field' => 'Revenue', 'atLeast' => '20']], '170'];
        yield 'both kinds together' => [
            [['field' => 'Route', 'in' => ['North', 'Holm']], ['field' => 'Completion', 'below' => '99']], '70',
        ];
    }

    #[TestWith([
        ['field' => 'Route', 'below' => '5'],
        'question.where[0].field: "Route" has no numbers of its own to be compared; there are Completion, '.
        'Revenue and Sailings.',
    ])]
    #[TestWith([['field' => 'Nothing', 'below' => '5'], 'question.where[0].field: "Nothing" has no numbers'])]
    #[TestWith([
        ['field' => 'Route', 'in' => ['South']],
        'question.where[0].in[0]: Route has no "South"; it has North, Holm and Outer.',
    ])]
    #[TestWith([['field' => 'Completion', 'below' => 'much'], 'where[0].below'])]
    #[TestWith([['field' => 'Completion'], 'Give one of "in" and "notIn"'])]
    #[TestWith([['field' => 'Completion', 'in' => ['99'], 'below' => '5'], 'Give one of "in" and "notIn"'])]
    public function testRefuses(mixed $filter, string $says): void
    {
        $this->expectException(NotAccepted::class);
        $this->expectExceptionMessage($says);
        Written::workings(self::CSV, ['measure' => 'Revenue', 'where' => [$filter]], self::MAPPING);
    }

    public function testTheQuestionSaysIt(): void
    {
        $figures = Written::figures(self::CSV, self::MAPPING);
        $say = static function (array $where) use ($figures): string {
            $recipe = Written::recipe(['measure' => 'Revenue', 'where' => $where]);
            $workings = Drawing::workings($recipe, $figures, ChartKinds::all());

            return implode(
                '',
                array_column(
                    QuestionSentence::of(
                        $recipe,
                        $figures->dataset(),
                        $workings->context->measure(),
                        $workings->context->better,
                        $workings->context->range,
                    ),
                    'text',
                ),
            );
        };
        self::assertStringEndsWith('flag no gaps, and …', $say([]), 'what is not set is reached at the end');
        self::assertStringContainsString(
            ' where completion is below 99 in', $say([['field' => 'Completion', 'below' => '99']]),
        );
    }
}
