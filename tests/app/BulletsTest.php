<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Bullets over HTTP and the store: lists with bands, what is typed, exports, renamed measures. */
final class BulletsTest extends TestCase
{
    private const SCORES = "Store,Value,Target,Poor,Fair,Good\nNorth,72,80,60,75,100\nHolm,81,85,60,75,100\n";
    private const CALLS = "Month,Route,Calls,Berths\n2026-01,North,5,6\n2026-01,Holm,8,6\n";

    public function testAListWithBandsIsMetWithItsBullets(): void
    {
        $id = Kept::made(self::SCORES, ['bands' => 'limits']);
        $recipe = (array) Server::send('GET', "/api/datasets/$id")->at('firstRecipe');
        self::assertSame('bullet', $recipe['kind']);
        $drawn = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => $recipe]);
        self::assertSame(200, $drawn->status, $drawn->body);
        self::assertStringStartsWith(
            'How near is amount of all stores to its target, with bands as given, by store?',
            implode('', array_filter(array_column((array) $drawn->at('sentence'), 'text'), is_string(...))),
        );
        self::assertSame(
            [['72', '80', 'Fair'], ['81', '85', 'Good']],
            array_map(
                static fn (int $row): array => array_map(
                    static fn (string $column): string => $drawn->text('workings', 'rows', $row, 'cells', $column),
                    ['shown', 'target', 'band'],
                ),
                [0, 1],
            ),
        );
        $csv = Server::send('POST', "/api/datasets/$id/workings.csv", ['recipe' => $recipe]);
        self::assertSame(200, $csv->status, $csv->body);
        self::assertStringContainsString('Fair', $csv->body);
    }

    public function testWhatIsTypedIntoGoalAndBandsIsUnderstood(): void
    {
        $id = Kept::made(self::CALLS);
        $recipe = self::recipe(['measure' => 'Calls', 'by' => 'Route']);
        $typed = static fn (string $slot, string $text): Answer => Server::send('POST', "/api/datasets/$id/slots", [
            'recipe' => $recipe,
            'slot' => $slot,
            'text' => $text,
        ]);
        self::assertSame(['target' => '6.5'], $typed('aim', '6.5')->at('change'));
        self::assertSame(['target' => ['measure' => 'Berths']], $typed('aim', 'berths')->at('change'));
        self::assertSame(
            ['bands' => ['limits' => ['5', '7'], 'names' => ['few', 'enough']]],
            $typed('bands', 'few 5, enough 7')->at('change'),
        );
        $refused = $typed('bands', '7, 5');
        self::assertSame(
            [422, 'Limits of bands must rise; 5 does not lie above 7.'], [$refused->status, $refused->at('detail')],
        );
    }

    public function testANamedChartFollowsWhenTheMeasureOfItsTargetIsRenamed(): void
    {
        $id = Kept::made(self::CALLS);
        $chart = Server::send('POST', '/api/charts', [
            'dataset' => $id,
            'name' => 'Calls '.bin2hex(random_bytes(3)),
            'recipe' => self::recipe(['measure' => 'Calls', 'by' => 'Route', 'target' => ['measure' => 'Berths']]),
        ]);
        self::assertSame(201, $chart->status, $chart->body);
        $measures = (array) Server::send('GET', "/api/datasets/$id")->at('measures');
        $berths = array_column($measures, 'id', 'name')['Berths'];
        Kept::change('PATCH', $id, "/measures/$berths", ['name' => 'Quays']);
        $kept = Server::send('GET', "/api/charts/{$chart->int('id')}");
        self::assertSame(['measure' => 'Quays'], $kept->at('recipe', 'question', 'target'));
    }

    public function testBandsOfAMeasureJudgeItsChartsFromTheirPeriodOn(): void
    {
        $id = Kept::made("Month,Route,Calls\n2026-01,North,5\n2026-01,Holm,8\n2026-02,North,5\n2026-02,Holm,8\n");
        $calls = self::measure($id);
        $bands = [
            ['limits' => ['6', '9'], 'names' => ['few', 'many']],
            ['increments' => ['4', '3'], 'names' => ['few', 'some', 'many'], 'from' => '2026-02'],
            ['limits' => ['4', '5'], 'names' => ['low', 'high'], 'field' => 'Route', 'member' => 'North'],
        ];
        $changed = Kept::change('PATCH', $id, "/measures/$calls", ['bands' => $bands]);
        self::assertSame(200, $changed->status, $changed->body);
        self::assertSame(
            ['limits' => ['4', '7'], 'names' => ['few', 'some', 'many'], 'from' => '2026-02'],
            Server::send('GET', "/api/datasets/$id")->at('measures', 0, 'bands', 1),
        );
        self::assertSame(['many', 'many'], self::bandsOf($id, ['by' => 'month', 'where' => [self::only('Holm')]]));
        self::assertSame(['high', 'many'], self::bandsOf($id, ['by' => 'Route']));

        $route = Server::send('GET', "/api/datasets/$id")->int('breakdowns', 0, 'id');
        Kept::change('PATCH', $id, "/breakdowns/$route", ['rename' => 'North', 'to' => 'Northern']);
        self::assertSame('Northern', Server::send('GET', "/api/datasets/$id")->at('measures', 0, 'bands', 2, 'member'));
        self::assertSame(['high', 'many'], self::bandsOf($id, ['by' => 'Route']));

        $copy = Server::send('POST', "/api/datasets/$id/copies");
        self::assertSame(['high', 'many'], self::bandsOf($copy->int('id'), ['by' => 'Route']));

        Server::send('POST', "/api/datasets/$id/undo");
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame([], Server::send('GET', "/api/datasets/$id")->at('measures', 0, 'bands'));
    }

    public function testBandsThatDoNotRiseAreNotKept(): void
    {
        $id = Kept::made(self::CALLS);
        $state = Server::send('GET', "/api/datasets/$id");
        $refused = Server::send(
            'PATCH',
            "/api/datasets/$id/measures/".self::measure($id),
            ['bands' => [['limits' => ['9', '6']]]],
            ['If-Match' => $state->header('ETag')],
        );
        self::assertSame(
            [422, 'Limits of bands must rise; 6 does not lie above 9.'], [$refused->status, $refused->at('detail')],
        );
    }

    /** @return array<string, mixed> */
    private static function only(string $route): array
    {
        return ['field' => 'Route', 'in' => [$route]];
    }

    private static function measure(int $dataset): int
    {
        return Server::send('GET', "/api/datasets/$dataset")->int('measures', 0, 'id');
    }

    /**
     * The bands that values are in.
     *
     * @param array<string, mixed> $question
     *
     * @return list<string>
     */
    private static function bandsOf(int $dataset, array $question): array
    {
        $recipe = self::recipe(['measure' => 'Calls', ...$question]);
        $drawn = Server::send('POST', "/api/datasets/$dataset/drawings", ['recipe' => $recipe]);
        self::assertSame(200, $drawn->status, $drawn->body);

        return array_map(
            static fn (int $row): string => $drawn->text('workings', 'rows', $row, 'cells', 'band'),
            array_keys((array) $drawn->at('workings', 'rows')),
        );
    }

    /**
     * @param array<string, mixed> $question
     *
     * @return array<string, mixed>
     */
    private static function recipe(array $question): array
    {
        return ['keenMargin' => 1, 'question' => $question, 'kind' => 'bullet'];
    }
}
