<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Merging;

/**
 * Brings two changes of one document together, by the ids of its pages, rows, blocks and key figures: what only one of
 * them changed is taken from that one. What both changed, each in its own way, is a conflict.
 */
final class ReportMerge
{
    /** Lists whose entries are told apart, and by what. */
    private const LISTS = [
        'pages' => 'id',
        'rows' => 'id',
        'blocks' => 'id',
        'figures' => 'id',
        'accepted' => 'finding',
    ];

    /** @var list<string> */
    private array $conflicts = [];

    private function __construct(private readonly bool $prefersMine)
    {
    }

    /**
     * @param array<string, mixed> $base that both began with
     * @param array<string, mixed> $mine
     * @param array<string, mixed> $theirs
     * @param bool $prefersMine which of the two a conflict leaves in the document
     */
    public static function of(array $base, array $mine, array $theirs, bool $prefersMine = false): MergedReport
    {
        $merge = new self($prefersMine);
        $document = $merge->objects($base, $mine, $theirs, '');

        return new MergedReport($document, $merge->conflicts);
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
            $value =
                isset(self::LISTS[$key]) && (self::areEntries($own) && self::areEntries($other))
                    ? $this->lists(
                        self::byId($was, self::LISTS[$key]),
                        self::byId($own, self::LISTS[$key]),
                        self::byId($other, self::LISTS[$key]),
                        ltrim("$path.$key", '.'),
                    )
                    : $this->values($was, $own, $other, ltrim("$path.$key", '.'));
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
     * @param array<string, array<string, mixed>> $was by id, as the others
     * @param array<string, array<string, mixed>> $own
     * @param array<string, array<string, mixed>> $other
     *
     * @return list<array<string, mixed>>
     */
    private function lists(array $was, array $own, array $other, string $path): array
    {
        $kept = [];
        foreach ($own + $other as $id => $entry) {
            $at = "$path.$id";
            [$before, $mine, $theirs] = [$was[$id] ?? null, $own[$id] ?? null, $other[$id] ?? null];
            if (null !== $mine && null !== $theirs) {
                $kept[$id] = $this->objects($before ?? [], $mine, $theirs, $at);
            } elseif (null === $before) {
                $kept[$id] = $entry;
            } elseif (!self::areSame($before, $mine ?? $theirs)) {
                // One has deleted what the other has changed.
                $this->conflicts[] = $at;
                $kept[$id] = $entry;
            }
        }

        return array_map(static fn (string $id): array => $kept[$id], $this->order($was, $own, $other, $kept, $path));
    }

    /**
     * The order of the one that changed it, with what the other has added after what it stood behind.
     *
     * @param array<string, array<string, mixed>> $was
     * @param array<string, array<string, mixed>> $own
     * @param array<string, array<string, mixed>> $other
     * @param array<string, array<string, mixed>> $kept
     *
     * @return list<string> ids of what is kept
     */
    private function order(array $was, array $own, array $other, array $kept, string $path): array
    {
        $common = array_keys(array_intersect_key($was, $own, $other));
        $of = static fn (array $list): array => array_values(
            array_filter(self::ids($list), static fn (string $id): bool => \in_array($id, self::texts($common), true)),
        );
        $isMine = $of($own) !== $of($was);
        $isTheirs = $of($other) !== $of($was);
        if ($isMine && $isTheirs && $of($own) !== $of($other)) {
            $this->conflicts[] = $path;
        }
        [$first, $second] = $isMine && !$isTheirs ? [$own, $other] : [$other, $own];
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

    private static function areEntries(mixed $list): bool
    {
        return null === $list || (\is_array($list) && array_is_list($list));
    }

    /** @return array<string, array<string, mixed>> */
    private static function byId(mixed $list, string $key): array
    {
        $entries = [];
        /** @var array<string, mixed> $entry */
        foreach (\is_array($list) ? $list : [] as $entry) {
            $id = $entry[$key] ?? '';
            $entries[\is_string($id) ? $id : ''] = $entry;
        }

        return $entries;
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
        return self::texts(array_keys($list));
    }

    /**
     * @param list<int|string> $keys
     *
     * @return list<string>
     */
    private static function texts(array $keys): array
    {
        return array_map(strval(...), $keys);
    }
}
