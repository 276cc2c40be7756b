<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Check;
use KeenMargin\Core\Workings\MessageCheck;
use KeenMargin\Core\Workings\NotesInChart;
use KeenMargin\Core\Workings\Reckoning;
use KeenMargin\Core\Workings\Workings;

/** The whole way of a figure: recipe and figures in, workings and scene out. */
final readonly class Drawing
{
    /** @param ?Check $message whether it still says what the numbers say; none where there is no message */
    private function __construct(public Workings $workings, public Scene $scene, private Check $scale, private ?Check $message)
    {
    }

    /** @param ?NotesInChart $notes none: without notes */
    public static function of(Recipe $recipe, Figures $figures, ChartKinds $kinds, ?NotesInChart $notes = null): self
    {
        $workings = Reckoning::of($recipe, $figures);
        $workings = null === $notes || !$recipe->finish->notes ? $workings : $notes->to($workings);
        $message = $recipe->finish->message;
        $scene = $kinds->of($recipe->kind)->scene($workings, $recipe->finish);

        return new self($workings, $scene, ScaleCheck::of($scene, $workings, $recipe->finish->sameLength), null === $message ? null : MessageCheck::of($message, $workings));
    }

    /** @return list<Check> of the numbers and of their drawing */
    public function checks(): array
    {
        return [...$this->workings->checks, ...null === $this->message ? [] : [$this->message], $this->scale];
    }
}
