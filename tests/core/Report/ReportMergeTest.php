<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\Core\Report\Merging\ReportMerge;
use PHPUnit\Framework\TestCase;

/** Two hands on one report: what only one changed is taken from that one, what both changed is never lost in silence. */
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
     * @param array<string, mixed> $document
     *
     * @return array<string, string>
     */
    private static function texts(array $document): array
    {
        $texts = [];
        /** @var array{pages: list<array{rows: list<array{blocks: list<array{id: string, text: string}>}>}>} $document */
        foreach ($document['pages'][0]['rows'] as $row) {
            foreach ($row['blocks'] as $block) {
                $texts[$block['id']] = $block['text'];
            }
        }

        return $texts;
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
        self::assertSame(['pages.p.rows.ra.blocks.a.text'], $merged->conflicts);
        self::assertSame(['a' => 'theirs'], self::texts($merged->document));
        self::assertSame(['a' => 'mine'], self::texts(ReportMerge::of($base, $mine, $theirs, true)->document));
    }

    public function testWhatOneDeletesAndTheOtherChangesIsAConflict(): void
    {
        $base = self::document(['a' => '1', 'b' => '2']);
        $merged = ReportMerge::of($base, self::document(['a' => '1']), self::document(['a' => '1', 'b' => 'new']));
        self::assertSame(['pages.p.rows.rb'], $merged->conflicts);
        self::assertSame(['a' => '1', 'b' => 'new'], self::texts($merged->document));
        $deleted = ReportMerge::of($base, self::document(['a' => '1']), self::document(['a' => 'x', 'b' => '2']));
        self::assertSame([], $deleted->conflicts);
        self::assertSame(['a' => 'x'], self::texts($deleted->document));
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
        self::assertSame(['pages.p.rows'], $clash->conflicts);
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
                    self::assertStringContainsString("r$key", $told, "round $round");
                } else {
                    self::assertSame($mine === $was ? $theirs : $mine, $result[$key] ?? null, "round $round: $key");
                }
            }
            // The same the other way round.
            $turned = ReportMerge::of(self::document($texts), self::document($other), self::document($own));
            self::assertCount(\count($merged->conflicts), $turned->conflicts, "round $round");
        }
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
