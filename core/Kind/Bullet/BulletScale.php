<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Bullet;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Question\Finish\ScaleForm;
use KeenMargin\Core\Workings\Near\TargetedRows;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\WorkingsTable;

/**
 * How long amounts are drawn: alike in all rows, each row as long as there is room, or in percent of each row's target.
 * A row without a target is as long as there is room where the others are in percent of theirs.
 */
final readonly class BulletScale
{
    private const WHOLE = 100.0;

    /**
     * @param float $least the lowest drawn length, nought or less
     * @param float $most the greatest one
     * @param array<string, float> $factors by the ids of rows' keys, that amounts are multiplied by
     * @param array<string, array{float, float}> $reaches lowest and greatest amount of each row
     */
    private function __construct(
        public float $least,
        public float $most,
        private ScaleForm $form,
        private array $factors,
        private array $reaches,
    ) {}

    public static function of(WorkingsTable $table, ScaleForm $form): self
    {
        $reaches = array_map(static fn (Row $row): array => self::reach($row, $table), $table->rowsByKey());
        $all = array_merge([0.0], ...array_values($reaches));
        if (ScaleForm::Shared === $form) {
            $common = [min($all), max($all)];

            return new self(
                $common[0],
                $common[1],
                $form,
                array_map(static fn (): float => 1.0, $reaches),
                array_map(static fn (): array => $common, $reaches),
            );
        }
        $factors = [];
        foreach ($table->rowsByKey() as $key => $row) {
            [$least, $most] = $reaches[$key];
            $target = ScaleForm::Target === $form ? self::maybeTarget($row) : null;
            $factors[$key] = self::WHOLE / ($target ?? max($most - $least, abs($least)) ?: 1.0);
        }
        $lengths = [0.0];
        foreach ($reaches as $key => [$least, $most]) {
            array_push($lengths, $factors[$key] * $least, $factors[$key] * $most);
        }

        return new self(min($lengths), max($lengths), $form, $factors, $reaches);
    }

    public function isShared(): bool
    {
        return ScaleForm::Shared === $this->form;
    }

    public function length(Row $row, BigDecimal $amount): float
    {
        return $this->factor($row) * $amount->toFloat();
    }

    public function factor(Row $row): float
    {
        return $this->factors[$row->key->id] ?? 1.0;
    }

    /** The amount where the strip of bands begins. */
    public function leastOf(Row $row): float
    {
        return $this->reaches[$row->key->id][0] ?? 0.0;
    }

    /** The amount where it ends, and where its last band does where that is open. */
    public function mostOf(Row $row): float
    {
        return $this->reaches[$row->key->id][1] ?? 0.0;
    }

    private static function maybeTarget(Row $row): ?float
    {
        $target = $row->values[TargetedRows::TARGET] ?? null;

        return null === $target || $target->getSign() <= 0 ? null : $target->toFloat();
    }

    /** @return array{float, float} */
    private static function reach(Row $row, WorkingsTable $table): array
    {
        $last = null === $row->bands ? null : $row->bands->limits[\count($row->bands->limits) - 1];
        $amounts = [0.0];
        foreach ([$row->shown, $last, ...array_map($row->value(...), $table->references)] as $amount) {
            null === $amount || ($amounts[] = $amount->toFloat());
        }

        return [min($amounts), max($amounts)];
    }
}
