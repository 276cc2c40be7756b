<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Merging;

/**
 * A document taken apart: what its pages and blocks say, and where rows and blocks stand. So a block that one person
 * moves and another one changes is changed where it stands now.
 *
 * @phpstan-type Entry array<string, mixed>
 */
final readonly class Places
{
    /** The row of a block, and the page of a row, among what they say. */
    public const IN = 'in';

    /**
     * @param Entry $report without its pages
     * @param array<string, Entry> $pages by id, without their rows
     * @param array<string, Entry> $rows by id: only where they stand
     * @param array<string, Entry> $blocks by id, with where they stand
     */
    private function __construct(public array $report, public array $pages, public array $rows, public array $blocks) {}

    /** @param Entry $document */
    public static function of(array $document): self
    {
        $pages = $rows = $blocks = [];
        foreach (self::entries($document['pages'] ?? null) as $page => $ofPage) {
            $pages[$page] = array_diff_key($ofPage, ['rows' => true]);
            foreach (self::entries($ofPage['rows'] ?? null) as $row => $ofRow) {
                $rows[$row] = [self::IN => (string) $page];
                foreach (self::entries($ofRow['blocks'] ?? null) as $block => $ofBlock) {
                    $blocks[$block] = [...$ofBlock, self::IN => (string) $row];
                }
            }
        }

        return new self(array_diff_key($document, ['pages' => true]), $pages, $rows, $blocks);
    }

    /** @return array<string, true> blocks that another document has in the same row, on another page, by id */
    public function movedIn(self $other): array
    {
        $moved = [];
        foreach (array_intersect_key($this->blocks, $other->blocks) as $id => $block) {
            $row = \is_string($block[self::IN]) ? $block[self::IN] : '';
            if ($other->blocks[$id][self::IN] === $row && $this->rows[$row] !== ($other->rows[$row] ?? null)) {
                $moved[$id] = true;
            }
        }

        return $moved;
    }

    /**
     * @param array<string, Entry> $entries rows or blocks, by id
     *
     * @return array<string, array<string, Entry>> the same by the page or row that they stand in
     */
    public static function by(array $entries): array
    {
        $places = [];
        foreach ($entries as $id => $entry) {
            $place = $entry[self::IN] ?? '';
            $places[\is_string($place) ? $place : ''][$id] = $entry;
        }

        return $places;
    }

    /**
     * @param string $key what tells them apart
     *
     * @return array<string, Entry> by what tells them apart
     */
    public static function entries(mixed $list, string $key = 'id'): array
    {
        $entries = [];
        /** @var Entry $entry */
        foreach (\is_array($list) ? $list : [] as $entry) {
            $id = $entry[$key] ?? '';
            $entries[\is_string($id) ? $id : ''] = $entry;
        }

        return $entries;
    }
}
