<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

/**
 * Parts of a changed report that say the same as before stay as they were kept: a member that was merged into another
 * goes by the other's name, and would become the other where a page sends all that it has read.
 */
final class UnchangedParts
{
    /**
     * @param array<string, mixed> $changed document with numbers
     * @param array<string, mixed> $changedNamed the same with names
     * @param array<string, mixed> $base that the change began with, with numbers
     * @param array<string, mixed> $baseNamed the same with names
     *
     * @return array<string, mixed> the changed document with what is kept of its unchanged parts
     */
    public static function of(array $changed, array $changedNamed, array $base, array $baseNamed): array
    {
        $known = self::parts($base, $baseNamed);
        $kept = self::part('report', self::without($changed, 'pages'), self::without($changedNamed, 'pages'), $known);
        $pages = [];
        foreach (self::list($changed, 'pages') as $p => $page) {
            $pageNamed = self::list($changedNamed, 'pages')[$p];
            $rows = [];
            $own = self::part(
                self::key('page', $page),
                self::without($page, 'rows'),
                self::without($pageNamed, 'rows'),
                $known,
            );
            foreach (self::list($page, 'rows') as $r => $row) {
                $blocks = self::list(self::list($pageNamed, 'rows')[$r], 'blocks');
                $row['blocks'] = array_map(
                    static fn (array $block, array $named): array => self::part(
                        self::key('block', $block),
                        $block,
                        $named,
                        $known,
                    ),
                    self::list($row, 'blocks'),
                    $blocks,
                );
                $rows[] = $row;
            }
            $pages[] = [] === $rows ? $own : [...$own, 'rows' => $rows];
        }

        return [] === $pages ? $kept : [...$kept, 'pages' => $pages];
    }

    /**
     * @param array<string, mixed> $part
     * @param array<string, mixed> $named
     * @param array<string, array{array<string, mixed>, array<string, mixed>}> $known
     *
     * @return array<string, mixed>
     */
    private static function part(string $key, array $part, array $named, array $known): array
    {
        return isset($known[$key]) && $known[$key][1] === $named ? $known[$key][0] : $part;
    }

    /**
     * @param array<string, mixed> $base
     * @param array<string, mixed> $named
     *
     * @return array<string, array{array<string, mixed>, array<string, mixed>}> each with numbers and with names
     */
    private static function parts(array $base, array $named): array
    {
        $parts = ['report' => [self::without($base, 'pages'), self::without($named, 'pages')]];
        foreach (self::list($base, 'pages') as $p => $page) {
            $pageNamed = self::list($named, 'pages')[$p];
            $parts[self::key('page', $page)] = [self::without($page, 'rows'), self::without($pageNamed, 'rows')];
            foreach (self::list($page, 'rows') as $r => $row) {
                $blocks = self::list(self::list($pageNamed, 'rows')[$r], 'blocks');
                foreach (self::list($row, 'blocks') as $b => $block) {
                    $parts[self::key('block', $block)] = [$block, $blocks[$b]];
                }
            }
        }

        return $parts;
    }

    /** @param array<string, mixed> $part */
    private static function key(string $what, array $part): string
    {
        return \is_string($part['id'] ?? null) ? "$what {$part['id']}" : '';
    }

    /**
     * @param array<string, mixed> $part
     *
     * @return array<string, mixed>
     */
    private static function without(array $part, string $key): array
    {
        return array_diff_key($part, [$key => true]);
    }

    /**
     * @param array<string, mixed> $part
     *
     * @return list<array<string, mixed>>
     */
    private static function list(array $part, string $key): array
    {
        /** @var list<array<string, mixed>> */
        return \is_array($part[$key] ?? null) ? $part[$key] : [];
    }
}
