<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\ListFigures;
use KeenMargin\Core\Figures\Series\MemoizedFigures;
use KeenMargin\Core\Question\GivenList;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\About\NotesInChart;
use KeenMargin\Core\Workings\Checks\MessageCheck;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** The whole pipeline of a chart: recipe and figures in, workings and scene out. */
final readonly class Drawing
{
    /** @param list<Check> $drawn about the message, where there is one, and about how the numbers are drawn */
    private function __construct(
        public UndrawnChart $chart,
        public Recipe $recipe,
        public Workings $workings,
        public Scene $scene,
        private array $drawn,
    ) {}

    /**
     * @param ?NotesInChart $notes null: without notes
     * @param ?int $firstRows of a table, how many rows are drawn; null: all
     *
     * @throws NotAccepted where the figures cannot answer the recipe
     */
    public static function of(
        Recipe $recipe,
        Figures $figures,
        ChartKinds $kinds,
        ?NotesInChart $notes = null,
        ?int $firstRows = null,
    ): self {
        $workings = self::workings($recipe, $figures, $kinds);
        $isNoted = null !== $notes && $recipe->finish->notes;
        $options = new ChartOptions($isNoted ? $notes->in($workings) : [], $isNoted && $notes->areWritten, $firstRows);

        return self::drawn(UndrawnChart::of($recipe, $workings, $kinds, $options), $recipe->finish->height);
    }

    /**
     * @param ?int $height as asked; null: as high as it is by itself
     * @param array<string, float> $mostPerUnit points that a unit may have at most, by scale; none: any
     */
    public static function drawn(UndrawnChart $chart, ?int $height = null, array $mostPerUnit = []): self
    {
        $scene = $chart->scene($height, $mostPerUnit);
        $message = $chart->recipe->finish->message;
        $checks = [
            ...null === $message || [] === $message->kept() ? [] : [MessageCheck::of($message, $chart->workings)],
            ...array_filter([
                ScaleCheck::maybe($scene, $chart->workings->table, $chart->kind->scaleWords()),
                JoinsCheck::maybe($scene),
            ]),
        ];

        return new self(
            chart: $chart, recipe: $chart->recipe, workings: $chart->workings, scene: $scene, drawn: $checks,
        );
    }

    /** Its lengths, to be compared with those of other charts. */
    public function measured(): MeasuredChart
    {
        return new MeasuredChart($this->scene, $this->workings);
    }

    /**
     * The numbers of a chart without its drawing.
     *
     * @throws NotAccepted where the figures cannot answer the recipe
     */
    public static function workings(Recipe $recipe, Figures $figures, ChartKinds $kinds): Workings
    {
        $memoized = $figures instanceof MemoizedFigures ? $figures : new MemoizedFigures($figures);
        $list = GivenList::maybe($memoized->dataset(), $recipe->question->roles);
        $own =
            null === $list || [] === $list->sums()
                ? $memoized
                : new ListFigures($memoized, $list->breakdown->name, $list->sums());

        return $kinds->of($recipe->kind->id())->workings($recipe, $own);
    }

    /**
     * The same charts beside one another: one length per unit in all of them where they count the same.
     *
     * @param non-empty-list<self> $drawings
     *
     * @return non-empty-list<self>
     */
    public static function onOneScale(array $drawings): array
    {
        $most = CommonScale::of(self::allMeasured($drawings));
        $again = array_map(
            static fn (self $one): self => self::drawn($one->chart, $one->recipe->finish->height, $most),
            $drawings,
        );
        $check = CommonScale::maybeCheck(self::allMeasured($again));

        return array_map(static fn (self $one): self => null === $check ? $one : $one->checked($check), $again);
    }

    /** @return list<Check> of the numbers and of their drawing */
    public function checks(): array
    {
        return [...$this->workings->checks, ...$this->drawn];
    }

    /** The workings as the JSON document of the recipe format, with the checks of their drawing. */
    public function document(): string
    {
        $checks = array_map(static fn (Check $check): array => $check->toArray(), $this->checks());
        $document = WorkingsWriter::toArray($this->workings, $this->chart->kind->rowWriter());
        $flags = \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR;

        return json_encode(array_merge($document, ['checks' => $checks]), $flags)."\n";
    }

    /**
     * @param non-empty-list<self> $drawings
     *
     * @return non-empty-list<MeasuredChart>
     */
    private static function allMeasured(array $drawings): array
    {
        return array_map(static fn (self $one): MeasuredChart => $one->measured(), $drawings);
    }

    /** With a further check of its drawing, before the others. */
    private function checked(Check $check): self
    {
        return new self(
            chart: $this->chart,
            recipe: $this->recipe,
            workings: $this->workings,
            scene: $this->scene,
            drawn: [$check, ...$this->drawn],
        );
    }
}
