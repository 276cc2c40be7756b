<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Document\Entries;
use KeenMargin\Core\Question\Document\PartReader;
use KeenMargin\Core\Question\Document\PartWriter;
use KeenMargin\Core\Question\Document\QuestionReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Report\About;
use KeenMargin\Core\Time\FiscalCalendar;

/** Reads and writes what a page or a report is about: `{"where": […], "span": …, "against": ["BU"]}`. */
final class AboutReader
{
    private const MOST_REFERENCES = 2;

    /** @throws NotAccepted */
    public static function read(?Given $given): About
    {
        if (null === $given) {
            return new About();
        }
        $given->object(['where', 'span', 'against']);
        $span = $given->maybe('span');
        $against = array_map(
            static fn (Given $code): Scenario => $code->enum(Scenario::class),
            $given->maybe('against')?->list() ?? [],
        );
        if (\count($against) > self::MOST_REFERENCES || \count($against) > 1 && $against[0] === $against[1]) {
            throw new NotAccepted("$given->path.against", 'Give one or two references, each once.');
        }

        return new About(
            self::where($given->maybe('where')),
            null === $span ? null : PartReader::span($span, new FiscalCalendar()),
            $against,
        );
    }

    /** @return array<string, mixed> */
    public static function toArray(About $about): array
    {
        return Entries::present([
            'where' => array_map(RecipeWriter::filter(...), $about->where),
            'span' => null === $about->span ? null : PartWriter::span($about->span),
            'against' => array_map(static fn (Scenario $one): string => $one->value, $about->against),
        ]);
    }

    /**
     * @return list<MemberFilter>
     *
     * @throws NotAccepted
     */
    private static function where(?Given $given): array
    {
        $filters = [];
        foreach ($given?->list() ?? [] as $entry) {
            $filter = QuestionReader::filter($entry);
            if (!$filter instanceof MemberFilter || isset($filters[$filter->breakdown])) {
                throw new NotAccepted($entry->path, 'Give "in" or "notIn" with members, once for each breakdown.');
            }
            $filters[$filter->breakdown] = $filter;
        }

        return array_values($filters);
    }
}
