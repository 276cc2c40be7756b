<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Merging;

/**
 * Brings two changes of one document together, by the ids of its pages, rows, blocks and key figures: what only one of
 * them changed is taken from that one. What both changed, each in its own way, is a conflict; so is a block that one
 * deleted and the other changed or moved, also where it was moved with its row. What is added to a row or page that the
 * other has deleted stays in its place.
 *
 * @phpstan-import-type Entry from Places
 */
final class ReportMerge
{
    /** Lists within a report or a block whose entries are told apart, and by what. */
    private const LISTS = ['figures' => 'id', 'accepted' => 'finding'];

    /** @var list<string> */
    private array $conflicts = [];

    private function __construct(private readonly bool $prefersMine) {}

    /**
     * @param array<string, mixed> $base that both began with
     * @param array<string, mixed> $mine
     * @param array<string, mixed> $theirs
     * @param bool $prefersMine which of the two a conflict leaves in the document
     */
    public static function of(array $base, array $mine, array $theirs, bool $prefersMine = false): MergedReport
    {
        $merge = new self($prefersMine);
        $document = $merge->document(Places::of($base), Places::of($mine), Places::of($theirs));

        return new MergedReport($document, $merge->conflicts);
    }

    /** @return Entry */
    private function document(Places $was, Places $own, Places $other): array
    {
        $report = $this->objects($was->report, $own->report, $other->report, '');
        // A block is moved, too, where its row is moved to another page.
        $moved = $was->movedIn($own) + $was->movedIn($other);
        $blocks = $this->entries($was->blocks, $own->blocks, $other->blocks, 'blocks', $moved);
        $rows = [];
        foreach (array_intersect_key($own->rows + $other->rows, Places::by($blocks)) as $id => $row) {
            [$mine, $theirs] = [$own->rows[$id] ?? $row, $other->rows[$id] ?? $row];
            $rows[$id] = $this->objects($was->rows[$id] ?? [], $mine, $theirs, "rows.$id");
        }
        $pages = $this->entries($was->pages, $own->pages, $other->pages, 'pages');
        $pages += array_intersect_key($own->pages + $other->pages, Places::by($rows));
        $list = [];
        foreach ($this->order($was->pages, $own->pages, $other->pages, $pages, 'pages') as $page) {
            $onPage = array_map(
                static fn (array $entries): array => Places::by($entries)[$page] ?? [],
                [$was->rows, $own->rows, $other->rows, $rows],
            );
            $laid = [];
            foreach ($this->order(...[...$onPage, "pages.$page"]) as $row) {
                $inRow = array_map(
                    static fn (array $entries): array => Places::by($entries)[$row] ?? [],
                    [$was->blocks, $own->blocks, $other->blocks, $blocks],
                );
                $laid[] = [
                    'id' => $row,
                    'blocks' => array_map(
                        static fn (string $id): array => array_diff_key($blocks[$id], [Places::IN => true]),
                        $this->order(...[...$inRow, "rows.$row"]),
                    ),
                ];
            }
            $list[] = [...$pages[$page], ...[] === $laid ? [] : ['rows' => $laid]];
        }

        return [...$report, ...[] === $list ? [] : ['pages' => $list]];
    }

    /**
     * @param array<string, mixed> $base
     * @param array<string, mixed> $mine
     * @param array<string, mixed> $theirs
     *
     * @return array<string, mixed>
     */
    private function objects(array $base, array $mine, array $theirs, string $path): array
    {
        $merged = [];
        foreach (array_keys($theirs + $mine) as $key) {
            [$was, $own, $other] = [$base[$key] ?? null, $mine[$key] ?? null, $theirs[$key] ?? null];
            $at = ltrim("$path.$key", '.');
            $by = self::LISTS[$key] ?? null;
            if (null !== $by && self::isMaybeList($own) && self::isMaybeList($other)) {
                $entries = array_map(
                    static fn (mixed $list): array => Places::entries($list, $by),
                    [$was, $own, $other],
                );
                $value = $this->lists(...[...$entries, $at]);
            } else {
                $value = $this->values($was, $own, $other, $at);
            }
            null === $value || ($merged[$key] = $value);
        }

        return $merged;
    }

    private function values(mixed $was, mixed $own, mixed $other, string $path): mixed
    {
        if (self::areSame($own, $was) || self::areSame($own, $other)) {
            return $other;
        }
        if (self::areSame($other, $was)) {
            return $own;
        }
        $this->conflicts[] = $path;

        return $this->prefersMine ? $own : $other;
    }

    /**
     * @param array<string, Entry> $was by id, as the others
     * @param array<string, Entry> $own
     * @param array<string, Entry> $other
     *
     * @return list<Entry> in their order
     */
    private function lists(array $was, array $own, array $other, string $path): array
    {
        $kept = $this->entries($was, $own, $other, $path);

        return array_map(static fn (string $id): array => $kept[$id], $this->order($was, $own, $other, $kept, $path));
    }

    /**
     * @param array<string, Entry> $was by id, as the others
     * @param array<string, Entry> $own
     * @param array<string, Entry> $other
     * @param array<string, true> $moved those that one of the two has moved
     *
     * @return array<string, Entry> what stays, in no order
     */
    private function entries(array $was, array $own, array $other, string $path, array $moved = []): array
    {
        $kept = [];
        foreach ($own + $other as $id => $entry) {
            $at = "$path.$id";
            [$before, $mine, $theirs] = [$was[$id] ?? null, $own[$id] ?? null, $other[$id] ?? null];
            if (null !== $mine && null !== $theirs) {
                $kept[$id] = $this->objects($before ?? [], $mine, $theirs, $at);
            } elseif (null === $before) {
                $kept[$id] = $entry;
            } elseif (!self::areSame($before, $entry) || isset($moved[$id])) {
                // One has deleted what the other has changed.
                $this->conflicts[] = $at;
                $preferred = $this->prefersMine ? $mine : $theirs;
                null === $preferred || ($kept[$id] = $preferred);
            }
        }

        return $kept;
    }

    /**
     * The order of the one that changed it, with what the other has added after what it stood behind.
     *
     * @param array<string, mixed> $was by id, as the others
     * @param array<string, mixed> $own
     * @param array<string, mixed> $other
     * @param array<string, mixed> $kept
     *
     * @return list<string> ids of what is kept
     */
    private function order(array $was, array $own, array $other, array $kept, string $path): array
    {
        $common = array_intersect_key($was, $own, $other, $kept);
        $of = static fn (array $list): array => self::ids(array_intersect_key($list, $common));
        $isMine = $of($own) !== $of($was);
        $isTheirs = $of($other) !== $of($was);
        if ($isMine && $isTheirs && $of($own) !== $of($other)) {
            $this->conflicts[] = $path;
        }
        $takesMine = $isMine && ($this->prefersMine || !$isTheirs);
        [$first, $second] = $takesMine ? [$own, $other] : [$other, $own];
        $order = self::ids(array_intersect_key($first, $kept));
        $before = null;
        foreach (self::ids($second) as $id) {
            if (isset($kept[$id]) && !\in_array($id, $order, true)) {
                $at = null === $before ? 0 : (int) array_search($before, $order, true) + 1;
                array_splice($order, $at, 0, [$id]);
            }
            $before = \in_array($id, $order, true) ? $id : $before;
        }

        return $order;
    }

    /** Objects are the same in whatever order their keys stand. */
    private static function areSame(mixed $one, mixed $other): bool
    {
        if (!\is_array($one) || !\is_array($other)) {
            return $one === $other;
        }
        if (\count($one) !== \count($other)) {
            return false;
        }
        foreach ($one as $key => $value) {
            if (!\array_key_exists($key, $other) || !self::areSame($value, $other[$key])) {
                return false;
            }
        }

        return true;
    }

    private static function isMaybeList(mixed $list): bool
    {
        return null === $list || (\is_array($list) && array_is_list($list));
    }

    /**
     * PHP makes whole numbers of keys that look like them.
     *
     * @param array<string, mixed> $list
     *
     * @return list<string>
     */
    private static function ids(array $list): array
    {
        return array_map(strval(...), array_keys($list));
    }
}
