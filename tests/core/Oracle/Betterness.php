<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

/** Whether less is better: as asked, else of lines that take away, else as the measure says. */
final class Betterness
{
    /** @param array<string, string> $roles of lines */
    public static function isLess(Asked $asked, array $roles, Rule $rule, bool $takesAway): bool
    {
        if (null !== $asked->better) {
            return 'less' === $asked->better;
        }
        foreach ($asked->where as $filter) {
            $kept = $filter['keeps'] && 'Route' === $filter['field'] ? $filter['members'] : [];
            $takesAway =
                $takesAway
                || ['takes away'] ===
                    array_unique(array_map(static fn (string $member): string => $roles[$member] ?? '', $kept));
        }

        return $takesAway || $rule->isLess;
    }
}
