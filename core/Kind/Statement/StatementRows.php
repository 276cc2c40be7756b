<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Statement;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Rows\Panel;
use KeenMargin\Core\Workings\Waterfall\BridgeSteps;
use KeenMargin\Core\Workings\Waterfall\Leg;
use KeenMargin\Core\Workings\Waterfall\NoughtPlanner;
use KeenMargin\Core\Workings\Waterfall\OpenedSteps;
use KeenMargin\Core\Workings\Waterfall\RunningTotal;
use KeenMargin\Core\Workings\Waterfall\Step;
use KeenMargin\Core\Workings\Waterfall\SubtotalPlaces;
use KeenMargin\Core\Workings\Waterfall\WaterfallScope;

/** The rows of a statement: its lines with what they do, subtotals where they stand, and the result. */
final readonly class StatementRows
{
    private const TAKES_AWAY = "\u{2212}";

    private BridgeSteps $made;
    private Leg $shown;
    /** @var array<string, Leg> by the reference's code */
    private array $references;

    public function __construct(private WaterfallScope $of, private Breakdown $lines, NoughtPlanner $planner)
    {
        $this->made = new BridgeSteps($of);
        $this->shown = $planner->shown('Result');
        $legs = [];
        foreach ($of->scope->question->against as $reference) {
            $legs[$reference->value] = $planner->reference($reference, 'Result');
        }
        $this->references = $legs;
    }

    /** @return list<Row> of one panel */
    public function of(Panel $panel): array
    {
        $steps = $this->steps($panel->where);
        if ([] === $steps) {
            return [];
        }
        $question = $this->of->scope->question;
        $running = new RunningTotal($this->of->rounding(), $panel->key, $panel->name);
        $opened = (new OpenedSteps($question, $this->made))->in($steps);
        $running->steps(
            $opened,
            new SubtotalPlaces($question->subtotals, $this->of->scope->dataset->calendar, $this->subtotals($steps)),
        );
        $name = $this->resultName();
        $value = $running->at();
        $running->total(
            new Row(
                key: RowKey::sum(SumKey::End),
                label: $name,
                name: $name,
                values: [],
                shown: $this->of->rounding()->of($value),
                shownScenario: $this->shown->to->scenario,
                variances: [],
                role: RowRole::End,
                exact: $value,
                fine: $this->shown->second->fine,
                own: $this->shown->second->fine,
                where: $panel->where,
                does: '=',
            ),
            $value,
        );

        return array_map($this->compared(...), $running->rows());
    }

    public function leg(): Leg
    {
        return $this->shown;
    }

    /**
     * What the file itself states for a line that is a subtotal.
     *
     * @param list<MemberFilter|NumberFilter> $where
     */
    public function stated(string $line, array $where): BigDecimal|Fraction|null
    {
        $sums = $this->of->raw->sumsBy($this->lines->name, $this->of->scope->sources, $where, $this->of->scenarios());

        return $this->of->amounts->together($this->shown->second->periods, $sums[$line] ?? new Sums());
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Step>
     */
    private function steps(array $where): array
    {
        $beside = $own = [];
        foreach ($this->references as $code => $leg) {
            foreach ($this->made->of($leg, $this->lines->name, $where) as $step) {
                $beside[$step->key->id][$code] = $step;
            }
        }
        foreach ($this->made->of($this->shown, $this->lines->name, $where) as $step) {
            $own[$step->key->id] = $step;
        }
        $steps = [];
        foreach ($this->lines->asTree() as $line) {
            $id = RowKey::row($line)->id;
            $step = $own[$id] ?? null;
            $held = $beside[$id] ?? [];
            $like = $step ?? (array_values($held)[0] ?? null);
            if (null !== $like) {
                $steps[] = $this->line($line, $like, $step, $held);
            }
        }

        return $steps;
    }

    /**
     * @param Step $like the line in whichever scenario has it
     * @param ?Step $step the line as it is shown; null where it has no figure
     * @param array<string, Step> $held the line by reference
     */
    private function line(string $line, Step $like, ?Step $step, array $held): Step
    {
        $role = $this->lines->rolesOf([$line])[0] ?? LineRole::Adds;
        $values = $variances = $exacts = [];
        foreach (array_keys($this->references) as $code) {
            $reference = $held[$code] ?? null;
            $exacts[$code] = $reference->exact ?? BigDecimal::zero();
            $values[$code] = $this->of->rounding()->of($reference?->exact);
            $variances[$code] = $this->of->variance($step?->exact, $reference?->exact);
        }

        return With::of($like, [
            'exact' => $step->exact ?? BigDecimal::zero(),
            'values' => $values,
            'variances' => $variances,
            'beside' => $exacts,
            'leg' => $this->shown,
            'does' => LineRole::TakesAway === $role ? self::TAKES_AWAY : '+',
        ]);
    }

    /** Totals and subtotals held against those of the references. */
    private function compared(Row $row): Row
    {
        if (!$row->role->isWhole()) {
            return $row;
        }
        $variances = [];
        foreach (array_keys($this->references) as $code) {
            $variances[$code] = $this->of->variance($row->values['to'] ?? null, $row->values[$code] ?? null);
        }

        return With::of($row, [
            'variances' => $variances,
            'shownScenario' => $this->shown->to->scenario,
            'does' => '=',
        ]);
    }

    /**
     * Subtotals where the statement has lines for them, else after each group, unless the question says where.
     *
     * @param list<Step> $steps
     *
     * @return array<string, string> what they are called, by the ids of the steps before them
     */
    private function subtotals(array $steps): array
    {
        $named = [];
        $last = null;
        $shown = array_fill_keys(array_map(static fn (Step $step): string => $step->key->id, $steps), true);
        foreach ($this->lines->asTree() as $line) {
            $id = RowKey::row($line)->id;
            if (LineRole::Subtotal === ($this->lines->roles[$line] ?? null)) {
                null === $last || ($named[$last] = $line);
            } elseif (isset($shown[$id])) {
                $last = $id;
            }
        }
        if ([] !== $named || !$this->of->scope->question->subtotals->isEmpty()) {
            return $named;
        }
        foreach ($steps as $i => $step) {
            $next = $steps[$i + 1] ?? null;
            if (null !== $step->group && null !== $next && $step->group !== $next->group) {
                $named[$step->key->id] = [] === $named ? $step->group : "After {$step->group}";
            }
        }

        return $named;
    }

    /** That of a subtotal which is the last line. */
    private function resultName(): string
    {
        $lines = $this->lines->asTree();
        $last = $lines[\count($lines) - 1] ?? '';

        return LineRole::Subtotal === ($this->lines->roles[$last] ?? null) ? $last : 'Result';
    }

    /** @return list<string> lines that are subtotals of their own */
    public function statedLines(): array
    {
        return array_values(array_filter(
            $this->lines->asTree(),
            fn (string $line): bool => LineRole::Subtotal === ($this->lines->roles[$line] ?? null),
        ));
    }
}
