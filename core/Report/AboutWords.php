<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\Span;
use KeenMargin\Core\Time\SpanKind;

/** What a page or a report is about, as the sentence that stands over it. */
final class AboutWords
{
    private const NAMED = 3;

    /** @return list<SentencePart> */
    public static function ofPage(Report $report, Page $page): array
    {
        return self::sentence('This page is about ', $report->aboutOf($page), $report->scaleOf($page));
    }

    /** @return list<SentencePart> */
    public static function ofReport(Report $report): array
    {
        return self::sentence('All of it is about ', $report->about, $report->scale);
    }

    /** @return list<SentencePart> */
    private static function sentence(string $opening, About $about, ScaleOver $scale): array
    {
        return [
            new SentencePart($opening),
            new SentencePart(self::members($about), 'where'),
            new SentencePart(' in '),
            new SentencePart(self::span($about->span), 'span'),
            new SentencePart(' against '),
            new SentencePart(self::references($about->against), 'against'),
            new SentencePart(', on '),
            new SentencePart(self::scale($scale), 'scale'),
            new SentencePart('.'),
        ];
    }

    private static function members(About $about): string
    {
        $said = array_map(
            static fn (MemberFilter $filter): string => ($filter->keeps ? '' : 'all but ').
                Wording::some(
                    array_map(
                        static fn (string $member): string => '' === $member ? '(blank)' : $member,
                        $filter->members,
                    ),
                    self::NAMED,
                ),
            $about->where,
        );

        return [] === $said ? 'everything' : implode('; ', $said);
    }

    private static function span(?Span $span): string
    {
        if (null === $span || SpanKind::All === $span->kind) {
            return 'the time of each chart';
        }
        if (null !== $span->from && null !== $span->to) {
            return PeriodNames::range($span->from, $span->to);
        }
        $unit = $span->unit->value ?? '';

        return match ($span->kind) {
            SpanKind::Last => 1 === $span->count ? "the last $unit" : "the last $span->count ".$span->unit?->plural(),
            SpanKind::Previous => 1 === $span->count
                ? "the previous $unit"
                : "the previous $span->count ".$span->unit?->plural(),
            SpanKind::RestOfYear => 'the rest of the year',
            default => 'the year to date',
        };
    }

    /** @param list<Scenario> $against */
    private static function references(array $against): string
    {
        return [] === $against
            ? 'what each chart says'
            : Wording::and(array_map(static fn (Scenario $one): string => $one->word(), $against));
    }

    private static function scale(ScaleOver $scale): string
    {
        return match ($scale) {
            ScaleOver::Page => 'one scale',
            ScaleOver::Report => 'one scale for the whole report',
            ScaleOver::None => 'a scale of its own for each chart',
        };
    }
}
