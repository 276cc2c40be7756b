<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Question;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Fit\FirstQuestion;
use KeenMargin\Core\Question\Sentence\QuestionSentence;
use KeenMargin\Tests\core\Written;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RecipeTest extends TestCase
{
    private const MORE =
        '{"keenMargin":1,"question":{"scenario":"AC","by":"Route","order":"largest '.
        'first","top":5,"each":"Cabin","between":{"field":"Class","first":"Seat","second":""},"used":"Sold",'.
        '"total":"Seats","target":"85","sequence":["Holm","North"],"landing":true},"kind":"hat",'.
        '"finish":{"variance":"percent","sameLength":false,"gap":true,"mark":"dot","limit":"30",'.
        '"turn":true,"cut":false,"highlight":["2026-01"],"height":400,"colours":"greys",'.
        '"title":{"who":"We","when":"Now"},"message":{"text":"48 above","numbers":[{"said":"48","row":"total",'.
        '"column":"variance:BU","exact":"48000"}]},"footnote":"Without dues","notes":false,"named":"House",'.
        '"labelsAt":"inside"}}';
    private const FULL =
        '{"keenMargin":1,"question":{"measure":"Net '.
        'revenue","scenario":"AC","forecast":"FC","against":["BU","PY"],"by":"month","span":{"from":"2026-01",'.
        '"to":"2026-12"},"closedThrough":"2026-08","where":[{"field":"Route","in":["North","Holm"]}],'.
        '"better":"more","flag":{"percent":"5","amount":"20000"}},"kind":"variance-tiers","finish":{"unit":"k",'.
        '"decimals":0,"width":900}}';

    public function testReadsOlderRecipesThatHaveLandingInTheirFinish(): void
    {
        $json =
            '{"keenMargin":1,"question":{"scenario":"AC","by":"month"},"kind":"variance-tiers",'.
            '"finish":{"landing":true}}';
        $recipe = RecipeReader::json($json, ChartKinds::all());
        self::assertTrue($recipe->question->landing);
        self::assertSame(
            ['scenario' => 'AC', 'by' => 'month', 'landing' => true], RecipeWriter::toArray($recipe)['question'],
        );
    }

    public function testReadsAndWritesTheSameDocument(): void
    {
        foreach ([self::FULL, self::MORE] as $json) {
            self::assertSame($json, json_encode(RecipeWriter::toArray(RecipeReader::json($json, ChartKinds::all()))));
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        $with = static fn (string $question, string $rest = ''): string => '{"keenMargin":1,"question":{'.
            $question.
            '},"kind":"variance-tiers"'.
            $rest.
            '}';
        yield 'not JSON' => ['{', 'This is not JSON (Syntax error).'];
        yield 'not an object' => ['[]', '[] is not accepted; give an object.'];
        yield 'no version' => ['{"question":{},"kind":"variance-tiers"}', 'keenMargin: This key is missing.'];
        yield 'another version' => [
            '{"keenMargin":2,"question":{},"kind":"variance-tiers"}',
            'keenMargin: 2 is not accepted; give a whole number from 1 to 1.',
        ];
        yield 'unknown key' => [
            $with('"mesure":"x"'),
            'question.mesure: This key is not known; accepted are measure, scenario, forecast, against, by, span, '.
            'closedThrough, where, better, flag, order, cumulate, top, each, between, used, unused, total, '.
            'sequence, landing, proRata, target, bands, goal, milestones, pace, layers, columns, sort, '.
            'bridge, drivers, opened, subtotals, roles.',
        ];
        yield 'unknown kind' => [
            '{"keenMargin":1,"question":{},"kind":"pie"}',
            'kind: "pie" is not accepted; give '.Wording::either(ChartKinds::all()->ids()).'.',
        ];
        yield 'unknown scenario' => [
            $with('"against":["BU","XX"]'), 'question.against[1]: "XX" is not accepted; give AC, BU, FC, TG or PY.',
        ];
        yield 'reference twice' => [
            $with('"against":["BU","BU"]'),
            'question.against[1]: "BU" is not accepted; give each scenario once, and not the shown one.',
        ];
        yield 'unknown order' => [
            $with('"order":"by size"'),
            'question.order: "by size" is not accepted; give calendar, given, largest first, smallest first or '.
            'favourable first.',
        ];
        yield 'one part of a capacity' => [
            $with('"used":"Sold"'),
            'question: How full something is needs two different measures of "used", "unused" and "total".',
        ];
        yield 'half of a hat' => [
            $with('"between":{"field":"Route","first":"North"}'), 'question.between.second: This key is missing.',
        ];
        yield 'none at all' => [
            $with('"top":0'), 'question.top: 0 is not accepted; give a whole number from 1 to 500.',
        ];
        yield 'unknown mark' => [
            $with('', ',"finish":{"mark":"star"}'), 'finish.mark: "star" is not accepted; give tick or dot.',
        ];
        yield 'a word for a switch' => [
            $with('', ',"finish":{"turn":"yes"}'), 'finish.turn: "yes" is not accepted; give true or false.',
        ];
        yield 'twice the same member' => [
            $with('"between":{"field":"Route","first":"North","second":"North"}'),
            'question.between.second: "North" is not accepted; give another member than the first.',
        ];
        yield 'a limit of nothing' => [
            $with('', ',"finish":{"limit":"0"}'), 'finish.limit: "0" is not accepted; give a percentage above zero.',
        ];
        yield 'no period' => [
            $with('"closedThrough":"August"'),
            'question.closedThrough: "August" is not a period; give a period such as 2026-08, 2026-Q3 or 2026.',
        ];
        yield 'span turned round' => [
            $with('"span":{"from":"2026-12","to":"2026-01"}'),
            'question.span: "2026-12 to 2026-01" is not a period; give a first period that is not after the last one.',
        ];
        yield 'both filters' => [
            $with('"where":[{"field":"Route","in":["a"],"notIn":["b"]}]'),
            'question.where[0]: Give one of "in" and "notIn", or "below", "atLeast" or both of these.',
        ];
        yield 'a number for a text' => [
            $with('"measure":5'), 'question.measure: 5 is not accepted; give a text of 1 to 200 letters.',
        ];
        yield 'a negative threshold' => [
            $with('"flag":{"percent":"-5"}'),
            'question.flag.percent: "-5" is not accepted; give a number of zero or more in quotes, such as "5" or '.
            '"0.5".',
        ];
        yield 'too low' => [
            $with('', ',"finish":{"height":10}'),
            'finish.height: 10 is not accepted; give a whole number from 180 to 2400.',
        ];
        yield 'other colours' => [
            $with('', ',"finish":{"colours":"rainbow"}'),
            'finish.colours: "rainbow" is not accepted; give effect or greys.',
        ];
        yield 'a message of nothing' => [
            $with('', ',"finish":{"message":{"text":" "}}'),
            'finish.message.text: " " is not accepted; give a text of 1 to 600 letters.',
        ];
        yield 'another line of the title' => [
            $with('', ',"finish":{"title":{"where":"x"}}'),
            'finish.title.where: This key is not known; accepted are who, what, when.',
        ];
        yield 'too narrow' => [
            $with('', ',"finish":{"width":100}'),
            'finish.width: 100 is not accepted; give a whole number from 360 to 1920.',
        ];
    }

    #[DataProvider('refused')]
    public function testRefusesWithThePathAndWhatWouldBeAccepted(string $json, string $says): void
    {
        $this->expectExceptionObject(new NotAccepted('', $says));
        RecipeReader::json($json, ChartKinds::all());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function unfitting(): iterable
    {
        yield 'measure' => [['measure' => 'Fuel'], 'question.measure: There is no measure "Fuel"; there is Amount.'];
        yield 'scenario' => [
            ['scenario' => 'TG'], 'question.scenario: There are no target figures (TG); there are AC and BU.',
        ];
        yield 'grain' => [
            ['by' => 'day'], 'question.by: The figures are by month; give month, quarter, half-year or year.',
        ];
        yield 'unknown grain' => [
            ['by' => 'fortnight'],
            'question.by: There is no breakdown "fortnight"; there are Route, and month, quarter, half-year and year '.
            'of periods.',
        ];
        yield 'order of periods' => [['order' => 'largest first'], 'question.order: Periods stand in calendar order.'];
        yield 'calendar of members' => [
            ['by' => 'Route', 'order' => 'calendar'],
            'question.order: Members have no calendar order; give given, largest first, smallest first or favourable '.
            'first.',
        ];
        yield 'running members' => [
            ['by' => 'Route', 'cumulate' => 'moving'],
            'question.cumulate: Running totals need periods; ask by month, or leave them out.',
        ];
        yield 'gathered periods' => [['top' => 3], 'question.top: Only members can be gathered, not periods.'];
        yield 'charts of the rows' => [
            ['by' => 'Route', 'each' => 'Route'],
            'question.each: The rows are that breakdown already; take another one for the charts.',
        ];
        yield 'breakdown' => [
            ['where' => [['field' => 'Vessel', 'in' => ['a']]]],
            'question.where[0].field: There is no breakdown "Vessel"; there are Route.',
        ];
        yield 'member' => [
            ['where' => [['field' => 'Route', 'in' => ['North', 'Norht']]]],
            'question.where[0].in[1]: Route has no "Norht"; it has North.',
        ];
    }

    /** @param array<string, mixed> $question */
    #[DataProvider('unfitting')]
    public function testWhatTheFiguresCannotAnswerIsSaidWithItsPath(array $question, string $says): void
    {
        $this->expectExceptionObject(new NotAccepted('', $says));
        Written::workings("Month,Route,Actual,Budget\n2026-01,North,1,2\n", $question);
    }

    public function testThePublishedSchemaAndTheReaderAgree(): void
    {
        $validator = new Validator();
        $schema = json_decode((string) file_get_contents(\dirname(__DIR__, 3).'/docs/recipe.schema.json'));
        \assert($schema instanceof \stdClass);
        $valid = [
            self::FULL,
            self::MORE,
            '{"keenMargin":1,"question":{},"kind":"variance-tiers"}',
            '{"keenMargin":1,"question":{"span":"year to '.
            'date","flag":{"percent":5}},"kind":"variance-tiers",'.
            '"figures":{"columns":{"M":{"role":"period"}},"fiscalYearStarts":4}}',
            '{"keenMargin":1,"question":{"span":{"last":3,"unit":"month"}},"kind":"variance-tiers"}',
        ];
        foreach ($valid as $json) {
            RecipeReader::json($json, ChartKinds::all());
            self::assertTrue($validator->validate(json_decode($json), $schema)->isValid(), $json);
        }
        foreach (self::refused() as $name => [$json]) {
            if (
                !\in_array(
                    $name, ['not JSON', 'span turned round', 'twice the same member', 'a limit of nothing'], true,
                )
            ) {
                self::assertFalse($validator->validate(json_decode($json), $schema)->isValid(), $name);
            }
        }
    }

    public function testTheQuestionReadsAsASentence(): void
    {
        $say = static function (
            array $question,
            string $csv =
                'Month,Route,Vessel '.
                    "class,Actual,Budget,Forecast\n2026-01,North,Large,1,2,\n2026-02,Holm,Small,,2,3\n".
                    "2025-01,Outer,Small,1,,\n",
        ): string {
            $figures = Written::figures($csv);
            $recipe = Written::recipe($question);
            $workings = \KeenMargin\Core\Drawing\Drawing::workings($recipe, $figures, ChartKinds::all());

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
        self::assertSame(
            'How did amount of all routes and all vessel classes in Jan–Feb 2026 compare with budget and prior year, '.
                'by month? More is better; flag gaps over 5 % and 20 k.',
            $say([
                'against' => ['BU', 'PY'],
                'span' => ['from' => '2026-01', 'to' => '2026-02'],
                'flag' => ['percent' => '5', 'amount' => '20000'],
            ]),
        );
        self::assertSame(
            'How did amount of North and Holm, and all vessel classes in the last 3 months go, against nothing yet, '.
                'by quarter? Less is better; flag no gaps.',
            $say([
                'span' => ['last' => 3, 'unit' => 'month'],
                'by' => 'quarter',
                'better' => 'less',
                'where' => [['field' => 'Route', 'in' => ['North', 'Holm']]],
            ]),
        );
        self::assertSame(
            'How did amount of all routes but Outer and all vessel classes in the year to date compare with budget, '.
                'by month? More is better; flag gaps over 0.5 %.',
            $say([
                'against' => ['BU'],
                'span' => 'year to date',
                'flag' => ['percent' => '0.50'],
                'where' => [['field' => 'Route', 'notIn' => ['Outer']]],
            ]),
        );
    }

    public function testTheFirstQuestionFitsItsDataset(): void
    {
        foreach (
            [
                "Month,Actual,Budget,Forecast\n2026-01,1,2,\n2026-02,,2,3\n", "Quarter,Target\nQ1 2026,5\n",
                "Year,Actual\n2020,1\n2021,2\n", "Date,Amount\n2026-01-05,1\n",
            ] as $csv
        ) {
            $figures = Written::figures($csv);
            $workings = \KeenMargin\Core\Drawing\Drawing::workings(
                FirstQuestion::of($figures->dataset(), ChartKinds::all()->first()), $figures, ChartKinds::all(),
            );
            self::assertNotSame([], $workings->table->rows);
        }
    }
}
