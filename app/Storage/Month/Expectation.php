<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Month;

use KeenMargin\Core\Figures\Scenario;

/** Figures of a dataset that come each month: of which scenario, by when, from whom. */
final readonly class Expectation
{
    /**
     * @param int $workingDay of the month after the one that is closed, from 1
     * @param string $whom a name or address; empty where they come from the source, or by hand
     * @param ?int $source that brings them
     */
    public function __construct(
        public Scenario $scenario,
        public int $workingDay,
        public string $whom = '',
        public ?int $source = null,
    ) {}
}
