<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Names with signs that break files elsewhere: they come in plain, and every file that goes out reads back in. */
final class OddTextTest extends TestCase
{
    private const ROUTES = [
        "Bell\x07 North", "None\u{FFFE}\u{FFFF}", "Over\u{202E}ride", 'Emoji 😀 🚢', '日本航路', 'خط الشمال', '1e5',
        '<script>alert(1)</script>', "=cmd'", 'A & B "quoted"',
    ];

    private static function dataset(string $name = 'Odd'): int
    {
        $csv = "Month,Route,Actual\n";
        foreach (self::ROUTES as $i => $route) {
            $csv .= '2026-0'.(1 + ($i % 3)).',"'.str_replace('"', '""', $route).'",'.($i + 1)."\n";
        }
        $reading = Server::upload('odd.csv', $csv);
        $made = Server::send('POST', '/api/datasets', [
            'reading' => $reading->text('id'),
            'name' => $name,
            'mapping' => $reading->at('mapping'),
        ]);
        self::assertSame(201, $made->status, $made->body);

        return $made->int('id');
    }

    public function testEveryFormatReadsBackInWithTheSameNames(): void
    {
        $id = self::dataset();
        $members = Kept::members($id);
        self::assertContains('Bell North', $members);
        self::assertContains('None', $members);
        self::assertContains('Over[U+202E]ride', $members);
        foreach (['csv', 'xlsx', 'ods', 'jsonl'] as $format) {
            $bytes = Server::send('GET', "/api/datasets/$id/exports/$format")->body;
            $reading = Server::upload("odd.$format", $bytes, $id);
            self::assertSame(201, $reading->status, "$format: $reading->body");
            $trial = Server::send('POST', '/api/readings/'.$reading->text('id').'/trials', [
                'mapping' => $reading->at('mapping'),
                'dataset' => $id,
            ]);
            self::assertSame(
                [true, \count(self::ROUTES), 0],
                [$trial->at('accepted'), $trial->int('counts', 'unchanged'), $trial->int('counts', 'added')],
                "$format: $trial->body",
            );
        }
    }

    public function testPicturesAndWorkingsOfThemAreWhole(): void
    {
        $id = self::dataset();
        $recipe = Server::send('GET', "/api/datasets/$id")->at('firstRecipe');
        self::assertTrue(\is_array($recipe) && \is_array($recipe['question']));
        $recipe['question'] = ['by' => 'Route'] + $recipe['question'];
        foreach (['svg', 'png', 'pdf'] as $format) {
            $picture = Server::send('POST', "/api/datasets/$id/pictures.$format", ['recipe' => $recipe]);
            self::assertSame(200, $picture->status, "$format: ".substr($picture->body, 0, 300));
        }
        $svg = simplexml_load_string(
            Server::send('POST', "/api/datasets/$id/pictures.svg", ['recipe' => $recipe])->body,
        );
        self::assertNotFalse($svg);
        self::assertStringContainsString('Over[U+202E]ride', (string) $svg->asXML());
    }

    public function testADatasetNamedBySymbolsAloneDownloadsUnderAName(): void
    {
        $id = self::dataset('★ ★ ★');
        self::assertStringContainsString(
            'filename=figures.csv', Server::send('GET', "/api/datasets/$id/exports/csv")->header('Content-Disposition'),
        );
    }

    public function testAMemberNamedLikeANumberStaysText(): void
    {
        $lines =
            "{\"Month\":\"2026-01\",\"Route\":\"1e5\",\"Actual\":1.5e3}\n"
                ."{\"Month\":\"2026-02\",\"Route\":\"North\",\"Actual\":\"12\"}\n";
        $reading = Server::upload('codes.jsonl', $lines);
        $made = Server::send('POST', '/api/datasets', [
            'reading' => $reading->text('id'),
            'name' => 'Codes',
            'mapping' => $reading->at('mapping'),
        ]);
        self::assertSame(201, $made->status, $made->body);
        self::assertContains('1e5', Kept::members($made->int('id')));
        self::assertSame('1,500', Kept::row($made->int('id'), '1e5')['2026-01']);
    }
}
