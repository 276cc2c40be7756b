<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;

/** The parts of a capacity for one row, of any of its periods; each is looked up once. */
final class CapacityAmounts
{
    /**
     * @var array<int, array{FinePeriods, array{used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal}}>
     *                                                                                                        by the
     *                                                                                                        periods'
     *                                                                                                        object id
     */
    private array $shown = [];
    /**
     * @var array<int, array{FinePeriods, array{used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal}}>
     *                                                                                                        by the
     *                                                                                                        periods'
     *                                                                                                        object id
     */
    private array $targets = [];

    /**
     * @param array<string, ComparisonRows> $parts two or three of `used`, `unused`, `total`
     * @param ?Scenario $reference whose figures are the target; null: none
     */
    public function __construct(
        private readonly array $parts,
        private readonly ?Scenario $reference,
        private readonly Sums $sums,
    ) {}

    /** @return array{used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal} what is shown */
    public function shown(FinePeriods $fine): array
    {
        $amount = fn (ComparisonRows $rows): ?BigDecimal => $rows->comparison->shown($fine, $this->sums);

        return ($this->shown[spl_object_id($fine)] ??= [$fine, self::three(array_map($amount, $this->parts))])[1];
    }

    /** @return array{used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal} of the reference */
    public function targets(FinePeriods $fine): array
    {
        $reference = $this->reference;
        if (null === $reference) {
            return ['used' => null, 'unused' => null, 'total' => null];
        }
        $amount = fn (ComparisonRows $rows): ?BigDecimal => $rows->comparison->value($reference, $fine, $this->sums);

        return ($this->targets[spl_object_id($fine)] ??= [$fine, self::three(array_map($amount, $this->parts))])[1];
    }

    /**
     * The third part is what the other two leave; where one of them has no figure, it counts as nothing.
     *
     * @param array<string, ?BigDecimal> $told two or three of `used`, `unused`, `total`
     *
     * @return array{used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal} null where there is no figure
     */
    private static function three(array $told): array
    {
        $all = [
            'used' => $told['used'] ?? null,
            'unused' => $told['unused'] ?? null,
            'total' => $told['total'] ?? null,
        ];
        if ([] === array_filter($all)) {
            return $all;
        }
        $nothing = BigDecimal::zero();
        $of = static fn (string $part): BigDecimal => $all[$part] ?? $nothing;

        return match (true) {
            !\array_key_exists('unused', $told) => array_replace($all, ['unused' => $of('total')->minus($of('used'))]),
            !\array_key_exists('used', $told) => array_replace($all, ['used' => $of('total')->minus($of('unused'))]),
            !\array_key_exists('total', $told) => array_replace($all, ['total' => $of('used')->plus($of('unused'))]),
            default => $all,
        };
    }
}
