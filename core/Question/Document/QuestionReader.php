<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Part\Capacity;
use KeenMargin\Core\Question\Part\Cumulation;
use KeenMargin\Core\Question\Part\Flag;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\FiscalCalendar;

/**
 * Reads a question from JSON; refuses, with its path, whatever is not known. Where it says nothing about rows, all is
 * taken together.
 */
final class QuestionReader
{
    /** @throws NotAccepted */
    public static function read(Given $given, FiscalCalendar $calendar): Question
    {
        $given->object([
            'measure',
            'scenario',
            'forecast',
            'against',
            'by',
            'span',
            'closedThrough',
            'where',
            'better',
            'flag',
            'order',
            'cumulate',
            'top',
            'each',
            'between',
            'used',
            'unused',
            'total',
            'sequence',
            'landing',
            'proRata',
            ...NearReader::KEYS,
            ...GoalReader::KEYS,
            ...TableReader::KEYS,
            ...WaterfallReader::KEYS,
        ]);
        $scenario = $given->maybe('scenario')?->enum(Scenario::class) ?? Scenario::Actual;

        return new Question(
            measure: $given->maybe('measure')?->string(),
            scenario: $scenario,
            forecast: $given->maybe('forecast')?->enum(Scenario::class),
            against: self::against($given->maybe('against'), $scenario),
            by: null === $given->maybe('by') ? null : PartReader::by($given->must('by')),
            span: null === $given->maybe('span') ? null : PartReader::span($given->must('span'), $calendar),
            closedThrough: PartReader::maybePeriod($given->maybe('closedThrough'), $calendar),
            where: array_map(self::filter(...), $given->maybe('where')?->list() ?? []),
            better: $given->maybe('better')?->enum(Better::class),
            flag: self::flag($given->maybe('flag')),
            order: $given->maybe('order')?->enum(Order::class),
            cumulate: $given->maybe('cumulate')?->enum(Cumulation::class),
            top: $given->maybe('top')?->int(1, 500),
            each: $given->maybe('each')?->string(),
            between: PartReader::maybeBetween($given->maybe('between')),
            capacity: self::maybeCapacity($given),
            target: NearReader::maybeTarget($given->maybe('target')),
            bands: NearReader::maybeBands($given->maybe('bands')),
            goal: GoalReader::of($given),
            columns: TableReader::columns($given->maybe('columns')),
            sort: TableReader::maybeSort($given->maybe('sort')),
            sequence: array_map(
                static fn (Given $key): string => $key->text(500),
                $given->maybe('sequence')?->list() ?? [],
            ),
            landing: $given->maybe('landing')?->bool() ?? false,
            bridge: WaterfallReader::maybeBridge($given->maybe('bridge'), $calendar),
            drivers: WaterfallReader::maybeDrivers($given->maybe('drivers')),
            opened: WaterfallReader::opened($given->maybe('opened'), null !== $given->maybe('each')),
            subtotals: WaterfallReader::subtotals($given->maybe('subtotals')),
            roles: WaterfallReader::roles($given->maybe('roles')),
            isProRata: $given->maybe('proRata')?->bool() ?? false,
        );
    }

    /** @throws NotAccepted */
    private static function maybeCapacity(Given $given): ?Capacity
    {
        $capacity = new Capacity(
            $given->maybe('used')?->string(), $given->maybe('unused')?->string(), $given->maybe('total')?->string(),
        );
        $told = $capacity->told();
        if (1 === \count($told) || \count(array_unique($told)) < \count($told)) {
            throw new NotAccepted(
                $given->path, 'How full something is needs two different measures of "used", "unused" and "total".',
            );
        }

        return [] === $told ? null : $capacity;
    }

    /**
     * @return list<Scenario>
     *
     * @throws NotAccepted
     */
    private static function against(?Given $given, Scenario $scenario): array
    {
        $against = [];
        foreach ($given?->list() ?? [] as $entry) {
            $reference = $entry->enum(Scenario::class);
            if ($reference === $scenario || \in_array($reference, $against, true)) {
                throw $entry->refuse('each scenario once, and not the shown one');
            }
            $against[] = $reference;
        }
        if (\count($against) > 2) {
            throw new NotAccepted($given->path ?? '', 'There are more than two references; give one or two.');
        }

        return $against;
    }

    /**
     * `{"field": "Route", "in": ["North"]}`, `notIn`, or `{"field": "Completion", "below": "99"}`, `atLeast`, or both
     * of these.
     *
     * @throws NotAccepted
     */
    public static function filter(Given $given): MemberFilter|NumberFilter
    {
        $given->object(['field', 'in', 'notIn', 'below', 'atLeast']);
        $told = array_values(array_filter(
            ['in', 'notIn', 'below', 'atLeast'],
            static fn (string $key): bool => null !== $given->maybe($key),
        ));
        $field = $given->must('field')->string();
        if ([] !== $told && [] === array_diff($told, ['below', 'atLeast'])) {
            return new NumberFilter($field, $given->maybe('below')?->number(), $given->maybe('atLeast')?->number());
        }
        if (1 !== \count($told)) {
            throw new NotAccepted(
                $given->path, 'Give one of "in" and "notIn", or "below", "atLeast" or both of these.',
            );
        }

        return new MemberFilter(
            $field,
            array_map(static fn (Given $member): string => $member->text(500), $given->must($told[0])->list(1)),
            'in' === $told[0],
        );
    }

    /** @throws NotAccepted */
    private static function flag(?Given $given): Flag
    {
        $given?->object(['percent', 'amount']);

        return new Flag($given?->maybe('percent')?->size(), $given?->maybe('amount')?->size());
    }
}
