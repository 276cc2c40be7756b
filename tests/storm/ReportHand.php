<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

use KeenMargin\Tests\app\Answer;

/**
 * One user's texts in a report, and what must be there of them: every change that was acknowledged, and nothing else,
 * whatever the others do. Pages `a` and `b` stay; a page of one's own comes and goes with all that is on it.
 *
 * @phpstan-type BlockOfText array{id: string, text?: string}
 * @phpstan-type PageOfTexts array{id: string, rows?: list<array{blocks: non-empty-list<BlockOfText>}>}
 */
final class ReportHand
{
    private const FULL = 12;
    /** Seconds that a request goes on at the longest after its connection was lost. */
    private const UNDERWAY = 9.0;

    /** @var array<string, array{string, string}> page and text, by the ids of blocks */
    private array $texts = [];
    /** @var list<array<string, array{string, string}>> what there was before each step that can be taken back */
    private array $before = [];
    /** @var array<int, array<string, array{string, string}>> what was issued, by number */
    private array $issued = [];
    private int $count = 0;
    /** How many changes were acknowledged. */
    public int $done = 0;
    /** @var list<string> */
    public array $wrong = [];

    /** @param bool $isAlone whether nobody else changes it, so that steps can be taken back, and it be issued */
    public function __construct(
        private readonly Client $client,
        private readonly string $name,
        private int $id,
        private readonly bool $isAlone,
    ) {}

    public function step(): void
    {
        if (0 === $this->id) {
            $this->id = self::made($this->client, $this->name);

            return;
        }
        $known = $this->client->send('GET', "/api/reports/$this->id");
        if (200 !== $known->status || !\is_array($known->at('document'))) {
            // Whoever sent it may have been killed before the end.
            return;
        }
        match (mt_rand(0, $this->isAlone ? 11 : 7)) {
            0, 1, 2 => $this->write($known),
            3, 4 => $this->rewrite($known),
            5, 6 => $this->move($known),
            7 => $this->dropPage($known),
            8, 9 => $this->stepBack(),
            10 => $this->issue($known),
            default => $this->deleteAndRestore($known),
        };
    }

    public static function made(Client $client, string $title): int
    {
        $pages = array_map(static fn (string $id): array => ['id' => $id, 'title' => "Page $id"], ['a', 'b']);
        $made = $client->send('POST', '/api/reports', [
            'title' => $title,
            'document' => ['keenMargin' => 1, 'report' => $title, 'pages' => $pages],
        ]);

        return 201 === $made->status ? $made->int('id') : 0;
    }

    public function verify(): void
    {
        if (0 === $this->id) {
            return;
        }
        $this->is([$this->texts], 'at the end');
        foreach ($this->issued as $number => $texts) {
            $issue = $this->client->send('GET', "/api/reports/$this->id/issues/$number");
            foreach ($texts as [, $text]) {
                str_contains($issue->body, $text)
                    || ($this->wrong[] = "$this->name: issue $number does not say \"$text\"");
            }
        }
    }

    private function write(Answer $known): void
    {
        $pages = ['a', 'b', "own $this->name"];
        $page = self::id($pages[mt_rand(0, 2)]);
        $id = self::id("$this->name ".++$this->count);
        $text = $this->text();
        $document = self::with($known, $page, $id, $text);
        null === $document || $this->put($known, $document, [$id => [$page, $text]] + $this->texts, 'a text');
    }

    private function rewrite(Answer $known): void
    {
        $id = array_rand($this->texts + ['' => 0]);
        if ('' === $id) {
            return;
        }
        $page = $this->texts[$id][0];
        $text = $this->text();
        $document = self::with(self::without($known, $id), $page, $id, $text);
        null === $document || $this->put($known, $document, [$id => [$page, $text]] + $this->texts, 'a change');
    }

    private function move(Answer $known): void
    {
        $id = array_rand($this->texts + ['' => 0]);
        if ('' === $id) {
            return;
        }
        $to = 'a' === $this->texts[$id][0] ? 'b' : 'a';
        $text = $this->texts[$id][1];
        $document = self::with(self::without($known, $id), $to, $id, $text);
        null === $document || $this->put($known, $document, [$id => [$to, $text]] + $this->texts, 'a move');
    }

    /** The page of one's own, with all that stands on it. */
    private function dropPage(Answer $known): void
    {
        $own = self::id("own $this->name");
        $document = self::document($known);
        $document['pages'] = array_values(
            array_filter($document['pages'], static fn (array $page): bool => $page['id'] !== $own),
        );
        $left = array_filter($this->texts, static fn (array $text): bool => $text[0] !== $own);
        \count($left) === \count($this->texts) || $this->put($known, $document, $left, 'a page that was deleted');
    }

    private function stepBack(): void
    {
        if ([] === $this->before) {
            return;
        }
        $before = array_pop($this->before);
        $now = $this->texts;
        $answer = $this->client->send('POST', "/api/reports/$this->id/undo");
        if ($this->settle($answer, $before, 'a step back') && 0 === mt_rand(0, 1)) {
            $again = $this->client->send('POST', "/api/reports/$this->id/redo");
            $this->settle($again, $now, 'a step on') && ($this->before[] = $before);
        }
    }

    private function issue(Answer $known): void
    {
        $answer = $this->client->send('POST', "/api/reports/$this->id/issues", [], $known->header('ETag'));
        if (201 === $answer->status) {
            $this->issued[$answer->int('issues', 0, 'number')] = $this->texts;
        }
    }

    private function deleteAndRestore(Answer $known): void
    {
        $this->client->send('DELETE', "/api/reports/$this->id", null, $known->header('ETag'));
        for ($i = 0; $i < 60; ++$i) {
            if (200 === $this->client->send('POST', "/api/reports/$this->id/restoration")->status) {
                return;
            }
            usleep(200_000);
        }
    }

    /**
     * @param array<mixed> $document
     * @param array<string, array{string, string}> $after
     */
    private function put(Answer $known, array $document, array $after, string $what): void
    {
        // Others come between, so that what they did has to be brought together with this.
        usleep(mt_rand(0, 150_000));
        $before = $this->texts;
        $answer = $this->client->send(
            'PUT', "/api/reports/$this->id", ['document' => $document, 'says' => $what], $known->header('ETag'),
        );
        $this->settle($answer, $after, $what) && ($this->before[] = $before);
    }

    /**
     * Takes what an answer says: done, refused, or lost.
     *
     * @param array<string, array{string, string}> $after
     */
    private function settle(Answer $answer, array $after, string $what): bool
    {
        if (200 === $answer->status) {
            ++$this->done;
            $this->texts = $after;
            0 === mt_rand(0, 2) && $this->is([$after], "after $what");

            return true;
        }
        $isKnown =
            \in_array($answer->status, [404, 409, 410, 412, 422, 507], true)
            || (503 === $answer->status && str_contains($answer->text('detail'), 'Nothing'));
        ksort($after);
        for ($until = microtime(true) + self::UNDERWAY; !$isKnown && microtime(true) < $until; usleep(500_000)) {
            $known = $this->client->send('GET', "/api/reports/$this->id");
            if (\is_array($known->at('document')) && $after === $this->held($known)) {
                break;
            }
        }
        $held = $this->is(
            $isKnown ? [$this->texts] : [$this->texts, $after],
            "after $what that was answered by $answer->status",
        );
        $this->before = [];
        if (1 === $held) {
            $this->texts = $after;
        }

        return false;
    }

    /**
     * @param non-empty-list<array<string, array{string, string}>> $states
     *
     * @return ?int which of them it is; null where it is none
     */
    private function is(array $states, string $when): ?int
    {
        for ($i = 0; $i < 100; ++$i) {
            $known = $this->client->send('GET', "/api/reports/$this->id");
            if (200 !== $known->status || !\is_array($known->at('document'))) {
                usleep(200_000);
                continue;
            }
            $held = $this->held($known);
            foreach ($states as $which => $state) {
                ksort($state);
                if ($state === $held) {
                    return $which;
                }
            }
            $this->wrong[] = "$this->name $when: it holds ".json_encode($held, \JSON_THROW_ON_ERROR).', and not '.
                json_encode($states[0], \JSON_THROW_ON_ERROR);
            $this->texts = $held;

            return null;
        }
        $this->wrong[] = "$this->name $when: it cannot be read";

        return null;
    }

    /** @return array<string, array{string, string}> one's own texts, as they stand there */
    private function held(Answer $known): array
    {
        $held = [];
        $own = self::id($this->name).'-';
        foreach (self::document($known)['pages'] as $page) {
            foreach ($page['rows'] ?? [] as $row) {
                foreach ($row['blocks'] as $block) {
                    if (str_starts_with($block['id'], $own)) {
                        isset($held[$block['id']]) && ($this->wrong[] = "{$block['id']} is there twice");
                        $held[$block['id']] = [$page['id'], $block['text'] ?? ''];
                    }
                }
            }
        }
        ksort($held);

        return $held;
    }

    /**
     * The document with a text as the last row of a page, which is added where it is not there; null where it is full.
     *
     * @param Answer|array{pages: list<array<string, mixed>>, ...} $known
     *
     * @return array<mixed>|null
     */
    private static function with(Answer|array $known, string $page, string $id, string $text): ?array
    {
        $document = $known instanceof Answer ? self::document($known) : $known;
        $ids = array_column($document['pages'], 'id');
        $at = array_search($page, $ids, true);
        if (false === $at) {
            $at = \count($ids);
            $document['pages'][$at] = ['id' => $page, 'title' => $page, 'rows' => []];
        }
        $rows = $document['pages'][$at]['rows'] ?? [];
        if (!\is_array($rows) || \count($rows) >= self::FULL) {
            return null;
        }
        $row = ['id' => "row-$id", 'blocks' => [['id' => $id, 'text' => $text]]];
        $document['pages'][$at]['rows'] = [...$rows, $row];

        return $document;
    }

    /** @return array{pages: list<array<string, mixed>>, ...} the document without the row of a block */
    private static function without(Answer $known, string $id): array
    {
        $document = self::document($known);
        foreach ($document['pages'] as $i => $page) {
            $rows = array_filter($page['rows'] ?? [], static fn (array $row): bool => $row['blocks'][0]['id'] !== $id);
            $document['pages'][$i]['rows'] = array_values($rows);
        }

        return $document;
    }

    /** @return array{pages: list<PageOfTexts>} */
    private static function document(Answer $known): array
    {
        /** @var array{pages: list<PageOfTexts>} $document */
        $document = $known->at('document');

        return $document;
    }

    private function text(): string
    {
        return "$this->name says ".bin2hex(random_bytes(4));
    }

    private static function id(string $name): string
    {
        return strtolower(str_replace(' ', '-', $name));
    }
}
