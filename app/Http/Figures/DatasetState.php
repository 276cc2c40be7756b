<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use Brick\Math\BigDecimal;
use KeenMargin\App\Checking\DatasetFindings;
use KeenMargin\App\Editing\FinishUse;
use KeenMargin\App\Http\Contract\Figures\BreakdownJson;
use KeenMargin\App\Http\Contract\Figures\KeptBandsJson as KeptBandsState;
use KeenMargin\App\Http\Contract\Figures\MeasureJson;
use KeenMargin\App\Http\Contract\Figures\MergedMemberJson;
use KeenMargin\App\Storage\Record\BreakdownRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\MeasureRecord;
use KeenMargin\App\Storage\Series\BreakdownMembers;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Figures\ClosingPeriods;
use KeenMargin\Core\Figures\CoverageStrip;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\KeptBands;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Measure as KeptMeasure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\DriverGuess;
use KeenMargin\Core\Question\Fit\FirstQuestion;
use KeenMargin\Core\Question\GivenList;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Near\TargetedRows;

/** A dataset as the API tells it. */
final readonly class DatasetState
{
    public function __construct(
        private SeriesStore $store,
        private DatasetFindings $findings,
        private FinishUse $finishes,
        private ChartKinds $kinds,
    ) {}

    private function finished(Recipe $recipe): Recipe
    {
        $finish = $this->finishes->maybeDefault();

        return null === $finish ? $recipe : $recipe->finished($finish);
    }

    /** @return array<string, mixed> what a list shows */
    public function brief(DatasetRecord $record): array
    {
        $dataset = (new StoredFigures($record, $this->store))->dataset();
        [$first, $last] = [$dataset->coverage->first(), $dataset->coverage->last()];

        return [
            'id' => $record->id,
            'version' => $record->version,
            'name' => $record->name,
            'organisation' => $record->organisation,
            'facts' => $record->factCount,
            'isList' => $dataset->isTimeless(),
            'periods' => null === $first || null === $last ? '' : PeriodNames::range($first, $last),
            'scenarios' => array_map(
                static fn (Scenario $scenario): string => $scenario->value,
                $dataset->coverage->scenarios(),
            ),
            'closedThrough' => null === $dataset->maybeClosing() ? '' : PeriodNames::full($dataset->maybeClosing()),
            'usedAt' => $record->usedAt->format(\DateTimeInterface::ATOM),
        ];
    }

    /** @return array<string, mixed> with how many of its checks fail */
    public function listed(DatasetRecord $record): array
    {
        return $this->brief($record) + ['failing' => $this->findings->failing($record)];
    }

    /** @return array<string, mixed> all that a question can be made of */
    public function whole(DatasetRecord $record): array
    {
        $figures = new StoredFigures($record, $this->store);
        $dataset = $figures->dataset();
        $years =
            $dataset->isTimeless() || $dataset->isEmpty()
                ? []
                : $dataset->range()->periods(Grain::Year, $dataset->calendar);

        return $this->brief($record) + [
            'revision' => $record->revision,
            'firstMonth' => $record->firstMonth,
            'measures' => array_map(self::measure(...), $record->measures->getValues(), $dataset->measures),
            'breakdowns' => array_values(
                $record->breakdowns
                    ->map(
                        static fn (BreakdownRecord $breakdown): BreakdownJson => self::breakdown(
                            $breakdown, $figures->members($breakdown->name),
                        ),
                    )
                    ->toArray(),
            ),
            'references' => array_map(
                static fn (Scenario $scenario): array => ['code' => $scenario->value, 'word' => $scenario->word()],
                $dataset->scenarios(),
            ),
            'grains' => array_map(
                static fn (Grain $grain): string => $grain->value,
                (null === $record->finest ? $dataset->grain : Grain::from($record->finest))->coarser(),
            ),
            'finest' => $record->finest ?? $dataset->grain->value,
            'ownGrains' => array_map(static fn (Grain $grain): string => $grain->value, $dataset->grain->coarser()),
            'periodList' => $this->periods($dataset),
            'years' => array_map(self::named(...), $years),
            'isStaged' => null !== GivenList::maybe($dataset) || [] !== TargetedRows::bandMeasures($dataset),
            'drivers' => self::drivers($dataset),
            'nextYear' => [] === $years ? null : self::named(end($years)->moved(1)),
            'closing' => $dataset->maybeClosing()?->key() ?? '',
            'closings' => array_map(self::named(...), (new ClosingPeriods($dataset))->list),
            'closingStep' => null === $dataset->maybeClosing() ? null : self::step($dataset, $dataset->maybeClosing()),
            'firstRecipe' => ($dataset->isTimeless() && [] === $dataset->breakdowns) || $dataset->isEmpty()
                    ? null
                    : RecipeWriter::toArray(
                        $this->finished(FirstQuestion::of($dataset, $this->kinds->firstFor($dataset))),
                    ),
            'grain' => $dataset->grain->value,
            'strip' => self::strip($dataset),
            'notices' => $record->notices,
        ];
    }

    private static function drivers(Dataset $dataset): ?object
    {
        $drivers = DriverGuess::maybe($dataset);

        return null === $drivers ? null : (object) ['volume' => $drivers->volume, 'value' => $drivers->value];
    }

    /** @return array{key: string, label: string} */
    private static function named(Period $period): array
    {
        return ['key' => $period->key(), 'label' => PeriodNames::full($period)];
    }

    /**
     * @return array{key: string, label: string, back: ?string, on: ?string} a closing period, and those that it moves
     *                                                                       to by a step
     */
    public static function step(Dataset $dataset, Period $closing): array
    {
        $all = new ClosingPeriods($dataset);

        return self::named($closing) + [
            'back' => $all->before($closing)?->key(),
            'on' => $all->after($closing)?->key(),
        ];
    }

    private static function measure(MeasureRecord $record, KeptMeasure $measure): MeasureJson
    {
        return new MeasureJson(
            id: (int) $record->id,
            name: $measure->name,
            unit: $measure->unit,
            inPoints: $measure->isInPercent(),
            decimals: $measure->decimals,
            grouping: $measure->grouping->value,
            overMembers: $measure->overMembers->value,
            better: $measure->better?->value,
            betterGuess: $measure->isBetterGuessed() ? $measure->better()->value : null,
            numerator: $measure->numerator,
            denominator: $measure->denominator,
            band: $measure->band,
            bands: array_map(
                static fn (KeptBands $one): KeptBandsState => new KeptBandsState(
                    limits: array_map(static fn (BigDecimal $limit): string => $limit->toString(), $one->limits),
                    names: [] === $one->names ? null : $one->names,
                    from: $one->from?->key(),
                    field: $one->breakdown,
                    member: $one->member,
                ),
                $measure->bands,
            ),
        );
    }

    private static function breakdown(BreakdownRecord $record, BreakdownMembers $members): BreakdownJson
    {
        $breakdown = $members->breakdown();
        $merged = array_map(
            static fn (int $id, int $into): MergedMemberJson => new MergedMemberJson(
                $members->own($id), $members->own($into),
            ),
            array_keys($members->merged),
            $members->merged,
        );

        $groups = $breakdown->groups();
        $leaves = array_combine($groups, array_map($breakdown->leaves(...), $groups));

        return new BreakdownJson(
            id: (int) $record->id,
            name: $record->name,
            members: $breakdown->asTree(),
            parents: (object) $breakdown->parents,
            leaves: (object) $leaves,
            roles: (object) array_map(static fn (LineRole $role): string => $role->value, $breakdown->roles),
            merged: $merged,
            isNumeric: $breakdown->isNumeric(),
        );
    }

    /** @return array<string, mixed> which scenario has figures for which period */
    private static function strip(Dataset $dataset): array
    {
        $strip = CoverageStrip::of($dataset);

        return [
            'periods' => array_map(
                static fn (Period $period, Period $closes): array => [
                    'key' => $period->key(),
                    'label' => PeriodNames::full($period),
                    'year' => $period->group(Grain::Year, $dataset->calendar)->key(),
                    'closes' => $closes->key(),
                ],
                $strip->periods,
                $strip->closes,
            ),
            'has' => (object) $strip->has,
            'closing' => $strip->closing?->key(),
        ];
    }

    /** @return list<array{key: string, label: string}> */
    private function periods(Dataset $dataset): array
    {
        return $dataset->isTimeless() || $dataset->isEmpty()
            ? []
            : array_map(self::named(...), $dataset->range()->belonging($dataset->grain, $dataset->calendar));
    }
}
