<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Workings\Arithmetic\Side;
use KeenMargin\Core\Workings\Checks\CurrencyCheck;
use KeenMargin\Core\Workings\Checks\RowChecks;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;

/** What can be proved, or has to be said, of a waterfall. */
final readonly class WaterfallChecks
{
    private const NAMED = 3;

    public function __construct(private WaterfallScope $of) {}

    /**
     * @param list<Row> $rows of all panels
     *
     * @return list<Check>
     */
    public function of(array $rows): array
    {
        return array_values(
            array_filter([
                $this->sums($rows),
                $this->unexplained($rows),
                $this->oneSided($rows),
                $this->opened($rows),
                $this->mixed(),
                CurrencyCheck::maybe($this->of->scope),
                ...RowChecks::notices($this->of->scope),
            ]),
        );
    }

    /**
     * Goes through the rows anew: each step begins where the running total is, and each total is the running total.
     *
     * @param list<Row> $rows
     */
    private function sums(array $rows): Check
    {
        $running = null;
        $panel = null;
        $hasStart = false;
        foreach ($rows as $row) {
            if (null !== $row->parent) {
                continue;
            }
            [$from, $to] = [$row->values['from'] ?? null, $row->values['to'] ?? null];
            if ($panel !== $row->panel || RowRole::Start === $row->role) {
                [$running, $panel] = [RowRole::Start === $row->role ? null : $from, $row->panel];
                $hasStart = RowRole::Start === $row->role;
            }
            if (null === $from || null === $to) {
                continue;
            }
            $isStep = !$row->role->isWhole();
            $expected = $isStep ? $from : $to;
            if (null !== $running && !$expected->isEqualTo($running)) {
                return new Check('steps-sum', false, "The steps do not add up to {$row->label}");
            }
            $running = $to;
        }

        return new Check(
            'steps-sum',
            true,
            $hasStart ? 'Start and steps add up to the end' : 'Steps add up to the end',
        );
    }

    /** @param list<Row> $rows */
    private function unexplained(array $rows): ?Check
    {
        foreach ($rows as $row) {
            if (RowRole::Unexplained === $row->role) {
                $amount = $row->values['change']?->toString();

                return new Check('unexplained', false, "The steps leave $amount unexplained");
            }
        }

        return null;
    }

    /** @param list<Row> $rows */
    private function oneSided(array $rows): ?Check
    {
        foreach ($rows as $row) {
            if (RowRole::OneSided === $row->role) {
                return new Check(
                    'one-sided', false, 'Figures that only one side has are not compared; what they move is one step',
                );
            }
        }

        return null;
    }

    /**
     * The steps of each opened one add up to it.
     *
     * @param list<Row> $rows
     */
    private function opened(array $rows): ?Check
    {
        $ends = $wanted = [];
        foreach ($rows as $row) {
            if (null !== $row->parent) {
                $ends[$row->parent->id] = $row->values['to'] ?? null;
            }
        }
        foreach ($rows as $row) {
            if (isset($ends[$row->key->id])) {
                $wanted[$row->key->id] = $row->values['to'] ?? null;
            }
        }
        foreach ($wanted as $id => $to) {
            if (null === $to || true !== ($ends[$id] ?? null)?->isEqualTo($to)) {
                return new Check('opened-steps-sum', false, 'The steps of an opened step do not add up to it');
            }
        }

        return [] === $wanted
            ? null
            : new Check('opened-steps-sum', true, 'Opened steps add up to the step they are of');
    }

    private function mixed(): ?Check
    {
        $mixed = $this->of->net?->signs($this->of->scope->sources)->mixed ?? [];

        return [] === $mixed
            ? null
            : new Check(
                'mixed-signs',
                false,
                Wording::some($mixed, self::NAMED).
                    (1 === \count($mixed) ? ' has' : ' have').
                    ' figures of both signs; as a cost the larger side was taken',
            );
    }

    /**
     * How many steps have a figure on one side only: `3 customers have BU and no AC`.
     *
     * @param list<Row> $rows
     *
     * @return list<Check>
     */
    public function absent(array $rows, BridgePlan $plan): array
    {
        $checks = [];
        foreach (Side::cases() as $side) {
            $absent = array_filter(
                $rows,
                static fn (Row $row): bool => $row->role->isStep()
                    && null === $row->parent
                    && $side === ($row->variances['first'] ?? null)?->absent,
            );
            if ([] !== $absent) {
                $ends = [$plan->start()->word, $plan->end()->word];
                [$has, $lacks] = Side::Shown === $side ? $ends : array_reverse($ends);
                $scope = $this->of->scope;
                $count = Wording::count(\count($absent), $scope->rowWord(), $scope->rowsWord());
                $verb = 1 === \count($absent) ? 'has' : 'have';
                $checks[] = new Check(
                    'absent-'.$side->value, true, "$count $verb $has and no $lacks, counted as nothing",
                );
            }
        }

        return $checks;
    }
}
