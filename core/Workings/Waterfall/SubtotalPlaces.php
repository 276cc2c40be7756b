<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Question\Waterfall\Subtotals;
use KeenMargin\Core\Question\Waterfall\SubtotalsAt;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\PeriodNames;

/** After which steps the running total is shown as a subtotal, and what it is called. */
final readonly class SubtotalPlaces
{
    /** @param array<string, string> $named what subtotals after certain steps are called, by the ids of their keys */
    public function __construct(
        private Subtotals $asked,
        private FiscalCalendar $calendar,
        private array $named = [],
    ) {}

    /** What stands after a step; null: nothing. After the last step the end stands. */
    public function maybeAfter(Step $step, ?Step $next): ?string
    {
        if (null === $next) {
            return null;
        }
        if (isset($this->named[$step->key->id])) {
            return $this->named[$step->key->id];
        }
        if (\in_array($step->key->name, $this->asked->after, true)) {
            return null === $step->key->sum ? 'Subtotal' : null;
        }
        if (SubtotalsAt::Group === $this->asked->at) {
            return null === $step->group || $step->group === $next->group ? null : "After {$step->group}";
        }
        $grain = $this->asked->at?->grain();
        if (null === $grain || null === $step->period || null === $next->period) {
            return null;
        }
        $own = $step->period->group($grain, $this->calendar);

        return $own->key() === $next->period->group($grain, $this->calendar)->key() ? null : PeriodNames::full($own);
    }
}
