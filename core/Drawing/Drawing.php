<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\About\NotesInChart;
use KeenMargin\Core\Workings\Checks\MessageCheck;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** The whole way of a figure: recipe and figures in, workings and scene out. */
final readonly class Drawing
{
    /** @param list<Check> $drawn about the message, where there is one, and about how the numbers are drawn */
    private function __construct(
        public Workings $workings,
        public Scene $scene,
        private Recipe $recipe,
        private array $drawn,
    ) {
    }

    /** @param ?NotesInChart $notes none: without notes */
    public static function of(Recipe $recipe, Figures $figures, ChartKinds $kinds, ?NotesInChart $notes = null): self
    {
        $workings = Reckoning::of($recipe, $figures);

        return self::drawn(
            $recipe,
            null === $notes || !$recipe->finish->notes ? $workings : $notes->to($workings),
            $kinds,
        );
    }

    /**
     * Two charts beside each other, one length per unit in both where they count the same.
     *
     * @return array{self, self}
     */
    public static function pair(self $one, self $other, ChartKinds $kinds): array
    {
        $most = CommonScale::of([$one->measured(), $other->measured()]);
        [$first, $second] = array_map(
            static fn (self $drawing): self => self::drawn(
                $drawing->recipe,
                $drawing->workings->onScale($most),
                $kinds,
            ),
            [$one, $other],
        );
        $check = CommonScale::check([$first->measured(), $second->measured()]);

        return [$first->checked($check), $second->checked($check)];
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
        $document = array_merge(WorkingsWriter::toArray($this->workings), ['checks' => $checks]);
        $flags = \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR;

        return json_encode($document, $flags)."\n";
    }

    private static function drawn(Recipe $recipe, Workings $workings, ChartKinds $kinds): self
    {
        $scene = $kinds->of($recipe->kind)->scene($workings, $recipe->finish);
        $message = $recipe->finish->message;

        return new self($workings, $scene, $recipe, [
            ...null === $message || [] === $message->kept() ? [] : [MessageCheck::of($message, $workings)],
            ScaleCheck::of($scene, $workings, $recipe->finish->sameLength),
        ]);
    }

    private function checked(Check $check): self
    {
        return new self($this->workings, $this->scene, $this->recipe, [$check, ...$this->drawn]);
    }

    /** @return array{Workings, Finish, Scene} */
    private function measured(): array
    {
        return [$this->workings, $this->recipe->finish, $this->scene];
    }
}
