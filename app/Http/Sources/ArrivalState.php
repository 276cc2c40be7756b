<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Sources;

use Brick\Math\BigDecimal;
use KeenMargin\App\Http\Contract\Sources\ArrivalCountsJson;
use KeenMargin\App\Http\Contract\Sources\ArrivalDifferencesJson;
use KeenMargin\App\Http\Contract\Sources\ArrivalJson;
use KeenMargin\App\Http\Contract\Sources\ChangedAmountJson;
use KeenMargin\App\Http\Contract\Sources\ChangedMemberJson;
use KeenMargin\App\Http\Contract\Sources\ChangedPeriodJson;
use KeenMargin\App\Sources\Arrivals\ArrivalDesk;
use KeenMargin\App\Storage\Record\ArrivalRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\Core\Figures\Arrival\AmountDifference;
use KeenMargin\Core\Figures\Arrival\Differences;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Reading\Text\NearNames;
use KeenMargin\Core\Time\PeriodNames;

/** An arrival as the API tells it, and what it would change. */
final readonly class ArrivalState
{
    public const AMOUNTS = 200;
    private const MEMBERS = 100;

    public function __construct(private ArrivalDesk $desk, private OpenDatasets $datasets) {}

    public static function of(ArrivalRecord $arrival): ArrivalJson
    {
        return new ArrivalJson(
            id: (int) $arrival->id,
            source: (int) $arrival->source->id,
            sourceName: $arrival->source->name,
            dataset: (int) $arrival->source->dataset->id,
            datasetName: $arrival->source->dataset->name,
            name: $arrival->name,
            at: $arrival->at->format(\DateTimeInterface::ATOM),
            period: $arrival->period,
            state: $arrival->state,
            says: $arrival->says,
            counts: [] === $arrival->counts ? null : new ArrivalCountsJson(
                $arrival->counts['added'] ?? 0,
                $arrival->counts['changed'] ?? 0,
                $arrival->counts['removed'] ?? 0,
                $arrival->counts['inNewPeriods'] ?? 0,
                $arrival->counts['inClosedPeriods'] ?? 0,
            ),
            refusals: $arrival->refusals,
            reason: $arrival->reason,
            who: $arrival->who,
            decidedAt: $arrival->decidedAt?->format(\DateTimeInterface::ATOM),
            import: $arrival->importId,
        );
    }

    /** One that was decided, or that cannot be read, changes nothing any more. */
    public function differences(ArrivalRecord $arrival, int $first): ArrivalDifferencesJson
    {
        $told = self::of($arrival);
        $figures = $this->datasets->figures($arrival->source->dataset);
        $breakdowns = array_map(
            static fn (Breakdown $breakdown): string => $breakdown->name,
            $figures->dataset()->breakdowns,
        );
        if (ArrivalRecord::WAITS !== $arrival->state || [] === $arrival->mapping) {
            return new ArrivalDifferencesJson(
                arrival: $told, breakdowns: $breakdowns, periods: [], members: [], amounts: [], all: 0,
            );
        }
        $compared = $this->desk->compared($arrival);
        [$differences, $decimals] = [$compared->differences, $compared->decimals];

        return new ArrivalDifferencesJson(
            arrival: $told,
            breakdowns: $breakdowns,
            periods: self::periods($differences, $figures, $decimals),
            members: self::members($differences, $figures, $decimals),
            amounts: array_map(
                static fn (AmountDifference $one): ChangedAmountJson => self::amount($one, $differences, $decimals),
                \array_slice($differences->each(), $first, self::AMOUNTS),
            ),
            all: $differences->counts()->all(),
        );
    }

    /**
     * @param array<string, int> $decimals by measure
     *
     * @return list<ChangedPeriodJson>
     */
    private static function periods(Differences $differences, StoredFigures $figures, array $decimals): array
    {
        $rows = $differences->periods();
        $measures = array_values(array_unique(array_column($rows, 'measure')));
        $known = array_filter(
            $measures,
            static fn (string $name): bool => null !== $figures->dataset()->maybeMeasure($name),
        );
        $sums = $figures->sums(array_values($known), []);
        $told = [];
        foreach ($rows as ['measure' => $measure, 'scenario' => $scenario, 'start' => $start, 'sum' => $sum]) {
            $period = $differences->known->period($start);
            $was = $sums->added($measure, [$scenario->value => [$start]]);
            $scale = $decimals[$measure] ?? 0;
            $told[] = new ChangedPeriodJson(
                key: $period->key(),
                label: PeriodNames::full($period),
                measure: $measure,
                scenario: $scenario->value,
                isClosed: $differences->known->isClosed($start),
                isNew: $differences->known->isNew($scenario, $start),
                was: null === $was ? null : (string) $was,
                is: (string) $sum->total($was, $scale),
                change: (string) $sum->amount($scale),
                amounts: $sum->cells,
            );
        }

        return $told;
    }

    /**
     * @param array<string, int> $decimals
     *
     * @return list<ChangedMemberJson>
     */
    private static function members(Differences $differences, StoredFigures $figures, array $decimals): array
    {
        $told = [];
        foreach ($figures->dataset()->breakdowns as $place => $breakdown) {
            $rows = \array_slice($differences->members($place), 0, self::MEMBERS);
            $names = array_values(array_unique(array_column($rows, 'member')));
            $near = NearNames::of(array_values(array_diff($names, $breakdown->members)), $breakdown->members);
            foreach ($rows as ['measure' => $measure, 'member' => $member, 'sum' => $sum]) {
                $told[] = new ChangedMemberJson(
                    breakdown: $breakdown->name,
                    member: $member,
                    measure: $measure,
                    isNew: !\in_array($member, $breakdown->members, true),
                    like: $near[$member] ?? null,
                    change: (string) $sum->amount($decimals[$measure] ?? 0),
                    amounts: $sum->cells,
                );
            }
        }

        return $told;
    }

    /** @param array<string, int> $decimals */
    private static function amount(AmountDifference $one, Differences $differences, array $decimals): ChangedAmountJson
    {
        $period = $differences->known->period($one->start);
        $text = static fn (?int $amount): ?string => null === $amount
            ? null
            : (string) self::decimal($amount, $decimals[$one->series->measure] ?? 0);

        return new ChangedAmountJson(
            measure: $one->series->measure,
            scenario: $one->series->scenario->value,
            members: $one->series->members(),
            period: $period->key(),
            label: PeriodNames::full($period),
            isClosed: $differences->known->isClosed($one->start),
            was: $text($one->was),
            is: $text($one->is),
            change: (string) $text($one->change()),
        );
    }

    private static function decimal(int $unscaled, int $decimals): BigDecimal
    {
        return BigDecimal::ofUnscaledValue($unscaled, max(0, $decimals));
    }
}
