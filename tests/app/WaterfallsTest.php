<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Waterfalls over HTTP and the store: what a row can become, and what explains a variance. */
final class WaterfallsTest extends TestCase
{
    private const FIGURES =
        "Month,Route,Class,Actual,Budget\n".
        "2026-07,North,Foot,50,20\n2026-07,Holm,Foot,23,20\n2026-07,Sound,Foot,19,20\n2026-07,Outer,Foot,21,20\n".
        "2026-08,North,Car,40,30\n2026-08,Holm,Car,30,30\n2026-08,Sound,Car,29,30\n2026-08,Outer,Car,31,30\n";
    private const BRIDGE = ['by' => 'Route', 'bridge' => ['from' => 'BU', 'to' => 'AC']];

    public function testOneLineSaysWhichBreakdownExplainsAVariance(): void
    {
        $id = Kept::made(self::FIGURES);
        $recipe = self::recipe(['by' => 'month', 'against' => ['BU']], 'variance-tiers');
        $answer = Server::send('POST', "/api/datasets/$id/explanations", ['recipe' => $recipe]);
        self::assertSame(200, $answer->status);
        self::assertSame('1 of 4 routes explains 93 %: North', $answer->at('explanations', 0, 'says'));
        $bridge = (array) $answer->at('explanations', 0, 'recipe', 'question');
        self::assertSame(['Route', ['from' => 'BU', 'to' => 'AC']], [$bridge['by'], $bridge['bridge']]);
        $drawn = Server::send('POST', "/api/datasets/$id/drawings", [
            'recipe' => $answer->at('explanations', 0, 'recipe'),
        ]);
        self::assertSame([200, 6], [$drawn->status, \count((array) $drawn->at('workings', 'rows'))]);
    }

    public function testWithoutAReferenceNothingIsExplained(): void
    {
        $id = Kept::made(self::FIGURES);
        $answer = Server::send('POST', "/api/datasets/$id/explanations", [
            'recipe' => self::recipe(['by' => 'month'], 'variance-tiers'),
        ]);
        self::assertSame([200, []], [$answer->status, $answer->at('explanations')]);
    }

    public function testWhatCanBeDoneWithAStepLeadsToACharThatStands(): void
    {
        $id = Kept::made(self::FIGURES);
        $recipe = self::recipe(self::BRIDGE, 'bridge');
        $about = Server::send('POST', "/api/datasets/$id/rows", ['recipe' => $recipe, 'row' => 'Holm']);
        self::assertSame(200, $about->status);
        $changes = self::changes($about);
        self::assertSame(
            ['Open by class', 'Open by quarter', 'Open by month', 'Subtotal after it', 'Gather all smaller ones'],
            array_keys($changes),
        );
        foreach ($changes as $label => $change) {
            $drawn = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => $change]);
            self::assertSame(200, $drawn->status, $label);
            self::assertSame([true], array_unique(array_column((array) $drawn->at('checks'), 'holds')), $label);
        }
        $opened = $changes['Open by class'];
        $closing = Server::send('POST', "/api/datasets/$id/rows", ['recipe' => $opened, 'row' => 'Holm']);
        self::assertSame($recipe['question'], self::plain(self::changes($closing)['Close it']['question'] ?? null));
        $within = Server::send('POST', "/api/datasets/$id/rows", ['recipe' => $opened, 'row' => 'Holm\\>Car']);
        self::assertSame([200, 'Holm: Car'], [$within->status, $within->at('label')]);
        $sources = Server::send('POST', "/api/datasets/$id/rows/sources", [
            'recipe' => $opened,
            'row' => 'Holm\\>Car',
            'scenario' => 'AC',
        ]);
        self::assertSame(200, $sources->status);
        self::assertCount(1, (array) $sources->at('files', 0, 'rows'));
    }

    public function testANamedChartFollowsWhenAMemberOfItsStepsIsRenamed(): void
    {
        $id = Kept::made(self::FIGURES);
        $question = [
            ...self::BRIDGE,
            'opened' => [
                ['step' => 'Holm', 'by' => 'Class'],
                ['step' => ['row' => 'Car', 'within' => ['Holm']], 'by' => 'month'],
            ],
            'subtotals' => ['Holm'],
        ];
        $chart = Server::send('POST', '/api/charts', [
            'dataset' => $id,
            'name' => 'Steps',
            'recipe' => self::recipe($question, 'bridge'),
        ]);
        self::assertSame(201, $chart->status);
        $dataset = Server::send('GET', "/api/datasets/$id");
        $place = array_search('Route', array_column((array) $dataset->at('breakdowns'), 'name'), true);
        $path = '/breakdowns/'.$dataset->int('breakdowns', (int) $place, 'id');
        $renamed = Kept::change('PATCH', $id, $path, ['rename' => 'Holm', 'to' => 'Holme']);
        self::assertSame(200, $renamed->status, $renamed->body);
        $kept = Server::send('GET', "/api/charts/{$chart->int('id')}");
        self::assertSame(['Holme'], $kept->at('recipe', 'question', 'subtotals'));
        self::assertSame('Holme', $kept->at('recipe', 'question', 'opened', 0, 'step'));
        self::assertSame(['Holme'], $kept->at('recipe', 'question', 'opened', 1, 'step', 'within'));
    }

    public function testAListThatSaysItsStartIsMetWithItsWaterfall(): void
    {
        $id = Kept::made("Step,Amount\nOpening,120\nFares,30\nFuel,-10\nClosing,150\n");
        $dataset = Server::send('GET', "/api/datasets/$id");
        self::assertTrue($dataset->at('isStaged'));
        $recipe = (array) $dataset->at('firstRecipe');
        $drawn = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => $recipe]);
        self::assertSame('bridge', $recipe['kind']);
        self::assertSame(['start', 'step', 'step', 'unexplained', 'end'], self::roles($drawn));
        // Other kinds leave the stated end out, which would count twice.
        $tiers = Server::send('POST', "/api/datasets/$id/drawings", [
            'recipe' => self::recipe(['by' => 'Step'], 'variance-tiers'),
        ]);
        self::assertSame(
            ['Opening', 'Fares', 'Fuel', 'total'], array_column((array) $tiers->at('workings', 'rows'), 'key'),
        );
    }

    public function testARowThatIsTheSumOfThoseBeforeItStaysTheEndWhenFiguresChange(): void
    {
        $id = Kept::made("Step,Amount\nNorth,120\nHolm,30\nSound,-10\nAll of them,140\n");
        $dataset = Server::send('GET', "/api/datasets/$id");
        self::assertTrue($dataset->at('isStaged'));
        self::assertSame('subtotal', $dataset->at('breakdowns', 0, 'roles', 'All of them'));
        self::assertSame('build-up', $dataset->at('firstRecipe', 'kind'));
        $recipe = ['recipe' => self::recipe(['by' => 'Step'], 'build-up')];
        $drawn = Server::send('POST', "/api/datasets/$id/drawings", $recipe);
        self::assertSame(['step', 'step', 'step', 'end'], self::roles($drawn));
        $edited = Server::send('POST', "/api/datasets/$id/edits", [
            'measure' => 'Amount',
            'by' => 'Step',
            'rows' => ['Holm'],
            'periods' => [['scenario' => 'AC']],
            'amounts' => [['31']],
        ]);
        self::assertSame(200, $edited->status, $edited->body);
        $again = Server::send('POST', "/api/datasets/$id/drawings", $recipe);
        self::assertSame(['step', 'step', 'step', 'unexplained', 'end'], self::roles($again));
    }

    public function testSourceRowsOfAStepBetweenTwoSpansAreOfBoth(): void
    {
        $id = Kept::made(self::FIGURES);
        $recipe = self::recipe(
            ['by' => 'Route', 'bridge' => ['fromPeriod' => '2026-07', 'toPeriod' => '2026-08']], 'bridge',
        );
        $sources = Server::send('POST', "/api/datasets/$id/rows/sources.csv", [
            'recipe' => $recipe,
            'row' => 'Holm',
            'scenario' => 'AC',
        ]);
        self::assertSame(200, $sources->status, $sources->body);
        self::assertStringContainsString('2026-07', $sources->body);
        self::assertStringContainsString('2026-08', $sources->body);
        self::assertStringNotContainsString('North', $sources->body);
    }

    /** @return list<mixed> */
    private static function roles(Answer $drawn): array
    {
        return array_column((array) $drawn->at('workings', 'rows'), 'role');
    }

    /** @return array<string, array<string, mixed>> recipes by what they are called */
    private static function changes(Answer $about): array
    {
        $changes = (array) $about->at('changes');

        return array_map(
            static fn (mixed $recipe): array => self::plain($recipe),
            array_combine(
                array_map(strval(...), array_filter(array_column($changes, 'label'), is_string(...))),
                array_column($changes, 'recipe'),
            ),
        );
    }

    /** @return array<string, mixed> without what is left to its default */
    private static function plain(mixed $entries): array
    {
        $plain = [];
        foreach (\is_array($entries) ? $entries : [] as $key => $value) {
            'scenario' === $key || ($plain[(string) $key] = $value);
        }

        return $plain;
    }

    /**
     * @param array<string, mixed> $question
     *
     * @return array<string, mixed>
     */
    private static function recipe(array $question, string $kind): array
    {
        return ['keenMargin' => 1, 'question' => $question, 'kind' => $kind];
    }
}
