<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Result\LinkedText;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Summary;
use KeenMargin\Core\Workings\Words\RowPhrases;

/** What values with targets and bands say: how many reach theirs, which are farthest off, and their bands. */
final readonly class NearSummary
{
    private const MOVERS = 5;

    /** @var list<Row> those that have a variance, the farthest off for the worse first */
    private array $ranked;
    /** @var list<Row> all that can be counted and have a variance */
    private array $held;

    /**
     * @param list<Row> $rows
     * @param list<Row> $counted also members that are gathered in one row, each for itself
     */
    public function __construct(private array $rows, private array $counted, private RowPhrases $phrases)
    {
        $isHeld = fn (Row $row): bool => null !== $this->phrases->of($row);
        $ranked = array_values(array_filter($rows, $isHeld));
        usort($ranked, fn (Row $a, Row $b): int => $this->benefit($a)->compareTo($this->benefit($b)));
        $this->ranked = $ranked;
        $this->held = array_values(
            array_filter($counted, static fn (Row $row): bool => RowRole::Row === $row->role && $isHeld($row)),
        );
    }

    /** @param string $subject what is shown, by name */
    public function write(string $subject): Summary
    {
        return new Summary(
            $this->headline($subject),
            $this->movers(),
            array_values(array_filter([$this->reached($subject), $this->farthest(), $this->bands()])),
            'Against target',
        );
    }

    /** How far a row is beyond its target for the better; below nought where it misses it. */
    private function benefit(Row $row): BigDecimal
    {
        $variance = $this->phrases->of($row);
        $size = $variance?->amount->abs() ?? BigDecimal::zero();

        return Effect::Unfavourable === $variance?->effect ? $size->negated() : $size;
    }

    /** @return list<Row> that do not miss their targets */
    private function reaching(): array
    {
        return array_values(array_filter(
            $this->held,
            fn (Row $row): bool => Effect::Unfavourable !== $this->phrases->of($row)?->effect,
        ));
    }

    /**
     * @return array{
     *     label: string, amount: string, variance: ?string, percent: ?string, effect: ?string, note: string,
     *     row: string,
     * }
     */
    private function headline(string $subject): array
    {
        $count = \count($this->reaching());
        $only = 1 === \count($this->rows) ? $this->rows[0] : null;
        if (null !== $only) {
            return $this->headlineOf($only);
        }

        return [
            'label' => [] === $this->held ? $subject : 'At or beyond target',
            'amount' => [] === $this->held ? (string) \count($this->rows) : "$count of ".\count($this->held),
            'variance' => null,
            'percent' => null,
            'effect' => null,
            'note' => [] === $this->held ? 'values' : $subject,
            'row' => '',
        ];
    }

    /**
     * @return array{
     *     label: string, amount: string, variance: ?string, percent: ?string, effect: ?string, note: string,
     *     row: string,
     * }
     */
    private function headlineOf(Row $row): array
    {
        $display = $this->phrases->display;
        $variance = $this->phrases->of($row);
        $points = $display->inPoints ? ' pp' : '';

        return [
            'label' => $row->label,
            'amount' => $display->amount($row->shown),
            'variance' => null === $variance ? null : $display->variance($variance->amount).$points,
            'percent' => null === $variance?->percent() ? null : $display->percent($variance).' %',
            'effect' => null === $variance ? null : $display->effect($variance)->value,
            'note' => $display->unitText(),
            'row' => $row->key->id,
        ];
    }

    private function reached(string $subject): Sentence
    {
        $with = \count($this->held);
        $reaching = \count($this->reaching());

        return new Sentence(
            match (true) {
                [] === $this->rows => "There are no figures of $subject for this question.",
                0 === $with => "$subject: there is no target to compare with.",
                1 === $with => 0 === $reaching ? "$subject misses its target." : "$subject reaches its target.",
                default => "$subject: $reaching of $with reach their target.",
            },
        );
    }

    private function farthest(): ?Sentence
    {
        $worst = $this->ranked[0] ?? null;
        $best = $this->ranked[\count($this->ranked) - 1] ?? null;
        $isMissed = null !== $worst && Effect::Unfavourable === $this->phrases->of($worst)?->effect;
        $isBeyond = null !== $best && Effect::Favourable === $this->phrases->of($best)?->effect;
        if (\count($this->ranked) < 2 || (!$isMissed && !$isBeyond)) {
            return null;
        }

        return new Sentence(
            ...$isMissed ? ['Farthest from it: ', ...$this->said($worst)] : [],
            ...$isMissed && $isBeyond ? ['; best: '] : [],
            ...$isBeyond ? [$isMissed ? '' : 'Best: ', ...$this->said($best)] : [],
            ...['.'],
        );
    }

    /** @return list<string|LinkedText> `Outer (−12 pp)` */
    private function said(Row $row): array
    {
        $variance = $this->phrases->variance($row, $row->key);

        return [
            $this->phrases->name($row, null !== $row->period),
            ' (',
            $variance ?? '',
            $this->phrases->unit(true),
            ')',
        ];
    }

    /** `3 are good, 2 fair, 1 poor.` */
    private function bands(): ?Sentence
    {
        $counts = [];
        foreach ($this->counted as $row) {
            // From the lowest band up, as they stand in the chart.
            $counts += array_fill_keys($row->bands->names ?? [], 0);
            $band = $row->band();
            null === $band || ($counts[$band] = ($counts[$band] ?? 0) + 1);
        }
        $counts = array_filter($counts);
        if ([] === $counts) {
            return null;
        }
        if (1 === \count($this->rows)) {
            return new Sentence("It is in the band “{$this->rows[0]->band()}”.");
        }
        $parts = array_map(
            static fn (string|int $band, int $count): string => "$count in “{$band}”",
            array_keys($counts),
            array_values($counts),
        );

        return new Sentence('By band: ', Wording::and($parts), '.');
    }

    /** @return list<array{key: string, label: string, variance: string, effect: string, flagged: bool}> */
    private function movers(): array
    {
        $display = $this->phrases->display;
        $movers = [];
        // What one row differs by is said above.
        $ranked = 1 === \count($this->rows) ? [] : $this->ranked;
        foreach (\array_slice($ranked, 0, self::MOVERS) as $row) {
            $variance = $this->phrases->of($row);
            $written = $display->variance($variance?->amount);
            if (null !== $variance && !NumberFormat::isNought($written)) {
                $movers[] = [
                    'key' => $row->key->id,
                    'label' => $this->phrases->name($row, null !== $row->period)->text,
                    'variance' => $written,
                    'effect' => $display->effect($variance)->value,
                    'flagged' => $variance->flagged,
                ];
            }
        }

        return $movers;
    }
}
