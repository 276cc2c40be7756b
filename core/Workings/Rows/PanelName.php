<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Workings\Result\Workings;

/** What stands over one of several charts: its member, or how many members it gathers. */
final class PanelName
{
    private const BLANK = '(blank)';

    public static function of(string $member): string
    {
        return '' === $member ? self::BLANK : $member;
    }

    public static function others(int $count): string
    {
        return "Other ($count)";
    }

    public static function isOthers(string $name): bool
    {
        return 1 === preg_match('/^Other \(\d+\)$/D', $name);
    }

    public static function member(string $name): string
    {
        return self::BLANK === $name ? '' : $name;
    }

    /** @return list<string> of the charts that have one, with the blank member as it is stored */
    public static function members(Workings $workings): array
    {
        $names = array_map(strval(...), array_keys($workings->table->panels()));

        return array_map(
            self::member(...),
            array_values(array_filter($names, static fn (string $name): bool => !self::isOthers($name))),
        );
    }
}
