<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Question;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Sentence\QuestionSentence;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Every slot of every kind, in good English. */
final class SentenceTest extends TestCase
{
    private static function figures(): FactTable
    {
        $csv = "Month,Route,Vessel class,Actual,Budget\n";
        foreach (['2025-12', '2026-01', '2026-02', '2026-03'] as $month) {
            foreach (['North', 'Holm', 'Sound', 'Skerry', 'Lowen'] as $i => $route) {
                $csv .= "$month,$route,".(0 === $i % 2 ? 'Small' : 'Large').",$i,3\n";
            }
        }

        return Written::figures($csv, ['measure' => 'Net revenue']);
    }

    /** @param array<string, mixed> $question */
    #[TestWith([
        [],
        'How did net revenue of all routes and all vessel classes in Dec 2025–Mar 2026 go, against nothing yet, '.
        'by month? More is better; flag no gaps.',
    ])]
    #[TestWith([['against' => ['BU']], '… compare with budget, by month? …'])]
    #[TestWith([['against' => ['BU', 'PY']], '… compare with budget and prior year, by month? …'])]
    #[TestWith([['where' => [['field' => 'Route', 'in' => ['North']]]], '… of North and all vessel classes in …'])]
    #[TestWith([
        ['where' => [['field' => 'Route', 'in' => ['North', 'Holm']]]],
        '… of North and Holm, and all vessel classes in …',
    ])]
    #[TestWith([
        ['where' => [['field' => 'Route', 'in' => ['North', 'Holm', 'Sound', 'Skerry', 'Lowen']]]],
        '… of North, Holm, Sound and 2 more, and all vessel classes in …',
    ])]
    #[TestWith([
        ['where' => [['field' => 'Route', 'notIn' => ['North']], ['field' => 'Vessel class', 'in' => ['Small']]]],
        '… of all routes but North and Small in …',
    ])]
    #[TestWith([['by' => 'Route', 'top' => 1], '… by route, the largest? …'])]
    #[TestWith([
        ['by' => 'Route', 'top' => 3, 'order' => 'smallest first'], '… by route, the 3 largest, smallest first? …',
    ])]
    #[TestWith([['by' => 'Route', 'each' => 'Vessel class'], '… by route, for each vessel class? …'])]
    #[TestWith([['by' => 'Route', 'sequence' => ['Holm']], '… by route, in an order of its own? …'])]
    #[TestWith([['cumulate' => 'year to date'], '… by month, year to date? …'])]
    #[TestWith([['span' => ['last' => 1, 'unit' => 'month']], '… in the last month go, …'])]
    #[TestWith([['span' => ['last' => 3, 'unit' => 'month']], '… in the last 3 months go, …'])]
    #[TestWith([['span' => ['previous' => 1, 'unit' => 'year']], '… in the previous year go, …'])]
    #[TestWith([['span' => ['previous' => 2, 'unit' => 'quarter']], '… in the previous 2 quarters go, …'])]
    #[TestWith([['span' => 'year to date'], '… in the year to date go, …'])]
    #[TestWith([['span' => ['from' => '2026-01', 'to' => '2026-01']], '… in Jan 2026 go, …'])]
    #[TestWith([['flag' => ['percent' => '5']], '… flag gaps over 5 %.'])]
    #[TestWith([['flag' => ['percent' => '2.5', 'amount' => '20000']], '… flag gaps over 2.5 % and 20 k.'])]
    #[TestWith([['better' => 'less'], '… Less is better; …'])]
    public function testItReads(array $question, string $sentence): void
    {
        self::assertMatchesRegularExpression(
            '/^'.str_replace('…', '.*', preg_quote($sentence, '/')).'$/u', self::said($question),
        );
    }

    public function testEachKindAsksInItsOwnWords(): void
    {
        self::assertSame(
            'How did net revenue of all vessel classes in Dec 2025–Mar 2026 differ between North and Holm, by month? '.
                'More is better; flag no gaps.',
            self::said(['between' => ['field' => 'Route', 'first' => 'North', 'second' => 'Holm']], 'hat'),
        );
        $seats = Written::figures("Month,Route,Seats sold,Seats offered\n2026-01,North,1,2\n");
        self::assertSame(
            'How full was seats sold of seats offered, for all routes, in Jan 2026, against a rate of 85 %, by '.
                'month? More is better; flag no gaps, and …',
            self::said(['used' => 'Seats sold', 'total' => 'Seats offered', 'target' => '85'], 'capacity-fill', $seats),
        );
        $list = Written::figures("Step,Amount\nFares,5\nFuel,3\n");
        self::assertSame(
            'How did amount of all steps go, against nothing yet, by step? More is better; flag no gaps.',
            self::said(['by' => 'Step'], 'variance-tiers', $list),
        );
        $beside = Written::figures("Month,Fares,Load\n2026-01,5,80\n");
        self::assertSame(
            'How did fares in Jan 2026 go, against nothing yet, by month? More is better; flag no gaps, and …',
            self::said(['measure' => 'Fares'], 'variance-tiers', $beside),
        );
        self::assertSame(
            'How did fares where load is at least 50 and below 90 in Jan 2026 go, against nothing yet, by month? '.
                'More is better; flag no gaps.',
            self::said(
                ['measure' => 'Fares', 'where' => [['field' => 'Load', 'atLeast' => '50', 'below' => '90']]],
                'variance-tiers',
                $beside,
            ),
        );
    }

    public function testWhereLessIsBetterAGoalIsSaidAsALimit(): void
    {
        $question = ['measure' => 'Net revenue', 'goal' => '200'];
        self::assertStringContainsString('on the way to 200,', self::said($question, 'thermometer'));
        self::assertStringContainsString(
            'on the way to the limit of 200,', self::said($question + ['better' => 'less'], 'thermometer'),
        );
    }

    /** @param array<string, mixed> $question */
    private static function said(array $question, string $kind = 'variance-tiers', ?FactTable $figures = null): string
    {
        $figures ??= self::figures();
        $recipe = Written::recipe($question, [], $kind);
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
    }
}
