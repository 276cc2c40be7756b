<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\KeptBands;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Near\BandForm;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Arithmetic\BandScale;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Side;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Comparison\ComparisonWorkings;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * Rows of values with what each is to reach and the bands that it is judged by. Values are compared as everywhere: what
 * only one of value and target covers is left out of both.
 */
final readonly class TargetedRows
{
    /** Key of the target's value and of the variance against it. */
    public const TARGET = 'target';

    /**
     * @param list<Row> $rows without totals
     * @param ?Reference $target null: there is none
     * @param list<Reference> $marks what else is marked, such as a prior year
     * @param list<Row> $counted those that sentences count: also the members that are gathered in one row, each for
     *                           itself
     * @param Workings $compared the comparison that rows were taken from
     */
    private function __construct(
        public array $rows,
        public ?Reference $target,
        public array $marks,
        public Workings $compared,
        public array $counted,
    ) {}

    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): self
    {
        $question = $recipe->question;
        $dataset = $figures->dataset();
        $target = self::target($question, $dataset);
        $marks = array_values(
            array_filter($question->against, static fn (Scenario $scenario): bool => $scenario !== $target?->scenario),
        );
        $scenarios = null === $target?->scenario ? $marks : [$target->scenario, ...$marks];
        $asked = OtherRows::asking($recipe, ['against' => $scenarios, 'landing' => false]);
        $compared = ComparisonWorkings::of($asked, $figures);
        $others = static fn (string $measure): array => array_map(
            static fn (Row $row): ?BigDecimal => $row->shown,
            OtherRows::of($recipe, $measure, $figures),
        );
        $targets = null === $target?->measure ? [] : $others($target->measure);
        $bands = null === $question->bands ? self::bandMeasures($dataset) : [];
        $limits = array_map(static fn (Measure $band): array => $others($band->name), $bands);
        $names = array_map(static fn (Measure $band): string => $band->name, $bands);
        $better = $compared->context->better;
        $tell = static function (Row $row) use (
            $target,
            $targets,
            $compared,
            $question,
            $limits,
            $names,
            $better,
        ): Row {
            $row = self::aimed($row, $target, $targets[$row->key->id] ?? null, $compared, $question);
            $own = array_map(static fn (array $byRow): ?BigDecimal => $byRow[$row->key->id] ?? null, $limits);
            $scale = match (true) {
                self::isOfSeveral($row, $compared) => null,
                null === $question->bands => BandScale::given($names, $own, $better) ??
                    self::kept($row, $compared, $question),
                default => BandScale::maybe($question->bands, $better, $row->values[self::TARGET] ?? null),
            };

            return self::judged($row, $scale);
        };
        $each = OtherRows::maybeUngathered($compared, $asked, $figures);
        $isOne = static fn (Row $row): bool => !$row->role->isWhole();
        $rows = array_map($tell, array_values(array_filter($compared->table->rows, $isOne)));

        return new self(
            rows: $rows,
            target: null === $target ? null : self::reference($target),
            marks: array_map(Reference::scenario(...), $marks),
            compared: $compared,
            counted: null === $each ? $rows : array_map($tell, array_values(array_filter($each->table->rows, $isOne))),
        );
    }

    /**
     * Whether a row is of several members whose sum it is: what one of them has to reach, or is judged by, says nothing
     * of it.
     */
    private static function isOfSeveral(Row $row, Workings $compared): bool
    {
        $isAdded = $compared->context->measure()->isAddedOverMembers();

        return RowRole::Other === $row->role || (RowRole::Group === $row->role && $isAdded);
    }

    /** What is asked for, else the figures' own target, else the first reference. */
    public static function target(Question $question, Dataset $dataset): ?Target
    {
        if (null !== $question->target) {
            return $question->target;
        }
        $isOther = Scenario::Target !== $question->scenario;
        $scenario =
            $isOther && \in_array(Scenario::Target, $dataset->scenarios(), true)
                ? Scenario::Target
                : $question->against[0] ?? null;

        return null === $scenario ? null : Target::scenario($scenario);
    }

    /** @return list<Measure> limits that came with the figures, from the lowest band up */
    public static function bandMeasures(Dataset $dataset): array
    {
        $bands = array_filter($dataset->measures, static fn (Measure $measure): bool => null !== $measure->band);
        usort($bands, static fn (Measure $a, Measure $b): int => $a->band <=> $b->band);

        return $bands;
    }

    /** The bands that belong to the measure, of the row's member or for all. */
    private static function kept(Row $row, Workings $compared, Question $question): ?BandScale
    {
        $context = $compared->context;
        $breakdown = $question->breakdown();
        $kept = KeptBands::maybeOf(
            $context->measure()->bands,
            $breakdown,
            null === $breakdown ? null : $row->key->name,
            $row->period ?? $context->to,
        );

        return null === $kept
            ? null
            : BandScale::maybe(new Bands(BandForm::Limits, $kept->limits, $kept->names), $context->better, null);
    }

    private static function reference(Target $target): Reference
    {
        return match (true) {
            null !== $target->scenario => new Reference(
                self::TARGET, $target->scenario->value, $target->scenario->word(), $target->scenario,
            ),
            null !== $target->measure => new Reference(self::TARGET, $target->measure, $target->measure),
            default => new Reference(self::TARGET, 'target', "the target of {$target->number?->toString()}"),
        };
    }

    /** @param ?BigDecimal $measured the target, where it is another measure's amount */
    private static function aimed(
        Row $row,
        ?Target $target,
        ?BigDecimal $measured,
        Workings $compared,
        Question $question,
    ): Row {
        $scenario = $target?->scenario?->value;
        if (null !== $scenario) {
            return self::held($row, $row->variances[$scenario] ?? null, $row->values[$scenario] ?? null);
        }
        $aim = self::isOfSeveral($row, $compared) ? null : $target->number ?? $measured;
        $variance = Variance::maybe(
            shown: $row->exact ?? $row->shown,
            reference: $aim,
            better: $compared->context->better,
            flag: $question->flag,
            inPoints: $compared->context->measure()->isInPercent(),
        );

        return With::of($row, [
            'values' => [...$row->values, self::TARGET => $aim],
            'variances' => null === $target ? $row->variances : [self::TARGET => $variance, ...$row->variances],
        ]);
    }

    /** Value and target are of the periods that are compared, so that they stand as far apart as the variance says. */
    private static function held(Row $row, ?Variance $variance, ?BigDecimal $target): Row
    {
        $isPart = null !== $variance && [] !== $variance->only;
        // A target of other periods than the value is none of it.
        $target = null === $row->shown ? $target : null;

        $compared = Side::Reference === $variance?->absent ? null : $variance?->reference;

        return With::of($row, [
            'values' => [...$row->values, self::TARGET => $compared ?? (null === $variance ? $target : null)],
            'variances' => [self::TARGET => $variance, ...$row->variances],
            'shown' => $isPart && Side::Shown !== $variance->absent ? $variance->shown : $row->shown,
            'exact' => $isPart ? null : $row->exact,
        ]);
    }

    private static function judged(Row $row, ?BandScale $scale): Row
    {
        $limits = [];
        foreach ($scale->limits ?? [] as $place => $limit) {
            $limits['limit '.($place + 1)] = $limit;
        }

        return With::of($row, ['values' => [...$row->values, ...$limits], 'bands' => $scale]);
    }
}
