<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * Totals that stand apart, and what is gathered, are cut where they would dwarf the rows: the same length is taken out
 * of each of them and of what they are held against, so that their difference stays true, and each bears a break mark.
 */
final readonly class TotalsCut
{
    /** Totals this much larger than the largest row are cut, down to this part of it. */
    private const DWARFS = 1.5;
    private const LEFT = 0.95;
    /** Where the break mark stands, in parts of the smallest size that is left. */
    private const MARKED = 0.3;

    /**
     * @param float $amount taken out, of the sign of what it is taken from
     * @param float $left of the smallest size that is cut, of the same sign
     * @param array<string, true> $rows keys of the rows that are cut
     */
    private function __construct(private float $amount, private float $left, private array $rows) {}

    public static function none(): self
    {
        return new self(0.0, 0.0, []);
    }

    public static function of(Workings $workings, Finish $finish): self
    {
        $totals = array_filter(
            $workings->table->rows,
            static fn (Row $row): bool => $row->role->isApart() || RowRole::Other === $row->role,
        );
        if (!$finish->cut || [] === $totals) {
            return self::none();
        }
        $longest = max([
            0.0,
            ...array_map(
                abs(...),
                array_merge(
                    [],
                    ...array_map(
                        static fn (Row $row): array => self::sizes($row, $workings),
                        array_values(array_diff_key($workings->table->rows, $totals)),
                    ),
                ),
            ),
        ]);
        $cut = [];
        foreach ($totals as $row) {
            $sizes = self::sizes($row, $workings);
            if ([] !== $sizes && min(array_map(abs(...), $sizes)) > self::DWARFS * $longest) {
                $cut[$row->key->id] = $sizes;
            }
        }
        $sizes = array_merge([], ...array_values($cut));
        if ([] === $sizes || 0.0 === $longest || min($sizes) * max($sizes) < 0.0) {
            return self::none();
        }

        $sign = $sizes[0] < 0.0 ? -1 : 1;

        return new self(
            $sign * (min(array_map(abs(...), $sizes)) - self::LEFT * $longest),
            $sign * self::LEFT * $longest,
            array_map(static fn (): bool => true, $cut),
        );
    }

    public function takes(Row $row): float
    {
        return isset($this->rows[$row->key->id]) ? $this->amount : 0.0;
    }

    /** Marks a bar that a piece is cut out of. */
    public function mark(Stage $stage, Rect $bar, string $key): void
    {
        BreakMark::draw($stage, $bar, $key, $stage->scale->at(self::MARKED * $this->left));
    }

    /** @return list<float> */
    private static function sizes(Row $row, Workings $workings): array
    {
        $held = array_filter(
            [$row->shown, ...array_map($row->value(...), $workings->table->references)],
            static fn (?BigDecimal $amount): bool => null !== $amount,
        );

        return array_values(array_map(static fn (BigDecimal $amount): float => $amount->toFloat(), $held));
    }
}
