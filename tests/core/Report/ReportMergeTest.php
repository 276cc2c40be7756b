<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\Core\Report\Merging\ReportMerge;
use PHPUnit\Framework\TestCase;

/** Two hands on one report: what only one changed is taken from that one, nothing is lost in silence. */
final class ReportMergeTest extends TestCase
{
    /**
     * @param array<string, string> $texts by block
     *
     * @return array<string, mixed>
     */
    private static function document(array $texts, string $title = 'Review'): array
    {
        $rows = array_map(
            static fn (string|int $id, string $text): array => [
                'id' => "r$id",
                'blocks' => [['id' => (string) $id, 'text' => $text]],
            ],
            array_keys($texts),
            array_values($texts),
        );

        return ['report' => $title, 'pages' => [['id' => 'p', 'rows' => $rows]]];
    }

    /**
     * @param string $rows `a b|c||d`: two rows, and another page; rows and pages are numbered
     * @param array<string, string> $texts of blocks that do not say their own id
     *
     * @return array<string, mixed>
     */
    private static function laid(string $rows, array $texts = []): array
    {
        $places = [];
        foreach (explode('||', $rows) as $page => $ofPage) {
            foreach (explode('|', $ofPage) as $blocks) {
                $places["p$page"]['r'.array_sum(array_map(\count(...), $places))] = explode(' ', $blocks);
            }
        }

        return self::placed($places, $texts);
    }

    /**
     * @param array<string, array<string, list<string>>> $places ids of blocks by page and row
     * @param array<string, string> $texts of blocks that do not say their own id
     *
     * @return array<string, mixed>
     */
    private static function placed(array $places, array $texts = []): array
    {
        $pages = [];
        foreach ($places as $page => $rows) {
            $laid = [];
            foreach (array_filter($rows) as $row => $blocks) {
                $laid[] = [
                    'id' => $row,
                    'blocks' => array_map(
                        static fn (string $id): array => ['id' => $id, 'text' => $texts[$id] ?? $id],
                        $blocks,
                    ),
                ];
            }
            $pages[] = ['id' => $page, 'rows' => $laid];
        }

        return ['report' => 'Review', 'pages' => $pages];
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, string>
     */
    private static function texts(array $document): array
    {
        $texts = [];
        /** @var array{pages: array{array{rows: list<array{blocks: list<array<string, string>>}>}}} $document */
        $rows = $document['pages'][0]['rows'];
        foreach ($rows as $row) {
            foreach ($row['blocks'] as $block) {
                $texts[$block['id']] = $block['text'];
            }
        }

        return $texts;
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return string as {@see laid()} takes it
     */
    private static function read(array $document): string
    {
        /** @var array{pages: list<array{rows?: list<array{blocks: list<array{id: string}>}>}>} $document */
        $row = static fn (array $row): string => implode(' ', array_column($row['blocks'], 'id'));
        $page = static fn (array $page): string => implode('|', array_map($row, $page['rows'] ?? []));

        return implode('||', array_map($page, $document['pages']));
    }

    public function testEditsToDifferentBlocksDoNotDisturbEachOther(): void
    {
        $base = self::document(['a' => '1', 'b' => '2']);
        $merged = ReportMerge::of(
            $base,
            self::document(['a' => 'mine', 'b' => '2'], 'My review'),
            self::document(['a' => '1', 'b' => 'theirs', 'c' => 'new']),
        );
        self::assertSame([], $merged->conflicts);
        self::assertSame(['a' => 'mine', 'b' => 'theirs', 'c' => 'new'], self::texts($merged->document));
        self::assertSame('My review', $merged->document['report']);
    }

    public function testTheSameBlockChangedTwiceIsAConflict(): void
    {
        $base = self::document(['a' => '1']);
        $mine = self::document(['a' => 'mine']);
        $theirs = self::document(['a' => 'theirs']);
        $merged = ReportMerge::of($base, $mine, $theirs);
        self::assertSame(['blocks.a.text'], $merged->conflicts);
        self::assertSame(['a' => 'theirs'], self::texts($merged->document));
        self::assertSame(['a' => 'mine'], self::texts(ReportMerge::of($base, $mine, $theirs, true)->document));
    }

    public function testWhatOneDeletesAndTheOtherChangesIsAConflict(): void
    {
        $base = self::document(['a' => '1', 'b' => '2']);
        $merged = ReportMerge::of($base, self::document(['a' => '1']), self::document(['a' => '1', 'b' => 'new']));
        self::assertSame(['blocks.b'], $merged->conflicts);
        self::assertSame(['a' => '1', 'b' => 'new'], self::texts($merged->document));
        $deleted = ReportMerge::of($base, self::document(['a' => '1']), self::document(['a' => 'x', 'b' => '2']));
        self::assertSame([], $deleted->conflicts);
        self::assertSame(['a' => 'x'], self::texts($deleted->document));
    }

    public function testABlockThatOneMovesAndTheOtherChangesIsChangedWhereItStandsNow(): void
    {
        $base = self::laid('a b|c');
        // Into another row, into a row of its own, and with its whole row onto another page.
        foreach (['a|c b', 'a|b|c', 'c||a b', 'b a|c'] as $moved) {
            $changed = self::laid('a b|c', ['b' => 'theirs']);
            $merged = ReportMerge::of($base, self::laid($moved), $changed);
            self::assertSame([], $merged->conflicts, $moved);
            self::assertSame(self::laid($moved, ['b' => 'theirs']), $merged->document, $moved);
            $turned = ReportMerge::of($base, $changed, self::laid($moved));
            self::assertSame(self::laid($moved, ['b' => 'theirs']), $turned->document, $moved);
        }
    }

    public function testABlockThatBothMoveIsAConflictAndStandsOnce(): void
    {
        $base = self::laid('a b|c|d');
        foreach ([[false, 'a|c|d b'], [true, 'a|c b|d']] as [$prefersMine, $expected]) {
            $merged = ReportMerge::of($base, self::laid('a|c b|d'), self::laid('a|c|d b'), $prefersMine);
            self::assertSame(['blocks.b.in'], $merged->conflicts);
            self::assertSame(self::laid($expected), $merged->document);
        }
        // One moves what the other deletes.
        foreach ([[false, 'a|c|d'], [true, 'a|c b|d']] as [$prefersMine, $expected]) {
            $merged = ReportMerge::of($base, self::laid('a|c b|d'), self::laid('a|c|d'), $prefersMine);
            self::assertSame(['blocks.b'], $merged->conflicts);
            self::assertSame(self::laid($expected), $merged->document);
        }
    }

    public function testWhatIsAddedToARowOrPageThatTheOtherDeletesStays(): void
    {
        $merged = ReportMerge::of(self::laid('a|b||c'), self::laid('a'), self::laid('a|b x||c|y'));
        self::assertSame([], $merged->conflicts);
        self::assertSame('a|x||y', self::read($merged->document));
    }

    public function testAnOrderThatOneChangedTakesWhatTheOtherAdded(): void
    {
        $base = self::document(['a' => '1', 'b' => '2', 'c' => '3']);
        $merged = ReportMerge::of(
            $base,
            self::document(['c' => '3', 'a' => '1', 'b' => '2']),
            self::document(['a' => '1', 'new' => 'n', 'b' => '2', 'c' => '3']),
        );
        self::assertSame([], $merged->conflicts);
        self::assertSame(['c', 'a', 'new', 'b'], array_keys(self::texts($merged->document)));
        $clash = ReportMerge::of(
            $base,
            self::document(['c' => '3', 'a' => '1', 'b' => '2']),
            self::document(['b' => '2', 'a' => '1', 'c' => '3']),
        );
        self::assertSame(['pages.p'], $clash->conflicts);
    }

    public function testAStepIsTakenBackUnderWhatOthersDidSince(): void
    {
        $was = self::document(['a' => '1', 'b' => '2']);
        $became = self::document(['a' => 'mine', 'b' => '2']);
        $now = self::document(['a' => 'mine', 'b' => 'theirs']);
        $undone = ReportMerge::of($became, $was, $now);
        self::assertSame(['a' => '1', 'b' => 'theirs'], self::texts($undone->document));
    }

    /** Whatever two people do, each text of the result is one that somebody wrote, and no change is lost unseen. */
    public function testNothingIsLostInSilence(): void
    {
        mt_srand(18);
        for ($round = 0; $round < 1000; ++$round) {
            $texts = ['a' => '0', 'b' => '0', 'c' => '0', 'd' => '0'];
            [$own, $other] = [self::edited($texts, 'm'), self::edited($texts, 't')];
            $merged = ReportMerge::of(self::document($texts), self::document($own), self::document($other));
            $result = self::texts($merged->document);
            $told = implode(' ', $merged->conflicts);
            foreach (array_keys($own + $other + $texts) as $key) {
                [$was, $mine, $theirs] = [$texts[$key] ?? null, $own[$key] ?? null, $other[$key] ?? null];
                if ($mine !== $was && $theirs !== $was && $mine !== $theirs) {
                    self::assertStringContainsString("blocks.$key", $told, "round $round");
                } else {
                    self::assertSame($mine === $was ? $theirs : $mine, $result[$key] ?? null, "round $round: $key");
                }
            }
            // The same the other way round.
            $turned = ReportMerge::of(self::document($texts), self::document($other), self::document($own));
            self::assertCount(\count($merged->conflicts), $turned->conflicts, "round $round");
        }
    }

    /** Whatever two people move, each block stands once, and where nobody has moved it twice nobody is asked. */
    public function testWhateverIsMovedStandsOnce(): void
    {
        mt_srand(81);
        $base = self::laid('a b|c d e|f||g|h i');
        for ($round = 0; $round < 600; ++$round) {
            [$mine, $theirs] = [self::shuffled(), self::shuffled()];
            foreach ([true, false] as $prefersMine) {
                $merged = ReportMerge::of($base, $mine, $theirs, $prefersMine);
                $ids = explode(' ', strtr(self::read($merged->document), '|', ' '));
                sort($ids);
                self::assertSame(range('a', 'i'), array_values(array_filter($ids)), "round $round");
            }
            self::assertSame(self::read($mine), self::read(ReportMerge::of($base, $mine, $base)->document));
            self::assertSame(self::read($mine), self::read(ReportMerge::of($base, $base, $mine)->document));
            self::assertSame(self::read($mine), self::read(ReportMerge::of($base, $mine, $mine)->document));
        }
    }

    /** @return array<string, mixed> the nine blocks, some of them in other rows */
    private static function shuffled(): array
    {
        /** @var array<string, array<string, list<string>>> $places */
        $places = [
            'p0' => ['r0' => ['a', 'b'], 'r1' => ['c', 'd', 'e'], 'r2' => ['f']],
            'p1' => ['r3' => ['g'], 'r4' => ['h', 'i']],
        ];
        $rows = [['p0', 'r0'], ['p0', 'r1'], ['p0', 'r2'], ['p1', 'r3'], ['p1', 'r4']];
        for ($moves = mt_rand(0, 3); $moves > 0; --$moves) {
            [$page, $row] = $rows[mt_rand(0, 4)];
            $block = array_pop($places[$page][$row]);
            [$page, $row] = $rows[mt_rand(0, 4)];
            null === $block || ($places[$page][$row] = [$block, ...$places[$page][$row] ?? []]);
        }

        return self::placed($places);
    }

    /**
     * @param array<string, string> $texts
     *
     * @return array<string, string>
     */
    private static function edited(array $texts, string $who): array
    {
        for ($edits = mt_rand(0, 4); $edits > 0; --$edits) {
            $key = ['a', 'b', 'c', 'd', "{$who}1", "{$who}2"][mt_rand(0, 5)];
            $does = mt_rand(0, 3);
            if (0 === $does) {
                unset($texts[$key]);
            } else {
                $texts[$key] = "$who$does";
            }
        }

        return $texts;
    }
}
