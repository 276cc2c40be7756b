<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Statement;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Chart\Part\LevelCut;
use KeenMargin\Core\Chart\Tier\PinTier;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Chart\Tier\VarianceTier;
use KeenMargin\Core\Chart\Tier\WaterfallLooks;
use KeenMargin\Core\Chart\Tier\WaterfallTier;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Kind\WaterfallKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\StepColours;
use KeenMargin\Core\Question\Finish\StepLabels;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Fit\QuestionFit;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Waterfall\Explained;
use KeenMargin\Core\Workings\Waterfall\StepsFit;

/** A statement line by line to its result; references are waterfalls of their own beside it, on the same scale. */
final readonly class Statement extends WaterfallKind
{
    private const NO_LINES =
        'A breakdown is missing whose members are lines of a statement: give them what they do '.
        '(adds, takes away, subtotal) in the settings of the figures.';

    public function id(): string
    {
        return 'statement';
    }

    public function name(): string
    {
        return 'Statement waterfall';
    }

    public function says(): string
    {
        return 'From the first line of a statement to its result';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return null === NetFigures::maybeLines($dataset) ? self::NO_LINES : null;
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        $lines = NetFigures::maybeLines($dataset);
        $each = null !== $lines && $question->each === $lines->name ? null : $question->each;

        return With::of($question, [
            'by' => $lines->name ?? $question->by,
            'each' => $each,
            'cumulate' => null,
            'landing' => false,
            'top' => null,
            'order' => null,
        ]);
    }

    public function insist(Question $question, Dataset $dataset): void
    {
        $lines = NetFigures::maybeLines($dataset) ?? throw new NotAccepted('kind', self::NO_LINES);
        QuestionFit::refuseIf(
            $question->breakdown() !== $lines->name,
            'question.by',
            "The lines of the statement are {$lines->name}; ask by that.",
        );
        QuestionFit::refuseIf(
            null !== $question->top || null !== $question->order,
            null === $question->top ? 'question.order' : 'question.top',
            'Lines of a statement stand in their own order, and each by itself.',
        );
        StepsFit::insist($question, $dataset, false);
    }

    public function rows(Question $question): RowChoices
    {
        return new RowChoices(isWaterfall: true, canOrder: false);
    }

    public function words(Question $question, Measure $measure): QuestionWords
    {
        $against = QuestionWords::comparison($question, $measure)->against[1];
        $opening = QuestionWords::howDid($measure);

        return new QuestionWords([new SentencePart('What did '), $opening[1]], ' of ', ' in ', [
            new SentencePart(' come to, against '), $against,
        ]);
    }

    public function options(): array
    {
        return ['steps', 'stepLabels', 'variance', 'sameLength', 'limit', 'cut', 'turn'];
    }

    public function usualVariance(): VarianceForm
    {
        return VarianceForm::Both;
    }

    public function glyph(): array
    {
        return [
            new Rect(1.0, 2.0, 12.0, 3.0, Ink::Rise->value),
            new Rect(13.0, 6.0, 9.0, 3.0, Ink::Rise->value),
            new Rect(1.0, 10.0, 21.0, 3.0, Ink::Ink->value),
            new Rect(11.0, 14.0, 11.0, 3.0, Ink::Fall->value),
            new Rect(1.0, 18.0, 10.0, 3.0, Ink::Ink->value),
        ];
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return StatementWorkings::of($recipe, $figures);
    }

    public function rowWriter(): RowWriter
    {
        return new StatementRowWriter();
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $references = $workings->table->references;
        $columns = ['from', 'to'];
        foreach ($references as $reference) {
            array_push($columns, "{$reference->key} from", "{$reference->key} to");
        }
        $cut = LevelCut::of($workings->table->rows, $columns, $finish->cut);
        $tiers = fn (array $rows): array => $this->tiers($workings, $finish, self::rowsOf($rows), $cut);

        return TierChart::frame(
            $workings,
            $finish,
            $options,
            new TierPlan($tiers, [], $cut->isCut() ? ['totals cut alike'] : []),
        );
    }

    /**
     * @param list<Row> $rows of one panel
     *
     * @return list<Tier> from the last to the first: percentages, variances, references, what is shown
     */
    private function tiers(Workings $workings, Finish $finish, array $rows, LevelCut $cut): array
    {
        $references = $workings->table->references;
        $form = $finish->variance ?? $this->usualVariance();
        $first = $references[0] ?? null;
        $beside = array_map(
            fn (Reference $reference): Tier => new WaterfallTier(
                $workings,
                $rows,
                $cut,
                $this->column($finish, $reference->key, $reference->short, $reference->scenario),
            ),
            array_reverse($references),
        );
        $shown = [] === $references ? '' : $workings->context->shownCode();

        return [
            ...null === $first || !$form->hasPercent() ? [] : [PinTier::of($workings, $rows, $first, $finish->limit)],
            ...null === $first || !$form->hasAmount()
                ? []
                : [new VarianceTier($workings, $rows, $first, $finish->sameLength)],
            ...$beside,
            new WaterfallTier($workings, $rows, $cut, $this->column($finish, '', $shown, null)),
        ];
    }

    /** @param string $of key of the reference that it is a waterfall of; blank: what is shown */
    private function column(Finish $finish, string $of, string $name, ?Scenario $scenario): WaterfallLooks
    {
        return new WaterfallLooks(
            colours: $finish->steps ?? $this->usualColours(),
            labels: '' === $of ? $finish->stepLabels : StepLabels::Amount,
            share: $this->shareColumn(),
            of: $of,
            name: $name,
            scenario: $scenario,
        );
    }

    protected function usualColours(): StepColours
    {
        return StepColours::Sign;
    }

    protected function shareColumn(): string
    {
        return Explained::OF_TOTAL;
    }
}
