<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Merging;

/**
 * Parts of a changed document that say the same as before stay as they were kept: a member that was merged into another
 * goes by the other's name, and would become the other where a page sends all that it has read.
 *
 * @phpstan-import-type Entry from Places
 */
final class UnchangedParts
{
    /**
     * @param Entry $changed as it would be kept
     * @param Entry $changedNamed the same as it is read
     * @param Entry $base that the change began with, as it is kept
     * @param Entry $baseNamed the same as it is read
     *
     * @return Entry the changed document with what is kept of its unchanged pages and blocks
     */
    public static function of(array $changed, array $changedNamed, array $base, array $baseNamed): array
    {
        [$was, $wasNamed, $isNamed] = array_map(Places::of(...), [$base, $baseNamed, $changedNamed]);
        $blocks = self::unchanged($was->blocks, $wasNamed->blocks, $isNamed->blocks);
        $pages = self::unchanged($was->pages, $wasNamed->pages, $isNamed->pages);
        $row = static function (array $row) use ($blocks): array {
            $own = Places::entries($row['blocks'] ?? null);

            return [...$row, 'blocks' => array_values(array_replace($own, array_intersect_key($blocks, $own)))];
        };
        $kept = [];
        foreach (Places::entries($changed['pages'] ?? null) as $id => $page) {
            $rows = array_map($row, array_values(Places::entries($page['rows'] ?? null)));
            $kept[] = [...$pages[$id] ?? $page, ...[] === $rows ? [] : ['rows' => $rows]];
        }
        $report = $isNamed->report === $wasNamed->report ? $was->report : $changed;

        return [] === $kept ? $report : [...$report, 'pages' => $kept];
    }

    /**
     * @param array<string, Entry> $was by id, as they are kept
     * @param array<string, Entry> $wasNamed as they are read
     * @param array<string, Entry> $isNamed as they are read after the change
     *
     * @return array<string, Entry> those of the kept ones that are read as before, wherever they stand
     */
    private static function unchanged(array $was, array $wasNamed, array $isNamed): array
    {
        $says = static fn (array $entry): array => array_diff_key($entry, [Places::IN => true]);
        $isSame = static fn (string|int $id): bool => isset($wasNamed[$id], $isNamed[$id])
            && $says($wasNamed[$id]) === $says($isNamed[$id]);

        return array_map($says, array_filter($was, $isSame, \ARRAY_FILTER_USE_KEY));
    }
}
