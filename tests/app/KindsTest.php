<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Render\FontFaces;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Tests\core\RandomMembers;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** The kinds over HTTP and the store: what is offered, drawn, exported and refused. */
final class KindsTest extends TestCase
{
    private const KINDS = [
        'variance-tiers', 'nested-columns', 'target-marks', 'gap-line', 'hat', 'capacity-fill', 'build-up', 'bridge',
        'statement', 'bullet', 'gauge', 'thermometer', 'progress', 'comparison-table',
    ];

    /** A dataset of its own; its number. */
    private static function dataset(RandomMembers $figures, string $name): int
    {
        $reading = Server::upload("$name.csv", $figures->csv)->text('id');
        $made = Server::send('POST', '/api/datasets', [
            'reading' => $reading,
            'name' => $name,
            'mapping' => RandomMembers::MAPPING,
        ]);
        self::assertSame(201, $made->status, $made->body);

        return $made->int('id');
    }

    public function testTheDrawingOffersEveryKindWithItsQuestion(): void
    {
        $id = self::dataset(new RandomMembers(3, 14, 4), 'Offered kinds');
        $recipe = [
            'keenMargin' => 1,
            'question' => ['measure' => 'Used', 'against' => ['BU'], 'forecast' => 'FC'],
            'kind' => 'variance-tiers',
        ];
        $drawing = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => $recipe]);
        self::assertSame(self::KINDS, array_column((array) $drawing->at('kinds'), 'id'));
        self::assertSame(
            [
                ...array_fill(0, 4, 'Against'),
                'Between',
                'How full',
                ...array_fill(0, 3, 'Why'),
                ...array_fill(0, 5, 'How near'),
            ],
            array_column((array) $drawing->at('kinds'), 'group'),
        );
        foreach (self::KINDS as $i => $kind) {
            if ('statement' === $kind) {
                self::assertStringStartsWith('A breakdown is missing', $drawing->text('kinds', $i, 'lacks'));
                continue;
            }
            self::assertNull($drawing->at('kinds', $i, 'lacks'));
            $next = Server::send('POST', "/api/datasets/$id/drawings", [
                'recipe' => ['keenMargin' => 1, 'question' => $drawing->at('kinds', $i, 'question'), 'kind' => $kind],
            ]);
            self::assertSame(200, $next->status, $next->body);
            self::assertGreaterThan(0, \count((array) $next->at('workings', 'rows')), $kind);
            self::assertCount(
                \count((array) $next->at('workings', 'columns')),
                (array) $next->at('workings', 'rows', 0, 'cells'),
                $kind,
            );
        }
    }

    public function testTheStoreDrawsTheSamePictureAsTheFile(): void
    {
        foreach ([11, 12, 13] as $seed) {
            $figures = new RandomMembers($seed, 13, 4);
            $id = self::dataset($figures, "Same picture $seed");
            foreach (array_diff(self::KINDS, ['statement']) as $i => $kind) {
                $question = [
                    'measure' => 'Used',
                    'against' => ['BU'],
                    'forecast' => 'FC',
                    'closedThrough' => $figures->closedThrough(),
                    'used' => 'Used',
                    'total' => 'Offered',
                    'between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle'],
                    'bridge' => ['from' => 'BU', 'to' => 'AC'],
                ];
                $question += 'gap-line' === $kind ? [] : [0 === $i % 2 ? 'by' : 'each' => 'Route'];
                $recipe = ['keenMargin' => 1, 'question' => $question, 'kind' => $kind];
                $kept = Server::send('POST', "/api/datasets/$id/pictures", ['recipe' => $recipe]);
                self::assertSame(200, $kept->status, $kept->body);
                $told = Drawing::of(
                    RecipeReader::json(json_encode($recipe, \JSON_THROW_ON_ERROR), ChartKinds::all()),
                    Written::figures($figures->csv, RandomMembers::MAPPING, "Same picture $seed"),
                    ChartKinds::all(),
                );
                $svg = (new SvgRenderer(FontFaces::folder(\dirname(__DIR__, 2).'/assets/fonts')))->render($told->scene);
                self::assertSame($svg, $kept->body, "$kind, seed $seed");
            }
        }
    }

    public function testWorkingsOfAHatAndACapacityAreExported(): void
    {
        $reading = Server::send('POST', '/api/readings', [
            'name' => 'Pasted',
            'text' => "Month\tClass\tSold\tSeats\n2026-01\tFoot\t74\t100\n2026-01\tCar\t30\t40\n",
        ])->text('id');
        $id = Server::send('POST', '/api/datasets', ['reading' => $reading, 'name' => 'Seats'])->int('id');
        $csv = static fn (array $question, string $kind): string => Server::send(
            'POST',
            "/api/datasets/$id/workings",
            ['recipe' => ['keenMargin' => 1, 'question' => $question, 'kind' => $kind]],
        )->body;
        self::assertSame(
            'Period,Foot,Car,Shown,Variance first,Variance first %,Effect first,Flagged first,Compared first,Absent '.
                "first\r\n2026-01,74,30,30,-44,-59.4595,unfavourable,no,all,\r\n".
                "Total,74,30,30,-44,-59.4595,unfavourable,no,all,\r\n",
            $csv(['measure' => 'Sold', 'between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Car']], 'hat'),
        );
        self::assertSame(
            'Class,Used,Unused,Total,Shown,Rate %,Target rate %,Variance rateTarget,Effect rateTarget,Flagged '.
                'rateTarget,Compared rateTarget,Absent '.
                "rateTarget\r\nFoot,74,26,100,74,74.000000,80,-6.000000,unfavourable,no,all,\r\n".
                "Car,30,10,40,30,75.000000,80,-5.000000,unfavourable,no,all,\r\n".
                "total,104,36,140,104,74.285714,80,-5.714286,unfavourable,no,all,\r\n",
            $csv(['by' => 'Class', 'used' => 'Sold', 'total' => 'Seats', 'target' => '80'], 'capacity-fill'),
        );
    }

    public function testWhatAKindCannotAskIsRefusedWithItsPath(): void
    {
        $id = self::dataset(new RandomMembers(4, 3, 2), 'Refused kinds');
        $draw = static fn (array $question, string $kind): Answer => Server::send(
            'POST',
            "/api/datasets/$id/drawings",
            ['recipe' => ['keenMargin' => 1, 'question' => $question, 'kind' => $kind]],
        );
        $none = $draw(['better' => 'more'], 'hat');
        self::assertSame([422, 'question.between'], [$none->status, $none->at('path')]);
        self::assertSame('question.order', $draw(['order' => 'largest first'], 'variance-tiers')->at('path'));
        self::assertSame('question.by', $draw(['by' => 'Vessel'], 'nested-columns')->at('path'));
        self::assertSame(422, $draw(['used' => 'Used'], 'capacity-fill')->status);
    }

    public function testARenamedMemberFollowsIntoAHat(): void
    {
        $id = self::dataset(new RandomMembers(4, 3, 2), 'Renamed kinds');
        $recipe = [
            'keenMargin' => 1,
            'question' => [
                'measure' => 'Used',
                'by' => 'Route',
                'each' => 'Class',
                'used' => 'Used',
                'total' => 'Offered',
                'between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle'],
            ],
            'kind' => 'capacity-fill',
            'finish' => ['highlight' => ['Foot/North', 'Foot/total', 'North']],
        ];
        $chart = Server::send('POST', '/api/charts', [
            'dataset' => $id,
            'name' => 'Follows',
            'recipe' => $recipe,
        ])->int('id');
        $dataset = Server::send('GET', "/api/datasets/$id");
        $place = array_search('Class', array_column((array) $dataset->at('breakdowns'), 'name'), true);
        $class = $dataset->at('breakdowns', (int) $place, 'id');
        $measure = $dataset->at(
            'measures', (int) array_search('Used', array_column((array) $dataset->at('measures'), 'name'), true), 'id',
        );
        \assert(\is_int($class) && \is_int($measure));
        foreach (
            [
                "/breakdowns/$class" => ['name' => 'Kind of ticket'],
                "/breakdowns/$class?" => ['rename' => 'Foot', 'to' => 'On foot'],
                "/measures/$measure" => ['name' => 'Sold'],
            ] as $path => $body
        ) {
            $answer = Kept::change('PATCH', $id, $path, $body);
            self::assertSame(200, $answer->status, $answer->body);
        }
        $kept = Server::send('GET', "/api/charts/$chart");
        self::assertSame(
            [['panel' => 'On foot', 'row' => 'North'], ['panel' => 'On foot', 'sum' => 'total'], 'North'],
            $kept->at('recipe', 'finish', 'highlight'),
        );
        $question = $kept->at('recipe', 'question');
        \assert(\is_array($question));
        self::assertSame(
            [
                'Sold',
                'Kind of ticket',
                'Sold',
                ['field' => 'Kind of ticket', 'first' => 'On foot', 'second' => 'Vehicle'],
            ],
            [$question['measure'], $question['each'], $question['used'], $question['between']],
        );
    }
}
