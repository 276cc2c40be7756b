<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Waterfall\BalanceBridge;
use KeenMargin\Core\Question\Waterfall\Drivers;
use KeenMargin\Core\Question\Waterfall\OpenedStep;
use KeenMargin\Core\Question\Waterfall\PeriodBridge;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Question\Waterfall\StepRole;
use KeenMargin\Core\Question\Waterfall\Subtotals;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Span;
use KeenMargin\Core\Time\SpanKind;

/** Writes the parts of a question that waterfalls alone have, as WaterfallReader reads them. */
final class WaterfallWriter
{
    /** @return array<string, mixed> */
    public static function toArray(Question $question): array
    {
        return [
            'bridge' => null === $question->bridge ? null : self::bridge($question->bridge),
            'drivers' => null === $question->drivers ? null : self::drivers($question->drivers),
            'opened' => array_map(
                static fn (OpenedStep $one): array => [
                    'step' => $one->step->toJson(),
                    'by' => $one->by instanceof Grain ? $one->by->value : $one->by,
                ],
                $question->opened,
            ),
            'subtotals' => self::subtotals($question->subtotals),
            'roles' => array_map(static fn (StepRole $role): string => $role->value, $question->roles),
        ];
    }

    /** @return array<string, mixed> */
    public static function bridge(ScenarioBridge|PeriodBridge|BalanceBridge|Between $bridge): array
    {
        return match (true) {
            $bridge instanceof ScenarioBridge => Entries::present([
                'from' => $bridge->from->value,
                'to' => $bridge->to->value,
                'through' => array_map(static fn (Scenario $one): string => $one->value, $bridge->through),
            ]),
            $bridge instanceof PeriodBridge => [
                'fromPeriod' => null === $bridge->from ? PeriodBridge::YEAR_BEFORE : self::stretch($bridge->from),
                'toPeriod' => self::stretch($bridge->to),
            ],
            $bridge instanceof BalanceBridge => Entries::present(['over' => 'periods', 'balance' => $bridge->balance]),
            default => PartWriter::between($bridge),
        };
    }

    /** @return array<string, string> */
    private static function drivers(Drivers $drivers): array
    {
        return array_filter(
            ['volume' => $drivers->volume, 'value' => $drivers->value, 'currency' => (string) $drivers->currency],
            static fn (string $name): bool => '' !== $name,
        );
    }

    /** @return list<string>|string|null */
    private static function subtotals(Subtotals $subtotals): array|string|null
    {
        return $subtotals->at->value ?? ([] === $subtotals->after ? null : $subtotals->after);
    }

    /**
     * A single period by its key.
     *
     * @return array<string, int|string>|string|null
     */
    private static function stretch(Span $span): array|string|null
    {
        $isOne = SpanKind::Between === $span->kind && $span->from?->key() === $span->to?->key();

        return $isOne ? $span->from?->key() : PartWriter::span($span);
    }
}
