<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\LinkedText;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Summary;
use KeenMargin\Core\Workings\Words\RowPhrases;

/** What a waterfall says: start, end and change; the largest steps; what is unexplained; where it turned. */
final readonly class WaterfallSummary
{
    private const MOVERS = 5;
    private const TURNS = 3;

    /** @var list<Row> those that change the running total, the largest first */
    private array $steps;
    /** Whether steps are periods of several years. */
    private bool $namesYears;

    /**
     * @param list<Row> $rows of the first panel, or of all together
     * @param Column $amount of a total's value
     * @param Column $change of a step
     * @param ?Column $share of a step, in percent; null: none is said
     * @param string $shareOf what it is a share of
     */
    public function __construct(
        private array $rows,
        private RowPhrases $phrases,
        private Column $amount,
        private Column $change,
        private ?Column $share,
        private string $shareOf,
        private string $moves,
    ) {
        $steps = array_values(array_filter(
            $rows,
            static fn (Row $row): bool => null === $row->parent
                && !$row->role->isWhole()
                && 0 !== ($row->values['change'] ?? BigDecimal::zero())->getSign(),
        ));
        $size = static fn (Row $row): BigDecimal => ($row->values['change'] ?? BigDecimal::zero())->abs();
        usort($steps, static fn (Row $a, Row $b): int => $size($b)->compareTo($size($a)));
        $this->steps = $steps;
        $periods = array_filter(array_map(static fn (Row $row): ?Period => $row->period, $steps));
        $this->namesYears = \count(array_unique(array_map(PeriodNames::year(...), $periods))) > 1;
    }

    /**
     * @param string $label of the headline: `From BU to AC`
     * @param string $note below it
     * @param ?Sentence $opening what is said first; null: nothing
     */
    public function write(string $label, string $note, ?Sentence $opening): Summary
    {
        $sentences = array_values(array_filter([$opening, $this->largest(), $this->unexplained(), $this->turns()]));

        return new Summary($this->headline($label, $note), $this->movers(), $sentences, $this->moves);
    }

    public function maybeRow(RowRole $role): ?Row
    {
        foreach ($this->rows as $row) {
            if ($role === $row->role) {
                return $row;
            }
        }

        return null;
    }

    /**
     * @return array{
     *     label: string, amount: string, variance: ?string, percent: ?string, effect: ?string, note: string,
     *     row: string,
     * }
     */
    private function headline(string $label, string $note): array
    {
        $end = $this->maybeRow(RowRole::End);
        $display = $this->phrases->display;
        $variance = null === $end ? null : $this->phrases->of($end);
        $points = $display->inPoints ? ' pp' : '';

        return [
            'label' => $label,
            'amount' => $display->amount($end?->shown),
            'variance' => null === $variance ? null : $display->variance($variance->amount).$points,
            'percent' => null === $variance?->percent() ? null : $display->percent($variance).' %',
            'effect' => null === $variance ? null : $display->effect($variance)->value,
            'note' => $note,
            'row' => $end->key->id ?? '',
        ];
    }

    /** `620 k EUR` */
    public function total(Row $row): LinkedText
    {
        return $this->phrases->number($this->amount, $row, $row->key);
    }

    /** @return list<string|LinkedText> `Fuel (−71, 56 % of what went against it)` */
    private function said(Row $row, string $of): array
    {
        $share = null === $this->share ? null : $this->share->number($row);

        return [
            $this->phrases->name($row, $this->namesYears),
            ' (',
            $this->phrases->number($this->change, $row, $row->key),
            ...null === $this->share || null === $share
                ? []
                : [', ', $this->phrases->number($this->share, $row, $row->key), " % of $of"],
            ')',
        ];
    }

    private function largest(): ?Sentence
    {
        if ([] === $this->steps) {
            return [] === $this->rows ? null : new Sentence('No step differs from nought.');
        }
        if ('' !== $this->shareOf) {
            $least = $this->steps[\count($this->steps) - 1];

            return new Sentence(
                'Largest: ',
                ...$this->said($this->steps[0], $this->shareOf),
                ...$least === $this->steps[0] ? [] : ['; smallest: ', ...$this->said($least, $this->shareOf)],
                ...['.'],
            );
        }
        $for = $this->maybeFirst(Effect::Favourable);
        $against = $this->maybeFirst(Effect::Unfavourable);

        return null === $for && null === $against
            ? null
            : new Sentence(
                ...null === $for ? [] : ['Most for it: ', ...$this->said($for, 'what went for it')],
                ...null === $for || null === $against ? [] : ['; '],
                ...null === $against
                    ? []
                    : [
                        null === $for ? 'Most against it: ' : 'most against it: ',
                        ...$this->said($against, 'what went against it'),
                    ],
                ...['.'],
            );
    }

    private function maybeFirst(Effect $effect): ?Row
    {
        foreach ($this->steps as $row) {
            $written = $this->phrases->display->variance($row->values['change'] ?? null);
            if ($row->effect === $effect && !NumberFormat::isNought($written)) {
                return $row;
            }
        }

        return null;
    }

    private function unexplained(): ?Sentence
    {
        $row = $this->maybeRow(RowRole::Unexplained);

        return null === $row
            ? null
            : new Sentence(
                'Unexplained: ',
                $this->phrases->number($this->change, $row, $row->key),
                $this->phrases->unit(),
                ' that no step accounts for.',
            );
    }

    /** Where the running total crosses nought. */
    private function turns(): ?Sentence
    {
        $turns = [];
        foreach ($this->rows as $row) {
            [$from, $to] = [$row->values['from'] ?? null, $row->values['to'] ?? null];
            if (null !== $row->parent || $row->role->isWhole() || null === $from || null === $to) {
                continue;
            }
            if ($from->getSign() * $to->getSign() < 0 || ($from->isZero() && $to->isNegative() && [] !== $turns)) {
                $turns[] = [
                    $to->isNegative() ? 'falls below nought at ' : 'rises above nought at ',
                    $this->phrases->name($row, $this->namesYears),
                ];
            }
        }

        return [] === $turns
            ? null
            : new Sentence('The running total ', ...Sentence::some($turns, self::TURNS), ...['.']);
    }

    /** @return list<array{key: string, label: string, variance: string, effect: string, flagged: bool}> */
    private function movers(): array
    {
        $display = $this->phrases->display;
        $movers = [];
        foreach ($this->steps as $row) {
            $written = $display->variance($row->values['change'] ?? null);
            if (!NumberFormat::isNought($written) && \count($movers) < self::MOVERS) {
                $movers[] = [
                    'key' => $row->key->id,
                    'label' => $this->phrases->name($row, $this->namesYears)->text,
                    'variance' => $written,
                    'effect' => ($row->effect ?? Effect::Neutral)->value,
                    'flagged' => ($row->variances['first'] ?? null)->flagged ?? false,
                ];
            }
        }

        return $movers;
    }
}
