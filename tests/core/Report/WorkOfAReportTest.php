<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\App\CommandLine\FileLibrary;
use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Frame\ChartBody;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\Stretch;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Report\Layout\PlacedBlock;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Rolling\RollPreview;
use KeenMargin\Core\Report\Text\LiveNumber;
use KeenMargin\Core\Time\Period;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** How often the parts of the demo's report are worked out: nothing is done several times. */
final class WorkOfAReportTest extends TestCase
{
    private const DEMO = __DIR__.'/../../../demo';

    /** Questions that kinds were asked. */
    private int $asked = 0;
    /** @var array<string, int> how often each chart was drawn, by its key */
    private array $drawn = [];

    public function testEachQuestionIsAskedOnce(): void
    {
        $drawing = $this->drawing();
        $pages = iterator_to_array((new ReportPages($drawing))->all());
        self::assertCount(5, $pages);
        self::assertSame(self::questions($drawing->report), $this->asked);
    }

    public function testChartsAreDrawnOnceAndTwiceWhereTheyShareAScale(): void
    {
        $pages = iterator_to_array((new ReportPages($this->drawing()))->all());
        self::assertCount(self::charts($pages), $this->drawn);
        self::assertContains(2, $this->drawn, 'some charts of the demo share a scale');
        self::assertLessThanOrEqual(2, max([0, ...array_values($this->drawn)]));
    }

    public function testChartsWithScalesOfTheirOwnAreDrawnOnce(): void
    {
        $pages = iterator_to_array((new ReportPages($this->drawing(['scale' => 'own'])))->all());
        self::assertCount(self::charts($pages), $this->drawn);
        self::assertSame([1], array_values(array_unique($this->drawn)));
    }

    /** All pages have to be measured before the first is drawn; what was laid out then is drawn later. */
    public function testChartsOnTheScaleOfTheReportAreLaidOutOnce(): void
    {
        $pages = iterator_to_array((new ReportPages($this->drawing(['scale' => 'report'])))->all());
        self::assertCount(self::charts($pages), $this->drawn);
        self::assertLessThanOrEqual(2, max([0, ...array_values($this->drawn)]));
    }

    public function testRecipesAreReadAndNumbersLookedUpOnce(): void
    {
        $before = $this->drawing();
        $after = $before->with($before->report->closed(Period::of('2026-09')));
        RollPreview::of($before, $after, [], static fn (): null => null);
        $numbers = self::numbers($before->report);
        self::assertNotSame([], $numbers);
        foreach ($numbers as $number) {
            self::assertSame($before->number($number), $before->number($number));
        }
        foreach ($before->ids() as $id) {
            self::assertSame($before->asked($id)->own, $after->asked($id)->own, 'the same recipe, read once');
            self::assertSame($before->asked($id)->figures, $after->asked($id)->figures, 'the same figures');
        }
    }

    /** What the page shows of a number is looked up from workings that the charts have already. */
    public function testNumbersAskNothingAnew(): void
    {
        $drawing = $this->drawing();
        iterator_to_array((new ReportPages($drawing))->all());
        $asked = $this->asked;
        array_map($drawing->number(...), self::numbers($drawing->report));
        self::assertSame($asked, $this->asked);
    }

    /** @param array<string, mixed> $more of the document */
    private function drawing(array $more = []): ReportDrawing
    {
        $figures = $charts = [];
        foreach (Given::json(self::demo('datasets.json'))->list() as $dataset) {
            $name = $dataset->must('name')->string();
            /** @var array<string, mixed> $mapping */
            $mapping = $dataset->must('mapping')->plain();
            $figures[$name] = self::grouped(
                Written::figures(self::demo($dataset->must('file')->string()), $mapping, $name)
                    ->named($name, 'Brackwater Ferries'),
                $dataset->maybe('settings')?->entries() ?? [],
            );
            foreach ($dataset->maybe('charts')?->list() ?? [] as $chart) {
                $kept = ['dataset' => $name, 'recipe' => $chart->must('recipe')->plain()];
                $charts[$chart->must('name')->string()] = Given::json(json_encode($kept, \JSON_THROW_ON_ERROR));
            }
        }
        $document = json_encode($more + (array) json_decode(self::demo('monthly-review.json')), \JSON_THROW_ON_ERROR);
        $kinds = array_map($this->counted(...), ChartKinds::all()->list());
        \assert([] !== $figures);

        return ReportDrawing::of(
            ReportReader::read(Given::json($document)),
            new FileLibrary($figures, $charts, []),
            new ChartKinds(...$kinds),
        );
    }

    /** @param array<string, Given> $settings by breakdown: which members are in which group, and what lines do */
    private static function grouped(FactTable $figures, array $settings): FactTable
    {
        foreach ($settings as $breakdown => $list) {
            $parents = $roles = [];
            foreach ($list->list() as $setting) {
                foreach ($setting->must('members')->list() as $member) {
                    $group = $setting->maybe('group')?->string();
                    null === $group
                        ? $roles[$member->string()] = LineRole::from($setting->must('role')->string())
                        : $parents[$member->string()] = $group;
                }
            }
            $figures = Written::grouped($figures, (string) $breakdown, $parents, $roles);
        }

        return $figures;
    }

    private static function demo(string $file): string
    {
        return (string) file_get_contents(self::DEMO."/$file");
    }

    /** The kind itself, but that its questions and drawings are counted. */
    private function counted(ChartKind $kind): ChartKind
    {
        $counted = $this->createStub(ChartKind::class);
        foreach (get_class_methods(ChartKind::class) as $method) {
            $counted->method($method)->willReturnCallback(function (mixed ...$given) use ($kind, $method): mixed {
                $this->asked += 'workings' === $method ? 1 : 0;
                $answer = $kind->$method(...$given);

                return $answer instanceof Frame ? $this->withCountedBody($answer) : $answer;
            });
        }

        return $counted;
    }

    private function withCountedBody(Frame $frame): Frame
    {
        $parts = (static fn (Frame $of): array => get_object_vars($of))->bindTo(null, Frame::class)($frame);
        \assert($parts['body'] instanceof ChartBody);
        $key = 'chart '.\count($this->drawn);
        $this->drawn[$key] = 0;
        $count = function () use ($key): void {
            ++$this->drawn[$key];
        };
        $body = new class($parts['body'], $count) implements ChartBody {
            public function __construct(private readonly ChartBody $body, private readonly \Closure $count) {}

            public function draw(Canvas $canvas, float $top, Stretch $stretch): float
            {
                ($this->count)();

                return $this->body->draw($canvas, $top, $stretch);
            }

            public function height(Stretch $stretch): float
            {
                return $this->body->height($stretch);
            }

            public function hasUprightLengths(): bool
            {
                return $this->body->hasUprightLengths();
            }
        };

        return new Frame(
            $parts['workings'],
            $parts['finish'],
            $parts['options'],
            body: $body,
            orientation: $parts['orientation'],
            layers: $parts['layers'],
            explanations: $parts['explanations'],
        );
    }

    /** Of charts one, of key figures two: the number and its trend. */
    private static function questions(Report $report): int
    {
        $questions = \count(array_filter($report->charts(), static fn ($block): bool => !$block->isEmpty()));
        foreach ($report->blocks() as $block) {
            $questions += $block instanceof FiguresBlock ? 2 * \count($block->figures) : 0;
        }

        return $questions;
    }

    /** @param array<DrawnPage> $pages */
    private static function charts(array $pages): int
    {
        $blocks = array_merge(...array_map(static fn (DrawnPage $page): array => $page->blocks, $pages));

        return \count(array_filter($blocks, static fn (PlacedBlock $block): bool => null !== $block->drawing));
    }

    /** @return list<LiveNumber> */
    private static function numbers(Report $report): array
    {
        $numbers = [];
        foreach ($report->pages as $page) {
            foreach ($page->texts() as $text) {
                array_push($numbers, ...$text->numbers());
            }
        }

        return $numbers;
    }
}
