<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Question\Near\BandForm;
use KeenMargin\Core\Scene\Handle;
use KeenMargin\Core\Workings\Result\Context;

/** What may be moved of targets and bands: numbers of the question, which are the same in all rows. */
final readonly class NearHandles
{
    /**
     * @param bool $isHorizontal whether amounts run from left to right
     * @param float $zero where nought is, $perUnit of one of the unit, $from and $to across; as a handle has them
     * @param float $span of the scale, in the measure's unit
     * @param array{float, float}|null $centre of a ring
     */
    public function __construct(
        private Context $context,
        private bool $isHorizontal,
        private float $zero,
        private float $perUnit,
        private float $from,
        private float $to,
        private float $span,
        private ?array $centre = null,
    ) {}

    /** @return list<Handle> */
    public function all(): array
    {
        $handles = [];
        $bands = $this->context->bands;
        $limits = null === $bands || BandForm::PercentOfTarget === $bands->form ? [] : $bands->limits;
        foreach ($limits as $place => $limit) {
            $name = $bands->names[$place] ?? '';
            $handles[] = $this->handle(
                of: 'limit',
                place: $place,
                label: '' === $name ? 'Limit '.($place + 1) : "Limit of $name",
                amount: $limit,
                least: $limits[$place - 1] ?? null,
                most: $limits[$place + 1] ?? null,
                name: $name,
            );
        }

        // Last, so that it lies upon a limit at the same place.
        $target = $this->context->aim?->number;
        if (null !== $target) {
            $handles[] = $this->handle('target', 0, 'Target', $target);
        }
        // On a ring there is no place beyond its ends.
        $isThere = fn (Handle $one): bool => null === $this->centre
            || abs($this->zero + $this->perUnit * $one->amount->toFloat() - 90.0) <= 90.0;

        return array_values(array_filter($handles, $isThere));
    }

    /** @param 'target'|'goal'|'limit' $of */
    private function handle(
        string $of,
        int $place,
        string $label,
        BigDecimal $amount,
        ?BigDecimal $least = null,
        ?BigDecimal $most = null,
        ?string $name = null,
    ): Handle {
        return new Handle(
            of: $of,
            place: $place,
            label: $label,
            amount: $amount,
            step: Handle::step($this->span),
            isHorizontal: $this->isHorizontal,
            zero: $this->zero,
            perUnit: $this->perUnit,
            from: $this->from,
            to: $this->to,
            least: $least,
            most: $most,
            centre: $this->centre,
            name: $name,
        );
    }
}
