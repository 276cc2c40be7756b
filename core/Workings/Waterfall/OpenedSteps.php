<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\Grain;

/** Puts the steps that opened ones are made of into them, level by level. */
final readonly class OpenedSteps
{
    /** Levels that may be opened, one within the other. */
    private const DEEPEST = 6;

    public function __construct(private Question $question, private BridgeSteps $made) {}

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function in(array $steps): array
    {
        return [] === $this->question->opened ? $steps : $this->level($steps, 0);
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    private function level(array $steps, int $depth): array
    {
        return array_map(function (Step $step) use ($depth): Step {
            $by = $this->maybeBy($step);
            if (null === $by || null === $step->leg || $depth >= self::DEEPEST) {
                return $step;
            }
            $own = array_map(
                static fn (Step $one): Step => $one->within($step),
                $this->made->of($step->leg, $by, $step->where),
            );

            return $step->opened($this->level($own, $depth + 1));
        }, $steps);
    }

    private function maybeBy(Step $step): Grain|string|null
    {
        foreach ($this->question->opened as $opened) {
            if ($opened->step->is($step->key)) {
                return $opened->by;
            }
        }

        return null;
    }
}
