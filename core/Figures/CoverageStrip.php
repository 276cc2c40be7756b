<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/** Coverage as a row of periods that can be seen at once: days and weeks stand together as their months. */
final readonly class CoverageStrip
{
    /**
     * @param list<Period> $periods
     * @param list<Period> $closes through which the books are closed where each is over: its last finest period, of
     *                             days itself
     * @param array<string, list<string>> $has keys of the periods with figures, by scenario code
     * @param ?Period $closing the one that the closing period is in
     */
    private function __construct(
        public array $periods,
        public array $closes,
        public array $has,
        public ?Period $closing,
    ) {}

    public static function of(Dataset $dataset): self
    {
        if ($dataset->isTimeless() || $dataset->isEmpty()) {
            return new self([], [], [], null);
        }
        $grain = self::grain($dataset->grain);
        $shown = static fn (Period $period): Period => $period->group($grain, $dataset->calendar);
        $periods = $closes = [];
        foreach ($dataset->range()->periods($dataset->grain, $dataset->calendar) as $fine) {
            $period = $shown($fine);
            $periods[$period->key()] = $period;
            $closes[$period->key()] = Grain::Day === $fine->grain ? $period : $fine;
        }
        $has = array_map(
            static fn (array $own): array => array_values(
                array_unique(array_map(static fn (Period $fine): string => $shown($fine)->key(), $own)),
            ),
            $dataset->coverage->periods,
        );
        $closing = $dataset->maybeClosing();

        $isShown = null !== $closing && $grain->shows($closing->grain);

        return new self(array_values($periods), array_values($closes), $has, $isShown ? $shown($closing) : null);
    }

    /** The grain that a long row of periods is shown in. */
    public static function grain(Grain $finest): Grain
    {
        return \in_array($finest, [Grain::Day, Grain::Week], true) ? Grain::Month : $finest;
    }
}
