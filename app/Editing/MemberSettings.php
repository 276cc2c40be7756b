<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use KeenMargin\App\Storage\Changes\Change;
use KeenMargin\App\Storage\Changes\TableRowChange;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Names\NameKind;
use KeenMargin\App\Storage\Names\NumberedName;
use KeenMargin\App\Storage\Record\BreakdownRecord;
use KeenMargin\App\Storage\Series\BreakdownMembers;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\LineRole;

/**
 * Plans a change of a breakdown: its name, the order of its members, their names, groups and roles; two that become
 * one.
 */
final readonly class MemberSettings
{
    public function __construct(private SeriesStore $store, private KeptDocuments $documents) {}

    public function plan(BreakdownRecord $breakdown, Given $given): Plan
    {
        $given->object([
            'name', 'move', 'before', 'members', 'group', 'role', 'rename', 'to', 'merge', 'into', 'separate', 'remove',
            'add',
        ]);
        $members = BreakdownMembers::of($breakdown, $this->store);

        return match (true) {
            null !== $given->maybe('name') => $this->named($breakdown, trim($given->must('name')->string())),
            null !== $given->maybe('move') => $this->moved($members, $given),
            null !== $given->maybe('rename') => $this->renamed($breakdown, $members, $given),
            null !== $given->maybe('merge') => $this->merged($breakdown, $members, $given),
            null !== $given->maybe('separate') => $this->separated($members, $given->must('separate')),
            null !== $given->maybe('remove') => $this->removed($members, $breakdown, $given->must('remove')),
            null !== $given->maybe('add') => $this->added($breakdown, $members, $given->must('add')),
            null !== $given->maybe('role') => $this->role($members, $given),
            default => $this->grouped($breakdown, $members, $given),
        };
    }

    private function named(BreakdownRecord $breakdown, string $name): Plan
    {
        foreach ($breakdown->dataset->breakdowns as $other) {
            if ($other !== $breakdown && $other->name === $name) {
                throw new NotAccepted('name', "There is a breakdown \"$name\" already. Give another name.");
            }
        }
        $row = TableRowChange::maybe(
            'breakdown',
            (int) $breakdown->id,
            ['name' => $breakdown->name, 'former' => self::json($breakdown->former)],
            [
                'name' => $name,
                'former' => self::json(array_values(array_unique([...$breakdown->former, $breakdown->name]))),
            ],
        );

        return new Plan(new Change("“{$breakdown->name}” is named “{$name}”", null === $row ? [] : [$row]));
    }

    private function added(BreakdownRecord $breakdown, BreakdownMembers $members, Given $given): Plan
    {
        $name = trim($given->string(500));
        if (isset($members->ids()[$name])) {
            throw new NotAccepted($given->path, "{$breakdown->name} has a \"$name\" already.");
        }
        $id = $this->store->members()->numberFor((int) $breakdown->id, $name);
        $last = $this->store->members()->lastPosition((int) $breakdown->id);

        return new Plan(
            new Change("“{$name}” is added", [
                new TableRowChange('member', $id, null, [
                    'breakdown_id' => (int) $breakdown->id,
                    'position' => $last + 1,
                    'name' => $name,
                ]),
            ]),
        );
    }

    /** Puts a member before another, or last. */
    private function moved(BreakdownMembers $members, Given $given): Plan
    {
        $id = self::id($members, $given->must('move'));
        $before = null === $given->maybe('before') ? null : self::id($members, $given->must('before'));
        $order = array_values(
            array_filter(array_keys($members->standing()), static fn (int $one): bool => $one !== $id),
        );
        $at = null === $before ? \count($order) : (int) array_search($before, $order, true);
        array_splice($order, $before === $id ? 0 : $at, 0, [$id]);
        $rows = [];
        $positions = $this->store->members()->positions($id);
        foreach ($before === $id ? [] : $order as $position => $one) {
            $rows[] = TableRowChange::maybe(
                'member',
                $one,
                ['position' => $positions[$one] ?? 0],
                ['position' => $position],
            );
        }

        return new Plan(new Change($members->standing()[$id].' is moved', array_values(array_filter($rows))));
    }

    private function renamed(BreakdownRecord $breakdown, BreakdownMembers $members, Given $given): Plan
    {
        $id = self::id($members, $given->must('rename'));
        $from = $members->standing()[$id];
        $to = trim($given->must('to')->string(500));
        $other = array_search($to, $members->standing(), true);
        if (false !== $other && $other !== $id) {
            throw new NotAccepted(
                'to', "{$breakdown->name} has a \"$to\" already. Merge the two, if they are the same.",
            );
        }
        self::insistFree($members, $to, 'to');
        $former = $members->former[$id] ?? [];
        $row = TableRowChange::maybe(
            'member',
            $id,
            ['name' => $from, 'former' => self::json($former)],
            ['name' => $to, 'former' => self::json(array_values(array_unique([...$former, $from])))],
        );

        return new Plan(new Change("“{$from}” is named “{$to}”", $from === $to || null === $row ? [] : [$row]));
    }

    private function merged(BreakdownRecord $breakdown, BreakdownMembers $members, Given $given): Plan
    {
        $id = self::id($members, $given->must('merge'));
        $into = self::id($members, $given->must('into'));
        [$from, $to] = [$members->standing()[$id], $members->standing()[$into]];
        if ($id === $into || \in_array($to, $members->breakdown()->within($from), true)) {
            throw new NotAccepted(
                'into', "\"$from\" cannot be merged into \"$to\". Choose a member that does not stand in it.",
            );
        }
        $rows = [new TableRowChange('member', $id, ['merged_into' => null], ['merged_into' => $into])];
        foreach (array_keys($members->merged, $id, true) as $before) {
            $rows[] = new TableRowChange('member', $before, ['merged_into' => $id], ['merged_into' => $into]);
        }
        foreach (array_keys($members->parents, $id, true) as $child) {
            $rows[] = new TableRowChange('member', $child, ['parent_id' => $id], ['parent_id' => $into]);
        }
        $naming = $this->documents->naming(new NumberedName(NameKind::Member, $id));
        $amounts = $this->store->amountsOf((int) $breakdown->dataset->id, $breakdown->position, $members->alike($id));

        return new Plan(
            new Change("“{$from}” counts as “{$to}”", $rows),
            [
                Wording::count($amounts, "amount of $from counts", "amounts of $from count").
                " as $to from now on, also in files to come.",
                ...0 === $naming
                    ? []
                    : [
                        Wording::count(
                            $naming, 'chart or report that names it shows', 'charts and reports that name it show',
                        ).
                        " $to instead.",
                    ],
            ],
            true,
        );
    }

    private function separated(BreakdownMembers $members, Given $given): Plan
    {
        $name = $given->text(500);
        foreach ($members->merged as $id => $into) {
            if ($members->own($id) === $name) {
                return new Plan(
                    new Change("“{$name}” stands for itself again", [
                        new TableRowChange('member', $id, ['merged_into' => $into], ['merged_into' => null]),
                    ]),
                    ["$name is a member of its own again."],
                    true,
                );
            }
        }
        throw $given->refuse('a member that was merged into another');
    }

    private function removed(BreakdownMembers $members, BreakdownRecord $breakdown, Given $given): Plan
    {
        $id = self::id($members, $given);
        $name = $members->standing()[$id];
        $amounts = $this->store->amountsOf((int) $breakdown->dataset->id, $breakdown->position, $members->alike($id));
        if ($amounts > 0) {
            throw new NotAccepted(
                $given->path,
                "\"$name\" has ".
                    Wording::count($amounts, 'amount', 'amounts').
                    '. Clear them first, or merge it into another.',
            );
        }
        $rows = array_map(
            static fn (int $child): TableRowChange => new TableRowChange(
                'member',
                $child,
                ['parent_id' => $id],
                ['parent_id' => $members->parents[$id] ?? null],
            ),
            array_keys($members->parents, $id, true),
        );

        return new Plan(
            new Change("“{$name}” is removed", [
                ...$rows,
                new TableRowChange(
                    'member',
                    $id,
                    [
                        'breakdown_id' => (int) $breakdown->id,
                        'position' => $this->store->members()->positions($id)[$id] ?? 0,
                        'name' => $name,
                        'parent_id' => $members->parents[$id] ?? null,
                        'role' => $members->roles[$id] ?? null,
                        'former' => self::json($members->former[$id] ?? []),
                    ],
                    null,
                ),
            ]),
        );
    }

    private function role(BreakdownMembers $members, Given $given): Plan
    {
        $role = $given
            ->must('role')
            ->oneOf(['', ...array_map(static fn (LineRole $one): string => $one->value, LineRole::cases())]);
        $ids = self::ids($members, $given->must('members'));
        $rows = array_map(
            static fn (int $id): ?TableRowChange => TableRowChange::maybe(
                'member',
                $id,
                ['role' => $members->roles[$id] ?? null],
                ['role' => '' === $role ? null : $role],
            ),
            $ids,
        );

        return new Plan(new Change(
            self::some($members, $ids).
                ' '.
                ('' === $role ? 'has no role' : (LineRole::Subtotal->value === $role ? 'is a subtotal' : $role)),
            array_values(array_filter($rows)),
        ));
    }

    /** Puts members into a group, which is made where there is none of that name, or out of any. */
    private function grouped(BreakdownRecord $breakdown, BreakdownMembers $members, Given $given): Plan
    {
        $ids = self::ids($members, $given->must('members'));
        $name = trim($given->maybe('group')?->text(500) ?? '');
        $rows = [];
        $group = null;
        if ('' !== $name) {
            $known = array_search($name, $members->standing(), true);
            $group = false === $known ? $this->store->members()->numberFor((int) $breakdown->id, $name) : $known;
            foreach ($ids as $id) {
                if (
                    false !== $known && \in_array($name, $members->breakdown()->within($members->standing()[$id]), true)
                ) {
                    throw new NotAccepted(
                        'group', "\"$name\" stands in \"{$members->standing()[$id]}\" itself. Choose another group.",
                    );
                }
            }
            if (false === $known) {
                self::insistFree($members, $name, 'group');
                $rows[] = new TableRowChange('member', $group, null, [
                    'breakdown_id' => (int) $breakdown->id,
                    'position' => $this->store->members()->positions($ids[0])[$ids[0]] ?? 0,
                    'name' => $name,
                    'parent_id' => $members->parents[$ids[0]] ?? null,
                ]);
            } elseif (
                0 <
                    $this->store->amountsOf(
                        (int) $breakdown->dataset->id, $breakdown->position, $members->alike($group),
                    )
                && [] === array_keys($members->parents, $group, true)
            ) {
                throw new NotAccepted('group', "\"$name\" has amounts of its own. Give the group another name.");
            }
        }
        foreach ($ids as $id) {
            $rows[] = TableRowChange::maybe(
                'member',
                $id,
                ['parent_id' => $members->parents[$id] ?? null],
                ['parent_id' => $group],
            );
        }

        return new Plan(new Change(
            self::some($members, $ids).(null === $group ? ' stands in no group' : " in $name"),
            array_values(array_filter($rows)),
        ));
    }

    /** A merged member keeps its name, so that files may go on using it. */
    private static function insistFree(BreakdownMembers $members, string $name, string $path): void
    {
        $for = $members->maybeStandsFor($name);
        if (null !== $for) {
            throw new NotAccepted(
                $path, "\"$name\" was merged into \"$for\". Separate the two first, or give another name.",
            );
        }
    }

    /** @return non-empty-list<int> */
    private static function ids(BreakdownMembers $members, Given $given): array
    {
        $ids = array_map(static fn (Given $one): int => self::id($members, $one), $given->list(1));

        return [] === $ids ? throw $given->refuse('one member or more') : $ids;
    }

    private static function id(BreakdownMembers $members, Given $given): int
    {
        $id = array_search($given->text(500), $members->standing(), true);

        return false === $id ? throw $given->refuse('a member of the breakdown') : $id;
    }

    /** @param list<int> $ids */
    private static function some(BreakdownMembers $members, array $ids): string
    {
        return Wording::some(
            array_map(
                static fn (int $id): string => '' === $members->standing()[$id] ? '(blank)' : $members->standing()[$id],
                $ids,
            ),
            3,
        );
    }

    /** @param list<string> $names */
    private static function json(array $names): string
    {
        return json_encode($names, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
    }
}
