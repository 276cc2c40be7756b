<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Question;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Names\OneName;
use KeenMargin\Core\Question\Names\RecipeNames;
use KeenMargin\Core\Report\Document\ReportNames;
use KeenMargin\Core\Report\Document\ReportWriter;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Tests\core\Report\WrittenReport;
use PHPUnit\Framework\TestCase;

/** Other names in recipes and reports, wherever one stands. */
final class NamesTest extends TestCase
{
    private const MEASURES = ['Net revenue', 'Fuel', 'Route', 'month'];
    private const BREAKDOWNS = ['Route', 'Line', 'Cabin class'];
    private const MEMBERS = ['North', 'Holm', 'total', 'other', '12', 'Route', 'A/B', 'quarter', '2026-01', 'FC'];

    public function testEveryNameOfARecipeIsReplacedAndComesBack(): void
    {
        mt_srand(26);
        $kinds = ChartKinds::all();
        for ($round = 0; $round < 400; ++$round) {
            $recipe = self::recipe();
            $read = RecipeReader::read(Given::kept($recipe), $kinds, new FiscalCalendar(1));
            $written = RecipeWriter::toArray($read);
            $numbers = new NumberedNames();
            $kept = RecipeNames::of($written, $numbers);
            $json = json_encode($kept, \JSON_THROW_ON_ERROR);
            self::assertSame(
                $numbers->given,
                array_values(array_filter($numbers->given, static fn (string $one): bool => str_contains($json, $one))),
                $json,
            );
            self::assertSame([], self::leftIn($kept), $json);
            self::assertSame($written, RecipeNames::of($kept, $numbers->back()), $json);
            $again = RecipeWriter::toArray(RecipeReader::read(Given::kept($kept), $kinds, new FiscalCalendar(1)));
            self::assertSame($kept, $again, 'with numbers it is a recipe, too');
        }
    }

    public function testTwoThatAreCalledTheSameNowAreNamedOnce(): void
    {
        $recipe = ['question' => ['where' => [['field' => 'Route', 'in' => ['North', 'Holm']]]]];
        self::assertSame(
            ['question' => ['where' => [['field' => 'Route', 'in' => ['North']]]]],
            RecipeNames::of($recipe, OneName::ofMember('Route', 'Holm', 'North')),
        );
    }

    public function testAMemberOfAnotherBreakdownStays(): void
    {
        $recipe = [
            'question' => [
                'by' => 'Line',
                'where' => [['field' => 'Route', 'in' => ['North']], ['field' => 'Fuel', 'below' => '5']],
                'opened' => [['step' => 'North', 'by' => 'Route']],
            ],
            'finish' => ['highlight' => ['North', ['row' => 'North', 'within' => ['North']]]],
        ];
        $line = RecipeNames::of($recipe, OneName::ofMember('Line', 'North', 'Far'));
        self::assertSame(['Far', ['row' => 'North', 'within' => ['Far']]], ((array) $line['finish'])['highlight']);
        $route = RecipeNames::of($recipe, OneName::ofMember('Route', 'North', 'Far'));
        self::assertSame(['North', ['row' => 'Far', 'within' => ['North']]], ((array) $route['finish'])['highlight']);
        self::assertSame($recipe, RecipeNames::of($recipe, OneName::ofMember('Vessel', 'North', 'Far')));
        $field = RecipeNames::of($recipe, OneName::ofMeasure('Fuel', 'Oil'));
        self::assertSame('Oil', ((array) ((array) ((array) $field['question'])['where'])[1])['field']);
    }

    public function testTheRowsOfAReportsTextsAreThoseOfItsCharts(): void
    {
        $number = static fn (string $of, mixed $row): array => [
            'said' => '1',
            'of' => $of,
            'row' => $row,
            'column' => 'AC',
            'exact' => '1',
        ];
        $report = WrittenReport::report([
            'about' => ['where' => [['field' => 'Route', 'in' => ['North']]]],
            'pages' => [
                WrittenReport::page(
                    'p',
                    [
                        [WrittenReport::chart('months', ['by' => 'month'])],
                        [WrittenReport::chart('routes', ['by' => 'Route'])],
                    ],
                    ['message' => [$number('routes', 'North'), ' of ', $number('months', '2026-01')]],
                ),
                WrittenReport::page('q', [], ['message' => ['was ', $number('gone', 'North')]]),
            ],
        ]);
        $numbers = new NumberedNames();
        $kept = ReportNames::of($report, $numbers);
        $rows = array_map(
            static fn (int $page): array => array_map(
                static fn ($one): ?string => $one->row?->name,
                $kept->pages[$page]->message->numbers(),
            ),
            [0, 1],
        );
        self::assertSame(
            [[$numbers->member('Route', 'North'), '2026-01'], ['North']],
            $rows,
            'of a chart that is gone nobody knows what its rows are',
        );
        self::assertSame([$numbers->member('Route', 'North')], $kept->about->where[0]->members);
        self::assertSame(
            ReportWriter::toArray($report), ReportWriter::toArray(ReportNames::of($kept, $numbers->back())),
        );
    }

    /** @return array<string, mixed> with names wherever a recipe may have them */
    private static function recipe(): array
    {
        $one = static fn (array $of): mixed => $of[array_rand($of)];
        $some = static fn (): array => \array_slice(self::MEMBERS, mt_rand(0, 7), mt_rand(1, 3));
        $by = mt_rand(0, 3) > 0 ? $one(self::BREAKDOWNS) : 'month';
        $each = $one(self::BREAKDOWNS);
        $hasEach = 0 === mt_rand(0, 1) && $each !== $by;
        $row = static fn (): mixed => $hasEach
            ? ['panel' => $one(self::MEMBERS), 'row' => $one(self::MEMBERS)]
            : $one([$one(self::MEMBERS), 'landing', ['sum' => 'subtotal', 'row' => 'North']]);
        $parts = [
            'measure' => $one(self::MEASURES),
            'layers' => $one(self::BREAKDOWNS),
            'sequence' => $some(),
            'subtotals' => $some(),
            'roles' => ['North' => 'start', '12' => 'step'],
            'between' => ['field' => 'Line', 'first' => 'North', 'second' => 'Holm'],
            'bridge' => $one([
                ['field' => 'Line', 'first' => '12', 'second' => 'Holm'],
                ['from' => 'BU', 'to' => 'AC'],
                ['over' => 'periods', 'balance' => 'Fuel'],
            ]),
            'drivers' => ['volume' => 'Fuel', 'value' => 'Net revenue', 'currency' => 'Route'],
            'target' => $one(['90', ['scenario' => 'TG'], ['measure' => 'Fuel']]),
            'goal' => $one(['90', 'total', ['measure' => 'Fuel']]),
            'where' => [
                ['field' => 'Route', 0 === mt_rand(0, 1) ? 'in' : 'notIn' => $some()],
                ['field' => 'Fuel', 'atLeast' => '5'],
            ],
        ];
        $question = array_filter($parts, static fn (): bool => mt_rand(0, 1) > 0) + ['by' => $by];
        if (!$hasEach && 'month' !== $by && 'Line' !== $by && 0 === mt_rand(0, 1)) {
            $question['opened'] = [
                ['step' => 'North', 'by' => 'Line'],
                ['step' => ['within' => ['North'], 'row' => 'Holm'], 'by' => 'Cabin class'],
            ];
            $row = static fn (): mixed => ['within' => ['North', 'Holm'], 'row' => 'North'];
        }
        $hasEach && ($question['each'] = $each);
        0 === mt_rand(0, 1) && ($question += ['used' => 'Fuel', 'unused' => 'Route']);
        $message = ['said' => '1', 'row' => $row(), 'column' => 'AC', 'exact' => '1'];

        return [
            'keenMargin' => 1,
            'question' => $question,
            'kind' => 'variance-tiers',
            'finish' => ['highlight' => [$row()], 'message' => ['text' => 'It is 1', 'numbers' => [$message]]],
        ];
    }

    /**
     * @param array<mixed> $kept
     *
     * @return list<string> names that were not replaced where members stand
     */
    private static function leftIn(array $kept): array
    {
        $question = (array) $kept['question'];
        $where = (array) ($question['where'] ?? []);
        $names = [
            ...'month' === ($question['by'] ?? '')
                ? []
                : [...(array) ($question['sequence'] ?? []), ...(array) ($question['subtotals'] ?? [])],
            ...(array) (((array) ($where[0] ?? []))['in'] ?? []),
            $question['measure'] ?? 'measure#0',
            $question['layers'] ?? 'breakdown#0',
        ];
        $isName = static fn (mixed $name): bool => \is_string($name) && !str_contains($name, '#');

        /** @var list<string> */
        return array_values(array_filter($names, $isName));
    }
}
