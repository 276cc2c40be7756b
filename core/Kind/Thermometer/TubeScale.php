<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Thermometer;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Question\Finish\ScaleForm;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\Row;

/** How high amounts stand in tubes: alike in all of them, or each in percent of its goal. */
final readonly class TubeScale
{
    private const WHOLE = 100.0;

    /** @var array<string, float> by the ids of rows' keys, that amounts are multiplied by */
    private array $factors;
    private float $perUnit;

    /**
     * @param list<Row> $rows without layers
     * @param float $length of the highest
     * @param float $mostPerUnit points of one of the unit that other charts leave
     */
    public function __construct(array $rows, private ScaleForm $form, float $length, float $mostPerUnit = \INF)
    {
        $factors = [];
        $most = 0.0;
        foreach ($rows as $row) {
            $goal = ($row->values[GoalNumbers::GOAL] ?? null)?->toFloat() ?? 0.0;
            $top = max($goal, $row->shown?->toFloat() ?? 0.0, 0.0);
            $unit = match ($form) {
                ScaleForm::Shared => 1.0,
                ScaleForm::Own => $top > 0.0 ? self::WHOLE / $top : 1.0,
                ScaleForm::Target => $goal > 0.0 ? self::WHOLE / $goal : ($top > 0.0 ? self::WHOLE / $top : 1.0),
            };
            $factors[$row->key->id] = $unit;
            $most = max($most, $unit * $top);
        }
        $this->factors = $factors;
        $own = $most > 0.0 ? $length / $most : 0.0;
        $this->perUnit = ScaleForm::Shared === $form ? min($own, $mostPerUnit) : $own;
    }

    /** In points above the foot; below nought it is nought. */
    public function height(Row $row, BigDecimal $amount): float
    {
        return max(0.0, $this->perUnit * ($this->factors[$row->key->id] ?? 1.0) * $amount->toFloat());
    }

    /** Of a percentage of an amount. */
    public function heightOf(Row $row, BigDecimal $amount, BigDecimal $percent): float
    {
        return ($this->height($row, $amount) * $percent->toFloat()) / self::WHOLE;
    }

    public function isShared(): bool
    {
        return ScaleForm::Shared === $this->form;
    }
}
