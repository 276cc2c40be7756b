<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Bridge;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Waterfall\BalanceBridge;
use KeenMargin\Core\Question\Waterfall\PeriodBridge;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\Span;
use KeenMargin\Core\Time\SpanKind;

/** Words of a question for what a bridge leads from and to: `from budget to actual`. */
final class BridgeWords
{
    public static function of(ScenarioBridge|PeriodBridge|BalanceBridge|Between|null $bridge): string
    {
        return match (true) {
            $bridge instanceof ScenarioBridge => 'from '.
                implode(' to ', array_map(static fn (Scenario $one): string => $one->word(), $bridge->stations())),
            $bridge instanceof PeriodBridge => 'from '.
                (null === $bridge->from ? 'a year before' : self::span($bridge->from)).
                ' to '.
                self::span($bridge->to),
            $bridge instanceof Between => 'from '.self::member($bridge->first).' to '.self::member($bridge->second),
            $bridge instanceof BalanceBridge => 'from its opening to its closing value',
            null === $bridge => 'from start to end',
        };
    }

    private static function member(string $member): string
    {
        return '' === $member ? '(blank)' : $member;
    }

    private static function span(Span $span): string
    {
        $unit =
            null === $span->unit
                ? ''
                : (1 === $span->count ? $span->unit->value : $span->count.' '.$span->unit->plural());

        return match ($span->kind) {
            SpanKind::Last => "the last $unit",
            SpanKind::Previous => "the previous $unit",
            SpanKind::YearToDate => 'the year to date',
            SpanKind::RestOfYear => 'the rest of the year',
            SpanKind::All => 'all periods',
            SpanKind::Between => null === $span->from || null === $span->to
                ? 'no period'
                : ($span->from->key() === $span->to->key()
                    ? PeriodNames::full($span->from)
                    : PeriodNames::range($span->from, $span->to)),
        };
    }
}
