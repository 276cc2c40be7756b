<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Tests\core\RandomFigures;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class HttpTest extends TestCase
{
    private const CSV = "Month,Route,Actual,Budget\n2026-01,North,302.10,310\n2026-01,Holm,0.2,1\n".
        "2026-02,North,311,298\n";
    private const RECIPE = [
        'keenMargin' => 1,
        'question' => ['against' => ['BU'], 'by' => 'month'],
        'kind' => 'variance-tiers',
    ];

    private static function dataset(string $csv = self::CSV): int
    {
        $reading = Server::upload('figures.csv', $csv);
        self::assertSame(201, $reading->status, $reading->body);
        $made = Server::send('POST', '/api/datasets', ['reading' => $reading->text('id'), 'name' => 'Example']);
        self::assertSame(201, $made->status, $made->body);

        return $made->int('id');
    }

    public function testFromAFileToADrawnChart(): void
    {
        $reading = Server::upload('net-revenue.csv', self::CSV);
        self::assertSame(
            ['net-revenue.csv', 'Net revenue', 3],
            [$reading->at('name'), $reading->at('suggestedName'), $reading->at('rowCount')],
        );
        self::assertSame(['role' => 'amount', 'scenario' => 'BU'], $reading->at('mapping', 'columns', 'Budget'));
        $mapping = ['measure' => 'Net revenue'];
        $trial = Server::send('POST', '/api/readings/'.$reading->text('id').'/trials', ['mapping' => $mapping]);
        self::assertSame(
            [true, 6, 'Jan–Feb 2026'], [$trial->at('accepted'), $trial->at('facts'), $trial->at('periods')],
        );
        $dataset = Server::send('POST', '/api/datasets', [
            'reading' => $reading->text('id'),
            'name' => 'Revenue',
            'organisation' => 'Brackwater Ferries',
            'mapping' => $mapping,
        ]);
        self::assertSame('2026-02', $dataset->at('closing'));
        $drawing = Server::send('POST', '/api/datasets/'.$dataset->int('id').'/drawings', [
            'recipe' => $dataset->at('firstRecipe'),
        ]);
        self::assertSame(200, $drawing->status, $drawing->body);
        self::assertSame('How did ', $drawing->at('sentence', 0, 'text'));
        self::assertSame(
            ['302', '311'],
            [$drawing->at('workings', 'rows', 0, 'cells', 'AC'), $drawing->at('workings', 'rows', 1, 'cells', 'AC')],
        );
    }

    public function testTheFirstRowsOfALongTableComeAlone(): void
    {
        $csv = "Month,Customer,Actual,Budget\n";
        for ($customer = 1; $customer <= 60; ++$customer) {
            $csv .= \sprintf("2026-01,Customer %d,%d,%d\n", $customer, 1000 - $customer, 900);
        }
        $question = ['by' => 'Customer', 'against' => ['BU'], 'sort' => ['column' => 'AC']];
        $recipe = ['keenMargin' => 1, 'question' => $question, 'kind' => 'comparison-table'];
        $address = '/api/datasets/'.self::dataset($csv).'/drawings';
        $whole = Server::send('POST', $address, ['recipe' => $recipe]);
        $first = Server::send('POST', $address, ['recipe' => $recipe, 'rows' => 12]);
        self::assertSame([61, 0], [\count($whole->list('workings', 'rows')), $whole->at('workings', 'more')]);
        self::assertSame(49, $first->at('workings', 'more'));
        self::assertSame(\array_slice($whole->list('workings', 'rows'), 0, 12), $first->list('workings', 'rows'));
        self::assertSame($whole->at('workings', 'sums'), $first->at('workings', 'sums'));
        self::assertSame($whole->at('scene', 'height'), $first->at('scene', 'height'));
        self::assertSame(\array_slice($whole->list('scene', 'regions'), 0, 12), $first->list('scene', 'regions'));
        $columns = ['kind' => 'variance-tiers', 'question' => ['by' => 'Customer', 'against' => ['BU']]] + $recipe;
        $chart = Server::send('POST', $address, ['recipe' => $columns, 'rows' => 2]);
        self::assertSame(0, $chart->at('workings', 'more'));
        $refused = Server::send('POST', $address, ['recipe' => $recipe, 'rows' => 0]);
        self::assertSame([422, 'rows'], [$refused->status, $refused->at('path')]);
    }

    public function testStoredFiguresAnswerExactlyAsFiguresInMemory(): void
    {
        for ($seed = 1; $seed <= 12; ++$seed) {
            $csv = (new RandomFigures($seed, 3 * $seed))->csv();
            $id = self::dataset($csv);
            $question = ['forecast' => 'FC', 'against' => ['BU', 'PY'], 'by' => 'quarter'];
            $recipe = ['keenMargin' => 1, 'question' => $question, 'kind' => 'variance-tiers'];
            $kept = Server::send('POST', "/api/datasets/$id/workings", ['recipe' => $recipe]);
            self::assertSame(200, $kept->status, $kept->body);
            $told = Written::document(
                Drawing::of(
                    RecipeReader::json(json_encode($recipe, \JSON_THROW_ON_ERROR), ChartKinds::all()),
                    Written::figures($csv),
                    ChartKinds::all(),
                )->workings,
            );
            $total = $told['total'];
            \assert(\is_array($total));
            $lines = explode("\r\n", trim($kept->body));
            $shown = explode(',', $lines[\count($lines) - 1])[
                (int) array_search('Shown', explode(',', $lines[0]), true)
            ];
            \assert(\is_string($total['shown']));
            self::assertTrue(\Brick\Math\BigDecimal::of($shown)->isEqualTo($total['shown']), "seed $seed");
        }
    }

    public function testARefusedFileLeavesNothingBehind(): void
    {
        $before = Server::kept();
        $reading = Server::upload('bad.csv', "Month,Actual\n2026-01,5\n2026-02,1.2.3\n");
        $refused = Server::send('POST', '/api/datasets', ['reading' => $reading->text('id'), 'name' => 'Bad']);
        self::assertSame([422, 'application/problem+json'], [$refused->status, $refused->header('Content-Type')]);
        self::assertSame(
            'Row 3: "1.2.3" is not a number. Mend it in the file, or leave the row out.', $refused->at('detail'),
        );
        self::assertSame(3, $refused->at('refusals', 0, 'row'));
        self::assertSame($before, Server::kept());
    }

    public function testAmountsThatCannotBeKeptExactlyAreRefused(): void
    {
        $reading = Server::upload('wide.csv', "Month,Actual\n2026-01,123456789012345678\n2026-02,0.1234567890\n");
        $refused = Server::send('POST', '/api/datasets', ['reading' => $reading->text('id'), 'name' => 'Wide']);
        self::assertSame(422, $refused->status);
        self::assertStringContainsString('too many digits', $refused->text('detail'));
    }

    public function testTheClosingPeriodMovesForAllChartsOfTheDataset(): void
    {
        $id = self::dataset();
        $before = Server::send('GET', "/api/datasets/$id")->header('ETag');
        $moved = Server::send('PATCH', "/api/datasets/$id", ['closedThrough' => '2026-01'], ['If-Match' => $before]);
        self::assertSame('2026-01', $moved->at('closing'));
        self::assertSame(
            'Jan 2026',
            Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => self::RECIPE])->at('closing', 'label'),
        );
        $stale = Server::send('PATCH', "/api/datasets/$id", ['closedThrough' => '2026-02'], ['If-Match' => $before]);
        self::assertSame([412, $moved->at('version')], [$stale->status, $stale->at('current', 'version')]);
        self::assertSame(428, Server::send('PATCH', "/api/datasets/$id", ['closedThrough' => '2026-02'])->status);
        self::assertSame(
            'closedThrough',
            Server::send(
                'PATCH', "/api/datasets/$id", ['closedThrough' => '2026-Q1'], ['If-Match' => $moved->header('ETag')],
            )->at('path'),
        );
    }

    public function testChartsAreNamedKeptChangedAndDeleted(): void
    {
        $id = self::dataset();
        $made = Server::send('POST', '/api/charts', [
            'dataset' => $id,
            'name' => 'Ours <script>',
            'recipe' => self::RECIPE,
        ]);
        self::assertSame(201, $made->status, $made->body);
        $path = '/api/charts/'.$made->int('id');
        $changed = Server::send(
            'PUT',
            $path,
            [
                'name' => 'Ours',
                'recipe' => ['keenMargin' => 1, 'question' => ['by' => 'quarter'], 'kind' => 'variance-tiers'],
            ],
            ['If-Match' => $made->header('ETag')],
        );
        self::assertSame(
            ['Ours', 'quarter', 2],
            [$changed->at('name'), $changed->at('recipe', 'question', 'by'), $changed->at('version')],
        );
        self::assertSame(
            412,
            Server::send('PUT', $path, ['name' => 'Theirs', 'recipe' => self::RECIPE], ['If-Match' => '"1"'])->status,
        );
        $picture = Server::send('GET', "$path/picture.svg");
        self::assertSame([200, 'image/svg+xml'], [$picture->status, $picture->header('Content-Type')]);
        self::assertStringContainsString('@font-face', $picture->body);
        self::assertSame(
            'recipe.question.scenario',
            Server::send('POST', '/api/charts', [
                'dataset' => $id,
                'name' => 'x',
                'recipe' => ['keenMargin' => 1, 'question' => ['scenario' => 'TG'], 'kind' => 'variance-tiers'],
            ])->at('path'),
        );
        self::assertSame(204, Server::send('DELETE', $path, null, ['If-Match' => '"2"'])->status);
        self::assertSame(404, Server::send('GET', $path)->status);
    }

    public function testExportsBearTheChartsName(): void
    {
        $id = self::dataset();
        $svg = Server::send('POST', "/api/datasets/$id/pictures", ['recipe' => self::RECIPE]);
        self::assertStringContainsString(
            'filename=example-amount-jan-feb-2026-ac-against-bu.svg', $svg->header('Content-Disposition'),
        );
        $csv = Server::send('POST', "/api/datasets/$id/workings", ['recipe' => self::RECIPE]);
        self::assertSame(
            'Period,AC,BU,Shown,Variance BU,Variance BU %,Effect BU,Flagged BU,Compared BU,Absent '.
                "BU\r\n2026-01,302.30,311.00,302.30,-8.70,-2.7974,unfavourable,no,all,\r\n".
                "2026-02,311.00,298.00,311.00,13.00,4.3624,favourable,no,all,\r\n".
                "Total,613.30,609.00,613.30,4.30,0.7061,favourable,no,all,\r\n",
            $csv->body,
        );
    }

    /**
     * @return iterable<string, array{
     *     string, string, string|array<string, mixed>|null, array<string, string>, int, string,
     * }>
     */
    public static function refused(): iterable
    {
        $json = ['Content-Type' => 'application/json'];
        yield 'another origin' => [
            'POST',
            '/api/readings',
            ['text' => 'x'],
            ['Origin' => 'https://elsewhere.example'] + $json,
            403,
            'another origin',
        ];
        yield 'another site' => [
            'POST', '/api/readings', ['text' => 'x'], ['Sec-Fetch-Site' => 'cross-site'] + $json, 403, 'another origin',
        ];
        yield 'another host' => ['GET', '/api/datasets', null, ['Host' => 'evil.example'], 400, ''];
        yield 'no such address' => ['GET', '/api/nothing', null, [], 404, 'There is nothing at this address.'];
        yield 'no such dataset' => ['GET', '/api/datasets/999999', null, [], 404, 'There is no dataset 999999.'];
        yield 'wrong method' => ['DELETE', '/api/datasets', null, [], 405, 'This cannot be done here.'];
        yield 'not JSON' => ['POST', '/api/datasets', '{', $json, 422, 'This is not JSON'];
        yield 'no JSON at all' => [
            'POST', '/api/datasets', 'x', ['Content-Type' => 'text/plain'], 415, 'application/json',
        ];
        yield 'unknown key' => [
            'POST', '/api/datasets', ['reading' => 'a', 'nmae' => 'b'], $json, 422, 'This key is not known',
        ];
        yield 'a reading that is gone' => [
            'POST', '/api/datasets', ['reading' => str_repeat('a', 24), 'name' => 'b'], $json, 410, 'no longer here',
        ];
        yield 'a reading with a path in it' => [
            'POST',
            '/api/datasets',
            ['reading' => '../../etc/passwd', 'name' => 'b'],
            $json,
            404,
            'There is no such reading.',
        ];
        yield 'a reading that is not there' => [
            'GET', '/api/readings/'.str_repeat('b', 24), null, [], 410, 'no longer here',
        ];
        yield 'no page' => ['GET', '/api/charts?page=-1', null, [], 400, 'page'];
        yield 'an empty paste' => ['POST', '/api/readings', ['text' => ' '], $json, 422, 'The file is empty.'];
        yield 'an id in digits of another script' => [
            'GET', '/api/datasets/%D9%A1', null, [], 404, 'nothing at this address',
        ];
        yield 'an id that is too long' => [
            'GET', '/api/datasets/12345678901234567890', null, [], 404, 'nothing at this address',
        ];
        yield 'a method in a header' => [
            'POST',
            '/api/charts/1',
            null,
            ['X-HTTP-Method-Override' => 'DELETE', 'If-Match' => '"1"'],
            405,
            'cannot be done',
        ];
        yield 'a safe method in a header, from elsewhere' => [
            'POST',
            '/api/readings',
            ['text' => 'x'],
            ['X-HTTP-Method-Override' => 'GET', 'Origin' => 'https://elsewhere.example'] + $json,
            403,
            'another origin',
        ];
        yield 'deep nesting' => ['POST', '/api/datasets', str_repeat('[', 5000), $json, 422, 'This is not JSON'];
        yield 'out of the build folder' => ['GET', '/build/..%2f..%2f.env', null, [], 404, ''];
    }

    /**
     * @param string|array<string, mixed>|null $body
     * @param array<string, string> $headers
     */
    #[DataProvider('refused')]
    public function testWhatIsWrongIsRefusedWithoutShowingTheInside(
        string $method,
        string $path,
        string|array|null $body,
        array $headers,
        int $status,
        string $says,
    ): void {
        $answer = Server::send($method, $path, $body, $headers);
        // The front refuses a path that leads out of the site before the application sees it.
        self::assertContains($answer->status, str_contains($path, '..') ? [400, $status] : [$status], $answer->body);
        self::assertSame('application/problem+json', $answer->header('Content-Type'));
        self::assertStringContainsString($says, $answer->text('detail'));
        self::assertDoesNotMatchRegularExpression('/KeenMargin|vendor|\.php|Stack/', $answer->body);
    }

    public function testEveryAnswerBearsTheSafeHeaders(): void
    {
        foreach (['/', '/api/datasets', '/api/nothing'] as $path) {
            $answer = Server::send('GET', $path);
            self::assertStringContainsString("script-src 'self'", $answer->header('Content-Security-Policy'));
            self::assertStringNotContainsString('unsafe', $answer->header('Content-Security-Policy'));
            self::assertSame(
                ['nosniff', 'DENY', ''],
                [
                    $answer->header('X-Content-Type-Options'),
                    $answer->header('X-Frame-Options'),
                    $answer->header('X-Powered-By'),
                ],
            );
        }
    }

    public function testEveryRouteIsDocumented(): void
    {
        $documented = json_decode(Server::send('GET', '/api/docs')->body, true);
        \assert(\is_array($documented) && \is_array($documented['paths']));
        $routes = [];
        foreach (glob(__DIR__.'/../../app/Http/{,*/}*Controller.php', \GLOB_BRACE) ?: [] as $file) {
            $name = substr((string) strstr($file, 'Http/'), \strlen('Http/'), -\strlen('.php'));
            $class = new \ReflectionClass(self::existing('KeenMargin\\App\\Http\\'.strtr($name, '/', '\\')));
            $prefix = (
                $class->getAttributes(\Symfony\Component\Routing\Attribute\Route::class)[0] ?? null
            )?->newInstance();
            foreach ($class->getMethods() as $method) {
                foreach ($method->getAttributes(\Symfony\Component\Routing\Attribute\Route::class) as $attribute) {
                    $route = $attribute->newInstance();
                    $path =
                        (\is_string($prefix?->path) ? $prefix->path : '').
                        (\is_string($route->path) ? $route->path : '');
                    foreach ($route->methods ?: $prefix?->methods ?: [] as $verb) {
                        $routes[] = $path.' '.strtolower($verb);
                    }
                }
            }
        }
        foreach (array_filter($routes, static fn (string $route): bool => str_starts_with($route, '/api')) as $route) {
            [$path, $verb] = explode(' ', $route);
            self::assertIsArray($documented['paths'][$path] ?? null, $path);
            self::assertArrayHasKey($verb, $documented['paths'][$path], $route);
        }
    }

    /** @return class-string */
    private static function existing(string $class): string
    {
        return class_exists($class) ? $class : throw new \LogicException("There is no class $class.");
    }
}
