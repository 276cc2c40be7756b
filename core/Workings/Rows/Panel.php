<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Question\Part\PanelKey;

/** One of several panels of a chart: which one, what stands over it, and what it is about. */
final readonly class Panel
{
    private const BLANK = '(blank)';

    /**
     * @param ?PanelKey $key null: the only one
     * @param list<MemberFilter|NumberFilter> $where
     */
    private function __construct(public ?PanelKey $key, public string $name, public array $where) {}

    /** @param list<MemberFilter|NumberFilter> $where */
    public static function only(array $where): self
    {
        return new self(null, '', $where);
    }

    /** @param list<MemberFilter|NumberFilter> $where */
    public static function member(string $member, array $where): self
    {
        return new self(PanelKey::member($member), '' === $member ? self::BLANK : $member, $where);
    }

    /** @param list<MemberFilter|NumberFilter> $where */
    public static function others(int $count, array $where): self
    {
        return new self(PanelKey::others(), "Other ($count)", $where);
    }
}
