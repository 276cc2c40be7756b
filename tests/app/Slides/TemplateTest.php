<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use KeenMargin\App\CommandLine\FileOrigin;
use KeenMargin\App\CommandLine\TemplateFile;
use KeenMargin\App\Export\Report\ReportSlides;
use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Export\Slides\Template\Template;
use KeenMargin\App\Export\Slides\Update\UpdateEntry;
use KeenMargin\App\Export\Slides\Update\UpdateKind;
use KeenMargin\Tests\app\Command;
use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\Server;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Decks in the organisation's own template. */
final class TemplateTest extends TestCase
{
    private string $path;

    protected function setUp(): void
    {
        $this->path = OwnTemplate::made();
    }

    protected function tearDown(): void
    {
        @unlink($this->path);
    }

    /** Without what a slide of this template has no room for. */
    private static function report(string $closed): SampleReport
    {
        return SampleReport::of($closed)->without('routes', 'bullets', 'rings');
    }

    private function deck(string $closed = '2026-08'): string
    {
        return (new ReportSlides(new TemplateFile($this->path)))->render(
            self::report($closed)->pages(), SampleReport::made(), new FileOrigin(['Space' => 'space.csv']),
        );
    }

    public function testWhichColourPlaysWhichRoleIsGuessedAndCanBeSet(): void
    {
        $template = Template::open($this->path);
        self::assertSame(
            [
                'ink' => 'tx1',
                'panel' => 'bg1',
                'pale' => 'bg2',
                'favourable' => 'accent1',
                'unfavourable' => 'accent2',
                'accent' => 'accent3',
            ],
            $template->roles,
        );
        self::assertSame('Title and room', $template->layout->name);
        self::assertSame('accent6', $template->with('', ['favourable' => 'accent6'])->roles['favourable']);
        $this->expectExceptionObject(new DeckRefused(
            'green=accent6 is no colour of a role. Roles are ink, panel, favourable, unfavourable, accent, pale; '.
                'colours of the theme are bg1, tx1, bg2, tx2, accent1, accent2, accent3, accent4, accent5, accent6.',
        ));
        $template->with('', ['green' => 'accent6']);
    }

    public function testItsMastersFontsAndColoursAreTakenAndChartsFitItsBody(): void
    {
        $bytes = $this->deck();
        $deck = new ReadDeck($bytes);
        DeckRules::assertKept($deck);
        self::assertCount(3, $deck->slides());
        self::assertStringContainsString('Liberation Serif', $deck->parts['ppt/theme/theme1.xml']);
        self::assertStringContainsString('name="Band"', $deck->parts['ppt/slideMasters/slideMaster1.xml']);
        $body = Template::open($this->path)->layout->body;
        foreach ([1, 2, 3] as $slide) {
            $path = $deck->slide($slide);
            self::assertSame([], ReadDeck::found($path, '//a:srgbClr'));
            // The title is where its layout has it, in the layout's letters.
            self::assertSame([], ReadDeck::found($path, '//p:sp[.//p:ph[@type="title"]]//a:xfrm'));
            self::assertSame([], ReadDeck::said($path, '//p:sp[.//p:ph[@type="title"]]//@sz'));
            foreach ($deck->ours($slide) as $key => $shape) {
                if (0 === $shape['cx'] || str_ends_with($key, '.message')) {
                    continue;
                }
                self::assertGreaterThanOrEqual(($body->left - 12.0) * 12_700, $shape['x'], $key);
                self::assertLessThanOrEqual(
                    ($body->top + $body->height + 12.0) * 12_700, $shape['y'] + $shape['cy'], $key,
                );
            }
        }
    }

    public function testADeckInATemplateIsBroughtUpToDateInIt(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'deck');
        file_put_contents($path, $this->deck('2026-07'));
        $update = self::report('2026-08')->updated($path);
        $kept = array_filter(
            $update->entries(),
            static fn (UpdateEntry $one): bool => UpdateKind::Changed !== $one->kind,
        );
        self::assertSame([], array_map(static fn (UpdateEntry $one): string => $one->line(), $kept));
        $is = new ReadDeck($update->bytes());
        $now = new ReadDeck($this->deck());
        DeckRules::assertKept($is);
        foreach ([1, 2, 3] as $slide) {
            $without = static fn (array $one): array => array_diff_key($one, ['id' => 1]);
            self::assertEquals(array_map($without, $now->ours($slide)), array_map($without, $is->ours($slide)));
        }
        unlink($path);
    }

    /** @param array<string, callable(string): string> $changes */
    #[DataProvider('unfit')]
    public function testATemplateThatDoesNotFitIsRefused(array $changes, string $says): void
    {
        OwnTemplate::change($this->path, $changes);
        $this->expectException(DeckRefused::class);
        $this->expectExceptionMessage($says);
        Template::open($this->path);
    }

    /** @return array<string, array{array<string, callable(string): string>, string}> */
    public static function unfit(): array
    {
        $without = static fn (string $type): callable => static fn (string $xml): string => str_replace(
            "type=\"$type\"", 'type="dt"', $xml,
        );
        $layout = 'ppt/slideLayouts/slideLayout1.xml';

        return [
            'no title' => [[$layout => $without('title')], 'has both a title and a body'],
            'no body' => [[$layout => $without('body')], 'has both a title and a body'],
            'macros' => [
                ['[Content_Types].xml' => static fn (string $xml): string => str_replace(
                    'presentation.main+xml', 'presentation.macroEnabled.main+xml', $xml,
                )],
                'bears macros',
            ],
        ];
    }

    public function testTheCommandLineMakesSlidesInIt(): void
    {
        $folder = \dirname($this->path);
        $name = basename($this->path);
        file_put_contents("$folder/$name.json", json_encode(self::report('2026-08')->document, \JSON_THROW_ON_ERROR));
        file_put_contents(
            "$folder/$name.csv", "Month,Route,Class,Used,Budget,Target,Forecast\n2026-08,North,Foot,1,2,3,\n",
        );
        try {
            [$code, , $said] = Command::keen(
                ['report', "$name.json", '--figures', "Space=$name.csv", '--template', "$name.csv", '-o', "$name.pptx"],
                '',
                $folder,
            );
            self::assertSame(2, $code);
            self::assertNotSame('', $said);
            self::assertFileDoesNotExist("$folder/$name.pptx");
        } finally {
            array_map(unlink(...), glob("$folder/$name.*") ?: []);
        }
    }

    public function testItIsKeptForAllDecksAndShownWithWhatItGives(): void
    {
        self::assertNull(Server::send('GET', '/api/template')->at('template'));
        $taken = Server::upload('Ours.pptx', (string) file_get_contents($this->path), to: '/api/template');
        self::assertSame(200, $taken->status, $taken->body);
        try {
            self::assertSame('Ours.pptx', $taken->text('template', 'name'));
            self::assertSame('Title and room', $taken->text('template', 'layout'));
            self::assertSame('accent1', $taken->text('template', 'roles', 'favourable'));
            self::assertStringContainsString('<svg', $taken->text('template', 'picture'));
            self::assertStringContainsString('#1B4F72', $taken->text('template', 'picture'));
            $dataset = Kept::made(Kept::FARES);
            $recipe = [
                'keenMargin' => 1,
                'kind' => 'nested-columns',
                'question' => ['by' => 'Route', 'against' => ['BU']],
            ];
            $slide = Server::send('POST', "/api/datasets/$dataset/pictures.pptx", ['recipe' => $recipe]);
            $deck = new ReadDeck($slide->body);
            DeckRules::assertKept($deck);
            self::assertStringContainsString('name="Band"', $deck->parts['ppt/slideMasters/slideMaster1.xml']);
            $set = Server::send('PATCH', '/api/template', ['roles' => ['accent' => 'accent6']]);
            self::assertSame('accent6', $set->text('template', 'roles', 'accent'));
            self::assertSame(422, Server::send('PATCH', '/api/template', ['layout' => 'None'])->status);
            self::assertSame(422, Server::send('PATCH', '/api/template', ['roles' => ['accent' => 'x']])->status);
            $bad = Server::upload('bad.pptx', 'nothing', to: '/api/template');
            self::assertSame(422, $bad->status);
            self::assertSame('Ours.pptx', Server::send('GET', '/api/template')->text('template', 'name'));
        } finally {
            self::assertNull(Server::send('DELETE', '/api/template')->at('template'));
        }
    }
}
