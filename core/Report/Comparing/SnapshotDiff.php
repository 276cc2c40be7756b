<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Comparing;

/**
 * Compares two states of a report. A number of a period that both have closed is restated where it differs. Of what
 * moved on with the closing period only the sum that a chart begins with is told, and its variance.
 *
 * @phpstan-type Cell array{string, string, string}
 * @phpstan-type SnapshotRow array{key: string, label: string, ends: ?int, cells: array<string, Cell>}
 * @phpstan-type Chart array{block: string, what: string, closes: int, headline: string,
 *     rows: list<SnapshotRow>, notes: array<int|string, string>}
 * @phpstan-type SnapshotPage array{id: string, title: string, message: string, texts: array<string, string>,
 *     charts: array<string, Chart>}
 */
final class SnapshotDiff
{
    /** @var list<Difference> */
    private array $differences = [];

    /**
     * @param array<string, mixed> $then as Snapshot makes it
     * @param array<string, mixed> $now
     *
     * @return list<Difference> page by page, in the order of what is now
     */
    public static function of(array $then, array $now): array
    {
        $diff = new self();
        [$before, $after] = [self::pages($then), self::pages($now)];
        foreach ($after as $id => $page) {
            $old = $before[$id] ?? null;
            null === $old
                ? $diff->add(
                    kind: DifferenceKind::Page,
                    page: $id,
                    block: '',
                    what: $page['title'],
                    was: null,
                    is: $page['message'],
                )
                : $diff->page($old, $page);
        }
        foreach (array_diff_key($before, $after) as $id => $page) {
            $diff->add(
                kind: DifferenceKind::Page,
                page: $id,
                block: '',
                what: $page['title'],
                was: $page['message'],
                is: null,
            );
        }

        return $diff->differences;
    }

    /**
     * @param SnapshotPage $old
     * @param SnapshotPage $new
     */
    private function page(array $old, array $new): void
    {
        $id = $new['id'];
        if ($old['message'] !== $new['message']) {
            $this->add(
                kind: DifferenceKind::Message,
                page: $id,
                block: '',
                what: 'Message',
                was: $old['message'],
                is: $new['message'],
            );
        }
        foreach ($new['texts'] + $old['texts'] as $block => $text) {
            [$was, $is] = [$old['texts'][$block] ?? null, $new['texts'][$block] ?? null];
            $was === $is || $this->add(
                kind: DifferenceKind::Text,
                page: $id,
                block: (string) $block,
                what: 'Text',
                was: $was,
                is: $is,
            );
        }
        foreach ($new['charts'] as $chart => $is) {
            $was = $old['charts'][$chart] ?? null;
            null === $was
                ? $this->add(
                    kind: DifferenceKind::Chart,
                    page: $id,
                    block: $is['block'],
                    what: $is['what'],
                    was: null,
                    is: 'added',
                )
                : $this->chart($id, $was, $is);
        }
        foreach (array_diff_key($old['charts'], $new['charts']) as $was) {
            $this->add(
                kind: DifferenceKind::Chart,
                page: $id,
                block: $was['block'],
                what: $was['what'],
                was: 'was there',
                is: null,
            );
        }
    }

    /**
     * @param Chart $old
     * @param Chart $new
     */
    private function chart(string $page, array $old, array $new): void
    {
        $rows = [];
        foreach ($old['rows'] as $row) {
            $rows[$row['key']] = $row;
        }
        $told = [];
        $hasMoved = $old['closes'] !== $new['closes'];
        $both = min($old['closes'], $new['closes']);
        foreach ($new['rows'] as $row) {
            $was = $rows[$row['key']] ?? null;
            $isClosed = null !== $row['ends'] && $row['ends'] <= $both;
            $isHeadline = $row['key'] === $new['headline'] && !isset($told[$row['key']]);
            if (null === $was || ($hasMoved && !$isClosed && !$isHeadline)) {
                continue;
            }
            // A sum may be one of the rows as well.
            $told[$row['key']] = true;
            $cells = match (true) {
                !$hasMoved => $row['cells'],
                // Shares are of a whole that has moved on.
                $isClosed => array_diff_key($row['cells'], ['explains' => true, 'share' => true]),
                default => self::headline($row['cells']),
            };
            foreach ($cells as $column => [$head, $exact, $says]) {
                $before = $was['cells'][$column] ?? null;
                if (null !== $before && $before[1] !== $exact) {
                    $this->add(
                        kind: $isClosed || !$hasMoved ? DifferenceKind::Restated : DifferenceKind::Number,
                        page: $page,
                        block: $new['block'],
                        what: "{$new['what']}, {$row['label']}, $head",
                        was: $before[2],
                        is: $says === $before[2] ? "$says (exactly $exact, was $before[1])" : $says,
                    );
                }
            }
        }
        foreach ($new['notes'] + $old['notes'] as $note => $text) {
            [$was, $is] = [$old['notes'][$note] ?? null, $new['notes'][$note] ?? null];
            $was === $is || $this->add(
                kind: DifferenceKind::Note,
                page: $page,
                block: $new['block'],
                what: $new['what'],
                was: $was,
                is: $is,
            );
        }
    }

    /**
     * @param array<string, Cell> $cells
     *
     * @return array<string, Cell> what is shown, and its first variance
     */
    private static function headline(array $cells): array
    {
        $variance = array_filter(
            $cells,
            static fn (string $column): bool => str_starts_with($column, 'variance:'),
            \ARRAY_FILTER_USE_KEY,
        );

        return \array_slice($cells, 0, 1) + \array_slice($variance, 0, 1);
    }

    private function add(
        DifferenceKind $kind,
        string $page,
        string $block,
        string $what,
        ?string $was,
        ?string $is,
    ): void {
        $difference = new Difference(kind: $kind, page: $page, block: $block, what: $what, was: $was, is: $is);
        // A note that stands in two charts of a page is told once.
        foreach (DifferenceKind::Note === $kind ? $this->differences : [] as $known) {
            if ($known->kind === $kind && $known->page === $page && $known->was === $was && $known->is === $is) {
                return;
            }
        }
        $this->differences[] = $difference;
    }

    /**
     * @param array<string, mixed> $snapshot
     *
     * @return array<string, SnapshotPage> by id
     */
    private static function pages(array $snapshot): array
    {
        $pages = [];
        /** @var list<SnapshotPage> $list */
        $list = $snapshot['pages'] ?? [];
        foreach ($list as $page) {
            $pages[$page['id']] = $page;
        }

        return $pages;
    }
}
