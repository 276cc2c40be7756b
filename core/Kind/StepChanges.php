<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Question\DriverGuess;
use KeenMargin\Core\Question\GivenList;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Waterfall\OpenedStep;
use KeenMargin\Core\Question\Waterfall\StepRole;
use KeenMargin\Core\Question\Waterfall\Subtotals;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\About\RowChange;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/** What can be done with a row of a waterfall: opened and closed, a subtotal after it, smaller ones gathered. */
final readonly class StepChanges
{
    private const WORDS = [
        'start' => 'It is the start',
        'step' => 'It is a step',
        'subtotal' => 'It is a subtotal',
        'end' => 'It is the end',
    ];
    private const MOST = 500;

    public function __construct(
        private Row $row,
        private Workings $workings,
        private Recipe $recipe,
        private Dataset $dataset,
    ) {}

    /**
     * @param bool $canOrder whether steps may stand in another order, and be gathered
     *
     * @return list<RowChange>
     */
    public function all(bool $canOrder): array
    {
        if (
            null !== GivenList::maybe($this->dataset, $this->recipe->question->roles) && null !== $this->row->key->name
        ) {
            return $this->roles((string) $this->row->key->name);
        }

        return [
            ...$this->isOpened() ? [$this->closing()] : $this->openings(),
            ...$this->subtotals(),
            ...$canOrder ? $this->gatherings() : [],
        ];
    }

    private function isOpened(): bool
    {
        foreach ($this->recipe->question->opened as $opened) {
            if ($opened->step->is($this->row->key)) {
                return true;
            }
        }

        return false;
    }

    /** Closes it, and whatever is opened within it. */
    private function closing(): RowChange
    {
        $key = $this->row->key;
        $path = [...$key->within, $key->name ?? (string) $key->sum?->value];
        $left = array_filter($this->recipe->question->opened, static function (OpenedStep $one) use (
            $key,
            $path,
        ): bool {
            $isWithin = \array_slice($one->step->within, 0, \count($path)) === $path && $one->step->leg === $key->leg;

            return !$one->step->is($key) && !$isWithin;
        });

        return $this->change('close', 'Close it', 'o', ['opened' => array_values($left)]);
    }

    /** @return list<RowChange> */
    private function openings(): array
    {
        $isRest = \in_array($this->row->role, [RowRole::Unexplained, RowRole::OneSided], true);
        if (!$this->row->role->isStep() || $isRest) {
            return [];
        }
        if (null !== $this->row->key->sum) {
            $by = (string) $this->recipe->question->breakdown();

            return [$this->opening($by, 'o')];
        }
        $taken = [(string) $this->recipe->question->breakdown(), (string) $this->recipe->question->each];
        foreach ($this->row->where ?? [] as $filter) {
            if ($filter instanceof MemberFilter && $filter->keeps && 1 === \count($filter->members)) {
                $taken[] = $filter->breakdown;
            }
        }
        $able = array_filter(
            $this->dataset->breakdowns,
            static fn (Breakdown $one): bool => !\in_array($one->name, $taken, true) && \count($one->members) > 1,
        );
        $openings = [];
        foreach ($able as $breakdown) {
            $openings[] = $this->opening($breakdown->name, [] === $openings ? 'o' : '');
        }
        foreach ($this->grains() as $grain) {
            $openings[] = $this->opening($grain, [] === $openings ? 'o' : '');
        }

        return $openings;
    }

    /** @return list<Grain> that a step can be opened by, where what is shown is added up over periods */
    private function grains(): array
    {
        if ($this->dataset->isTimeless() || !DriverGuess::isAdded($this->workings->context->measure())) {
            return [];
        }
        $own = $this->row->period?->grain;

        return array_values(array_filter(
            [Grain::Quarter, Grain::Month],
            fn (Grain $grain): bool => $grain->shows($this->dataset->grain)
                && (null === $own || ($grain !== $own && $own->groups($grain))),
        ));
    }

    private function opening(Grain|string $by, string $key): RowChange
    {
        $word = Wording::withinSentence($by instanceof Grain ? $by->value : $by);
        $step = $this->row->key->inPanel(null);

        return $this->change('open', "Open by $word", $key, [
            'opened' => [...$this->recipe->question->opened, new OpenedStep($step, $by)],
        ]);
    }

    /** @return list<RowChange> */
    private function subtotals(): array
    {
        $key = $this->row->key;
        $subtotals = $this->recipe->question->subtotals;
        $isSubtotal = SumKey::Subtotal === $key->sum;
        $isTopStep = RowRole::Step === $this->row->role && null === $this->row->parent && null === $key->sum;
        if ((!$isSubtotal && !$isTopStep) || $this->isLastStep()) {
            return [];
        }
        $name = (string) $key->name;
        $isThere = $isSubtotal || \in_array($name, $subtotals->after, true);
        $after = $isThere ? array_values(array_diff($this->standing(), [$name])) : [...$this->standing(), $name];

        return [
            $this->change('subtotal', $isThere ? 'No subtotal after it' : 'Subtotal after it', 's', [
                'subtotals' => new Subtotals($after),
            ]),
        ];
    }

    /** @return list<string> steps with a subtotal after them, whether by name or by a rule */
    private function standing(): array
    {
        $names = [];
        foreach ($this->workings->table->rows as $row) {
            if (SumKey::Subtotal === $row->key->sum && $row->panel === $this->row->panel) {
                $names[] = (string) $row->key->name;
            }
        }

        return $names;
    }

    private function isLastStep(): bool
    {
        $last = null;
        foreach ($this->workings->table->rows as $row) {
            if ($row->panel === $this->row->panel && null === $row->parent && !$row->role->isWhole()) {
                $last = $row;
            }
        }

        return $last === $this->row;
    }

    /** @return list<RowChange> */
    private function gatherings(): array
    {
        if (null === $this->recipe->question->breakdown() || null !== $this->recipe->question->drivers) {
            return [];
        }
        $top = $this->recipe->question->top ?? $this->shown();
        if (RowRole::Other === $this->row->role) {
            return [
                $this->change('gather', 'Show one more by itself', '', ['top' => min(self::MOST, $top + 1)]),
                $this->change('gather', 'Show all by themselves', '', ['top' => self::MOST]),
            ];
        }
        $rank = $this->rank();

        return null === $rank || $rank + 1 >= $this->shown()
            ? []
            : [$this->change('gather', 'Gather all smaller ones', 'g', ['top' => $rank])];
    }

    /** How many steps stand by themselves. */
    private function shown(): int
    {
        return \count($this->steps());
    }

    /** How many steps are at least as large, itself among them; null where it is none. */
    private function rank(): ?int
    {
        $own = $this->row->values['change'] ?? null;
        if (null === $own || RowRole::Step !== $this->row->role || null !== $this->row->parent) {
            return null;
        }

        return \count(array_filter(
            $this->steps(),
            static fn (Row $row): bool => ($row->values['change'] ?? BigDecimal::zero())
                ->abs()
                ->isGreaterThanOrEqualTo($own->abs()),
        ));
    }

    /** @return array<int, Row> */
    private function steps(): array
    {
        return array_filter(
            $this->workings->table->rows,
            fn (Row $row): bool => RowRole::Step === $row->role
                && null === $row->parent
                && $row->panel === $this->row->panel,
        );
    }

    /** @return list<RowChange> */
    private function roles(string $member): array
    {
        $list = GivenList::maybe($this->dataset, $this->recipe->question->roles);
        $changes = [];
        foreach (StepRole::cases() as $role) {
            if ($role !== $list?->role($member)) {
                $roles = [...$this->recipe->question->roles, $member => $role];
                $changes[] = $this->change('role', self::WORDS[$role->value], '', ['roles' => $roles]);
            }
        }

        return $changes;
    }

    /** @param array<string, mixed> $in */
    private function change(string $id, string $label, string $key, array $in): RowChange
    {
        return new RowChange($id, $label, $key, $this->recipe->asking(With::of($this->recipe->question, $in)));
    }
}
