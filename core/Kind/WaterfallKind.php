<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Chart\Part\LevelCut;
use KeenMargin\Core\Chart\Tier\WaterfallLooks;
use KeenMargin\Core\Chart\Tier\WaterfallTier;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\StepColours;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Waterfall\WaterfallRowWriter;

/** What waterfalls have in common. */
abstract readonly class WaterfallKind implements ChartKind
{
    public function group(): string
    {
        return 'Why';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return $dataset->isTimeless() && [] === $dataset->breakdowns ? 'The figures have no periods.' : null;
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        return false;
    }

    public function required(): array
    {
        return [];
    }

    public function rows(Question $question): RowChoices
    {
        return new RowChoices(isWaterfall: true);
    }

    public function options(): array
    {
        return ['steps', 'stepLabels', 'dots', 'cut', 'turn'];
    }

    public function usualVariance(): ?VarianceForm
    {
        return null;
    }

    public function changes(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): array
    {
        return (new StepChanges($row, $workings, $recipe, $dataset))->all($this->rows($recipe->question)->canOrder);
    }

    public function rowWriter(): RowWriter
    {
        return new WaterfallRowWriter();
    }

    public function scaleWords(): string
    {
        return 'One scale for totals and steps';
    }

    /** What the colours of steps tell, unless the finish says otherwise. */
    abstract protected function usualColours(): StepColours;

    /** Column of the share that labels and dots show. */
    abstract protected function shareColumn(): string;

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $cut = LevelCut::of($workings->table->rows, ['from', 'to'], $finish->cut);
        $looks = $this->looks($finish);
        $tiers = static fn (array $rows): array => [new WaterfallTier($workings, self::rowsOf($rows), $cut, $looks)];
        $explanations = $cut->isCut() ? ['totals cut alike'] : [];

        return TierChart::frame($workings, $finish, $options, new TierPlan($tiers, [], $explanations));
    }

    /**
     * @param array<mixed> $rows as a plan hands them to its tiers
     *
     * @return list<Row>
     */
    protected static function rowsOf(array $rows): array
    {
        return array_values(array_filter($rows, static fn (mixed $row): bool => $row instanceof Row));
    }

    protected function looks(Finish $finish): WaterfallLooks
    {
        return new WaterfallLooks(
            $finish->steps ?? $this->usualColours(),
            $finish->stepLabels,
            $this->shareColumn(),
            $finish->dots,
        );
    }
}
