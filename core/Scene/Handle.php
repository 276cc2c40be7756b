<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

use Brick\Math\BigDecimal;

/**
 * Something that a reader may move on the chart: a target, a goal, a limit of bands. It tells where amounts are, so
 * that the page can turn a place into an amount again.
 */
final readonly class Handle
{
    /**
     * @param 'target'|'goal'|'limit' $of
     * @param int $place of a limit, from 0
     * @param BigDecimal $amount in the measure's own unit, as all amounts here
     * @param BigDecimal $step that amounts are moved by
     * @param ?BigDecimal $least that it must stay above; null: nothing
     * @param ?BigDecimal $most that it must stay below
     * @param bool $isHorizontal whether amounts run from left to right; else from bottom to top
     * @param float $zero where nought is, in points; on a ring in degrees
     * @param float $perUnit points of one of the unit, below nought where they run upwards; on a ring degrees
     * @param float $from where its line across begins, as $to where it ends; on a ring the radii
     * @param array{float, float}|null $centre of a ring; null: it is moved along a line
     * @param ?string $name of the band that ends at a limit, which can be changed; null: it is no limit
     */
    public function __construct(
        public string $of,
        public int $place,
        public string $label,
        public BigDecimal $amount,
        public BigDecimal $step,
        public bool $isHorizontal,
        public float $zero,
        public float $perUnit,
        public float $from,
        public float $to,
        public ?BigDecimal $least = null,
        public ?BigDecimal $most = null,
        public ?array $centre = null,
        public ?string $name = null,
    ) {}

    /** A step of about a two-hundredth of what a scale spans: 1, 2 or 5 with noughts. */
    public static function step(float $span): BigDecimal
    {
        $least = abs($span) / 200.0;
        if ($least <= 0.0) {
            return BigDecimal::one();
        }
        $power = (int) floor(log10($least));
        $first = $least / 10.0 ** $power;
        $digit = $first <= 1.0001 ? 1 : ($first <= 2.0001 ? 2 : ($first <= 5.0001 ? 5 : 10));

        return $power >= 0
            ? BigDecimal::of($digit)->withPointMovedRight($power)
            : BigDecimal::ofUnscaledValue($digit, -$power);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'of' => $this->of,
            'place' => $this->place,
            'label' => $this->label,
            'amount' => $this->amount->toString(),
            'step' => $this->step->strippedOfTrailingZeros()->toString(),
            'least' => $this->least?->toString(),
            'most' => $this->most?->toString(),
            'isHorizontal' => $this->isHorizontal,
            'zero' => $this->zero,
            'perUnit' => $this->perUnit,
            'from' => Plain::round($this->from),
            'to' => Plain::round($this->to),
            'name' => $this->name,
            'centre' => null === $this->centre ? null : array_map(Plain::round(...), $this->centre),
        ];
    }
}
