<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Comparing;

/**
 * Compares two states of a report: all rows and cells of either one, besides what a chart asks, its unit, what is
 * better, and its title. A number of a period that both have closed is restated where it differs and the question is
 * the same. Of what moved on with the closing period only the sum that a chart begins with is told, and its variance.
 *
 * @phpstan-type Cell array{string, string, string}
 * @phpstan-type SnapshotRow array{key: string, label: string, ends: ?int, cells: array<string, Cell>}
 * @phpstan-type Chart array{block: string, what: string, closes: int, headline: string,
 *     rows: list<SnapshotRow>, notes: array<int|string, string>, asks?: string, question?: string, unit?: string,
 *     better?: string, title?: string}
 * @phpstan-type SnapshotPage array{id: string, title: string, message: string, texts: array<string, string>,
 *     charts: array<string, Chart>}
 */
final class SnapshotDiff
{
    /** @var list<ReportDifference> */
    private array $differences = [];

    /**
     * @param array<string, mixed> $then as Snapshot makes it
     * @param array<string, mixed> $now
     *
     * @return list<ReportDifference> page by page, in the order of what is now
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
                kind: DifferenceKind::Page, page: $id, block: '', what: $page['title'], was: $page['message'], is: null,
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
                kind: DifferenceKind::Text, page: $id, block: (string) $block, what: 'Text', was: $was, is: $is,
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
        // What was issued by an earlier version does not say what its charts asked.
        $isKnown = isset($old['asks'], $new['asks']);
        $isSame = !$isKnown || ($old['asks'] === $new['asks'] && $old['what'] === $new['what']);
        if ($isKnown) {
            $isSame || $this->add(
                kind: DifferenceKind::Question,
                page: $page,
                block: $new['block'],
                what: $new['what'],
                was: $old['question'] ?? '',
                is: ($old['question'] ?? '') === ($new['question'] ?? '') ? 'drawn otherwise' : $new['question'] ?? '',
            );
            $said = [
                [DifferenceKind::Measure, 'unit', $old['unit'] ?? '', $new['unit'] ?? ''],
                [DifferenceKind::Measure, 'better', $old['better'] ?? '', $new['better'] ?? ''],
                [DifferenceKind::Title, 'title', $old['title'] ?? '', $new['title'] ?? ''],
            ];
            foreach ($said as [$kind, $what, $was, $is]) {
                $was === $is || $this->add(
                    kind: $kind,
                    page: $page,
                    block: $new['block'],
                    what: "{$new['what']}, $what",
                    was: '' === $was ? null : $was,
                    is: '' === $is ? null : $is,
                );
            }
        }
        $isSame ? $this->rows($page, $old, $new) : $this->sums($page, $old, $new);
        foreach ($new['notes'] + $old['notes'] as $note => $text) {
            [$was, $is] = [$old['notes'][$note] ?? null, $new['notes'][$note] ?? null];
            $was === $is || $this->add(
                kind: DifferenceKind::Note, page: $page, block: $new['block'], what: $new['what'], was: $was, is: $is,
            );
        }
    }

    /**
     * Rows and cells of either side. Of what moved on with the closing period only what both have closed, and the sum
     * that the chart begins with.
     *
     * @param Chart $old
     * @param Chart $new
     */
    private function rows(string $page, array $old, array $new): void
    {
        $hasMoved = $old['closes'] !== $new['closes'];
        $both = min($old['closes'], $new['closes']);
        $before = self::byKey($old['rows']);
        $after = self::byKey($new['rows']);
        foreach ($after + $before as $key => $row) {
            $isClosed = null !== $row['ends'] && $row['ends'] <= $both;
            $isHeadline = $key === $new['headline'];
            if ($hasMoved && !$isClosed && !$isHeadline) {
                continue;
            }
            $kind = $isClosed || !$hasMoved ? DifferenceKind::Restated : DifferenceKind::Number;
            $this->cells($kind, $page, $new, $row['label'], array_map(
                static fn (?array $of): array => match (true) {
                    null === $of => [],
                    !$hasMoved => $of['cells'],
                    // Shares are of a whole that has moved on.
                    $isClosed => array_diff_key($of['cells'], ['explains' => true, 'share' => true]),
                    default => self::headline($of['cells']),
                },
                [$before[$key] ?? null, $after[$key] ?? null],
            ));
        }
    }

    /**
     * Of another question only the sum that it begins with is told: its rows are others.
     *
     * @param Chart $old
     * @param Chart $new
     */
    private function sums(string $page, array $old, array $new): void
    {
        $was = self::byKey($old['rows'])[$old['headline']] ?? null;
        $is = self::byKey($new['rows'])[$new['headline']] ?? null;
        if (null !== $was && null !== $is) {
            $this->cells(
                DifferenceKind::Number,
                $page,
                $new,
                $is['label'],
                [self::headline($was['cells']), self::headline($is['cells'])],
            );
        }
    }

    /**
     * @param Chart $chart
     * @param array{array<string, Cell>, array<string, Cell>} $cells before and after
     */
    private function cells(DifferenceKind $kind, string $page, array $chart, string $row, array $cells): void
    {
        [$before, $after] = $cells;
        foreach ($after + $before as $column => [$head]) {
            [$was, $is] = [$before[$column] ?? null, $after[$column] ?? null];
            if (($was[1] ?? null) === ($is[1] ?? null)) {
                continue;
            }
            $isHidden = null !== $was && null !== $is && $was[2] === $is[2];
            $this->add(
                kind: $kind,
                page: $page,
                block: $chart['block'],
                what: "{$chart['what']}, $row, $head",
                was: $was[2] ?? null,
                is: $isHidden ? "$is[2] (exactly $is[1], was $was[1])" : $is[2] ?? null,
            );
        }
    }

    /**
     * @param list<SnapshotRow> $rows
     *
     * @return array<string, SnapshotRow> the first of each key: a sum may be one of the rows as well
     */
    private static function byKey(array $rows): array
    {
        $byKey = [];
        foreach ($rows as $row) {
            $byKey[$row['key']] ??= $row;
        }

        return $byKey;
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
        $difference = new ReportDifference(kind: $kind, page: $page, block: $block, what: $what, was: $was, is: $is);
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
