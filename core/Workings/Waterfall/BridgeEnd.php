<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;

/** A total that a bridge leads from or to. */
final readonly class BridgeEnd
{
    /**
     * @param string $name as it stands beside its mark: `BU`, `Aug 2025`
     * @param string $word within a sentence: `budget`
     * @param Scenario $scenario whose fill it has
     * @param ?Grain $grain of the span that it is of, by which its mark is wide; null: that of its neighbours
     */
    public function __construct(
        public string $name,
        public string $word,
        public Scenario $scenario,
        public ?Grain $grain = null,
    ) {}
}
