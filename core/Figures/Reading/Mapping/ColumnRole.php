<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use KeenMargin\Core\Figures\Scenario;

/** A column's role; an amount column may also say for which scenario, measure and period it stands. */
final readonly class ColumnRole
{
    public function __construct(
        public Role $role,
        public ?Scenario $scenario = null,
        public ?string $measure = null,
        public ?string $period = null,
    ) {}

    /** @return array<string, string> as the recipe writes it */
    public function toArray(): array
    {
        return array_filter(
            [
                'role' => $this->role->value,
                'scenario' => $this->scenario?->value,
                'measure' => $this->measure,
                'period' => $this->period,
            ],
            static fn (?string $value): bool => null !== $value,
        );
    }
}
