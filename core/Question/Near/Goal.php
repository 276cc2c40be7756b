<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Near;

use Brick\Math\BigDecimal;

/** What is to be reached in the course of time, and what is marked on the way there. */
final readonly class Goal
{
    /** Percentages of the goal that are marked where nobody says otherwise. */
    public const QUARTERS = ['25', '50', '75'];

    /**
     * @param ?Target $aim null: as it is found in the figures
     * @param list<BigDecimal>|null $milestones in percent of the goal, rising; null: the quarters
     * @param ?Pace $pace null: phased as the goal is, else the time that has elapsed
     * @param ?string $layers a breakdown whose members a value is put together of; null: none
     */
    public function __construct(
        public ?Target $aim = null,
        public ?array $milestones = null,
        public ?Pace $pace = null,
        public ?string $layers = null,
    ) {}

    /** @return list<BigDecimal> in percent of the goal */
    public function milestones(): array
    {
        return $this->milestones ?? array_map(BigDecimal::of(...), self::QUARTERS);
    }
}
