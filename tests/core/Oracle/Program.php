<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Written;

/** The program over a random ledger, in memory. */
final readonly class Program
{
    private FactTable $figures;

    public function __construct(private RandomLedger $ledger)
    {
        $figures = Written::figures($ledger->csv, $ledger->mapping);
        $roles = array_map(LineRole::from(...), $ledger->roles);
        $isPlain = [] === $ledger->groups && [] === $roles;
        $this->figures = $isPlain ? $figures : Written::grouped($figures, 'Route', $ledger->groups, $roles);
    }

    /** Null where the question is refused. */
    public function maybeWorkings(Asked $asked): ?Workings
    {
        try {
            $recipe = RecipeReader::json(
                $this->ledger->recipe($asked),
                ChartKinds::all(),
                new FiscalCalendar($this->ledger->calendar->firstMonth),
            );

            return Drawing::workings($recipe, $this->figures, ChartKinds::all());
        } catch (NotAccepted) {
            return null;
        }
    }

    public function oracle(Asked $asked): Reckoning
    {
        return $this->ledger->reckoning($asked);
    }
}
