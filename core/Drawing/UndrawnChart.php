<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** A chart with its numbers that is not drawn yet: pages are laid out with it, as it tells how high it will be. */
final class UndrawnChart
{
    private readonly Frame $frame;
    /** By itself, once somebody asked; null: nobody has. */
    private ?Scene $natural = null;

    /** @param Workings $workings of the recipe */
    public function __construct(
        public readonly Recipe $recipe,
        public readonly Workings $workings,
        public readonly ChartOptions $options,
        public readonly ChartKind $kind,
    ) {
        $this->frame = $kind->frame($workings, $recipe->finish, $options);
    }

    public static function of(
        Recipe $recipe,
        Workings $workings,
        ChartKinds $kinds,
        ChartOptions $options = new ChartOptions(),
    ): self {
        return new self($recipe, $workings, $options, $kinds->of($recipe->kind->id()));
    }

    /** @param ?int $height that is asked of it, in points; null: as high as it is by itself */
    public function height(?int $height): float
    {
        return $this->frame->height($height);
    }

    /** What its amounts count: `EUR`, `% points`. */
    public function counted(): string
    {
        return $this->workings->context->display->counted();
    }

    /**
     * How long units are where it is drawn by itself at a height: measured once in its drawing, as what a kind draws
     * to scale depends on its numbers.
     *
     * @return array<string, float> points per unit, by scale
     */
    public function perUnit(?int $height): array
    {
        $factor = $this->frame->lengthens($height);

        return array_map(
            static fn (float $length): float => $factor * $length,
            ScaleCheck::perUnit($this->natural(), $this->workings->table),
        );
    }

    /** @param array<string, float> $mostPerUnit points that a unit may have at most, by scale; none: any */
    public function scene(?int $height, array $mostPerUnit): Scene
    {
        return null === $height && [] === $mostPerUnit ? $this->natural() : $this->frame->drawn($height, $mostPerUnit);
    }

    private function natural(): Scene
    {
        return $this->natural ??= $this->frame->drawn(null, []);
    }
}
